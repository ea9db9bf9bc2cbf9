"""What artifacts tell, through the whole line: readings and judgements in, words, criteria, sources and the report out."""

import re

import pytest

from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import new
from tests.states import EQUAL, Turned, make

TWO = {"Mesa": Turned(off_mm=0.03), "Sparrow": Turned(off_mm=0.03)}


@pytest.fixture
def reviewer(bench: Bench) -> Client:
    return bench.as_("reviewer")


def frames(client: Client, lean: dict[str, float], **more) -> str:
    """A study of squareness frames whose diagonals are apart by so much of their length, by machine."""
    study = make(client, dict.fromkeys(lean, EQUAL), copies=2, artifact="SF", measured=False, inspected=False, **more)
    queue = client.get(f"/api/studies/{study}/measure")
    machines = {j["id"]: j["machine"]["name"] for j in client.get(f"/api/studies/{study}/print")["jobs"]}
    made_by = {client.get(f"/api/jobs/{job}")["runs"][-1]["bag_code"]: name for job, name in machines.items()}
    caliper = queue["instruments"][0]["id"]
    for at, line in enumerate(queue["queue"]):
        turn = lean[made_by[line["blind_code"]]] / 2 * (1 + 0.02 * (at % 2))
        stretched = {"D1": 1 + turn, "D2": 1 - turn}
        client.send("POST", f"/api/specimens/{line['id']}/readings/batch", {"readings": [
            {"id": new(), "feature_id": f["feature_id"], "repeat": 1, "instrument_id": caliper,
             "value": round(f["nominal"] * stretched.get(f["code"], 1), 2)}
            for f in client.get(f"/api/specimens/{line['id']}")["features"]]})  # fmt: skip
    return study


def criterion(code: str, weight: float, *points: tuple[float, float], shape: str = "linear") -> dict:
    return {"code": code, "weight": weight, "shape": shape, "points": [{"raw": r, "value": v} for r, v in points]}


def test_a_frame_says_its_skew_in_measure_rank_source_and_report(reviewer: Client) -> None:
    study = frames(reviewer, {"Mesa": 0.001, "Sparrow": 0.006})
    specimens = [
        reviewer.get(f"/api/specimens/{q['id']}") for q in reviewer.get(f"/api/studies/{study}/measure")["queue"]
    ]
    told = [next(f for f in s["findings"] if f["code"] == "skew.xy") for s in specimens]
    assert {f["headline"] for f in told} == {"Out of square by"}
    assert all(f["points_to"].startswith("gantry not square") for f in told)
    assert {c["chart"] for s in specimens for c in s["charts"]} >= {"frame"}
    source = reviewer.get(f"/api/specimens/{specimens[0]['id']}/source", finding="skew.xy")
    assert {e["what"] for e in source["entries"]} == {"D1 reading 1", "D2 reading 1"}
    assert "cos θ" in source["rule"]

    scheme = reviewer.get(f"/api/studies/{study}/scheme")
    choices = {c["code"]: c for c in scheme["choices"]}
    assert choices["skew.xy"]["known"] == 2
    assert "tilt.x" not in choices  # no sheet is printed here
    kept = reviewer.send("POST", f"/api/studies/{study}/scheme", {
        "id": new(), "number": scheme["number"], "criteria": [
            criterion("time", 20, (2, 0), (0.5, 100)),
            criterion("skew.xy", 80, (-1, 0), (0, 100), (1, 0), shape="piecewise")]})  # fmt: skip
    assert kept["number"] == scheme["number"] + 1
    rank = reviewer.send("POST", f"/api/studies/{study}/rank", {})
    assert rank["standings"][0]["machine"]["name"] == "Mesa"
    assert rank["reasons"][0]["name"] == "Skew"
    skew = {s["machine"]["name"]: s["contributions"][1] for s in rank["standings"]}
    assert skew["Mesa"]["raw"]["words"].endswith("mm/100 mm")
    assert skew["Mesa"]["value"] > skew["Sparrow"]["value"]
    unit = rank["standings"][0]["machine"]["unit_id"]
    why = reviewer.send("POST", f"/api/studies/{study}/units/{unit}/rank-source", {"criterion": "skew.xy"})
    assert why["title"] == "Out of square, Mesa"
    assert why["inputs"][0]["note"] == "0 at -1 mm/100 mm, 100 at 0 mm/100 mm, 0 at 1 mm/100 mm"
    assert why["entries"] == []  # until the reveal
    revision = new()
    reviewer.send(
        "POST",
        f"/api/studies/{study}/revisions",
        {"id": revision, "ends_blind": True, "profile_id": rank["profile"]["id"]},
    )
    page = reviewer.http.get(f"/api/revisions/{revision}/report.html").text
    assert "Out of square" in page
    assert "mm/100 mm" in page
    # A criterion has one colour: in every bar that of the key, also behind one that made no points.
    key = re.findall(r'<i style="background:(#\w+)"></i>([^<]+?) [\d.]+</span>', page)
    assert key
    for fill, name in re.findall(r'fill="(#\w+)"><title>(.+?) [\d.]+: [\d.]+</title>', page):
        assert (fill, name) in key


def test_a_scheme_of_nonsense_is_refused_and_the_second_of_two_is_told(reviewer: Client) -> None:
    study = make(reviewer, TWO)
    path, good = f"/api/studies/{study}/scheme", criterion("time", 10, (2, 0), (0.5, 100))
    for wrong, words in (
        ([good, good], "there twice"), ([criterion("wisdom", 10, (0, 0), (1, 100))], "no criterion called wisdom"),
        ([criterion("skew.xy", 10, (0.5, 0), (0, 100))], "Out of square is best at 0"),
        ([criterion("time", 10, (2, 0), (2, 100))], "must differ"), ([criterion("time", 0, (2, 0), (1, 100))], "Weights must"),
    ):  # fmt: skip
        with pytest.raises(ApiError, match=words):
            reviewer.send("POST", path, {"id": new(), "number": 1, "criteria": wrong})
    assert reviewer.get(path)["number"] == 1
    reviewer.send("POST", path, {"id": new(), "number": 1, "criteria": [good]})
    with pytest.raises(ApiError, match="409"):
        reviewer.send("POST", path, {"id": new(), "number": 1, "criteria": [good]})
    rank = reviewer.send("POST", f"/api/studies/{study}/rank", {})
    assert [c["code"] for c in rank["criteria"]] == ["time"]
    # A buyer's own weights are of the criteria that were there; a later one brings its weight along.
    reviewer.send("PUT", f"/api/studies/{study}/buyers/{rank['profile']['id']}", {
        "version": rank["profile"]["version"], "weights": {"time": 40}})  # fmt: skip
    reviewer.send(
        "POST", path, {"id": new(), "number": 2, "criteria": [good, criterion("energy", 7, (1, 0), (0, 100))]}
    )
    weights = {c["code"]: c["weight"] for c in reviewer.send("POST", f"/api/studies/{study}/rank", {})["criteria"]}
    assert weights == {"time": 40, "energy": 7}


def test_what_no_instrument_reads_is_judged_by_each_person_for_themselves(bench: Bench, reviewer: Client) -> None:
    study = make(reviewer, TWO, artifact="CC", measured=False, inspected=False)
    rater = bench.as_("rater")
    line = reviewer.get(f"/api/studies/{study}/measure")["queue"][0]
    path = f"/api/specimens/{line['id']}"
    assert (line["done"], line["due"]) == (0, 10)
    gap = reviewer.get(path)["judged"][0]
    given = {"id": new(), "feature_id": gap["feature_id"], "takes": "verdict", "verdict": "partly"}
    with pytest.raises(ApiError, match="Say why G05 only partly passes"):
        reviewer.send("POST", f"{path}/judgements", given)
    view = reviewer.send("POST", f"{path}/judgements", given | {"id": new(), "word": "with pliers"})
    said = view["judged"][0]["said"]
    assert (said["verdict"], said["word"], view["done"]) == ("partly", "with pliers", 1)
    with pytest.raises(ApiError, match="judged already"):
        reviewer.send("POST", f"{path}/judgements", given | {"id": new(), "verdict": "pass"})
    # Another person sees none of it, and says their own.
    assert rater.get(path)["judged"][0]["said"] is None
    rater.send("POST", f"{path}/judgements", given | {"id": new(), "verdict": "pass"})
    with pytest.raises(ApiError, match="no such judgement of yours"):
        rater.send("POST", f"{path}/judgements", given | {
            "id": new(), "verdict": "fail", "supersedes_id": said["id"], "reason": "not mine"})  # fmt: skip
    corrected = reviewer.send("POST", f"{path}/judgements", given | {
        "id": new(), "verdict": "pass", "supersedes_id": said["id"], "reason": "it was another peg"})  # fmt: skip
    assert (corrected["judged"][0]["said"]["verdict"], corrected["done"]) == ("pass", 1)
    # Several at once are kept all or none.
    others = [
        {"id": new(), "feature_id": j["feature_id"], "takes": "verdict", "verdict": "pass"}
        for j in corrected["judged"][1:]
    ]
    with pytest.raises(ApiError, match="judged already"):
        reviewer.send("POST", f"{path}/judgements/batch", {"judgements": [*others, others[0] | {"id": new()}]})
    assert reviewer.get(path)["done"] == 1
    assert reviewer.send("POST", f"{path}/judgements/batch", {"judgements": others})["done"] == len(others) + 1
    assert reviewer.get(f"/api/studies/{study}/measure")["queue"][0]["done"] == len(others) + 1


def test_an_instrument_that_does_not_read_such_a_face_is_refused(reviewer: Client) -> None:
    study = make(reviewer, TWO, measured=False, inspected=False)
    reviewer.send("POST", "/api/instruments", {
        "id": (scale := new()), "code": "W-1", "kind": "scale", "unit": "g", "resolution": 0.01, "u_calibration": 0.01,
        "repeatability": 0.01})  # fmt: skip
    queue = reviewer.get(f"/api/studies/{study}/measure")
    path = f"/api/specimens/{queue['queue'][0]['id']}"
    face = reviewer.get(path)["features"][0]
    with pytest.raises(ApiError, match="read with a caliper or a gauge, not with the scale W-1"):
        reviewer.send("POST", f"{path}/readings", {
            "id": new(), "feature_id": face["feature_id"], "repeat": 1, "instrument_id": scale, "value": 40})  # fmt: skip


def test_of_several_meters_none_is_taken_for_granted(reviewer: Client) -> None:
    study = make(reviewer, TWO)
    job = reviewer.get(f"/api/studies/{study}/print")["jobs"][0]
    run = reviewer.get(f"/api/jobs/{job['id']}")["runs"][-1]
    meters = [new(), new()]
    for at, meter in enumerate(meters):
        for kind, unit in (("power meter", "Wh"), ("sound meter", "dB")):
            reviewer.send("POST", "/api/instruments", {
                "id": meter if kind == "power meter" else new(), "code": f"{kind[0]}{at}", "kind": kind, "unit": unit,
                "resolution": 0.1, "u_calibration": 0.1, "repeatability": 0.1})  # fmt: skip
        if not at:
            kept = reviewer.send("PUT", f"/api/runs/{run['id']}/energy", {"version": run["version"], "energy_wh": 90})
    version = kept["runs"][-1]["version"]
    with pytest.raises(ApiError, match="Several power meters are listed"):
        reviewer.send("PUT", f"/api/runs/{run['id']}/energy", {"version": version, "energy_wh": 95})
    reviewer.send("PUT", f"/api/runs/{run['id']}/energy", {
        "version": version, "energy_wh": 95, "instrument_id": meters[1]})  # fmt: skip
    noise = {"level_db": 50, "background_db": 20, "distance_m": 1}
    with pytest.raises(ApiError, match="Several sound meters are listed"):
        reviewer.send("POST", f"/api/runs/{run['id']}/noise", noise | {"id": new()})
    with pytest.raises(ApiError, match="no such sound meter"):
        reviewer.send("POST", f"/api/runs/{run['id']}/noise", noise | {"id": new(), "instrument_id": meters[0]})


def test_a_price_of_another_currency_needs_a_rate_and_then_counts_by_it(reviewer: Client) -> None:
    study = make(reviewer, TWO, copies=2)
    unit = reviewer.get(f"/api/studies/{study}/receive")["units"][0]
    path = f"/api/studies/{study}/units/{unit['machine']['unit_id']}"
    reviewer.send("PUT", path, {
        "version": unit["version"], "price_paid": 500, "currency": "USD", "obtained": "bought"})  # fmt: skip
    costs = {m["machine"]["name"]: m for m in reviewer.get(f"/api/studies/{study}/cost")["machines"]}
    assert "a rate from USD to EUR" in costs["Mesa"]["total"]["needs"]
    assert costs["Sparrow"]["total"]["value"] is not None
    assert reviewer.get(f"/api/studies/{study}/receive")["units"][0]["disclosure"] == "Mesa was bought for 500 USD."
    with pytest.raises(ApiError, match="between two currencies"):
        reviewer.send("POST", "/api/rates", {
            "id": new(), "base": "USD", "quote": "USD", "rate": 1, "on": "2026-01-02", "source": "x"})  # fmt: skip
    with pytest.raises(ApiError, match="a day that has come"):
        reviewer.send("POST", "/api/rates", {
            "id": new(), "base": "USD", "quote": "EUR", "rate": 3, "on": "2098-01-02", "source": "x"})  # fmt: skip
    reviewer.send("POST", "/api/rates", {
        "id": new(), "base": "USD", "quote": "EUR", "rate": 0.8, "on": "2026-01-02", "source": "the bank's list"})  # fmt: skip
    costs = {m["machine"]["name"]: m for m in reviewer.get(f"/api/studies/{study}/cost")["machines"]}
    assert costs["Mesa"]["all_in"]["value"] == pytest.approx(400)
    assert costs["Mesa"]["total"]["value"] == pytest.approx(costs["Sparrow"]["total"]["value"])


def test_a_limit_on_what_is_best_at_0_holds_either_way(reviewer: Client) -> None:
    study = frames(
        reviewer, {"Mesa": 0.001, "Sparrow": -0.009}, buyer=[{"kind": "figure", "what": "skew.xy", "limit": 0.4}]
    )
    rank = reviewer.send("POST", f"/api/studies/{study}/rank", {})
    assert [s["machine"]["name"] for s in rank["standings"]] == ["Mesa"]
    assert rank["left_out"][0]["machine"]["name"] == "Sparrow"
    assert re.search(r"out of square 0\.(89|90|91)", rank["left_out"][0]["reason"])


def test_a_judged_specimen_counts_as_measured_and_its_code_is_told_no_more(reviewer: Client) -> None:
    study = make(reviewer, TWO, artifact="CC", measured=False, inspected=False)
    job = reviewer.get(f"/api/studies/{study}/print")["jobs"][0]["id"]
    code = reviewer.get(f"/api/jobs/{job}")["runs"][-1]["bag_code"]
    line = next(q for q in reviewer.get(f"/api/studies/{study}/measure")["queue"] if q["blind_code"] == code)

    def measured() -> str:
        return next(
            s["count"] for s in reviewer.get(f"/api/studies/{study}/line")["stations"] if s["station"] == "measure"
        )

    assert measured() == "0/2"
    for gap in reviewer.get(f"/api/specimens/{line['id']}")["judged"]:
        reviewer.send("POST", f"/api/specimens/{line['id']}/judgements", {
            "id": new(), "feature_id": gap["feature_id"], "takes": "verdict", "verdict": "pass"})  # fmt: skip
    assert measured() == "1/2"
    assert reviewer.get(f"/api/jobs/{job}")["runs"][-1]["bag_code"] is None

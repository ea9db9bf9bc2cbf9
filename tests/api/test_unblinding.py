"""Until somebody looks, on record, no answer changes with what was entered of a hidden part, but by its code alone."""

import itertools
import json
import re
import uuid
from collections.abc import Iterator

import httpx
import psycopg
import pytest

from crevlo.sim.client import ApiError, Client
from tests.api.test_ballot import photo
from tests.conftest import Bench
from tests.small import new
from tests.states import Turned, make

TURNED = {"Mesa": Turned(off_mm=0.02), "Sparrow": Turned(off_mm=0.07, severity=2), "Forge": Turned(off_mm=-0.04)}
ODD = 0.137
# Bodies of calls that only look and need one.
ASKED = {"rank-source": {"criterion": "off.mean"}, "weight-map": {"codes": ["off.mean", "time", "energy"]}}


@pytest.fixture
def owner(bench: Bench) -> Client:
    return bench.as_("owner")


@pytest.fixture
def rater(bench: Bench) -> Client:
    return bench.as_("rater")


def hidden_study(owner: Client, rater: Client) -> str:
    """Three printers, two copies; each part is measured and scored but one, by the rater alone."""
    study = make(owner, TURNED, copies=2, measured=False, inspected=False, blind=True)
    for number, line in enumerate(rater.get(f"/api/studies/{study}/measure")["queue"][:-1]):
        enter_readings(rater, study, line["id"], 0.01 * number)
        enter_scores(rater, line["id"], number % 3)
    return study


def enter_readings(client: Client, study: str, specimen: str, off: float) -> None:
    view = client.get(f"/api/studies/{study}/measure")
    caliper = next(i["id"] for i in reversed(view["instruments"]) if i["kind"] == "caliper")
    client.enter("POST", f"/api/specimens/{specimen}/readings/batch", {"readings": [
        {"id": new(), "feature_id": f["feature_id"], "repeat": 1, "instrument_id": caliper, "value": round(f["nominal"] + off, 3)}
        for f in client.get(f"/api/specimens/{specimen}")["features"]]})  # fmt: skip


def enter_scores(client: Client, specimen: str, severity: int) -> None:
    asked = client.get(f"/api/specimens/{specimen}/scores")["asked"]
    scores = [{"id": new(), "defect": code, "severity": severity} for code in asked]
    client.enter("POST", f"/api/specimens/{specimen}/scores/batch", {"scores": scores})
    client.enter("POST", f"/api/specimens/{specimen}/lock")


def looks(bench: Bench, study: str) -> Iterator[tuple[str, str]]:
    """Method and address of every call that only looks, with all that this study could be asked about."""
    known = {
        "study_id": f"select '{study}'", "unit_id": "select unit_id from study_unit", "job_id": "select id from job",
        "run_id": "select id from run", "specimen_id": "select id from specimen", "profile_id": "select id from buyer_profile",
        "revision_id": "select id from report_revision", "spool_id": "select id from spool", "form": "select unnest('{html,md,xlsx}'::text[])",
        "instrument_id": "select id from instrument",
    }  # fmt: skip
    with psycopg.connect(bench.url.replace("+psycopg", "")) as db:
        values = {name: [str(row[0]) for row in db.execute(query)] for name, query in known.items()}
    for path, methods in bench.app.api_doc["paths"].items():
        names = re.findall(r"{(\w+)}", path)
        for method in methods:
            adapter = bench.app.url_map.bind("127.0.0.1")
            some = path.format(**{n: str(uuid.uuid4()) if n.endswith("_id") else "x" for n in names})
            try:
                endpoint, _ = adapter.match(some, method=method.upper())
            except Exception:
                continue
            only_looks = getattr(bench.app.view_functions[endpoint], "only_looks", False)
            if not only_looks or "sheet-text" in path or not set(names) <= values.keys():
                continue
            for of in itertools.product(*(values[n] for n in names)):
                yield method.upper(), path.format(**dict(zip(names, of, strict=True)))


def answers(bench: Bench, study: str, client: Client) -> dict[tuple[str, str], str]:
    """What a person is answered to every call that only looks, without what the clock changes."""
    found = {}
    for method, path in looks(bench, study):
        last = path.rsplit("/", 1)[1]
        body = ASKED.get(last, {}) if method == "POST" else None
        answer = client.http.request(
            method, path, json=body, headers={"X-CSRFToken": client.csrf, "X-Write-Id": new()}
        )
        found[method, path] = text_of(answer)
    return found


def text_of(answer: httpx.Response) -> str:
    if "spreadsheet" in answer.headers.get("Content-Type", ""):
        return f"a workbook, {answer.status_code}"
    said = re.sub(r"20\d\d-\d\d-\d\dT[\d:.]+(Z|\+00:00)", "then", answer.text)
    return re.sub(r"\d+ \w+ 20\d\d,? \d\d:\d\d(:\d\d)?( UTC)?", "then", f"{answer.status_code} {said}")


def names_printers(bench: Bench) -> set[str]:
    with psycopg.connect(bench.url.replace("+psycopg", "")) as db:
        query = "select name from model union select id::text from unit union select id::text from job union select id::text from run"
        return {row[0] for row in db.execute(query)}


@pytest.mark.parametrize("who", ["owner", "reader", "rater"])
def test_one_odd_part_changes_no_answer_that_names_a_printer(
    bench: Bench, owner: Client, rater: Client, who: str
) -> None:
    study = hidden_study(owner, rater)
    spy = owner if who == "owner" else bench.as_(who)
    before = answers(bench, study, spy)
    left = rater.get(f"/api/studies/{study}/measure")["queue"][-1]["id"]
    # The labels of what nobody has touched are shown to who bags it: from here on that is so no more.
    enter_readings(rater, study, left, ODD)
    enter_scores(rater, left, 5)
    printers, after = names_printers(bench), answers(bench, study, spy)
    assert len(before) > 60
    named = {call for call, text in after.items() if any(p in text for p in printers)}
    changed = {call for call in named if before[call] != after[call]}
    untouched = {("GET", f"/api/jobs/{job}") for job in re.findall(r"/api/jobs/([\w-]+)'", str(sorted(named)))}
    changed = {c for c in changed - untouched if not c[1].endswith(("/line", "/studies"))}
    assert changed == set()


def test_whoever_looked_sees_what_an_odd_part_changes(bench: Bench, owner: Client, rater: Client) -> None:
    """The comparison above can fail: the same entries change what the owner is told after looking."""
    study = hidden_study(owner, rater)
    view = owner.send("POST", f"/api/studies/{study}/unblinding")
    assert (view["withheld"], [(x["person"], x["cause"]) for x in view["looked"]]) == (False, [("Owner", "looked")])
    before = answers(bench, study, owner)
    enter_readings(rater, study, rater.get(f"/api/studies/{study}/measure")["queue"][-1]["id"], ODD)
    after = answers(bench, study, owner)
    changed = {path.rsplit("/", 1)[1] for (_, path), text in after.items() if before[_, path] != text}
    assert {"rank", "results", "rank-source", "picks", "draft.html", "life"} <= changed


def test_what_one_person_read_of_a_hidden_part_nobody_else_is_told(
    bench: Bench, owner: Client, rater: Client
) -> None:
    study = hidden_study(owner, rater)
    left = rater.get(f"/api/studies/{study}/measure")["queue"][-1]["id"]
    enter_readings(rater, study, left, ODD)
    digits = re.compile(r"[0-9]\.137\b|\.1370*[^0-9]")
    assert digits.search(json.dumps(rater.get(f"/api/specimens/{left}")))
    for role in ("owner", "reviewer", "reader"):
        told = {call for call, text in answers(bench, study, bench.as_(role)).items() if digits.search(text)}
        assert told == set(), role
    owner.enter("POST", f"/api/studies/{study}/unblinding")
    assert digits.search(json.dumps(owner.get(f"/api/specimens/{left}")))
    with pytest.raises(ApiError, match="not open to the role"):
        rater.send("POST", f"/api/studies/{study}/unblinding")


def test_figures_of_runs_alone_stay_and_hidden_ones_say_why(owner: Client, rater: Client) -> None:
    study = hidden_study(owner, rater)
    view = owner.send("POST", f"/api/studies/{study}/rank", {})
    by_code = {c["code"]: c["raw"] for c in view["standings"][0]["contributions"]}
    assert by_code["time"]["value"] == pytest.approx(1.0)
    assert by_code["energy"]["value"] is not None
    assert "the reveal" in by_code["defects"]["needs"]
    assert owner.get(f"/api/studies/{study}/line")["blinding"]["withheld"] is True


def test_what_is_entered_after_looking_is_marked_and_blind_entries_go_before_it(
    bench: Bench, owner: Client, rater: Client
) -> None:
    study = hidden_study(owner, rater)
    queue = rater.get(f"/api/studies/{study}/measure")["queue"]
    owner.enter("POST", f"/api/studies/{study}/unblinding")
    before = mean_off(owner, study)
    # Of a part that was read blind a second reading of theirs does not count; of one that nobody read it does.
    caliper = next(
        i["id"] for i in owner.get(f"/api/studies/{study}/measure")["instruments"] if i["kind"] == "caliper"
    )
    part = owner.get(f"/api/specimens/{queue[0]['id']}")
    face = part["features"][0]
    again = {"id": new(), "supersedes_id": face["readings"][0]["id"], "value": face["nominal"] + 0.1,
             "reason": "looked odd", "instrument_id": caliper}  # fmt: skip
    owner.enter("POST", f"/api/specimens/{part['id']}/corrections", again)
    assert mean_off(owner, study) == before
    enter_readings(owner, study, queue[-1]["id"], ODD)
    assert mean_off(owner, study) != before
    line = owner.get(f"/api/studies/{study}/line")["blinding"]
    assert line["not_blind"] == 1 + len(part["features"])
    with psycopg.connect(bench.url.replace("+psycopg", "")) as db:
        query = "select person.name, count(*) from reading join person on person.id = person_id where not_blind group by 1"
        assert db.execute(query).fetchall() == [("Owner", 1 + len(part["features"]))]
    report = owner.http.get(f"/api/studies/{study}/draft.html").text
    assert "The owner looked at figures by printer" in report


def mean_off(client: Client, study: str) -> list[tuple[str, float | None]]:
    view = client.send("POST", f"/api/studies/{study}/rank", {})
    return sorted(
        (s["machine"]["name"], c["raw"]["value"])
        for s in view["standings"]
        for c in s["contributions"]
        if c["code"] == "off.mean"
    )


def test_publishing_hidden_figures_ends_the_blind_for_all_and_asks_first(
    bench: Bench, owner: Client, rater: Client
) -> None:
    study = hidden_study(owner, rater)
    assert owner.get(f"/api/studies/{study}/publish")["ends_blind"] is True
    path = f"/api/studies/{study}/revisions"
    with pytest.raises(ApiError, match="ends the blind for everybody"):
        owner.send("POST", path, {"id": new()})
    made = owner.send("POST", path, {"id": new(), "ends_blind": True})
    assert made["ends_blind"] is False
    assert owner.get(f"/api/studies/{study}/line")["blinding"]["looked"][0]["cause"] == "published"
    report = owner.http.get(f"/api/revisions/{made['revisions'][0]['id']}/report.html").text
    assert "its parts are still measured and judged blind" not in report
    enter_readings(rater, study, rater.get(f"/api/studies/{study}/measure")["queue"][-1]["id"], ODD)
    assert rater.get(f"/api/studies/{study}/line")["blinding"]["not_blind"] > 0


def test_photos_are_of_the_kind_that_the_address_says(bench: Bench, owner: Client, rater: Client) -> None:
    """A rater photographs parts: never a printer, a run or a safety check by its number, and is told of no photo of one."""
    study = hidden_study(owner, rater)
    picture = photo(90, (400, 300))
    unit = owner.get(f"/api/studies/{study}/receive")["units"][0]["machine"]["unit_id"]
    kept = owner.send("PUT", f"/api/photos/{unit}", content=picture, id=new(), caption="Serial plate")["photos"][0]
    with psycopg.connect(bench.url.replace("+psycopg", "")) as db:
        run, check, part = (
            str(db.execute(f"select id from {table} limit 1").fetchone()[0])
            for table in ("run", "safety_check", "specimen")
        )
    for other in (unit, run, check):
        for client in (rater, owner):
            with pytest.raises(ApiError, match="404"):
                client.send("PUT", f"/api/specimens/{other}/photos", content=picture, id=new())
        with pytest.raises(ApiError, match="404"):
            rater.get(f"/api/specimens/{other}/photos")
    with pytest.raises(ApiError, match="404"):
        owner.send("PUT", f"/api/photos/{part}", content=picture, id=new())
    assert rater.send("PUT", f"/api/specimens/{part}/photos", content=picture, id=new())["photos"]
    assert rater.http.get(f"/api/photos/{kept['id']}/picture").status_code == 404


def test_a_claim_is_held_against_hidden_parts_by_whoever_looked_alone(owner: Client, rater: Client) -> None:
    """A printer's record tells what its own prints say of a claim: that rests on hidden parts as Rank does."""
    study = make(owner, TURNED, artifact="FL", measured=False, inspected=False, blind=True)
    unit = owner.get(f"/api/studies/{study}/receive")["units"][0]["machine"]["unit_id"]
    path = f"/api/studies/{study}/units/{unit}"
    owner.enter("POST", f"{path}/claims", {"id": new(), "kind": "flow", "value": 30, "said": "its page"})
    view = rater.get(f"/api/studies/{study}/measure")
    scale = next(i["id"] for i in reversed(view["instruments"]) if i["kind"] == "scale")

    def weigh(parts: list[dict]) -> None:
        for line in parts:
            features = rater.get(f"/api/specimens/{line['id']}")["features"]
            rater.enter("POST", f"/api/specimens/{line['id']}/readings/batch", {"readings": [
                {"id": new(), "feature_id": f["feature_id"], "repeat": 1, "instrument_id": scale,
                 "value": round(f["nominal"] * (0.99 if n < 3 else 0.85), 3), "note": "as weighed"}
                for n, f in enumerate(features)]})  # fmt: skip

    weigh(view["queue"][:-1])
    before = owner.get(f"{path}/record")["claims"]
    assert [(c["holds"], "not determined" in c["words"]) for c in before] == [(None, True)]
    weigh(view["queue"][-1:])
    assert owner.get(f"{path}/record")["claims"] == before
    owner.enter("POST", f"/api/studies/{study}/unblinding")
    assert owner.get(f"{path}/record")["claims"] != before

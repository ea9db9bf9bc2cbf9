"""A pasted table is shown as it would be kept, and kept whole or not at all."""

import pytest

from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import new
from tests.states import EQUAL, make


@pytest.fixture
def reviewer(bench: Bench) -> Client:
    return bench.as_("reviewer")


def test_a_table_is_kept_whole_or_not_at_all(reviewer: Client) -> None:
    study = make(reviewer, {"Mesa": EQUAL, "Sparrow": EQUAL}, measured=False, inspected=False)
    queue = reviewer.get(f"/api/studies/{study}/measure")
    first, second = (q["blind_code"] for q in queue["queue"])
    tools = {i["kind"]: i["id"] for i in queue["instruments"]}
    path = f"/api/studies/{study}/reading-table"

    def send(text: str, keep: bool = False, tool: str = "caliper", **more) -> dict:
        body = {"id": new(), "text": text, "instrument_ids": [tools[tool]]} | more
        return reviewer.send("POST", path if keep else f"{path}/preview", body)

    bad = f"code;X1;Y1;Q9\n{first};40,07;30;1\nZZZ;40;40;40\n{second};90;abc;\n"
    seen = send(bad)
    assert (seen["values"], seen["problems"], seen["kept"]) == (8, 7, False)
    said = {(x["line"], x["face"]): x["problem"] for x in seen["lines"]}
    assert said[2, "X1"] == ""
    assert "10.00 mm from the nominal" in said[2, "Y1"]
    assert "Q9 is no face" in said[2, "Q9"]
    assert "no specimen of this study is called ZZZ" in said[3, "X1"]
    assert "abc is no number" in said[4, "Y1"]
    with pytest.raises(ApiError, match="Nothing is kept: 7 of 8 values cannot be"):
        send(bad, keep=True)
    assert [q["done"] for q in reviewer.get(f"/api/studies/{study}/measure")["queue"]] == [0, 0]

    good = f"Specimen\tX1\tX2\n{first}\t40.07\t30.06\n{second}\t40.01\t29.99\n"
    assert send(good)["problems"] == 0
    kept = send(good, keep=True)
    assert (kept["kept"], kept["values"]) == (True, 4)
    assert [q["done"] for q in reviewer.get(f"/api/studies/{study}/measure")["queue"]] == [2, 2]
    again = send(good)
    assert again["problems"] == 4
    assert "all of them kept" in again["lines"][0]["problem"]
    wrong = send(f"code,Y1\n{first},40.02\n", tool="scale")
    assert "and none is chosen" in wrong["lines"][0]["problem"]
    strange = send("a;b\n1;2\n")
    assert (strange["headers"], strange["values"]) == (["a", "b"], 0)
    assert "no column names the specimens" in strange["lacks"]
    with pytest.raises(ApiError, match="no column names the specimens"):
        send("a;b\n1;2\n", keep=True)

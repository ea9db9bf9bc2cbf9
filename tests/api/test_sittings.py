"""Readings that arrive together may be of several sittings: each keeps how warm its parts were and whose hand it was."""

import uuid
from datetime import UTC, datetime, timedelta
from typing import Any

from sqlalchemy.orm import Session

from bench.loads import counted
from crevlo.store.gauge import GaugeStudy, Hand
from tests.api.test_workers import rows
from tests.conftest import Bench
from tests.small import new
from tests.states import Turned, make

NOW = datetime.now(UTC)


def readings_of(view: dict[str, Any], hours_ago: list[float]) -> dict[str, Any]:
    faces = [f for f in view["artifacts"][0]["features"] if f["measured"]]
    caliper = next(i["id"] for i in view["instruments"] if i["kind"] == "caliper")
    return {"readings": [
        {"id": new(), "feature_id": face["id"], "repeat": 1, "instrument_id": caliper, "value": face["nominal"] + 0.03,
         "taken_at": (NOW - timedelta(hours=ago)).isoformat()} for face, ago in zip(faces, hours_ago, strict=False)]}  # fmt: skip


def test_each_reading_is_of_the_sitting_that_its_person_began_last(bench: Bench) -> None:
    client, other = bench.as_("reviewer"), bench.as_("rater")
    study = make(client, dict.fromkeys(("Mesa", "Finch"), Turned()), copies=1, measured=False)
    view = client.get(f"/api/studies/{study}/measure")
    caliper = next(i["id"] for i in view["instruments"] if i["kind"] == "caliper")
    for who, hours, part_c in (
        (client, 60, 31.0),
        (client, 40, None),
        (client, 30, 25.0),
        (client, 8, 21.5),
        (other, 2, 19.0),
    ):
        who.enter("POST", f"/api/studies/{study}/zero-checks", {
            "id": new(), "instrument_id": caliper, "value": 0.0, "part_c": part_c,
            "taken_at": (NOW - timedelta(hours=hours)).isoformat()})  # fmt: skip
    # In one batch: before any sitting, in one where nothing was said, in one that is long over, and in two that hold.
    ago = [70.0, 39.0, 17.9, 18.1, 30.0, 1.0]
    path = f"/api/specimens/{view['queue'][0]['id']}/readings/batch"
    client.enter("POST", path, readings_of(view, ago))
    kept = rows(bench, "select part_c from reading order by taken_at")
    by_time = dict(zip(sorted(ago, reverse=True), (c for (c,) in kept), strict=True))
    assert by_time == {70.0: None, 39.0: None, 30.0: 25.0, 18.1: 25.0, 17.9: None, 1.0: 21.5}


def test_the_hand_is_the_one_of_that_person_that_day_for_that_kind(bench: Bench) -> None:
    client = bench.as_("reviewer")
    study = make(client, dict.fromkeys(("Mesa", "Finch"), Turned()), copies=1, measured=False)
    view = client.get(f"/api/studies/{study}/measure")
    caliper = next(i["id"] for i in view["instruments"] if i["kind"] == "caliper")
    [(person,)] = rows(bench, "select id from person where email like 'reviewer%'")
    [(stranger,)] = rows(bench, "select id from person where email like 'rater%'")
    kind = rows(bench, "select distinct kind from feature where nominal > 0 order by kind")[0][0]
    hands = {}
    with Session(bench.engine) as session, session.begin():
        for name, who, kinds, days in (
            ("old", person, [kind], 9), ("new", person, [kind], 3), ("other kind", person, ["gap"], 1), ("other person", stranger, [kind], 1),
        ):  # fmt: skip
            ended = NOW - timedelta(days=days)
            gauge = GaugeStudy(
                id=uuid.uuid4(), study_id=uuid.UUID(study), instrument_id=uuid.UUID(caliper), parts=[], people=[str(who)], repeats=2,
                seed=1, begun_at=ended, ended_at=ended, person_id=who,
            )  # fmt: skip
            session.add(gauge)
            session.flush()
            hands[name] = uuid.uuid4()
            session.add(Hand(
                id=hands[name], gauge_id=gauge.id, instrument_id=gauge.instrument_id, person_id=who, kinds=kinds, repeatability=0.01,
                dof=8, reproducibility=0.0, from_at=ended,
            ))  # fmt: skip
    path = f"/api/specimens/{view['queue'][0]['id']}/readings/batch"
    client.enter("POST", path, readings_of(view, [24 * 20, 24 * 5, 24 * 2]))
    kept = [hand for (hand,) in rows(bench, "select hand_id from reading order by taken_at")]
    assert kept == [None, hands["old"], hands["new"]]


def test_many_readings_are_kept_with_as_few_questions_as_some(bench: Bench) -> None:
    client = bench.as_("reviewer")
    view = client.get(
        f"/api/studies/{make(client, dict.fromkeys(('Mesa', 'Finch'), Turned()), copies=1, measured=False)}/measure"
    )
    asked = []
    for line, count in zip(view["queue"], (2, 30), strict=True):
        with counted(bench.engine) as seen:
            client.enter("POST", f"/api/specimens/{line['id']}/readings/batch", readings_of(view, [0.1 + k / 50 for k in range(count)]))  # fmt: skip
        asked.append(len(seen))
    assert asked[1] <= asked[0]

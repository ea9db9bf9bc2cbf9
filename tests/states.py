"""Studies in every state that a sentence must be true in, made over the API."""

import uuid
from collections.abc import Iterator, Mapping, Sequence
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta

from sqlalchemy import select, text
from sqlalchemy.orm import Session

from crevlo.sim import device
from crevlo.sim.client import Client
from crevlo.stations.library.instrument import instrument_used
from crevlo.stations.noise import NewNoise, add_noise
from crevlo.store.machine import InstrumentKind
from crevlo.store.reading import DefectScore
from crevlo.store.run import EnergyFrom, Run, Specimen
from tests.small import draft_study, new

SLICED = device.sliced_file("step-block-a-0.20-absolute")
CHECKS = ("mains", "cables", "earth", "runaway", "stop", "screws")


@dataclass(frozen=True)
class Turned:
    """How one machine of a state turned out."""

    minutes: float = 60
    watt_hours: float = 100
    noise_db: float = 50
    off_mm: float = 0.05
    severity: int = 1
    price: float | None = 400
    safe: bool = True


EQUAL = Turned()
LONG = "Marrowby Works Great Coalition Bench Printer, third edition with the tall gantry"


def make(
    client: Client,
    turned: Mapping[str, Turned],
    *,
    copies: int = 1,
    printed: bool = True,
    measured: bool = True,
    inspected: bool = True,
    artifact: str | Sequence[str] = "SB",
    buyer: Sequence[Mapping[str, object]] | None = None,
    currency: str = "EUR",
    title: str = "Small",
    own_arm: bool = False,
    unprinted: Sequence[str] = (),
    control: str = "",
    blind: bool = False,
) -> str:
    """A frozen study of these machines, printed, measured and scored as far as asked."""
    study = draft_study(
        client,
        tuple(turned),
        copies,
        artifact=artifact,
        currency=currency,
        title=title,
        own_arm=own_arm,
        control=control,
        blind=True,
    )
    client.enter("POST", f"/api/studies/{study}/freeze", {"frozen_at": _ago(days=9)})
    units = {u["machine"]["name"]: u for u in client.get(f"/api/studies/{study}/receive")["units"]}
    for name, how in turned.items():
        path = f"/api/studies/{study}/units/{units[name]['machine']['unit_id']}"
        client.enter("PUT", path, {"version": units[name]["version"], "price_paid": how.price, "obtained": "bought"})
        client.enter("POST", f"{path}/check-round", {
            "checks": [{"id": new(), "kind": kind} for kind in CHECKS], "done_by": "Somebody", "earth_by": "An electrician",
            "done_at": _ago(days=8)})  # fmt: skip
        if not how.safe:
            client.enter("POST", f"{path}/checks", {
                "id": new(), "kind": "screws", "result": "fail", "note": "loose", "done_by": "Somebody", "done_at": _ago(days=8)})  # fmt: skip
    if buyer is not None:
        profile = client.send("POST", f"/api/studies/{study}/rank", {})["profile"]
        client.enter("PUT", f"/api/studies/{study}/buyers/{profile['id']}", {
            "version": profile["version"], "must_haves": list(buyer)})  # fmt: skip
    if not printed:
        return _seen(client, study, blind)
    made_by = _print(client, study, {n: how for n, how in turned.items() if n not in unprinted})
    if measured:
        _measure(client, study, made_by)
    if inspected:
        _inspect(client, study, made_by)
    return _seen(client, study, blind)


def _seen(client: Client, study: str, blind: bool) -> str:
    """Most tests are of figures: whoever made the study sees them before the reveal."""
    if not blind:
        client.enter("POST", f"/api/studies/{study}/unblinding")
    return study


def print_again(client: Client, study: str, turned: Mapping[str, Turned]) -> None:
    """Freezes a draft and has all of it printed, measured and scored."""
    client.enter("POST", f"/api/studies/{study}/freeze", {"frozen_at": _ago(days=9)})
    made_by = _print(client, study, turned)
    _measure(client, study, made_by)
    _inspect(client, study, made_by)
    _seen(client, study, blind=False)


def _ago(**span: float) -> str:
    return (datetime.now(UTC) - timedelta(**span)).isoformat()


def _print(client: Client, study: str, turned: Mapping[str, Turned]) -> dict[str, Turned]:
    """Every planned print comes out at the first try; gives how each blind code turned out."""
    made: dict[uuid.UUID, tuple[datetime, Turned]] = {}
    clock = datetime.now(UTC) - timedelta(days=7)
    for job in client.get(f"/api/studies/{study}/print")["jobs"]:
        if job["machine"]["name"] not in turned:
            continue
        how, run = turned[job["machine"]["name"]], uuid.uuid4()
        client.enter("PUT", f"/api/jobs/{job['id']}/file", content=SLICED, id=new(), name="a.gcode")
        clock += timedelta(hours=5)
        client.enter("POST", f"/api/jobs/{job['id']}/runs", {
            "id": str(run), "started_at": clock.isoformat(), "deviation_reason": "accepted"})  # fmt: skip
        ended = (clock + timedelta(minutes=how.minutes)).isoformat()
        client.enter("POST", f"/api/runs/{run}/end", {"version": 1, "outcome": "done", "ended_at": ended})
        made[run] = clock, how
    with _rows(client) as (session, person):
        for run_id, (began, how) in made.items():
            read = NewNoise(
                id=uuid.uuid4(),
                level_db=how.noise_db,
                background_db=20,
                distance_m=1.0,
                door_shut=True,
                taken_at=began + timedelta(minutes=5),
            )
            add_noise(session, read, person, run_id=run_id)
            run, meter = session.get_one(Run, run_id), instrument_used(session, InstrumentKind.POWER_METER, None)
            run.energy_kwh = run.energy_low_kwh = run.energy_high_kwh = how.watt_hours / 1000
            run.energy_u_kwh, run.energy_from, run.instrument_id = 0.0, EnergyFrom.METER, meter.id if meter else None
        bagged = session.scalars(select(Specimen).where(Specimen.run_id.in_(made)))
        return {specimen.blind_code: made[specimen.run_id][1] for specimen in bagged}


def _measure(client: Client, study: str, made_by: Mapping[str, Turned]) -> None:
    view = client.get(f"/api/studies/{study}/measure")
    caliper = next(i["id"] for i in reversed(view["instruments"]) if i["kind"] == "caliper")
    client.enter("POST", f"/api/studies/{study}/zero-checks", {
        "id": new(), "instrument_id": caliper, "value": 0.0})  # fmt: skip
    faces = {a["id"]: [f for f in a["features"] if f["measured"]] for a in view["artifacts"]}
    for line in view["queue"]:
        off = made_by[line["blind_code"]].off_mm
        client.enter("POST", f"/api/specimens/{line['id']}/readings/batch", {"readings": [
            {"id": new(), "feature_id": f["id"], "repeat": 1, "instrument_id": caliper, "value": round(f["nominal"] + off, 3)}
            for f in faces[line["artifact_id"]]]})  # fmt: skip


@contextmanager
def _rows(client: Client) -> Iterator[tuple[Session, uuid.UUID]]:
    """The database behind a client, in its person's name: for what needs no screen after each entry."""
    person = uuid.UUID(client.get("/api/session")["person_id"])
    app = client.http._transport.app  # type: ignore[attr-defined]
    with app.extensions["crevlo"]["sessions"].begin() as session:
        session.execute(text("select set_config('crevlo.person', :who, true)"), {"who": str(person)})
        yield session, person


def _inspect(client: Client, study: str, made_by: Mapping[str, Turned]) -> None:
    """Scores are put in as rows; they are locked as a person locks them."""
    lines = client.get(f"/api/studies/{study}/inspect")["specimens"]
    with _rows(client) as (session, person):
        session.add_all(
            DefectScore(
                specimen_id=uuid.UUID(line["id"]), defect=code, severity=made_by[line["blind_code"]].severity,
                person_id=person, scored_at=datetime.now(UTC),
            )
            for line in lines for code in line["asked"]
        )  # fmt: skip
    for line in lines:
        client.enter("POST", f"/api/specimens/{line['id']}/lock")

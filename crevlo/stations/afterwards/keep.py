"""A bench from a spreadsheet kept as a study of its own, marked as entered afterwards: whole, or nothing of it."""

import uuid
from collections import defaultdict
from dataclasses import dataclass, field, replace
from datetime import UTC, datetime
from typing import Annotated, Any

from pydantic import Field
from sqlalchemy import func, insert, select
from sqlalchemy.orm import Session

from crevlo.core.blind import blind_code, place_in_queue
from crevlo.core.material import OTHER_DENSITY, usual_of
from crevlo.core.noise import NoiseState
from crevlo.core.old_bench.bench import OldBench, OldMachine, OldPrint, materials_mixed
from crevlo.core.protocol import Slicing, Tuning
from crevlo.core.success import Cause, Outcome
from crevlo.stations.afterwards.pieces import pieces_of
from crevlo.stations.afterwards.view import OldBenchWish, SheetName, read_as
from crevlo.stations.kit.change import change
from crevlo.stations.kit.shape import Currency, Missing, Name, Refused, Shape
from crevlo.stations.library.instrument import keep_stopwatch
from crevlo.stations.library.model import NewModel, add_model
from crevlo.stations.library.spool import SpoolIn, add_spool
from crevlo.stations.library.unit import first_unit, latest_configurations
from crevlo.stations.price import Price, prices_of, state_price
from crevlo.stations.protocol import Conditions, Policies
from crevlo.stations.rank.beginning import begin_scheme
from crevlo.store.machine import ArtifactVersion, Instrument, InstrumentKind, Model, Spool, Unit
from crevlo.store.reading import DefectScore, InspectionLock, Reading
from crevlo.store.run import EnergyFrom, NoiseReading, Run, Specimen
from crevlo.store.study import Arm, Job, PrintLine, ProtocolDeviation, ProtocolVersion, Study, StudyUnit

_MOST_COPIES = 20
_NOT_WRITTEN = "not written"


class Bed(Shape):
    machine: SheetName
    size_mm: list[Annotated[float, Field(gt=0, le=5000)]] = Field(min_length=3, max_length=3)


class CauseSaid(Shape):
    words: SheetName
    cause: Cause


class NewOldBench(OldBenchWish):
    """What is kept, with what the spreadsheet does not say: beds of machines that are new here, what a kg of filament
    cost, by which words prints failed of what, which piece the sizes are of and what they were read with, and from how far
    noise was read."""

    id: uuid.UUID
    title: Name = Field(min_length=1, max_length=120)
    question: str = Field(default="", max_length=500)
    currency: Currency
    price_per_kg: float = Field(ge=0, le=10_000)
    beds: list[Bed] = Field(default=[], max_length=100)
    causes: list[CauseSaid] = Field(default=[], max_length=200)
    measured_piece: SheetName | None = None
    instrument_id: uuid.UUID | None = None
    noise_at_m: float | None = Field(default=None, gt=0, le=100)
    mix_materials: bool = Field(default=False, description="whether a piece is one line whatever it was printed of")


class OldBenchKept(Shape):
    study_id: uuid.UUID
    prints: int
    sizes: int
    left_out: list[str] = Field(description="sizes that belong to no good print")


@dataclass(slots=True)
class _Rows:
    """Rows to write, by table; a few statements whatever their number."""

    jobs: list[dict[str, Any]] = field(default_factory=list)
    runs: list[dict[str, Any]] = field(default_factory=list)
    specimens: list[dict[str, Any]] = field(default_factory=list)
    noise: list[dict[str, Any]] = field(default_factory=list)
    scores: list[dict[str, Any]] = field(default_factory=list)
    locks: list[dict[str, Any]] = field(default_factory=list)
    readings: list[dict[str, Any]] = field(default_factory=list)


def keep_old_bench(session: Session, given: NewOldBench, person_id: uuid.UUID) -> OldBenchKept:
    """Raises Refused with what is still to be said, BadInput or Missing as `read_as`."""
    read = read_as(session, given)
    if read.bench is None:
        raise Refused(read.lacks)
    bench = materials_mixed(read.bench) if given.mix_materials else read.bench
    if not bench.prints:
        raise Refused("No print could be read: nothing was kept. Say which sheet has the prints.")
    if session.scalar(select(Study.id).where(func.lower(Study.title) == given.title.lower())):
        raise Refused(f"There is already a study called {given.title}.")
    study = _study(session, given, bench, person_id)
    units = _units(session, given, bench, study, person_id)
    pieces = pieces_of(session, bench, given.measured_piece)
    spools = _spools(session, given, bench)
    arm = _lines(session, given, bench, study, person_id, pieces, spools)
    rows = _Rows()
    runs_of = _prints(session, given, bench, study, arm, person_id, units, pieces, spools, rows)
    left_out = _sizes(session, given, bench, pieces, runs_of, rows, person_id)
    for table, made in (
        (Job, rows.jobs), (Run, rows.runs), (Specimen, rows.specimens), (NoiseReading, rows.noise),
        (DefectScore, rows.scores), (InspectionLock, rows.locks), (Reading, rows.readings),
    ):  # fmt: skip
        if made:
            session.execute(insert(table), made)
    if given.mix_materials and len(read.bench.materials) > 1:
        session.add(
            ProtocolDeviation(
                study_id=study.id, what=f"Pieces of {bench.materials[0]} are compared as one",
                reason="As it was printed then, too little of one material was printed on every machine.", person_id=person_id,
            )
        )  # fmt: skip
    # Whoever wrote it down knew the machines.
    study.revealed_at = datetime.now(UTC)
    session.flush()
    return OldBenchKept(study_id=study.id, prints=len(rows.runs), sizes=len(rows.readings), left_out=left_out)


def _study(session: Session, given: NewOldBench, bench: OldBench, person_id: uuid.UUID) -> Study:
    study = Study(
        id=given.id, title=given.title, question=given.question, currency=given.currency, seed=0, entered_from=given.name
    )  # fmt: skip
    session.add(study)
    session.flush()
    begin_scheme(session, study.id, person_id)
    keep_stopwatch(session)
    return study


def _units(
    session: Session, given: NewOldBench, bench: OldBench, study: Study, person_id: uuid.UUID
) -> dict[str, Unit]:
    """By name the unit of each machine: the library's, or a new one."""
    beds = {b.machine: b.size_mm for b in given.beds}
    units: dict[str, Unit] = {}
    for machine in bench.machines:
        model = session.scalar(select(Model).where(func.lower(Model.name) == machine.name.lower()))
        unit = first_unit(session, (model or _model(session, machine, beds, given.currency)).id, machine.nozzle_mm)
        if model is None and machine.bought:
            change(session, unit, unit.version, {"received_on": machine.bought})
        units[machine.name] = unit
        session.add(StudyUnit(study_id=study.id, unit_id=unit.id, position=len(units) - 1))
        session.flush()
        if machine.price is not None:
            # What else is known of this unit's price stays: an old list says what was paid, and no more.
            known = prices_of(session, study.id, [unit.id]).get(unit.id)
            if known is None or known.currency != given.currency:
                known = Price(currency=given.currency)
            state_price(session, study.id, unit, replace(known, paid=machine.price), person_id)
    return units


def _model(session: Session, machine: OldMachine, beds: dict[str, list[float]], currency: str) -> Model:
    bed = machine.bed or beds.get(machine.name)
    if bed is None:
        raise Refused(f"How large is the bed of {machine.name}? The spreadsheet does not say.")
    new = NewModel(
        id=uuid.uuid4(), name=machine.name[:80], bed_x_mm=bed[0], bed_y_mm=bed[1], height_mm=bed[2], currency=currency
    )
    add_model(session, new)
    return session.get_one(Model, new.id)


def _spools(session: Session, given: NewOldBench, bench: OldBench) -> dict[str, Spool]:
    """By material one spool that stands for all that were used of it."""
    spools = {}
    taken = set(session.scalars(select(Spool.code)))
    for material in bench.materials:
        name = (material or _NOT_WRITTEN)[:20]
        usual = usual_of(name)
        code = next(c for n in range(1, 100_000) if (c := f"{name[:8].strip()} old {n}") not in taken)
        taken.add(code)
        made = SpoolIn(
            id=uuid.uuid4(), code=code, maker=_NOT_WRITTEN, material=name, colour=_NOT_WRITTEN, currency=given.currency,
            price_per_kg=given.price_per_kg, density_g_cm3=usual.density if usual else OTHER_DENSITY,
        )  # fmt: skip
        add_spool(session, made)
        spools[material] = session.get_one(Spool, made.id)
    return spools


def _lines(
    session: Session, given: NewOldBench, bench: OldBench, study: Study, person_id: uuid.UUID,
    pieces: dict[str, ArtifactVersion], spools: dict[str, Spool],
) -> Arm:  # fmt: skip
    """The protocol as it can be told afterwards: frozen when the first print began, each piece of each material a line."""
    protocol = ProtocolVersion(study_id=study.id, number=1, repeats=1, policies=Policies().model_dump())
    session.add(protocol)
    session.flush()
    unsaid = Conditions(
        layer_height_mm=None, infill_percent=None, walls=None, nozzle_mm=None, nozzle_c=None, bed_c=None
    )
    arm = Arm(
        protocol_id=protocol.id, position=0, name="As it was printed", slicing=Slicing.OWN, tuning=Tuning.STOCK,
        conditions=unsaid.model_dump(),
    )  # fmt: skip
    session.add(arm)
    session.flush()
    most: dict[tuple[str, str], int] = {}
    for copies in _copies(bench).values():
        key = copies[0][0].piece, copies[0][0].material
        most[key] = max(most.get(key, 0), len(copies))
    for at, ((piece, material), count) in enumerate(most.items()):
        session.add(
            PrintLine(
                arm_id=arm.id, position=at, artifact_id=pieces[piece].id, spool_id=spools[material].id,
                copies=min(count, _MOST_COPIES), parts=1,
            )
        )  # fmt: skip
    session.flush()
    protocol.frozen_at, protocol.frozen_by = min(p.began for p in bench.prints), person_id
    protocol.freeze_recorded_at = datetime.now(UTC)
    session.flush()
    return arm


def _copies(bench: OldBench) -> dict[tuple[str, str, str], list[list[OldPrint]]]:
    """By machine, piece and material the copies, each with its tries: failed ones until one came out."""
    found: dict[tuple[str, str, str], list[list[OldPrint]]] = {}
    for made in bench.prints:
        copies = found.setdefault((made.machine, made.piece, made.material), [])
        if not copies or copies[-1][-1].good:
            copies.append([])
        copies[-1].append(made)
    return found


def _prints(
    session: Session, given: NewOldBench, bench: OldBench, study: Study, arm: Arm, person_id: uuid.UUID,
    units: dict[str, Unit], pieces: dict[str, ArtifactVersion], spools: dict[str, Spool], rows: _Rows,
) -> dict[tuple[str, str], list[uuid.UUID]]:  # fmt: skip
    """Fills the rows of all prints; gives by machine and piece the specimens of good ones in the order of time."""
    causes = {c.words: c.cause for c in given.causes}
    configurations = latest_configurations(session, [u.id for u in units.values()])
    noise_at_m = bench.noise_at_m or given.noise_at_m
    if noise_at_m is None and any(p.noise_db is not None for p in bench.prints):
        raise Refused("From how far was the noise read? The spreadsheet does not say.")
    codes: set[str] = set()
    specimens: list[tuple[OldPrint, uuid.UUID]] = []
    for (machine, piece, material), copies in _copies(bench).items():
        for copy, tries in enumerate(copies, 1):
            job_id = uuid.uuid4()
            rows.jobs.append(
                {
                    "id": job_id, "study_id": study.id, "unit_id": units[machine].id, "artifact_id": pieces[piece].id,
                    "spool_id": spools[material].id, "second_spool_id": None, "arm_id": arm.id, "copy": copy, "parts": 1,
                    "counts": True, "added": "", "position": len(rows.jobs),
                }
            )  # fmt: skip
            for attempt, made in enumerate(tries, 1):
                run_id = uuid.uuid4()
                rows.runs.append(
                    _run(made, run_id, job_id, attempt, configurations[units[machine].id].id, causes, person_id)
                )
                if made.noise_db is not None:
                    rows.noise.append(
                        {
                            "id": uuid.uuid4(), "run_id": run_id, "level_db": made.noise_db, "distance_m": noise_at_m,
                            "door_shut": True, "state": NoiseState.PRINTING, "person_id": person_id, "taken_at": made.ended,
                        }
                    )  # fmt: skip
                if made.good:
                    code = blind_code(codes, study.blind_secret, str(run_id))
                    codes.add(code)
                    specimen_id = uuid.uuid4()
                    place = place_in_queue(study.blind_secret, str(run_id))
                    rows.specimens.append(
                        {
                            "id": specimen_id,
                            "study_id": study.id,
                            "run_id": run_id,
                            "blind_code": code,
                            "position": place,
                        }
                    )
                    specimens.append((made, specimen_id))
                    _score(made, specimen_id, pieces[piece], person_id, rows)
    of: defaultdict[tuple[str, str], list[uuid.UUID]] = defaultdict(list)
    for made, specimen_id in sorted(specimens, key=lambda s: (s[0].began, s[0].sheet, s[0].line)):
        of[made.machine, made.piece].append(specimen_id)
    return of


def _run(
    made: OldPrint, run_id: uuid.UUID, job_id: uuid.UUID, attempt: int, configuration_id: uuid.UUID,
    causes: dict[str, Cause], person_id: uuid.UUID,
) -> dict[str, Any]:  # fmt: skip
    note = [
        made.remarks,
        made.cause and f"failed: {made.cause}",
        "" if made.hour_known else "the hour was not written",
    ]
    if made.estimate_s:
        note.append(f"sliced estimate {made.estimate_s / 60:.0f} min")
    return {
        "id": run_id, "job_id": job_id, "attempt": attempt, "configuration_id": configuration_id, "unattended": False,
        "changed": "" if attempt == 1 else _NOT_WRITTEN, "started_at": made.began, "ended_at": made.ended,
        "outcome": Outcome.DONE if made.good else Outcome.FAILED,
        "cause": None if made.good else causes.get(made.cause, Cause.UNKNOWN), "paused_s": made.paused_s, "from_paper": True,
        "uses_attempt": True, "note": "; ".join(filter(None, note))[:1000], "model_g": made.model_g, "waste_g": made.waste_g,
        "energy_kwh": made.kwh, "energy_from": EnergyFrom.METER if made.kwh is not None else None, "person_id": person_id,
        "version": 1,
    }  # fmt: skip


def _score(made: OldPrint, specimen_id: uuid.UUID, piece: ArtifactVersion, person_id: uuid.UUID, rows: _Rows) -> None:
    for defect, severity in made.defects.items():
        rows.scores.append(
            {
                "id": uuid.uuid4(), "specimen_id": specimen_id, "defect": defect, "severity": severity,
                "person_id": person_id, "scored_at": made.ended,
            }
        )  # fmt: skip
    # Scores of all that the piece is looked at for are final: nobody will look again.
    if made.defects and set(piece.definition.get("shows", ())) <= made.defects.keys():
        rows.locks.append({"id": uuid.uuid4(), "specimen_id": specimen_id, "person_id": person_id})


def _sizes(
    session: Session, given: NewOldBench, bench: OldBench, pieces: dict[str, ArtifactVersion],
    specimens: dict[tuple[str, str], list[uuid.UUID]], rows: _Rows, person_id: uuid.UUID,
) -> list[str]:  # fmt: skip
    """Readings of the piece that was measured: copy 1 is a machine's first good print of it. Gives those that fit none."""
    if not bench.sizes or given.measured_piece is None:
        return []
    if given.measured_piece not in pieces:
        raise Missing(f"No print is of a piece called {given.measured_piece}.")
    instrument = session.get(Instrument, given.instrument_id) if given.instrument_id else None
    if instrument is None or instrument.kind is not InstrumentKind.CALIPER:
        raise Refused("With which caliper were the sizes read? Choose it, or add it to the library first.")
    by_header = {f.method.removeprefix("As noted: "): f.id for f in pieces[given.measured_piece].features}
    ends = {r["id"]: r["ended_at"] for r in rows.runs}
    ended = {s["id"]: ends[s["run_id"]] for s in rows.specimens}
    left_out, repeats = [], defaultdict[tuple[uuid.UUID, uuid.UUID], int](int)
    for size in bench.sizes:
        of = specimens.get((size.machine, given.measured_piece), [])
        if size.copy > len(of):
            left_out.append(
                f"{size.sheet} {size.cell}: there is no {size.copy}. good {given.measured_piece} of {size.machine}"
            )
            continue
        specimen_id, feature_id = of[size.copy - 1], by_header[size.column.header]
        repeats[specimen_id, feature_id] += 1
        if repeats[specimen_id, feature_id] > 10:
            left_out.append(f"{size.sheet} {size.cell}: read more than ten times")
            continue
        rows.readings.append(
            {
                "id": uuid.uuid4(), "specimen_id": specimen_id, "feature_id": feature_id, "value": size.value,
                "repeat": repeats[specimen_id, feature_id], "instrument_id": instrument.id, "over": 1,
                "note": f"read by {size.who}" if size.who else None, "person_id": person_id,
                "taken_at": ended[specimen_id],
            }
        )  # fmt: skip
    return left_out[:50]

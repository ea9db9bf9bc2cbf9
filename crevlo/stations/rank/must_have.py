"""What a buyer must have: limits that leave a machine out, whatever its points."""

from collections.abc import Callable

from pydantic import Field

from crevlo.core import must_haves as core
from crevlo.core.material import USUAL
from crevlo.core.must_haves import RESTS_ON_FIGURES
from crevlo.core.noise import NoiseState
from crevlo.core.ranking.gate import (
    GateKind,
    Judged,
    Standing,
    judge_fits_flat,
    judge_material,
)
from crevlo.core.success import Outcome
from crevlo.stations.bench import Bench
from crevlo.stations.evidence.entrant import Entrant
from crevlo.stations.figures.study import StudyFigures
from crevlo.stations.kit.shape import Refused, Shape
from crevlo.stations.library.shelf import bed_of
from crevlo.stations.rank.criteria import BY_CODE, unit_of
from crevlo.store.study import GateRow

_NEEDS_LIMIT = frozenset(
    {GateKind.PRICE, GateKind.NOISE, GateKind.LENGTH, GateKind.SUCCESS, GateKind.TOOLS, GateKind.FIGURE}
)


class MustHave(Shape):
    """One must-have. `what` names the state of a noise limit, the part of a length, the material, or the figure."""

    kind: GateKind
    limit: float = Field(
        default=0, ge=0, le=1e6, description="money, dB, mm, share of 1, tools, or the figure's own unit"
    )
    what: str = Field(default="", max_length=60)
    at_least: bool = Field(default=False, description="of a figure: whether the limit is its least, not its most")


class MustHaveOut(MustHave):
    text: str
    failing: int
    open: int
    unsure: int = Field(description="machines whose readings do not settle on which side of the limit they are")


class MustHaveChoice(Shape):
    """A kind of must-have as the form asks for it; `wants` is what `what` holds."""

    kind: GateKind
    name: str
    unit: str
    factor: float = Field(description="what is typed is this many times the limit")
    wants: str
    options: list[str] = Field(description="what may stand there, where that is settled")
    option_names: list[str]


def choices(bench: Bench) -> list[MustHaveChoice]:
    """Every kind of must-have, with the unit it is typed in and what it can be about in this study."""
    currency = bench.study.currency
    materials = sorted({s.material for s in bench.spools.values()} | {m.name for m in USUAL})

    def choice(kind: GateKind, name: str, unit: str = "", wants: str = "", options: list[str] | None = None,
               names: list[str] | None = None, factor: float = 1) -> MustHaveChoice:  # fmt: skip
        return MustHaveChoice(
            kind=kind, name=name, unit=unit, wants=wants, options=options or [], factor=factor,
            option_names=names or options or [],
        )  # fmt: skip

    return [
        choice(GateKind.PRICE, "All in, at most", currency),
        choice(GateKind.NOISE, "Noise at 1 m, at most", "dB", "while", [s.value for s in NoiseState]),
        choice(GateKind.LENGTH, "Longest part, flat", "mm", "the part"),
        choice(GateKind.SAFETY, "Safety checks passed"),
        choice(GateKind.SUCCESS, "Good prints, at least", "%", factor=100),
        choice(GateKind.MATERIAL, "Prints a material", wants="material", options=materials),
        choice(GateKind.ENCLOSURE, "Encloses its print"),
        choice(GateKind.TOOLS, "Tools, at least", "tools"),
        choice(
            GateKind.FIGURE, "Any figure above or below", "its unit", "figure", list(BY_CODE),
            [f"{c.name}, {unit_of(c.code, currency)}" for c in BY_CODE.values()],
        ),
    ]  # fmt: skip


def checked(given: MustHave) -> GateRow:
    """A row of what was asked for; raises Refused where it says nothing that could be judged."""
    what = given.what.strip()
    if given.kind is GateKind.NOISE:
        what = what or NoiseState.PRINTING.value
        if what not in [s.value for s in NoiseState]:
            raise Refused(f"A machine's noise is not read in the state “{what}”.")
    elif given.kind is GateKind.MATERIAL:
        if not what:
            raise Refused("Name the material that must print.")
    elif given.kind is GateKind.FIGURE:
        if what not in BY_CODE:
            raise Refused("Choose the figure that the limit is for.")
    elif given.kind is not GateKind.LENGTH:
        what = ""
    if given.kind in _NEEDS_LIMIT and not given.limit > 0:
        raise Refused("A limit above 0 is needed.")
    most = {(GateKind.SUCCESS, ""): 1.0, (GateKind.FIGURE, "success"): 100.0}.get((given.kind, what))
    if most is not None and given.limit > most:
        raise Refused("At most 100 % of the prints can be good.")
    return GateRow(
        kind=given.kind, what=what, limit=given.limit if given.kind in _NEEDS_LIMIT else 0,
        at_least=given.at_least and given.kind is GateKind.FIGURE,
    )  # fmt: skip


def judge(figures: StudyFigures, entrant: Entrant, gate: GateRow) -> Judged:
    if gate.kind in RESTS_ON_FIGURES:
        asked = core.MustHave(gate.kind, gate.limit, gate.what, gate.at_least)
        key = entrant.key
        return core.judge_by_figures(
            asked, lambda code: figures.figure(code, key), figures.counted(key)[0], figures.bench.study.currency
        )
    return _RULES[gate.kind](figures, entrant, gate)


def words_of(gate: GateRow, currency: str) -> str:
    match gate.kind:
        case GateKind.PRICE:
            return f"Up to {gate.limit:.0f} {currency} all in"
        case GateKind.NOISE:
            return f"Up to {gate.limit:.0f} dB at 1 m, {gate.what}"
        case GateKind.LENGTH:
            return f"Prints {gate.what or 'a part'} of {gate.limit:.0f} mm flat"
        case GateKind.SAFETY:
            return "Safety checks passed"
        case GateKind.SUCCESS:
            return f"At least {100 * gate.limit:.0f} % good prints"
        case GateKind.MATERIAL:
            return f"Prints {gate.what}"
        case GateKind.ENCLOSURE:
            return "Encloses its print"
        case GateKind.TOOLS:
            return f"At least {gate.limit:.0f} tools" if gate.limit != 1 else "At least 1 tool"
        case GateKind.FIGURE:
            kind = BY_CODE[gate.what]
            side = "at least" if gate.at_least else "at most"
            return f"{kind.name} {side} {gate.limit:g} {unit_of(kind.code, currency)}"


def gate_out(gate: GateRow, judged: list[Judged], currency: str) -> MustHaveOut:
    """The must-have with how it stands over the machines it was judged for."""
    standings = [j.standing for j in judged]
    return MustHaveOut(
        kind=gate.kind, limit=gate.limit, what=gate.what, at_least=gate.at_least, text=words_of(gate, currency),
        failing=standings.count(Standing.FAILS), open=standings.count(Standing.OPEN),
        unsure=sum(j.is_close for j in judged),
    )  # fmt: skip


def _length(figures: StudyFigures, entrant: Entrant, gate: GateRow) -> Judged:
    return judge_fits_flat(bed_of(entrant.entry.unit.model), gate.limit)


def _safety(figures: StudyFigures, entrant: Entrant, gate: GateRow) -> Judged:
    bench = figures.compared
    safe = bench.safe(entrant.entry.unit_id)
    if safe is None:
        return Judged(Standing.OPEN, "safety checks not all done")
    ended = bench.records[entrant.entry.unit_id].ended
    if ended:
        return Judged(Standing.FAILS, ended.rstrip("."))
    return Judged(
        Standing.PASSES if safe else Standing.FAILS, "safety checks passed" if safe else "a safety check failed"
    )


def _material(figures: StudyFigures, entrant: Entrant, gate: GateRow) -> Judged:
    bench = figures.bench
    good = tries = 0
    mine = [
        j
        for j in bench.jobs_of(entrant.entry.unit_id)
        if bench.spools[j.spool_id].material.lower() == gate.what.lower()
    ]
    ruled_out = [bench.cannot[job.id] for job in mine if job.id in bench.cannot]
    if mine and len(ruled_out) == len(mine):
        return Judged(Standing.FAILS, f"{gate.what}: {ruled_out[0]}")
    for job in mine:
        if job.id not in bench.cannot:
            for run in bench.runs.get(job.id, []):
                done = run.outcome is Outcome.DONE and run.id not in bench.rejections
                good += done
                tries += done or run.outcome is Outcome.FAILED or run.id in bench.rejections
    return judge_material(gate.what, good, tries)


def _enclosure(figures: StudyFigures, entrant: Entrant, gate: GateRow) -> Judged:
    if entrant.entry.unit.model.enclosed:
        return Judged(Standing.PASSES, "encloses its print")
    return Judged(Standing.FAILS, "open: it does not enclose its print")


def _tools(figures: StudyFigures, entrant: Entrant, gate: GateRow) -> Judged:
    has = entrant.entry.unit.model.tools
    text = f"has {has} tool{'' if has == 1 else 's'}, wanted {gate.limit:.0f}"
    return Judged(Standing.PASSES if has >= gate.limit else Standing.FAILS, text)


_RULES: dict[GateKind, Callable[[StudyFigures, Entrant, GateRow], Judged]] = {
    GateKind.LENGTH: _length,
    GateKind.SAFETY: _safety,
    GateKind.MATERIAL: _material,
    GateKind.ENCLOSURE: _enclosure,
    GateKind.TOOLS: _tools,
}

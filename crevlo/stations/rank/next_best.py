"""What to do next: copies, readings, inspections and duels by what they would tell of first place, an hour of the bench."""

import math
import uuid
from collections import defaultdict
from collections.abc import Sequence
from enum import StrEnum

from pydantic import Field
from sqlalchemy.orm import Session

from crevlo.core.effort import INSPECTION_MIN, PER_READING_S
from crevlo.core.estimate import NotDetermined
from crevlo.core.evaluations import EVALUATION_OF
from crevlo.core.evaluations.evaluation import Rests
from crevlo.core.evaluations.preference import PREFERRED
from crevlo.core.figure import Counted, Figure
from crevlo.core.ranking.leaders import SURE
from crevlo.core.ranking.next_best import (
    Meets,
    NextBest,
    Reads,
    Tells,
    Tries,
    Work,
    Worth,
    next_best,
    say_first,
    say_next,
    u_of_more,
)
from crevlo.core.ranking.value import value_function
from crevlo.core.statistics import Line, widest
from crevlo.core.success import Outcome
from crevlo.stations.evidence.entrant import By
from crevlo.stations.figures.study import StudyFigures, study_figures
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.mark import UnitMark
from crevlo.stations.kit.shape import Shape
from crevlo.stations.rank.criteria import BY_CODE
from crevlo.stations.rank.mended import is_entered
from crevlo.stations.rank.ranking import RankView, WhatIf, view_rank
from crevlo.stations.rank.scheme import latest_scheme
from crevlo.stations.study import LineKey, line_of
from crevlo.store.study import Job

SHOWN = 3
_DUEL_MIN, _HARDLY = 1.0, 0.005
_HOW = "Expected fall of the entropy of first place for an hour of a person's time, over what each might show; printing by itself costs none."
_NOTHING = "Nothing that counts is known of any machine yet: print and measure what is planned."


class NextKind(StrEnum):
    COPY = "copy"
    MEASURE = "measure"
    INSPECT = "inspect"
    DUEL = "duel"


class NextOut(Shape):
    """One thing to do: what it costs, and what it is expected to tell."""

    kind: NextKind
    machine: UnitMark | None = Field(description="of a copy; which pieces wait of which machine is told to nobody")
    words: str
    bench_min: float = Field(description="a person's time")
    print_h: float = Field(description="the machine's time beside that")
    settles: float = Field(description="chance that a machine is then first in the target of the draws or more")
    bits: float
    like_job: uuid.UUID | None = Field(
        description="of a copy that is not planned yet: the print that it is one more of"
    )


class NextView(Shape):
    says: str
    target: float = Field(description="how sure first place should get: a winner, or one beyond doubt")
    works: list[NextOut]
    how: str


_WITHHELD = (
    "Figures of measured and judged parts are hidden, so what would settle first place is not worked out. Measure and "
    "inspect all parts, then reveal the printers."
)
# A pure function of the figures, the scheme and the weights that it is keyed by.
_known: Kept[NextBest] = Kept(64)

# What is done, on which machines, to which line.
_Key = tuple[NextKind, tuple[uuid.UUID, ...], LineKey | None]


def view_next(session: Session, study_id: uuid.UUID, asked: WhatIf) -> NextView:
    """By the weights on screen, over the machines that stand in the ranking."""
    view = view_rank(session, study_id, asked.model_copy(update={"by": By.MACHINE}))
    inputs = study_figures(session, study_id).of_buyer(view.profile.prints_month)
    if inputs.bench.withheld:
        return NextView(says=_WITHHELD, target=SURE, works=[], how=_HOW)
    criteria = latest_scheme(session, study_id).criteria
    codes = [c.code for c in criteria]
    keys = [s.machine.unit_id for s in view.standings]
    rows = [[inputs.figure(code, key) for code in codes] for key in keys]
    # A machine that is hardly ever first decides nothing, unless something is not known of it yet.
    open_ = [s.first_chance >= _HARDLY or s.missing > 0 for s in view.standings]
    works = [w for at, key in enumerate(keys) if open_[at] for w in _copies(inputs, codes, rows[at], at, key)]
    works += _waiting(inputs, codes, rows, keys) + _duels(inputs, codes, keys)
    if len(keys) > 1 and all(isinstance(f, NotDetermined) for row in rows for f in row):
        return NextView(says=_NOTHING, target=SURE, works=[], how=_HOW)
    functions = [value_function(c.shape, [(raw, v) for raw, v in c.points]) for c in criteria]
    weights = [c.weight for c in view.criteria]

    def make() -> NextBest:
        return next_best(rows, functions, codes, weights, works, inputs.bench.study.seed)

    asked_for = (inputs.state, tuple(keys), latest_scheme(session, study_id).id, weights)
    made = make() if inputs.state is None else _known.get(repr(asked_for), make)
    leader = max(view.standings, key=lambda s: s.first_chance, default=None)
    hours = {w.key: w.hours for w in works}
    says = (
        say_next(made, leader.machine.name, hours, leader.first_chance)
        if leader and len(keys) > 1
        else "It takes two machines to ask who is first."
    )
    if leader and len(keys) > 1 and not made.settled:
        counting = [c.code if c.weight > 0 else None for c in view.criteria]
        says = say_first(_untold(counting, rows, works, [s.machine.name for s in view.standings])) + says
    return NextView(
        says=says, target=made.target, works=[_out(inputs, view, w) for w in made.recommended[:SHOWN]],
        how=_HOW,
    )  # fmt: skip


def _untold(
    counting: Sequence[str | None], rows: list[list[Figure]], works: Sequence[Work], names: Sequence[str]
) -> dict[tuple[str, str], list[str]]:
    """By figure that counts and what it needs to be stated, of which machines: none of the works would tell it."""
    told = {(t.criterion, t.machine) for w in works for t in w.tells if not isinstance(t, Meets)}
    found: dict[tuple[str, str], list[str]] = defaultdict(list)
    for at, row in enumerate(rows):
        for c, (code, figure) in enumerate(zip(counting, row, strict=True)):
            if code is None or (c, at) in told or not isinstance(figure, NotDetermined):
                continue
            if is_entered(code, figure.needs):
                found[BY_CODE[code].name, figure.needs].append(names[at])
    return found


def _copies(inputs: StudyFigures, codes: list[str], row: list[Figure], at: int, key: uuid.UUID) -> list[Work]:
    """One more copy of each line on one machine."""
    bench, found = inputs.compared, []
    lines: dict[LineKey, Job] = {}
    for job in bench.jobs_of(key):
        lines.setdefault(line_of(job), job)
    for line, job in lines.items():
        tells = _tells(inputs, codes, row, at, key, line, 1, None)
        by_hand = bench.study.labour_min + INSPECTION_MIN + bench.due(job.artifact_id) * PER_READING_S / 60
        if tells and job.id not in bench.cannot:
            found.append(Work((NextKind.COPY, (key,), line), tells, by_hand / 60))
    return found


def _waiting(inputs: StudyFigures, codes: list[str], rows: list[list[Figure]], keys: list[uuid.UUID]) -> list[Work]:
    """What waits to be measured or inspected of a line, all machines together: whose it is stays hidden."""
    bench = inputs.compared
    count: dict[tuple[NextKind, LineKey], dict[uuid.UUID, int]] = defaultdict(lambda: defaultdict(int))
    for key in keys:
        for s in bench.specimens_of(key):
            line = bench.line_of_run[s.run_id]
            if s.run_id in bench.rejections:
                continue
            if not bench.values.get(s.id) and bench.due(line[0]):
                count[NextKind.MEASURE, line][key] += 1
            if not bench.scores.get(s.id):
                count[NextKind.INSPECT, line][key] += 1
    found = []
    for (kind, line), of in count.items():
        minutes = INSPECTION_MIN if kind is NextKind.INSPECT else bench.due(line[0]) * PER_READING_S / 60
        tells = tuple(
            t for key, n in of.items() for t in _tells(inputs, codes, rows[keys.index(key)], keys.index(key), key, line, n, kind)
        )  # fmt: skip
        if tells:
            found.append(Work((kind, tuple(of), line), tells, sum(of.values()) * minutes / 60))
    return found


_OF_KIND = {NextKind.MEASURE: (Rests.READINGS,), NextKind.INSPECT: (Rests.SCORES,)}


def _tells(
    inputs: StudyFigures, codes: list[str], row: list[Figure], at: int, key: uuid.UUID, line: LineKey, more: int, kind: NextKind | None
) -> tuple[Tells, ...]:  # fmt: skip
    """What `more` pieces of a line would tell of a machine: in every criterion that rests on it, or on such work alone."""
    found: list[Tells] = []
    features = inputs.evidence.lines[line].features
    for c, code in enumerate(codes):
        evaluation = EVALUATION_OF[code]
        rests = next(q.rests for q in evaluation.tells if q.code == code)
        if kind is not None and rests not in _OF_KIND[kind]:
            continue
        if isinstance(row[c], Counted):
            found.append(Tries(c, at))
            continue
        lines = inputs.lines(code)
        mine = next((x for x in lines if x.key == line), None)
        if mine is not None:
            u = _u_of(mine, lines, key, more)
            if u is not None or isinstance(row[c], NotDetermined):
                found.append(Reads(c, at, u))
        elif (
            isinstance(row[c], NotDetermined)
            and rests in (Rests.READINGS, Rests.SCORES)
            and evaluation.takes(features)
        ):
            found.append(Reads(c, at, None))
    return tuple(found)


def _u_of(line: Line, lines: Sequence[Line], key: uuid.UUID, more: int) -> float | None:
    """How widely `more` pieces of one line tell the mean over the lines: as much as the line weighs in it."""
    spread = (line if line.spread is not None else widest(lines) or line).spread_of(key)
    if spread is None or not spread[0] > 0:
        return None
    n, k = len(line.values.get(key, [])), len(lines)
    if not n:
        return spread[0] / math.sqrt(more)
    # Of the mean's own variance the line's part falls from s²/n to s²/(n + more).
    now = sum(_part(x, lines, key) for x in lines) / k**2
    then = now - (spread[0] ** 2 / n - spread[0] ** 2 / (n + more)) / k**2
    alone = u_of_more(math.sqrt(now), math.sqrt(max(then, 0.0)))
    return alone if math.isfinite(alone) else None


def _part(line: Line, lines: Sequence[Line], key: uuid.UUID) -> float:
    spread = (line if line.spread is not None else widest(lines) or line).spread_of(key)
    n = len(line.values.get(key, []))
    return spread[0] ** 2 / n if spread and n else 0.0


def _duels(inputs: StudyFigures, codes: list[str], keys: list[uuid.UUID]) -> list[Work]:
    """One more duel between any two machines, where duels count and both have pieces to be compared."""
    if PREFERRED.code not in codes:
        return []
    c = codes.index(PREFERRED.code)
    able = [k for k in keys if inputs.compared.specimens_of(k)]
    return [
        Work((NextKind.DUEL, (a, b), None), (Meets(c, keys.index(a), keys.index(b)),), _DUEL_MIN / 60)
        for i, a in enumerate(able)
        for b in able[i + 1 :]
    ]


def _out(inputs: StudyFigures, view: RankView, worth: Worth) -> NextOut:
    kind, keys, line = _key_of(worth.work)
    bench = inputs.compared
    marks = {s.machine.unit_id: s.machine for s in view.standings}
    piece = f"{bench.artifacts[line[0]].name} from {bench.spools[line[1]].code}" if line else ""
    jobs = [j for j in bench.jobs_of(keys[0]) if line_of(j) == line] if kind is NextKind.COPY else []
    # What is planned already comes before one more.
    planned = any(
        j.id not in bench.cannot and not any(r.outcome is Outcome.DONE for r in bench.runs.get(j.id, []))
        for j in jobs
    )
    printed = [r.printed_s / 3600 for j in jobs for r in bench.runs.get(j.id, []) if r.outcome is Outcome.DONE]
    words = {
        NextKind.COPY: f"{'The next planned' if planned else 'One more'} {piece} on {marks[keys[0]].name}",
        NextKind.MEASURE: f"Measure what waits of the {piece}",
        NextKind.INSPECT: f"Inspect what waits of the {piece}",
        NextKind.DUEL: f"One more duel of {' and '.join(marks[k].name for k in keys)}",
    }[kind]
    return NextOut(
        kind=kind, machine=marks[keys[0]] if kind is NextKind.COPY else None, words=words, bench_min=60 * worth.work.hours,
        print_h=sum(printed) / len(printed) if printed else 0.0, settles=worth.settles, bits=worth.bits,
        like_job=jobs[0].id if jobs and not planned else None,
    )  # fmt: skip


def _key_of(work: Work) -> _Key:
    key: _Key = work.key  # type: ignore[assignment]
    return key

"""What a report lacks, each with the station where it is mended."""

from collections import defaultdict
from collections.abc import Iterator, Sequence

from crevlo.core.ranking.verdict import some_of
from crevlo.core.success import Outcome
from crevlo.stations.bench import Bench
from crevlo.stations.publish.sample import disclosures
from crevlo.stations.rank.mended import mended_at
from crevlo.stations.rank.ranking import RankView
from crevlo.stations.study import measured_of
from crevlo.store.run import Specimen


def lacking(ranked: Sequence[RankView], bench: Bench) -> list[tuple[str, str]]:
    """What is missing, with the station where it is mended."""
    said: list[tuple[str, str]] = []
    for view in ranked:
        if not view.standings:
            said.append((f"{view.verdict.headline}: there is nothing to recommend for {view.profile.name}.", "rank"))
        said += _missing(view)
    said += [(words, "receive") for words in disclosures(bench)[1]]
    said += _open_work(bench)
    return list(dict.fromkeys(said))


def _missing(view: RankView) -> Iterator[tuple[str, str]]:
    """Figures that count and are not known: machine by machine, or together where many need the same."""
    names = {c.code: c.name for c in view.criteria}
    of: dict[tuple[str, str], list[str]] = defaultdict(list)
    for s in view.standings:
        for c in s.contributions:
            if c.points is None:
                of[c.code, c.raw.needs or ""].append(s.machine.name)
    for (code, needs), machines in of.items():
        for who in machines if len(machines) <= _SINGLY else (some_of(machines),):
            yield f"{who}: {names[code].lower()} needs {needs}.", mended_at(code, needs)


_SINGLY = 8


def _open_work(bench: Bench) -> list[tuple[str, str]]:
    """What is planned and not done yet."""
    said = []
    came_out = {
        j.id
        for j in bench.jobs
        if any(r.outcome is Outcome.DONE and r.id not in bench.rejections for r in bench.runs.get(j.id, []))
    }
    due = [j for j in bench.jobs if j.counts and j.id not in bench.cannot]
    open_ = sum(j.id not in came_out for j in due)
    if open_:
        said.append(
            (f"{open_} of {len(due)} planned prints {'is' if open_ == 1 else 'are'} without a good piece.", "print")
        )
    unread = 0 if bench.withheld else sum(not bench.values.get(s.id) for s in bench.specimens if _is_read(bench, s))
    if unread:
        said.append((f"{unread} {'piece has' if unread == 1 else 'pieces have'} no reading yet.", "measure"))
    if bench.specimens and bench.study.revealed_at is None and not bench.study.entered_from:
        if bench.withheld:
            said.append(
                ("Figures of measured and judged parts are hidden until the reveal, or until you look.", "inspect")
            )
        said.append(("The machines are not revealed yet: no photo of a piece stands in the report.", "inspect"))
    return said


def _is_read(bench: Bench, specimen: Specimen) -> bool:
    """Whether an instrument reads anything of it, and it was not thrown away."""
    artifact = bench.line_of_run[specimen.run_id][0]
    return specimen.run_id not in bench.rejections and bool(measured_of(bench.artifacts[artifact]))

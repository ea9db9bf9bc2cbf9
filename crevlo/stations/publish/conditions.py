"""Under which conditions it was printed and read: what is on record, and what was only planned is called so."""

from collections import Counter, defaultdict
from collections.abc import Iterable, Sequence
from datetime import date
from itertools import pairwise

from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.bench import Bench
from crevlo.stations.blind import blinding
from crevlo.stations.inspect.score import revealed
from crevlo.stations.protocol import Conditions, Policies
from crevlo.stations.publish.document import Block, Fact, Facts
from crevlo.store.inspection import UnblindingCause
from crevlo.store.machine import Spool
from crevlo.store.record import SpoolEntry, SpoolKind
from crevlo.store.run import Run
from crevlo.store.study import Arm, Job


def conditions(session: Session, bench: Bench) -> list[Block]:
    """What was printed from which spools and how, how it was dried, put in order, read and kept blind."""
    if bench.protocol is None:
        return []
    policies = Policies(**bench.protocol.policies)
    counted = Fact(name="Counts against a printer", value=", ".join(policies.counted_causes))
    said = [fact for arm in bench.protocol.arms for fact in _of_arm(bench, arm)]
    if bench.study.entered_from:
        unknown = "how it was sliced, dried, put in order and watched is not on record"
        plan = Fact(name="Plan", value=f"none: imported from {bench.study.entered_from}; {unknown}")
        return [Facts(rows=[*said, plan, counted])]
    said += [
        Fact(name="Sliced files", value=_files(bench)),
        Fact(name="Spools", value=_spools(bench, policies)),
        Fact(name="Drying", value=_drying(session, bench, policies)),
        Fact(name="Readings", value=_readings(bench, bench.protocol.repeats)),
        counted,
        Fact(name="Plan", value=_plan(bench)),
        *(Fact(name="Blinding", value=words) for words in _blinding(session, bench)),
    ]
    if bench.study.revealed_at:
        blind = revealed(session, bench.study.id)
        value = (
            f"{blind.follows} of {len(blind.specimens)} follow from the secret {blind.secret}, opened at the reveal. "
            f"{blind.rule}"
        )
        said.append(Fact(name="Blind codes", value=value))
    return [Facts(rows=said)]


def ended(bench: Bench, job: Job) -> list[Run]:
    """Tries of a planned print that have ended."""
    return [run for run in bench.runs.get(job.id, []) if run.outcome is not None]


def _of_arm(bench: Bench, arm: Arm) -> list[Fact]:
    """What of it was printed, from the spools that were in; and what was planned."""
    assert bench.protocol is not None
    name = arm.name if len(bench.protocol.arms) > 1 else "Prints"
    jobs = [job for job in bench.jobs if job.arm_id == arm.id]
    printed = [job for job in jobs if ended(bench, job)]
    said = [Fact(name=name, value=_printed(bench, printed) or "nothing printed yet")]
    if left := [job for job in jobs if job not in printed and job.id not in bench.cannot]:
        said.append(Fact(name=f"{name}: planned, not printed", value=_counted(bench, left)))
    if not bench.study.entered_from:
        slicing = (
            "common slicer, matched settings" if arm.slicing == "common" else "each maker's own slicer and profile"
        )
        tuned = ["tuned after the stock results"] if arm.tuning == "tuned" else []
        words = "; ".join([slicing, *tuned, *Conditions(**arm.conditions).words])
        said.append(Fact(name=f"{name}: settings as planned", value=words))
    return said


def _printed(bench: Bench, jobs: Sequence[Job]) -> str:
    """Test part by test part how many, from which spools; a spool that only some printers had is told with them."""
    by_part: dict[str, list[Job]] = defaultdict(list)
    for job in jobs:
        by_part[_part(bench, job)].append(job)
    said = []
    for part, of in sorted(by_part.items()):
        fed: dict[str, list[Job]] = defaultdict(list)
        for job in of:
            fed[" and ".join(_spool(bench.spools[i]) for i in job.spool_ids)].append(job)
        if len(fed) == 1:
            said.append(f"{len(of)} × {part}, from {next(iter(fed))}")
            continue
        ways = (f"{len(mine)} from {spool} ({_names(mine)})" for spool, mine in sorted(fed.items()))
        said.append(f"{len(of)} × {part}: {', '.join(ways)}")
    return "; ".join(said)


def _counted(bench: Bench, jobs: Iterable[Job]) -> str:
    return "; ".join(f"{n} × {part}" for part, n in sorted(Counter(_part(bench, job) for job in jobs).items()))


def _part(bench: Bench, job: Job) -> str:
    artifact = bench.artifacts[job.artifact_id]
    return f"{artifact.name}, version {artifact.number}"


def _spool(spool: Spool) -> str:
    return f"{spool.colour} {spool.material}, spool {spool.code}"


def _names(jobs: Iterable[Job]) -> str:
    return ", ".join(sorted({job.unit.name for job in jobs}))


def _used(bench: Bench) -> dict[Spool, date]:
    """Spools that anything was printed from, with the day of the first such print."""
    found: dict[Spool, date] = {}
    for job in bench.jobs:
        for run in ended(bench, job):
            for spool in (bench.spools[i] for i in job.spool_ids):
                day = run.started_at.date()
                found[spool] = min(found.get(spool, day), day)
    return found


def _files(bench: Bench) -> str:
    printed = [job for job in bench.jobs if ended(bench, job)]
    if not printed:
        return "nothing printed yet"
    files = [bench.sliced[job.id] for job in printed if job.id in bench.sliced]
    other = sum(bool(file.deviations) for file in files)
    said = f"of {len(files)} of {len(printed)} prints on record"
    if not files:
        return f"{said}: their settings are not known"
    return f"{said}, {other} of them with a setting other than planned" if other else f"{said}, all as planned"


def _spools(bench: Bench, policies: Policies) -> str:
    """Whether the same spool went from printer to printer, line by line of what was printed."""
    used: dict[tuple[object, object], set[object]] = defaultdict(set)
    for job in bench.jobs:
        if ended(bench, job):
            used[job.artifact_id, job.spool_id].add(tuple(job.spool_ids))
    if not used:
        return f"planned: {policies.material}"
    several = sum(len(ways) > 1 for ways in used.values())
    if not several:
        return "each test part from the same spool on every printer that printed it"
    return f"{several} of {len(used)} test parts from different spools on different printers"


def _drying(session: Session, bench: Bench, policies: Policies) -> str:
    used = _used(bench)
    if not used:
        return f"planned: {policies.drying}; nothing printed yet"
    logged: dict[object, list[date]] = defaultdict(list)
    newer = select(SpoolEntry.supersedes_id).where(SpoolEntry.supersedes_id.is_not(None))
    for entry in session.scalars(
        select(SpoolEntry).where(
            SpoolEntry.spool_id.in_([spool.id for spool in used]),
            SpoolEntry.kind == SpoolKind.DRIED,
            SpoolEntry.value > 0,
            SpoolEntry.id.not_in(newer),
        )
    ):
        logged[entry.spool_id].append(entry.at.date())
    said, unknown = [], []
    for spool, first in sorted(used.items(), key=lambda x: x[0].code):
        days = {*logged[spool.id], *([spool.dried_on] if spool.dried_on else [])}
        before = [day for day in days if day <= first]
        if before:
            said.append(f"{spool.code} dried on {max(before):%d %B %Y}, before its first print")
        elif days:
            said.append(f"{spool.code} dried on {min(days):%d %B %Y}, after its first print")
        else:
            unknown.append(spool.code)
    if unknown:
        said.append(f"no drying on record of {', '.join(unknown)}")
    return f"{'; '.join(said)} (planned: {policies.drying})"


def _readings(bench: Bench, planned: int) -> str:
    if bench.withheld:
        return "told after the reveal"
    counts = {len(row.values) for rows in bench.values.values() for row in rows if len(row.values)}
    if not counts:
        return f"none yet ({planned} of every dimension planned)"
    least, most = min(counts), max(counts)
    said = f"{least} of every dimension that was read" if least == most else f"{least} to {most} of a dimension"
    return said if least == most == planned else f"{said} ({planned} planned)"


def _plan(bench: Bench) -> str:
    protocol = bench.protocol
    assert protocol is not None
    if not protocol.frozen_at:
        return f"version {protocol.number}, not frozen"
    frozen = f"version {protocol.number}, frozen {protocol.frozen_at:%d %B %Y}"
    if protocol.freeze_recorded_at and (protocol.freeze_recorded_at - protocol.frozen_at).days:
        frozen += f" (entered {protocol.freeze_recorded_at:%d %B %Y})"
    started = sorted((runs[0].started_at, job.position) for job in bench.jobs if (runs := bench.runs.get(job.id, [])))
    order = f"order shuffled with seed {bench.study.seed}"
    if len(started) < 2:
        return f"{frozen}; {order}"
    turned = sum(later[1] < earlier[1] for earlier, later in pairwise(started))
    kept = "and kept" if not turned else f"and left {turned} of {len(started) - 1} times"
    return f"{frozen}; {order} {kept}"


def _blinding(session: Session, bench: Bench) -> list[str]:
    """Who had seen figures by printer while parts were hidden, by their roles, and what they entered afterwards."""
    found = blinding(session, bench.study.id)
    said = [
        {
            UnblindingCause.LOOKED: f"The {x.role} looked at figures by printer on {x.at:%d %B %Y}, while parts were hidden.",
            UnblindingCause.PUBLISHED: f"Figures of hidden parts were published on {x.at:%d %B %Y}.",
            UnblindingCause.BEFORE: f"The {x.role} could look at figures by printer while parts were hidden.",
        }[x.cause]
        for x in found.looked
        # That it was published says the report itself, until it had a consequence.
        if x.cause is not UnblindingCause.PUBLISHED or found.not_blind
    ]
    if not said:
        return []
    entries = f"{found.not_blind} {'entry was' if found.not_blind == 1 else 'entries were'}"
    after = f"After that {entries} made; each is marked, and blind entries of the same place go before it."
    return [" ".join([*said, after if found.not_blind else "Nothing was read or scored by them after that."])]

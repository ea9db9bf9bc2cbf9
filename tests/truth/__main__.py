"""`make truth`: simulated studies against what is stated of them, and every planted fault; writes docs/truth.md.

Ends with 1 where anything is out of bounds or a fault is not seen. About ten minutes on two cores.
"""

import os
import sys
import time
from collections.abc import Iterable, Sequence
from concurrent.futures import ProcessPoolExecutor
from pathlib import Path

import numpy as np

from crevlo.core.evaluations import QUANTITIES
from tests.truth import checks
from tests.truth.advice import Ended, played
from tests.truth.checks import CHECKS, EQUALS, FIELDS, SCHOOL_FIELDS, SETTINGS, Out
from tests.truth.coverage import Held
from tests.truth.faults import FAULTS
from tests.truth.prints import Found
from tests.truth.ranking import Stated, stated
from tests.truth.study import Setting
from tests.truth.traces import gaps_covered

STUDIES = 400
MACHINES = 600
ADVISED = 200
REPORT = Path(__file__).resolve().parents[2] / "docs" / "truth.md"
BANDS = ((0.0, 0.4), (0.4, 0.6), (0.6, 0.8), (0.8, 0.95), (0.95, 1.01))
WHOLE = (
    Setting("whole studies, 4 machines", artifacts=("SB",)), Setting("whole studies, 2 machines", machines=2, artifacts=("SB",)),
    Setting("whole studies, 8 machines", machines=8, artifacts=("SB",)),
)  # fmt: skip


def main() -> int:
    began = time.monotonic()
    cores = max(2, os.cpu_count() or 2)
    out: list[Out] = []
    lines = [_HEAD]
    for setting in SETTINGS:
        found, table = checks.covers(setting, STUDIES, seed=10_000, halves=cores)
        out += found
        lines += _coverage(setting, table)
        _say(f"{setting.name}: {len(found)} out of bounds", began)
    with ProcessPoolExecutor(cores) as pool:
        whole = list(pool.map(stated, WHOLE, [STUDIES] * len(WHOLE)))
        fields = list(pool.map(checks.leaders, [[f] for f in FIELDS], [STUDIES] * len(FIELDS)))
        ways = list(pool.map(checks.schools, [[f] for f in SCHOOL_FIELDS], [STUDIES] * len(SCHOOL_FIELDS)))
        equals = list(pool.map(checks.ties, [[f] for f in EQUALS], [STUDIES] * len(EQUALS)))
        traces = pool.submit(gaps_covered, 600)
        small = [
            pool.submit(check) for check in (checks.totals_and_flips, checks.must_haves, checks.claims, checks.gaps)
        ]
        out += [o for found, _ in (*fields, *ways, *equals) for o in found] + [
            o for one in small for o in one.result()
        ]
        lines += _leaders([(f.name, *made[f.name]) for f, (_, made) in zip(FIELDS, fields, strict=True)])
        lines += _whole(zip(WHOLE, whole, strict=True)) + _schools([made for _, made in ways])
        lines += _ties([share for _, share in equals])
        lines += _gaps(traces.result())
        halves = list(pool.map(checks.told_by_prints, [MACHINES // cores] * cores, [1000 * k for k in range(cores)]))
        joined = _joined([found for _, found in halves])
        lines += _prints(joined)
        out += [Out("prints", f.name, f"{100 * f.share:.1f} % of {len(f.held)}") for f in joined if f.out()]
        _say("chances, ties and gaps", began)
        parts = [range(k, ADVISED, cores) for k in range(cores)]
        advised = [one for part in pool.map(played, parts) for one in part]
        table, found = _advice(advised)
        lines += table
        out += found
        _say("what to do next", began)
        seen = list(pool.map(_seen, range(len(FAULTS))))
    lines += _faults(seen)
    out += [Out("faults", FAULTS[k].name, "not seen") for k, by in enumerate(seen) if not by]
    _say(f"{sum(map(bool, seen))} of {len(FAULTS)} faults seen", began)
    REPORT.write_text("\n".join(lines) + "\n")
    for o in out:
        print(f"out of bounds: {o.check}: {o.what}: {o.words}", flush=True)
    return 1 if out else 0


def _seen(number: int) -> list[str]:
    """Which checks notice the planted fault."""
    fault = FAULTS[number]
    with fault.planted():
        return [f"{o.check} of {o.what}" for name in fault.looks for o in CHECKS[name]()]


def _say(words: str, began: float) -> None:
    print(f"{time.monotonic() - began:5.0f} s  {words}", flush=True)


_HEAD = f"""# Whether what is stated holds

Made by `make truth`: {STUDIES} simulated studies of every kind below, each with calibration errors of its own that all of its machines share,
evaluated by the rules of the core as any study is. `make test` runs a smaller share of it; `tests/truth` also enters such
studies through the API, as a person would, and finds the same figures.

## Intervals at 95 %

Share of intervals that hold the hidden figure, and of those of differences between two machines. Goal 93 to 97 %."""


def _coverage(setting: Setting, table: dict[str, tuple[Held, Held]]) -> list[str]:
    lines = [f"\n**{setting.name}**; caliper u {setting.u_cal_mm} mm, copies spread {setting.part_mm} mm.\n",
             "| figure | held | typical ± | difference held | typical ± |", "| --- | --: | --: | --: | --: |"]  # fmt: skip
    for code, (own, apart) in table.items():
        if own.stated:
            q = QUANTITIES[code]
            lines.append(
                f"| {q.name} | {_share(own)} | {_half(own, q.factor)} | {_share(apart)} | {_half(apart, q.factor)} |"
            )
    return lines


def _share(held: Held) -> str:
    return f"{100 * held.share:.1f} %" if held.stated else ""


def _half(held: Held, factor: float) -> str:
    return f"{factor * float(np.median(held.widths)):.3g}" if held.stated else ""


def _bands(made: Stated) -> str:
    return ", ".join(f"{a:.2f} → {b:.2f} ({n})" for a, b, n in made.by_chance(BANDS))


def _leaders(rows: Sequence[tuple[str, Stated, Stated]]) -> list[str]:
    lines = ["\n## Chances of first place\n", "Machines from one field, with an oracle that knows the field and the noise. By band: stated → was best (studies).\n",
             "| field | leader stated | was best | Brier | oracle | bands |", "| --- | --: | --: | --: | --: | --- |"]  # fmt: skip
    lines += [
        f"| {name} | {np.mean(m.chance):.3f} | {np.mean(m.best):.3f} | {np.mean(m.brier):.4f} | {np.mean(o.brier):.4f} | {_bands(m)} |"
        for name, m, o in rows
    ]
    return [
        *lines,
        "",
        "How close a field is, a dozen machines tell badly: a leader of a close field is stated a few hundredths too sure.",
    ]


def _whole(rows: Iterable[tuple[Setting, Stated]]) -> list[str]:
    lines = ["\nWhole studies, weighed by seven criteria, cost and success among them:\n", "| studies | leader stated | was best | bands |",
             "| --- | --: | --: | --- |"]  # fmt: skip
    return lines + [f"| {s.name} | {np.mean(m.chance):.3f} | {np.mean(m.best):.3f} | {_bands(m)} |" for s, m in rows]


_SCHOOLS = {
    "points": "weighted points", "mean": "rubric mean", "wins": "category wins", "enough": "cheapest that is good enough",
}  # fmt: skip


def _schools(rows: Sequence[dict[str, dict[str, list[tuple[float, float]]]]]) -> list[str]:
    lines = ["\n## Ways to count\n", "The likeliest first of each way to count: stated → was first by the same count of the hidden truths (studies).\n",
             "| field | " + " | ".join(_SCHOOLS.values()) + " |", "| --- |" + " --: |" * len(_SCHOOLS)]  # fmt: skip
    for one in rows:
        for name, made in one.items():
            means = {school: np.mean(found, axis=0) for school, found in made.items()}
            cells = [f"{means[s][0]:.3f} → {means[s][1]:.3f} ({len(made[s])})" for s in _SCHOOLS]
            lines.append(f"| {name} | {' | '.join(cells)} |")
    return lines


def _ties(shares: Sequence[dict[str, float]]) -> list[str]:
    lines = ["\n## Equal machines\n", "| machines | called a tie |", "| --- | --: |"]
    return lines + [f"| {name} | {100 * share:.1f} % |" for one in shares for name, share in one.items()]


def _advice(made: Sequence[tuple[Ended, Ended]]) -> tuple[list[str], list[Out]]:
    """Hours until first place is sure, by the advice and by equal copies; out of bounds over 70 %."""
    hours = [sum(x.hours for x in side) for side in zip(*made, strict=True)]
    right = [100 * np.mean([x.right for x in side]) for side in zip(*made, strict=True)]
    left = [sum(x.given_up for x in side) for side in zip(*made, strict=True)]
    share = hours[0] / hours[1]
    lines = ["\n## What to do next\n", f"{len(made)} simulated benches of seven machines with two copies each, until somebody is first in 80 % of the draws.\n",
             "| copies | hours of a person | of equal copies | the right one | given up after 120 |", "| --- | --: | --: | --: | --: |"]  # fmt: skip
    for name, h, r, n in zip(("as advised", "all machines in turn"), hours, right, left, strict=True):
        lines.append(f"| {name} | {h:.0f} | {100 * h / hours[1]:.0f} % | {r:.0f} % | {n} |")
    return lines, [Out("advice", "hours", f"{100 * share:.0f} % of equal copies")] if share > 0.7 else []


def _gaps(found: dict[str, tuple[float, float, float]]) -> list[str]:
    lines = ["\n## Energy over gaps\n", "Beds that switch, one to four gaps of one to seven minutes.\n",
             "| trace | total held by value ± 1.96 u | within its bounds |", "| --- | --: | --: |"]  # fmt: skip
    for name, (share, _, bounded) in found.items():
        held = "decided" if name.startswith("a counter") else f"{100 * share:.1f} %"
        lines.append(f"| {name} | {held} | {100 * bounded:.1f} % |")
    return lines


def _joined(parts: Sequence[Sequence[Found]]) -> list[Found]:
    made = {f.name: Found(f.name, [], f.low, f.high) for part in parts for f in part}
    for part in parts:
        for f in part:
            made[f.name].held.extend(f.held)
    return list(made.values())


def _prints(found: Sequence[Found]) -> list[str]:
    lines = ["\n## What prints and people hide\n", f"{MACHINES} simulated machines a rule, read by a hand with scatter, rounding and a calibration error.\n",
             "| hidden | found again | of | goal |", "| --- | --: | --: | --- |"]  # fmt: skip
    return lines + [
        f"| {f.name} | {100 * f.share:.1f} % | {len(f.held)} | {'at least ' + format(100 * f.low, '.0f') if f.high == 1 else format(100 * f.low, '.0f') + ' to ' + format(100 * f.high, '.0f')} % |"
        for f in found
    ]


def _faults(seen: Sequence[list[str]]) -> list[str]:
    lines = [
        "\n## Planted faults\n",
        "Each put into the rules alone; what noticed it.\n",
        "| fault | seen by |",
        "| --- | --- |",
    ]
    return lines + [
        f"| {fault.name} | {'; '.join(by[:2]) + (f' and {len(by) - 2} more' if len(by) > 2 else '') or '**not seen**'} |"
        for fault, by in zip(FAULTS, seen, strict=True)
    ]


if __name__ == "__main__":
    sys.exit(main())

"""What single lines (an artifact of one material) tell of every machine."""

import math
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, replace

from crevlo.core.estimate import NotDetermined
from crevlo.core.evaluations.evaluation import Evaluation
from crevlo.core.evidence import Evidence, Key
from crevlo.core.figure import Figure
from crevlo.core.statistics import Line, mean_over_lines, widest


def evidence_on(evidence: Evidence, lines: Collection[Key], *, alone: bool = True) -> Evidence:
    """The same machines with what they printed of these lines; `alone`, without what they do beside printing."""
    return replace(
        evidence,
        machines={
            key: replace(
                m, runs=tuple(r for r in m.runs if r.line in lines), idle=() if alone else m.idle,
                filament={k: f for k, f in m.filament.items() if k in lines},
            )
            for key, m in evidence.machines.items()
        },
        lines={k: of for k, of in evidence.lines.items() if k in lines},
        duels=tuple(d for d in evidence.duels if d.line in lines),
    )  # fmt: skip


@dataclass(frozen=True, slots=True)
class OnLine:
    """Figures of one line by quantity and machine; `bare` are means of prints whose spread nobody knows."""

    figures: Mapping[str, Mapping[Key, Figure]]
    bare: Mapping[str, Mapping[Key, float]]


def figures_on_line(evaluation: Evaluation, on: Evidence, of_all: Mapping[str, Sequence[Line]]) -> OnLine:
    """What an evaluation says of one line; `on` is the evidence of it.

    A line that nobody printed twice borrows the widest spread of the others, which `of_all` holds by quantity.
    """
    made = evaluation.of_machines(on)
    figures = {code: dict(of) for code, of in made.figures.items()}
    bare: dict[str, dict[Key, float]] = {}
    for code, lines in made.lines.items():
        if len(lines) != 1:
            continue
        borrowed = widest(of_all.get(code, [])) if lines[0].spread is None else None
        one = [replace(lines[0], spread=borrowed.spread, dof=borrowed.dof) if borrowed else lines[0]]
        own = made.own.get(code, {})
        for key, values in one[0].values.items():
            if not values or not isinstance(figures[code].get(key), NotDetermined):
                continue
            if one[0].spread is None:
                bare.setdefault(code, {})[key] = math.fsum(values) / len(values)
            else:
                figures[code][key] = mean_over_lines(one, key, "a good print", own.get(key, 0.0))
    return OnLine(figures, bare)

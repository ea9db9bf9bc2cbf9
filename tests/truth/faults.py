"""Faults put into the rules one at a time: the checks have to see every one of them."""

import math
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass, replace
from typing import Any
from unittest.mock import patch

import numpy as np

from crevlo.core import energy, estimate, figure, gaps, readings, sizes
from crevlo.core.estimate import Estimate, made_of
from crevlo.core.evaluations import (
    EVALUATION_OF,
    banding,
    evaluation,
    flatness,
    flow,
    line_width,
    noise,
    ringing,
    squareness,
    success,
    thresholds,
)  # fmt: skip
from crevlo.core.evaluations import defects as defects_told
from crevlo.core.evaluations import energy as energy_told
from crevlo.core.evaluations import scale as scale_told
from crevlo.core.evaluations import sizes as sizes_told
from crevlo.core.evaluations.cost import COST_OF_PART
from crevlo.core.evaluations.evaluation import Evaluation, Results
from crevlo.core.figure import Composed, Counted, Spread
from crevlo.core.ranking import chances, field, flips, gate, points
from tests.truth import checks, prints, ranking, schools

Rule = Callable[..., Any]


@dataclass(frozen=True, slots=True)
class Fault:
    """Where it sits, what it does to the rule, and the checks that look there."""

    name: str
    owner: Any
    attribute: str
    turn: Callable[[Rule], Rule]
    looks: tuple[str, ...]

    @contextmanager
    def planted(self) -> Iterator[None]:
        if isinstance(self.owner, Evaluation):
            turned = replace(self.owner, rule=self.turn(self.owner.rule))
            with patch.dict(EVALUATION_OF, {q.code: turned for q in self.owner.tells}):
                yield
            return
        with patch.object(self.owner, self.attribute, self.turn(getattr(self.owner, self.attribute))):
            yield


def _figures(codes: tuple[str, ...], change: Callable[[Any], Any]) -> Callable[[Rule], Rule]:
    """Changes the figures of some quantities that an evaluation gives."""

    def turn(rule: Rule) -> Rule:
        def changed(evidence: Any) -> Results:
            made = rule(evidence)
            figures = {
                code: {m: change(f) if isinstance(f, Estimate | Counted | Spread | Composed) else f for m, f in by.items()} if code in codes else by
                for code, by in made.figures.items()
            }  # fmt: skip
            return Results(figures, made.lines)

        return changed

    return turn


def _moved(value: float = 0.0, factor: float = 1.0, u: float = 1.0) -> Callable[[Estimate], Estimate]:
    return lambda e: made_of(e.value * factor + value, e.own * u, e.own_dof, {s: x * u for s, x in e.shared.items()})


def _after(change: Callable[[Any], Any]) -> Callable[[Rule], Rule]:
    """Changes what a rule gives."""
    return lambda rule: lambda *args, **kwargs: change(rule(*args, **kwargs))


def _mean(change: Callable[[Estimate], Estimate]) -> Callable[[Rule], Rule]:
    return _after(change)


def _no_shared(rule: Rule) -> Rule:
    """What machines share is drawn apart for each: taken as own."""

    def made(figures: Any, functions: Any, seed: int, *args: Any, **kwargs: Any) -> np.ndarray:
        apart = [[made_of(f.value, f.u) if isinstance(f, Estimate) else f for f in row] for row in figures]
        drawn: np.ndarray = rule(apart, functions, seed, *args, **kwargs)
        return drawn

    return made


def _all_shared(rule: Rule) -> Rule:
    """The reverse: most of what is a machine's own is drawn once for all."""

    def made(figures: Any, functions: Any, seed: int, *args: Any, **kwargs: Any) -> np.ndarray:
        together = [
            [made_of(f.value, 0.3 * f.own, f.own_dof, dict(f.shared) | {f"all {c}": 0.95 * f.own}) if isinstance(f, Estimate) else f for c, f in enumerate(row)]
            for row in figures
        ]  # fmt: skip
        drawn: np.ndarray = rule(together, functions, seed, *args, **kwargs)
        return drawn

    return made


def _swapped(rule: Rule) -> Rule:
    turned = {sizes.Axis.X: sizes.Axis.Y, sizes.Axis.Y: sizes.Axis.X, sizes.Axis.Z: sizes.Axis.Z}
    return lambda features: rule([replace(f, axis=turned[f.axis]) for f in features])


def _adds(rule: Rule) -> Rule:
    """A difference that adds what both share instead of taking it away."""
    return lambda a, b: made_of(
        a.value - b.value, math.hypot(a.own, b.own), min(a.own_dof, b.own_dof),
        {s: a.shared.get(s, 0.0) + b.shared.get(s, 0.0) for s in {*a.shared, *b.shared}},
    )  # fmt: skip


def _without_background(rule: Rule) -> Rule:
    return lambda level, background, distance: rule(level, None, distance)


_COVERAGE = ("usual", "few", "fine")
_usual = ("usual",)
FAULTS: tuple[Fault, ...] = (
    Fault("U × 0.7 of every mean", evaluation, "mean_over_lines", _mean(_moved(u=0.7)), _usual),
    Fault("U × 3 of every mean", evaluation, "mean_over_lines", _mean(_moved(u=3.0)), _usual),
    Fault("every reading + 0.010 mm", readings, "combine_readings", _after(lambda e: replace(e, value=e.value + 0.010)), _usual),
    Fault("scale + 0.05 %", sizes.Rows, "estimate", lambda rule: lambda self, gain: _steeper(rule(self, gain)), _usual),
    Fault("axes X and Y swapped", scale_told, "fit_sizes", _swapped, _usual),
    Fault("sense of inside and outside lost", sizes, "_offsets", lambda rule: lambda f: (0.0, 1.0) if f.axis is sizes.Axis.Z else (1.0, 0.0), _usual),
    Fault("noise + 1 dB", noise.NOISE, "of_machines", _figures(("noise",), _moved(1.0)), _usual),
    Fault("background left in", noise, "level_at_1_m_db", _without_background, _usual),
    Fault("energy × 1.1", energy_told.ENERGY_USED, "of_machines", _figures(("energy",), _moved(factor=1.1)), _usual),
    Fault("success off by one", success, "attempts", _after(lambda made: (Counted(max(made[0].good - 1, 0), made[0].tries), made[1])), _usual),
    Fault("failures not counted", success, "attempts", _after(lambda made: (Counted(made[0].good, max(made[0].good, 1)), made[1])), _usual),
    Fault("accuracy × 2", sizes_told.SIZES, "of_machines", _figures(("off.mean",), _moved(factor=2.0)), _usual),
    Fault("repeatability × 3", sizes_told.SIZES, "of_machines", _figures(("repeatability",), lambda s: Spread(tuple((9 * v, d) for v, d in s.parts), s.noise)), _usual),
    Fault("faces of a copy taken as apart", sizes_told.SIZES, "of_machines", _figures(("repeatability",), lambda s: Spread(tuple((v, 40 * d) for v, d in s.parts), s.noise)), _usual),
    Fault("scatter of readings left in the spread", sizes_told, "spread_between", _after(lambda s: Spread(tuple((v + 3 * s.noise / len(s.parts), d) for v, d in s.parts)) if isinstance(s, Spread) else s), ("fine",)),
    Fault("defects inverted", defects_told.DEFECTS, "of_machines", _figures(("defects",), lambda e: _moved(100.0, -1.0)(e)), _usual),
    Fault("cost × 2", COST_OF_PART, "of_machines", _figures(("cost",), lambda c: replace(c, estimate=_moved(factor=2.0)(c.estimate), low=2 * c.low, high=2 * c.high)), _usual),
    Fault("time in minutes called hours", evaluation, "mean_over_lines", lambda rule: lambda *a, **k: _moved(factor=60.0)(rule(*a, **k)) if "print" in a[2] and "energy" not in a[2] else rule(*a, **k), _usual),
    Fault("skew with the wrong sign", squareness, "squareness", _after(lambda s: replace(s, mm_per_100=replace(s.mm_per_100, value=-s.mm_per_100.value))), _usual),
    Fault("tilt of X called that of Y", flatness, "plane", _after(lambda p: replace(p, tilt_x_mm_per_100=p.tilt_y_mm_per_100, tilt_y_mm_per_100=p.tilt_x_mm_per_100)), _usual),
    Fault("shared adds in differences", figure, "difference", _adds, _usual),
    Fault("degrees of freedom ignored", estimate, "coverage_factor", lambda rule: lambda dof: estimate.NORMAL_COVERAGE, ("few",)),
    Fault("calibration left out", readings, "combine_readings", _after(lambda e: Estimate(e.value, e.own, e.own_dof)), _usual),
    Fault("spread between copies not shared out over copies", evaluation, "mean_over_lines", _mean(lambda e: made_of(e.value, e.own * math.sqrt(3), e.own_dof, e.shared)), _usual),
    Fault("shared taken as own", ranking, "draw_values", _no_shared, ("leaders",)),
    Fault("own taken as shared", ranking, "draw_values", _all_shared, ("leaders",)),
    Fault("no field", chances, "fields_of", lambda rule: lambda known, spread: {}, ("leaders",)),
    Fault("all drawn to the middle", chances, "fields_of", _after(lambda fields: {c: replace(f, pulls={m: replace(p, keeps=0.05 * p.keeps) for m, p in f.pulls.items()}) for c, f in fields.items()}), ("leaders",)),
    Fault("every field as close as can be", field, "_learned", _after(lambda chances: {c: np.eye(len(p))[-20] for c, p in chances.items()}), ("leaders",)),
    Fault("every field as wide as can be", field, "_learned", _after(lambda chances: {c: np.eye(len(p))[20] for c, p in chances.items()}), ("leaders",)),
    Fault("a winner at even chance", ranking, "share_first", lambda rule: lambda first, sure=0.8, ahead=None: rule(first, 0.4), ("ties",)),
    Fault("weights ignored", points, "normalised", lambda rule: lambda weights: np.full(len(weights), 1 / len(weights)), ("totals",)),
    Fault("a flip of a weight that is none", checks, "weight_flips", lambda rule: lambda w, v: [replace(f, share=0.9 * f.share if f.rises else 1.1 * f.share) for f in rule(w, v)], ("totals",)),
    Fault("a figure's flip at half the way", flips, "raw_reaching", lambda rule: lambda function, value, near, *, up: None if (r := rule(function, value, near, up=up)) is None else (r + near) / 2, ("totals",)),
    Fault("must-haves surer than they are", gate, "_chance_at_most", _after(lambda c: min(1.0, max(0.0, 0.5 + 1.6 * (c - 0.5)))), ("must-haves",)),
    Fault("must-haves turned round", gate, "_judged", lambda rule: lambda passes, text, sure: rule(not passes, text, sure), ("must-haves",)),
    Fault("gaps hold nothing", gaps._Seen, "one_of", lambda rule: lambda self, phases, seconds: (0.0, 1.0, rule(self, phases, seconds)[2]), ("gaps",)),
    Fault("gaps as sure as what was seen", gaps._Seen, "_spread", _after(lambda u: None if u is None else u / 4), ("gaps",)),
    Fault("a counter across a gap not looked at", gaps, "_counted", lambda rule: lambda counter, at: None, ("gaps",)),
    Fault("a reset of a counter taken from the sum", energy, "_with_gaps", lambda rule: lambda t, gap, seen, unseen, peak: rule(t, gap, seen * 0.5 if peak is None else seen, unseen, peak), ("gaps",)),
    Fault("a first place surer than it is", schools, "first_shares", _after(lambda s: s**4 / max((s**4).sum(), 1e-300)), ("schools",)),
    Fault("a band's amplitude × 1.2", banding, "banding", _after(lambda b: replace(b, amplitude_mm=1.2 * b.amplitude_mm)), ("prints",)),
    Fault("twice the pitch of a band", banding, "banding", _after(lambda b: replace(b, pitch_mm=2 * b.pitch_mm)), ("prints",)),
    Fault("any widths called a band", banding, "_false_alarm", lambda rule: lambda *a: 0.0, ("prints",)),
    Fault("calibration left out of waves", ringing, "ringing", lambda rule: lambda bands, resolution, bias=0.0: rule(bands, resolution), ("prints",)),
    Fault("waves taken for teeth", ringing, "_one_constant", lambda rule: lambda x, y, v, b: rule([1.0] * len(x), y, v, b), ("prints",)),
    Fault("a ladder read from its hard end", thresholds, "threshold", lambda rule: lambda steps, easier: rule(steps, thresholds.Easier.SMALLER if easier is thresholds.Easier.LARGER else thresholds.Easier.LARGER), ("prints",)),
    Fault("flow against the fastest step", flow, "_crossing", lambda rule: lambda f, e, m, a: rule(f, e, m * np.linspace(1, 1.1, m.shape[1]), a), ("prints",)),
    Fault("line width with the wrong sign", line_width, "line_width", _after(lambda w: replace(w, off_mm=replace(w.off_mm, value=-w.off_mm.value))), ("prints",)),
    Fault("duels surer than they are", prints, "davidson", _after(lambda a: replace(a, covariance=a.covariance / 4)), ("prints",)),
    Fault("a rater's leniency halved", prints, "against_others", _after(lambda r: replace(r, higher=replace(r.higher, value=r.higher.value / 2, u=r.higher.u / 4))), ("prints",)),
)  # fmt: skip


def _steeper(e: Estimate) -> Estimate:
    # A scale is a small number without a unit; an offset is in mm.
    return replace(e, value=e.value + 0.0005) if e.u < 0.002 else e

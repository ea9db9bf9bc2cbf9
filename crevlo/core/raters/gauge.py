"""Gauge study: how much of what is read is the part, the hand, and the instrument (crossed analysis of variance)."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from scipy.special import fdtrc

from crevlo.core.estimate import BadInput, NotDetermined

# An interaction less likely than this to be chance is kept apart (AIAG, Measurement systems analysis).
_POOLED_FROM = 0.25


@dataclass(frozen=True, slots=True)
class Gauge:
    """Standard deviations in the readings' unit: of repeats, between people, between parts, of both first, of all; the gauge's
    share of the whole in percent, how many categories it tells apart, and ν of the repeats and of the people."""

    repeatability: float
    reproducibility: float
    part: float
    gauge: float
    total: float
    percent: float
    ndc: int
    interaction_p: float
    repeatability_dof: int
    people: int


def gauge_study(parts: Sequence[Sequence[Sequence[float]]]) -> Gauge:
    """Of readings [part][person][repeat]. Interaction is pooled into the error where its p is above 0.25.

    Raises NotDetermined for fewer than two parts, people or repeats, BadInput where somebody read a part more often than
    another or readings are not finite. Source: AIAG, Measurement systems analysis, crossed ANOVA.
    """
    shapes = {len(person) for part in parts for person in part}
    people = {len(part) for part in parts}
    if len(parts) < 2 or min(people, default=0) < 2 or min(shapes, default=0) < 2:
        raise NotDetermined("two parts, two people and two repeats of each")
    if len(shapes) > 1 or len(people) > 1:
        raise BadInput("everybody reads every part as often")
    x = np.array(parts, float)
    if not np.isfinite(x).all():
        raise BadInput("readings must be finite")
    p, o, r = x.shape
    grand = x.mean()
    by_part, by_person, cell = x.mean(axis=(1, 2)), x.mean(axis=(0, 2)), x.mean(axis=2)
    ms_part = o * r * float(((by_part - grand) ** 2).sum()) / (p - 1)
    ms_person = p * r * float(((by_person - grand) ** 2).sum()) / (o - 1)
    both = cell - by_part[:, None] - by_person[None, :] + grand
    ss_both, ss_error = r * float((both**2).sum()), float(((x - cell[:, :, None]) ** 2).sum())
    dof_both, dof_error = (p - 1) * (o - 1), p * o * (r - 1)
    ms_both, ms_error = ss_both / dof_both, ss_error / dof_error
    chance = float(fdtrc(dof_both, dof_error, ms_both / ms_error)) if ms_error > 0 else (0.0 if ms_both > 0 else 1.0)
    if chance > _POOLED_FROM:
        dof_error += dof_both
        ms_error = ms_both = (ss_error + ss_both) / dof_error
        interaction = 0.0
    else:
        interaction = max(0.0, (ms_both - ms_error) / r)
    repeatability = math.sqrt(ms_error)
    reproducibility = math.sqrt(max(0.0, (ms_person - ms_both) / (p * r)) + interaction)
    part_sd = math.sqrt(max(0.0, (ms_part - ms_both) / (o * r)))
    gauge = math.hypot(repeatability, reproducibility)
    total = math.hypot(gauge, part_sd)
    return Gauge(
        repeatability, reproducibility, part_sd, gauge, total, 100 * gauge / total if total else 0.0,
        max(1, math.floor(1.41 * part_sd / gauge)) if gauge else 1_000, chance, dof_error, o,
    )  # fmt: skip


def say_gauge(made: Gauge, instrument: str) -> str:
    """What a study says, in a sentence."""
    fit = "good enough to tell machines apart" if made.percent < 30 else "too coarse to tell these parts apart well"
    categories = (
        "1 category"
        if made.ndc == 1
        else f"{made.ndc} categories"
        if made.ndc < 1000
        else "as many categories as there are parts"
    )
    return f"{instrument} and hands take {made.percent:.0f} % of the spread; {categories}: {fit}."

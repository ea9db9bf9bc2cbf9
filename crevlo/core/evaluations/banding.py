"""Vertical banding: the pitch that repeats in widths along the height, and whether there is one at all."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.evaluations.evaluation import (
    Better,
    ColumnChart,
    ColumnPoint,
    Evaluation,
    Features,
    Finding,
    Instruments,
    Quantity,
    Rests,
    Results,
    Says,
    Told,
    codes_of,
    figures_of_findings,
    missing_says,
    own_parts,
    within,
)
from crevlo.core.evidence import Evidence, Specimen
from crevlo.core.features.feature import Kind
from crevlo.core.readings import feature_estimates

FEWEST = 12
# Above this chance that widths in any order would look as regular, no band is told apart.
SURE = 0.01
# What is looked for on a column: finer bands than this no caliper's jaws resolve, longer ones do not repeat.
SHORTEST_MM, LONGEST_MM = 0.8, 20.0
_OVERSAMPLE, _PERMUTATIONS = 5, 500
_NEAR_POWER = 0.05

_RULE = (
    "Floating-mean Lomb–Scargle periodogram of the widths over the height; amplitude of the sine at the best pitch. The false "
    f"alarm is how often the same widths in another order look as regular ({_PERMUTATIONS} shuffles); below {SURE:g} it is a band."
)
PITCH = Quantity("band.pitch", "Pitch of the bands", "Band pitch", "mm", 2, Better.NONE, Rests.READINGS, _RULE, 20, 0)
AMPLITUDE = Quantity(
    "band.amplitude", "Banding", "Banding", "mm", 3, Better.LOWER, Rests.READINGS, _RULE, 0.05, 0.0
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Banding:
    """The best sine through widths over height, its power 0..1, and the chance that shuffled widths do as well. `phase`: turns of
    the sine at height 0. `next_mm` is
    another pitch of nearly the same power, of which the best may be an alias."""

    pitch_mm: float
    amplitude_mm: float
    power: float
    false_alarm: float
    u_pitch_mm: float
    u_amplitude_mm: float
    phase: float
    next_mm: float | None

    @property
    def is_band(self) -> bool:
        return self.false_alarm < SURE


def banding(
    heights_mm: Sequence[float], widths_mm: Sequence[float], shortest_mm: float = SHORTEST_MM, longest_mm: float = LONGEST_MM,
    seed: int = 1,
) -> Banding:  # fmt: skip
    """Pitch between `shortest_mm` and `longest_mm` that widths repeat with, power in the standard normalisation.

    Raises NotDetermined for fewer than 12 widths or widths all alike, BadInput for lists of different length, values that
    are not finite or limits the wrong way round. Source: Zechmeister and Kürster 2009; u by GUM F.1.2.
    """
    if len(heights_mm) != len(widths_mm):
        raise BadInput(f"{len(heights_mm)} heights do not go with {len(widths_mm)} widths")
    if not (math.isfinite(shortest_mm) and math.isfinite(longest_mm) and 0 < shortest_mm < longest_mm):
        raise BadInput("the shortest pitch is above 0 and below the longest")
    z, w = np.asarray(heights_mm, float), np.asarray(widths_mm, float)
    if not (np.isfinite(z).all() and np.isfinite(w).all()):
        raise BadInput("heights and widths must be finite")
    if len(z) < FEWEST:
        raise NotDetermined(f"{FEWEST} widths")
    span = float(np.ptp(z))
    if span <= 0 or np.ptp(w) == 0:
        raise NotDetermined("widths that differ, at different heights")
    count = math.ceil(span * (1 / shortest_mm - 1 / longest_mm) * _OVERSAMPLE) + 1
    if count * len(z) > 4_000_000:
        raise BadInput(
            "so many heights with so fine a pitch are more than can be told apart: give a longer shortest pitch"
        )
    frequency = np.linspace(1 / longest_mm, 1 / shortest_mm, max(count, 2))
    power = _power(z, w, frequency)
    best = int(np.argmax(power))
    fine = np.linspace(frequency[max(best - 1, 0)], frequency[min(best + 1, len(frequency) - 1)], 41)
    sharp = _power(z, w, fine)
    at = float(fine[int(np.argmax(sharp))])
    highest = float(sharp.max())
    amplitude, phase, u_amplitude, u_frequency = _sine(z, w, at)
    return Banding(
        1 / at, amplitude, highest, _false_alarm(z, w, frequency, float(power[best]), seed),
        min(u_frequency / at**2, longest_mm), u_amplitude, phase, _alias(frequency, power, best, span),
    )  # fmt: skip


def _power(z: np.ndarray, w: np.ndarray, frequency: np.ndarray) -> np.ndarray:
    from scipy.signal import lombscargle

    found: np.ndarray = lombscargle(z, w, 2 * np.pi * frequency, floating_mean=True, normalize=True)
    return found


def _sine(z: np.ndarray, w: np.ndarray, frequency: float) -> tuple[float, float, float, float]:
    """Amplitude and phase in turns of the sine of one frequency with a free mean, and u of its amplitude and frequency from
    the linearised fit of all four."""
    turn = 2 * np.pi * frequency * z
    cosine, sine = np.cos(turn), np.sin(turn)
    design = np.column_stack([np.ones_like(z), cosine, sine])
    solved, *_ = np.linalg.lstsq(design, w, rcond=None)
    left = w - design @ solved
    s2 = float(left @ left) / max(len(z) - 4, 1)
    _, c, s = (float(x) for x in solved)
    amplitude = math.hypot(c, s)
    phase = math.atan2(c, s) / (2 * math.pi)
    moved = np.column_stack([design, 2 * np.pi * z * (s * cosine - c * sine)])
    covariance = s2 * np.linalg.pinv(moved.T @ moved)
    along = np.array([0.0, c, s, 0.0]) / max(amplitude, 1e-12)
    return (
        amplitude,
        phase,
        math.sqrt(float(along @ covariance @ along)),
        math.sqrt(max(float(covariance[3, 3]), 0.0)),
    )


def _false_alarm(z: np.ndarray, w: np.ndarray, frequency: np.ndarray, found: float, seed: int) -> float:
    """How often shuffled widths reach the same power anywhere: the projection that the periodogram is, for all shuffles at once."""
    rng = np.random.default_rng(seed)
    shuffled = np.array([rng.permutation(w) for _ in range(_PERMUTATIONS)]).T
    shuffled -= shuffled.mean(axis=0)
    whole = float(shuffled[:, 0] @ shuffled[:, 0])
    highest = np.zeros(_PERMUTATIONS)
    for begin in range(0, len(frequency), 256):
        turn = 2 * np.pi * np.outer(frequency[begin : begin + 256], z)
        a, b = np.cos(turn), np.sin(turn)
        a -= a.mean(axis=1, keepdims=True)
        b -= b.mean(axis=1, keepdims=True)
        a /= np.linalg.norm(a, axis=1, keepdims=True)
        b -= (a * b).sum(axis=1, keepdims=True) * a
        norm = np.linalg.norm(b, axis=1, keepdims=True)
        b /= np.where(norm > 1e-9, norm, np.inf)
        reached = ((a @ shuffled) ** 2 + (b @ shuffled) ** 2).max(axis=0) / whole
        np.maximum(highest, reached, out=highest)
    return (1 + int((highest >= found).sum())) / (1 + _PERMUTATIONS)


def _alias(frequency: np.ndarray, power: np.ndarray, best: int, span: float) -> float | None:
    """Pitch of the next best peak further away than peaks are wide, where its power is nearly as high."""
    away = np.abs(frequency - frequency[best]) > 1.5 / span
    if not away.any():
        return None
    other = int(np.argmax(np.where(away, power, -1)))
    return 1 / float(frequency[other]) if power[best] - power[other] <= _NEAR_POWER else None


def takes(features: Features) -> bool:
    return len(codes_of(features, (Kind.WIDTH,))) >= FEWEST


def of_specimen(specimen: Specimen, instruments: Instruments) -> Told:
    """Pitch and amplitude of a column as far as it is measured."""
    known = own_parts(feature_estimates(specimen, instruments))
    codes = [c for c in codes_of(specimen.features, (Kind.WIDTH,)) if c in known]
    if not codes:
        return Told(())
    heights = [specimen.features[c].level or 0.0 for c in codes]
    widths = [known[c].value for c in codes]
    points = tuple(ColumnPoint(c, z, w) for c, z, w in zip(codes, heights, widths, strict=True))
    made_from = tuple(codes)
    try:
        found = banding(heights, widths)
    except NotDetermined as few:
        waiting = [
            Finding(q, few, missing_says(q.name[:1].lower() + q.name[1:], few), made_from=made_from)
            for q in (AMPLITUDE, PITCH)
        ]
        return Told(tuple(waiting), ColumnChart(points, None, 0.0, 0.0, math.fsum(widths) / len(widths)))
    mean = math.fsum(widths) / len(widths)
    if not found.is_band:
        amplitude = Estimate(0.0, found.u_amplitude_mm)
        says = Says("No band told apart", "", "", f"One of ± {amplitude.expanded:.3f} mm would hide in the scatter.")
        none = NotDetermined("a band that stands out of the scatter")
        return Told(
            (
                Finding(AMPLITUDE, amplitude, says, made_from=made_from),
                Finding(PITCH, none, Says("", "", "", ""), made_from=made_from),
            ),
            ColumnChart(points, None, 0.0, 0.0, mean),
        )
    amplitude = Estimate(found.amplitude_mm, found.u_amplitude_mm, len(codes) - 4)
    pitch = Estimate(found.pitch_mm, found.u_pitch_mm, len(codes) - 4)
    other = f" A pitch of {found.next_mm:.2f} mm fits nearly as well: measure more heights." if found.next_mm else ""
    findings = (
        Finding(PITCH, pitch, Says("Bands repeat every", f"{pitch.value:.2f} mm", within(pitch, 2), f"False alarm {found.false_alarm:.3f}.{other}"),
                "the part that turns once per pitch. Compare with the lead of the Z screw and with the layer height", made_from),
        Finding(AMPLITUDE, amplitude, Says("They swing by ±", f"{amplitude.value:.3f} mm", within(amplitude, 3), "About the mean width."), made_from=made_from),
    )  # fmt: skip
    return Told(findings, ColumnChart(points, found.pitch_mm, found.amplitude_mm, found.phase, mean))


def of_machines(evidence: Evidence) -> Results:
    return figures_of_findings(BANDING, evidence, "a measured column", "an artifact with widths along its height")


BANDING = Evaluation("banding", "Vertical banding", (AMPLITUDE, PITCH), of_machines, takes, of_specimen)

"""Ringing after a corner: how far apart the waves stand at each speed, and whether that follows a frequency or a pitch."""

import math
from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from scipy.special import chdtrc

from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.evaluations.evaluation import (
    Better,
    Evaluation,
    Features,
    Finding,
    Instruments,
    Quantity,
    Rests,
    Results,
    Says,
    Told,
    Wave,
    WavesChart,
    codes_of,
    figures_of_findings,
    missing_says,
    within,
)
from crevlo.core.evidence import Evidence, Specimen
from crevlo.core.features.feature import Kind
from crevlo.core.readings import feature_estimates

KEPT = 0.05

_RULE = (
    "Of each speed the mean spacing, u² = s²/n + r²/12. Two hypotheses with one constant each, by weighted least squares and χ²: "
    "spacing = speed / frequency (a resonance), or the same pitch at every speed (a tooth, gear or screw). Kept where p ≥ 0.05."
)
FREQUENCY = {
    axis: Quantity(f"ring.frequency.{axis.lower()}", f"Ringing frequency of {axis}", f"{axis} ringing", "Hz", 1, Better.NONE, Rests.READINGS, _RULE, 0, 100)
    for axis in ("X", "Y")
}  # fmt: skip
PITCH = {
    axis: Quantity(f"ring.pitch.{axis.lower()}", f"Pitch of waves on {axis}", f"{axis} waves", "mm", 2, Better.NONE, Rests.READINGS, _RULE, 5, 0)
    for axis in ("X", "Y")
}  # fmt: skip
REACH = Quantity(
    "ring.reach", "Waves after a corner", "Waves", "waves", 1, Better.LOWER, Rests.READINGS,
    "How many waves are seen after the corner, mean over the faces and speeds.", 8, 0,
)  # fmt: skip
DAMPING = Quantity(
    "damping", "Damping of the ringing", "Damping", "", 3, Better.HIGHER, Rests.READINGS,
    "δ = mean ln(Aᵢ/Aᵢ₊₁) of successive wave heights; ratio δ/√(4π² + δ²), mean over the faces.", 0.02, 0.2,
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Band:
    """Spacings of waves in mm at one speed; `u_mm` of their mean, where it is known better than from their own scatter."""

    speed_mm_s: float
    spacings_mm: tuple[float, ...]
    u_mm: float | None = None


@dataclass(frozen=True, slots=True)
class Ringing:
    """Both hypotheses with the chance p that the spacings are as far from it; `follows` says which are kept."""

    frequency_hz: Estimate
    pitch_mm: Estimate
    p_frequency: float | None
    p_pitch: float | None
    follows: str


def ringing(bands: Sequence[Band], resolution_mm: float, u_bias_mm: float = 0.0) -> Ringing:
    """Weighted least squares of 1/f and of the pitch over bands, χ² with k − 1 degrees of freedom; of one speed both are kept.

    `u_bias_mm` is what the calibration of the instrument may put on every spacing alike.

    Raises NotDetermined without spacings or where nothing is known of their scatter, BadInput for speeds or spacings that
    are not above 0.
    """
    if not bands or not all(b.spacings_mm for b in bands):
        raise NotDetermined("spacings of waves at a speed")
    flat = [x for b in bands for x in (b.speed_mm_s, *b.spacings_mm)]
    if not all(math.isfinite(x) and x > 0 for x in flat) or not (math.isfinite(resolution_mm) and resolution_mm >= 0):
        raise BadInput("speeds and spacings must be above 0, the resolution 0 or more")
    means, variances = [], []
    for band in bands:
        n, mean = len(band.spacings_mm), math.fsum(band.spacings_mm) / len(band.spacings_mm)
        s2 = math.fsum((x - mean) ** 2 for x in band.spacings_mm) / (n - 1) if n > 1 else 0.0
        means.append(mean)
        variances.append(band.u_mm**2 if band.u_mm is not None else s2 / n + resolution_mm**2 / 12)
    if min(variances) <= 0:
        raise NotDetermined("a second spacing at each speed, or the resolution they were read with")
    period, u_period, p_frequency = _one_constant([b.speed_mm_s for b in bands], means, variances, u_bias_mm)
    pitch, u_pitch, p_pitch = _one_constant([1.0] * len(bands), means, variances, u_bias_mm)
    kept = [name for name, p in (("frequency", p_frequency), ("pitch", p_pitch)) if p is None or p >= KEPT]
    follows = "both" if len(kept) == 2 else kept[0] if kept else "neither"
    return Ringing(
        Estimate(1 / period, u_period / period**2), Estimate(pitch, u_pitch), p_frequency, p_pitch, follows
    )  # fmt: skip


def _one_constant(
    x: Sequence[float], y: Sequence[float], variances: Sequence[float], u_bias: float
) -> tuple[float, float, float | None]:
    """The constant c of y = c·x with its u, and the chance of so large a χ²; None of one point alone. A bias that all y share
    is in their covariance."""
    a, b = np.array(x), np.array(y)
    weight = np.linalg.inv(np.diag(variances) + u_bias**2)
    of_x = float(a @ weight @ a)
    c = float(a @ weight @ b) / of_x
    left = b - c * a
    chi2 = float(left @ weight @ left)
    return c, math.sqrt(1 / of_x), float(chdtrc(len(y) - 1, chi2)) if len(y) > 1 else None


def likelier(made: Ringing) -> str:
    """What the waves follow; where both hypotheses are refused the one that is far likelier, as one in twenty true ones is
    refused by luck."""
    if made.follows != "neither" or made.p_frequency is None or made.p_pitch is None:
        return made.follows
    ranked = sorted([(made.p_frequency, "frequency"), (made.p_pitch, "pitch")])
    (worse, _), (better, name) = ranked
    return name if better >= 0.001 and better >= 1000 * worse else "neither"


def damping(amplitudes: Sequence[float]) -> float:
    """Damping ratio of successive wave heights. Raises NotDetermined for fewer than two, BadInput unless all are above 0."""
    if len(amplitudes) < 2:
        raise NotDetermined("the heights of two successive waves")
    if not all(math.isfinite(a) and a > 0 for a in amplitudes):
        raise BadInput("heights of waves must be above 0")
    # The mean of the logarithms of successive ratios is that of the first to the last.
    decrement = math.log(amplitudes[0] / amplitudes[-1]) / (len(amplitudes) - 1)
    return decrement / math.sqrt(4 * math.pi**2 + decrement**2)


def takes(features: Features) -> bool:
    return bool(codes_of(features, (Kind.WAVES,)))


def of_specimen(specimen: Specimen, instruments: Instruments) -> Told:
    """What the waves of each axis follow, how many there are, and how fast they die."""
    codes = codes_of(specimen.features, (Kind.WAVES,))
    seen: dict[str, int] = {}
    spacings: dict[str, list[float]] = defaultdict(list)
    for r in specimen.readings:
        if r.feature not in codes:
            continue
        if r.value is not None or r.over == 0:
            seen[r.feature] = max(seen.get(r.feature, 0), r.over)
        if r.value is not None and r.over > 0:
            spacings[r.feature].append(r.value)
    if not seen:
        return Told(())
    estimates = feature_estimates(specimen, instruments)
    findings = [f for axis in FREQUENCY for f in _axis(specimen, codes, axis, spacings, estimates, seen)]
    findings.append(_reach(codes, seen))
    findings += _damping(specimen)
    waves = tuple(
        Wave(c, specimen.features[c].axis, specimen.features[c].level or 0.0, e.value if isinstance(e := estimates.get(c), Estimate) else None, n)
        for c, n in seen.items()
    )  # fmt: skip
    return Told(tuple(findings), WavesChart(waves))


def _axis(
    specimen: Specimen, codes: Sequence[str], axis: str, spacings: Mapping[str, Sequence[float]],
    estimates: Mapping[str, Estimate | NotDetermined], seen: Mapping[str, int],
) -> list[Finding]:  # fmt: skip
    mine = tuple(c for c in codes if specimen.features[c].axis == axis)
    if not mine:
        return []
    known = [c for c in mine if spacings.get(c)]
    if not known:
        if all(seen.get(c) == 0 for c in mine):
            return []
        needs = NotDetermined(f"waves on {axis}, or that there are none")
        return [Finding(FREQUENCY[axis], needs, missing_says(f"the ringing of {axis}", needs), made_from=mine)]
    bands = [
        Band(
            specimen.features[c].level or 1.0,
            tuple(spacings[c]),
            e.own if isinstance(e := estimates.get(c), Estimate) else None,
        )
        for c in known
    ]
    try:
        found = ringing(
            bands, 0.0, max((e.u_shared for c in known if isinstance(e := estimates.get(c), Estimate)), default=0.0)
        )
    except NotDetermined as few:
        return [Finding(FREQUENCY[axis], few, missing_says(f"the ringing of {axis}", few), made_from=mine)]
    hz, mm, follows = found.frequency_hz, found.pitch_mm, likelier(found)
    told = []
    if follows in ("frequency", "both"):
        words = "A resonance of that axis." if follows == "frequency" else "If it is a resonance."
        told.append(
            Finding(FREQUENCY[axis], hz, Says(f"{axis} rings at", f"{hz.value:.1f} Hz", within(hz, 1), words),
                    f"resonance of {axis}: belt tension, or what the frame stands on. It moves with the tension", mine)
        )  # fmt: skip
    if follows in ("pitch", "both"):
        words = (
            "The same at every speed: a tooth, gear or screw."
            if follows == "pitch"
            else "If it is a tooth, gear or screw. Print the second speed to tell them apart."
        )
        told.append(
            Finding(PITCH[axis], mm, Says(f"Waves on {axis} stand every", f"{mm.value:.2f} mm", within(mm, 2), words),
                    "a part that repeats per turn or tooth. Compare with the pitch of the belt and the teeth of its pulley", mine)
        )  # fmt: skip
    if follows == "neither":
        why = NotDetermined("waves of one cause: the spacing follows neither a frequency nor a pitch")
        told.append(Finding(FREQUENCY[axis], why, missing_says(f"the ringing of {axis}", why), made_from=mine))
    return told


def _reach(codes: Sequence[str], seen: Mapping[str, int]) -> Finding:
    if len(seen) < len(codes):
        rest = NotDetermined("the other faces")
        return Finding(REACH, rest, missing_says("the reach of the ringing", rest), made_from=tuple(codes))
    mean = math.fsum(seen.values()) / len(seen)
    says = Says(
        "Waves seen after a corner", f"{mean:.1f}", "", f"Mean of {len(seen)} faces." if len(seen) > 1 else ""
    )
    # A wave more or less is a matter of the eye.
    return Finding(REACH, Estimate(mean, 0.5 / math.sqrt(len(seen))), says, made_from=tuple(codes))


def _damping(specimen: Specimen) -> list[Finding]:
    heights: dict[str, list[float]] = defaultdict(list)
    for r in specimen.readings:
        if specimen.features[r.feature].kind is Kind.WAVE_HEIGHT and r.value:
            heights[r.feature].append(r.value)
    ratios = {c: damping(h) for c, h in heights.items() if len(h) > 1}
    if not ratios:
        return []
    n, mean = len(ratios), math.fsum(ratios.values()) / len(ratios)
    spread = math.sqrt(math.fsum((x - mean) ** 2 for x in ratios.values()) / (n - 1)) / math.sqrt(n) if n > 1 else 0.0
    value = Estimate(mean, spread, n - 1) if spread else Estimate(mean, 0.0)
    says = Says(
        "Each wave dies with a damping of",
        f"{mean:.3f}",
        within(value, 3) if spread else "",
        f"From {n} {'face' if n == 1 else 'faces'}.",
    )
    return [Finding(DAMPING, value, says, made_from=tuple(ratios))]  # fmt: skip


def of_machines(evidence: Evidence) -> Results:
    return figures_of_findings(RINGING, evidence, "a wall with waves read", "a ringing wall among the prints")


RINGING = Evaluation(
    "ringing", "Ringing", (*FREQUENCY.values(), *PITCH.values(), REACH, DAMPING), of_machines, takes, of_specimen
)

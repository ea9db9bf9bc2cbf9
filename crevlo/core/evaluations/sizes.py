"""How far faces are off nominal, how alike they come out, and which tolerance grade they meet."""

import math
from collections import defaultdict
from collections.abc import Mapping, Sequence

import numpy as np

from crevlo.core.estimate import BadInput, Estimate, NotDetermined, determined, made_of, mean_shared
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
    codes_of,
    lines_of,
    mean_figures,
    within,
)
from crevlo.core.evidence import Evidence, Key, Specimen
from crevlo.core.features.feature import Kind
from crevlo.core.figure import Spread
from crevlo.core.grade import machine_grade
from crevlo.core.once import once
from crevlo.core.readings import feature_estimates

_KINDS = (Kind.LENGTH, Kind.DIAGONAL)
_NEEDS = "a measured specimen"

OFF = Quantity(
    "off.mean", "Dimensional accuracy", "Accuracy", "mm", 3, Better.LOWER, Rests.READINGS,
    "Mean absolute deviation from nominal over all faces of a specimen, averaged over the specimens. "
    "Uncertainty from the spread between specimens and the caliper's calibration.", 0.20, 0.02,
)  # fmt: skip
REPEATABILITY = Quantity(
    "repeatability", "Repeatability", "Repeatability", "mm", 3, Better.LOWER, Rests.READINGS,
    "Standard deviation of the same face between specimens, the readings' own scatter taken out; interval by χ², with the "
    "degrees of freedom of copies whose faces move together.", 0.08, 0.01,
)  # fmt: skip
GRADE = Quantity(
    "grade", "Tolerance grade", "Grade", "IT", 0, Better.LOWER, Rests.READINGS,
    "The tolerance grade that 95 % of all faces of its specimens meet, by ISO 286-1.", 16, 10,
)  # fmt: skip


def takes(features: Features) -> bool:
    """Any artifact with a length or a diagonal to be met."""
    return bool(codes_of(features, _KINDS))


def of_specimen(specimen: Specimen, instruments: Instruments) -> Told:
    """Mean absolute deviation and grade; half-measured it tells neither, because easy faces may have come first."""
    known, faces = _known(specimen, instruments), codes_of(specimen.features, _KINDS)
    left = len(faces) - len(known)
    off = determined(lambda: mean_off(specimen, known, left))
    grade = determined(lambda: _grade(specimen, known, left))
    if isinstance(off, Estimate):
        amount, spread = f"{off.value:.3f} mm", within(off, 3)
        says = Says("Faces are off by", amount, spread, "On average, whichever way.")
        found = Finding(OFF, off, says, made_from=faces)
    else:
        found = Finding(OFF, off, Says("the mean over all faces", "", "", f"needs {off.needs}."), made_from=faces)
    if isinstance(grade, Estimate):
        said = Says("95 % of its faces meet", f"IT{grade.value:.0f}", "", "Tolerance grade by ISO 286-1.")
        return Told((found, Finding(GRADE, grade, said, made_from=faces)))
    return Told((found, Finding(GRADE, grade, Says("the grade", "", "", f"needs {grade.needs}."), made_from=faces)))


def mean_off(specimen: Specimen, known: dict[str, Estimate], left: int) -> Estimate:
    """Mean of the absolute deviations. Raises NotDetermined while faces are `left`.

    One bias of the caliper lengthens some and shortens others: its sensitivity is the mean of their signs, over biases as
    large as its u, which turn the signs of what is nearly right.
    """
    if left or not known:
        raise NotDetermined(_left(left))
    off = {code: e.value - specimen.features[code].nominal for code, e in known.items()}
    own = math.sqrt(math.fsum(e.own**2 for e in known.values())) / len(off)
    fourth = math.fsum(e.own**4 / e.own_dof for e in known.values() if math.isfinite(e.own_dof)) / len(off) ** 4
    shared = mean_shared(
        [
            {source: (abs(off[code] + s) - abs(off[code] - s)) / 2 for source, s in e.shared.items()}
            for code, e in known.items()
        ]
    )
    mean = math.fsum(map(abs, off.values())) / len(off)
    return made_of(mean, own, own**4 / fourth if fourth else math.inf, shared)


def off_of(specimen: Specimen, instruments: Instruments) -> float | None:
    """Mean absolute deviation in mm; None until every face is measured."""
    known = _known(specimen, instruments)
    left = len(codes_of(specimen.features, _KINDS)) - len(known)
    return mean_off(specimen, known, left).value if known and not left else None


def of_machines(evidence: Evidence) -> Results:
    """Means of what whole specimens are off; spread of the same face between copies; grade over all faces."""
    copies: dict[Key, dict[Key, list[dict[str, Estimate]]]] = {key: defaultdict(list) for key in evidence.machines}
    pairs: dict[Key, list[tuple[float, float]]] = {key: [] for key in evidence.machines}
    off: dict[int, Estimate] = {}
    for key, machine in evidence.machines.items():
        for run in machine.good:
            if run.specimen is None:
                continue
            specimen = run.specimen
            known = once(_known, specimen, evidence.instruments)
            if not known:
                continue
            copies[key][run.line].append(known)
            pairs[key] += [
                (specimen.features[c].nominal, e.value - specimen.features[c].nominal) for c, e in known.items()
            ]
            left = len(codes_of(specimen.features, _KINDS)) - len(known)
            if not left:
                off[id(run)] = once(_mean_off, specimen, evidence.instruments)
    lines = lines_of(evidence, lambda run: off.get(id(run)), takes)
    return Results(
        {
            OFF.code: mean_figures(evidence, lines, _NEEDS),
            REPEATABILITY.code: {
                key: spread_between(list(by_line.values())) for key, by_line in copies.items()
            },
            GRADE.code: {key: determined(lambda mine=mine: _it(mine)) for key, mine in pairs.items()},  # type: ignore[misc]
        },
        {OFF.code: lines},
    )  # fmt: skip


def _known(specimen: Specimen, instruments: Instruments) -> dict[str, Estimate]:
    faces = set(codes_of(specimen.features, _KINDS))
    found = feature_estimates(specimen, instruments)
    return {code: e for code, e in found.items() if code in faces and isinstance(e, Estimate)}


def _mean_off(specimen: Specimen, instruments: Instruments) -> Estimate:
    return mean_off(specimen, _known(specimen, instruments), 0)


def spread_between(lines: Sequence[Sequence[Mapping[str, Estimate]]]) -> Spread | NotDetermined:
    """Spread of the same face between copies; `lines` hold the faces of each copy, by code.

    σ² = MS_copy/F + MS_face·(F − 1)/F, MS_copy from the copies' means over F faces and MS_face from what is left: faces of one
    copy move together, so that F faces are not F times the knowledge. Both are pooled over the lines. The scatter of the
    readings themselves is taken out.
    """
    found = [part for copies in lines if (part := _line_spread(copies))]
    if not found:
        return NotDetermined("two measured specimens")
    copies_dof, faces_dof = (math.fsum(f[k] for f in found) for k in (1, 3))
    parts = [(math.fsum(f[0] for f in found) / copies_dof, copies_dof)]
    if faces_dof:
        faces = math.fsum(f[4] * f[1] for f in found) / copies_dof
        parts.append((math.fsum(f[2] for f in found) / faces_dof * (faces - 1) / faces, faces_dof))
    read = math.fsum(f[5] * f[1] for f in found) / copies_dof
    return Spread(tuple(parts), read)


def _line_spread(copies: Sequence[Mapping[str, Estimate]]) -> tuple[float, float, float, float, int, float] | None:
    """Squares and dof of the copies' means, squares and dof of what is left of the faces, how many faces, and the mean
    variance of a reading."""
    common = set.intersection(*(set(c) for c in copies)) if len(copies) > 1 else set()
    if not common:
        return None
    faces = sorted(common)
    table = np.array([[c[f].value for f in faces] for c in copies])
    left = table - table.mean(axis=0)
    by_copy = left.mean(axis=1)
    n, f = left.shape
    rest = left - by_copy[:, None]
    read = float(np.mean([c[g].own ** 2 for c in copies for g in faces]))
    return float(by_copy @ by_copy), n - 1, float((rest**2).sum()), (f - 1) * (n - 1), f, read


def _grade(specimen: Specimen, known: dict[str, Estimate], left: int) -> Estimate:
    if left or not known:
        raise NotDetermined(_left(left))
    return _it([(specimen.features[c].nominal, e.value - specimen.features[c].nominal) for c, e in known.items()])


def _it(pairs: list[tuple[float, float]]) -> Estimate:
    if not pairs:
        raise NotDetermined(_NEEDS)
    try:
        return Estimate(float(machine_grade(pairs)), 0.0)
    except BadInput as outside:
        raise NotDetermined(f"sizes that grades are made for: {outside}") from None


def _left(left: int) -> str:
    return "readings of its faces" if not left else f"the other {left} faces" if left > 1 else "the last face"


SIZES = Evaluation("sizes", "Sizes", (OFF, REPEATABILITY, GRADE), of_machines, takes, of_specimen)

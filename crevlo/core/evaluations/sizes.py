"""How far faces are off nominal, how alike they come out, and which tolerance grade they meet."""

import math
from collections import defaultdict
from dataclasses import replace

from crevlo.core.estimate import BadInput, Estimate, NotDetermined, determined
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
)
from crevlo.core.evidence import Evidence, Key, Run, Specimen
from crevlo.core.features.feature import Kind
from crevlo.core.grade import machine_grade
from crevlo.core.readings import feature_estimates
from crevlo.core.statistics import pool_scatter

_KINDS = (Kind.LENGTH, Kind.DIAGONAL)
_NEEDS = "a measured specimen"

OFF = Quantity(
    "off.mean", "Dimensional accuracy", "Accuracy", "mm", 3, Better.LOWER, Rests.READINGS,
    "Mean absolute deviation from nominal over all faces of a specimen, averaged over the specimens. "
    "Uncertainty from the spread between specimens and the caliper's calibration.", 0.20, 0.02,
)  # fmt: skip
REPEATABILITY = Quantity(
    "repeatability", "Repeatability", "Repeatability", "mm", 3, Better.LOWER, Rests.READINGS,
    "Standard deviation of the same face between specimens, pooled over the faces.", 0.08, 0.01,
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
    shared = _shared(specimen, known, instruments)
    if isinstance(off, Estimate):
        whole = replace(off, u=math.hypot(off.u, shared))
        amount, spread = f"{whole.value:.3f} mm", f"± {whole.expanded:.3f}"
        says = Says("Faces are off by", amount, spread, "On average, whichever way.")
        found = Finding(OFF, whole, says, made_from=faces, u_shared=shared)
    else:
        found = Finding(OFF, off, Says("the mean over all faces", "", "", f"needs {off.needs}."), made_from=faces)
    if isinstance(grade, Estimate):
        said = Says("95 % of its faces meet", f"IT{grade.value:.0f}", "", "Tolerance grade by ISO 286-1.")
        return Told((found, Finding(GRADE, grade, said, made_from=faces)))
    return Told((found, Finding(GRADE, grade, Says("the grade", "", "", f"needs {grade.needs}."), made_from=faces)))


def mean_off(specimen: Specimen, known: dict[str, Estimate], left: int) -> Estimate:
    """Mean of the absolute deviations with its own part of u. Raises NotDetermined while faces are `left`."""
    if left or not known:
        raise NotDetermined(_left(left))
    off = [abs(e.value - specimen.features[code].nominal) for code, e in known.items()]
    u = math.sqrt(math.fsum(e.u**2 for e in known.values())) / len(off)
    return Estimate(math.fsum(off) / len(off), u)


def off_of(specimen: Specimen, instruments: Instruments) -> float | None:
    """Mean absolute deviation in mm; None until every face is measured."""
    known = _known(specimen, instruments)
    left = len(codes_of(specimen.features, _KINDS)) - len(known)
    return mean_off(specimen, known, left).value if known and not left else None


def of_machines(evidence: Evidence) -> Results:
    """Means of what whole specimens are off; spread of the same face between copies; grade over all faces."""
    by_face: dict[Key, dict[tuple[Key, str], list[float]]] = {key: defaultdict(list) for key in evidence.machines}
    pairs: dict[Key, list[tuple[float, float]]] = {key: [] for key in evidence.machines}
    off: dict[int, float] = {}
    shared = 0.0
    for key, machine in evidence.machines.items():
        for run in machine.good:
            if run.specimen is None:
                continue
            specimen = run.specimen
            known = _known(specimen, evidence.instruments)
            for code, e in known.items():
                by_face[key][run.line, code].append(e.value)
                pairs[key].append((specimen.features[code].nominal, e.value - specimen.features[code].nominal))
            left = len(codes_of(specimen.features, _KINDS)) - len(known)
            if known and not left:
                off[id(run)] = mean_off(specimen, known, 0).value
                shared = max(shared, _shared(specimen, known, evidence.instruments))

    def value(run: Run) -> float | None:
        return off.get(id(run))

    lines = lines_of(evidence, value, takes)
    return Results(
        {
            OFF.code: mean_figures(evidence, lines, _NEEDS, shared),
            REPEATABILITY.code: {
                key: determined(lambda faces=faces: _repeatability(list(faces.values())))  # type: ignore[misc]
                for key, faces in by_face.items()
            },
            GRADE.code: {key: determined(lambda mine=mine: _it(mine)) for key, mine in pairs.items()},  # type: ignore[misc]
        },
        {OFF.code: lines},
    )


def _known(specimen: Specimen, instruments: Instruments) -> dict[str, Estimate]:
    faces = set(codes_of(specimen.features, _KINDS))
    found = feature_estimates(specimen, instruments, calibration=False)
    return {code: e for code, e in found.items() if code in faces and isinstance(e, Estimate)}


def _shared(specimen: Specimen, known: dict[str, Estimate], instruments: Instruments) -> float:
    """What one bias of the caliper does to the mean of absolute deviations: it lengthens some and shortens others."""
    if not known:
        return 0.0
    signs = [math.copysign(1, e.value - specimen.features[code].nominal) for code, e in known.items()]
    u = max((instruments[r.instrument].u_calibration for r in specimen.readings), default=0.0)
    return abs(math.fsum(signs) / len(signs)) * u


def _repeatability(faces: list[list[float]]) -> Estimate:
    try:
        s, dof = pool_scatter(faces)
    except NotDetermined:
        raise NotDetermined("two measured specimens") from None
    return Estimate(s, s / math.sqrt(2 * dof), math.inf)


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

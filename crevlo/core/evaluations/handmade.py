"""What one number by hand tells: grams and seconds per change of colour, time to clean, strings, and looks of faces."""

import math
from collections.abc import Callable, Sequence

from crevlo.core.estimate import Estimate
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
    figures_of_findings,
    within,
)
from crevlo.core.evidence import Evidence, Specimen
from crevlo.core.features.feature import Kind
from crevlo.core.readings import feature_estimates
from crevlo.core.statistics import mean_of_raters


def _of_kind(
    quantity: Quantity, kind: Kind, code: str, needs: str, says: Callable[[Estimate], Says], *, judged: bool
) -> Evaluation:
    """An evaluation whose only quantity is the mean over the features of one kind, read or judged."""

    def takes(features: Features) -> bool:
        return bool(codes_of(features, (kind,)))

    def of_specimen(specimen: Specimen, instruments: Instruments) -> Told:
        codes = codes_of(specimen.features, (kind,))
        value = _judged(specimen, codes) if judged else _read(specimen, instruments, codes)
        return Told(() if value is None else (Finding(quantity, value, says(value), made_from=codes),))

    def of_machines(evidence: Evidence) -> Results:
        return figures_of_findings(
            made, evidence, needs, f"an artifact that tells {quantity.name.lower()}", in_steps=judged
        )

    made = Evaluation(code, quantity.name, (quantity,), of_machines, takes, of_specimen)
    return made


def _judged(specimen: Specimen, codes: Sequence[str]) -> Estimate | None:
    """Mean of the faces that were judged, each that of its raters; None before the first."""
    means = []
    for code in codes:
        said = [float(j.said.amount) for j in specimen.judgements if j.feature == code and j.said.amount is not None]
        if said:
            means.append(mean_of_raters(said))
    if not means:
        return None
    n = len(means)
    return Estimate(math.fsum(e.value for e in means) / n, math.sqrt(math.fsum(e.u**2 for e in means)) / n)


def _read(specimen: Specimen, instruments: Instruments, codes: Sequence[str]) -> Estimate | None:
    estimates = feature_estimates(specimen, instruments)
    known = [e for c in codes if isinstance(e := estimates.get(c), Estimate)]
    if not known:
        return None
    n = len(known)
    return Estimate(math.fsum(e.value for e in known) / n, math.sqrt(math.fsum(e.u**2 for e in known)) / n)


def _look(name: str) -> Callable[[Estimate], Says]:
    return lambda e: Says(f"{name}, 0 best to 5 worst", f"{e.value:.1f}", "", "As it was judged.")


_ON_FEATURES = "Mean over what was entered of it."
PURGE = _of_kind(
    Quantity("purge.change", "Purge per change", "Purge", "g", 2, Better.LOWER, Rests.READINGS,
             "Mass of purge, tower and flush by the number of changes.", 2.0, 0.1),
    Kind.WASTE, "purge", "a token whose waste was weighed",
    lambda e: Says("Each change of colour leaves", f"{e.value:.2f} g", within(e, 2), "Purge, tower and flush together."), judged=False,
)  # fmt: skip
SWAP = _of_kind(
    Quantity("swap.time", "Time per change", "Change", "s", 0, Better.LOWER, Rests.READINGS, "Time of the changes by their number.", 180, 10),
    Kind.CHANGE_SECONDS, "swap", "a token whose changes were timed",
    lambda e: Says("Each change of colour takes", f"{e.value:.0f} s", within(e, 0), "By stopwatch."), judged=False,
)  # fmt: skip
CLEAN = _of_kind(
    Quantity("clean.time", "Time to clean", "Cleaning", "s", 0, Better.LOWER, Rests.READINGS,
             "Time by stopwatch until supports are off and the part is clean.", 900, 30),
    Kind.SECONDS, "cleaning", "a part that was cleaned by the clock",
    lambda e: Says("Cleaned in", f"{e.value:.0f} s", within(e, 0), "Supports off, edges clear."), judged=False,
)  # fmt: skip
STRINGS_MASS = _of_kind(
    Quantity("ooze.mass", "Mass of strings", "String mass", "g", 3, Better.LOWER, Rests.READINGS, "Mass of what was pulled off.", 0.2, 0.0),
    Kind.STRINGS_MASS, "ooze_mass", "posts whose strings were weighed",
    lambda e: Says("Strings weigh", f"{e.value:.3f} g", within(e, 3), "All that was pulled off."), judged=False,
)  # fmt: skip
BLEED = _of_kind(
    Quantity("bleed", "Colour bleed", "Bleed", "of 5", 1, Better.LOWER, Rests.READINGS, _ON_FEATURES, 4, 0),
    Kind.BLEED, "bleed", "a token that was judged", _look("Colour bleed"), judged=True,
)  # fmt: skip
SCARS = _of_kind(
    Quantity("support.scars", "Support scars", "Scars", "of 5", 1, Better.LOWER, Rests.READINGS, _ON_FEATURES, 4, 0),
    Kind.SCAR, "scars", "a part that was judged", _look("Support scars"), judged=True,
)  # fmt: skip
SEAM = _of_kind(
    Quantity("seam", "Seam", "Seam", "of 5", 1, Better.LOWER, Rests.READINGS, _ON_FEATURES, 4, 0),
    Kind.SEAM, "seam", "a shell that was judged", _look("Seam"), judged=True,
)  # fmt: skip
LOOKS = _of_kind(
    Quantity("looks", "Looks of faces", "Looks", "of 5", 1, Better.LOWER, Rests.READINGS, _ON_FEATURES, 4, 0),
    Kind.LOOK, "looks", "a part whose faces were judged", _look("Faces"), judged=True,
)  # fmt: skip
HANDMADE = (PURGE, SWAP, CLEAN, STRINGS_MASS, BLEED, SCARS, SEAM, LOOKS)

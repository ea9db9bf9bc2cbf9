"""Strings over free travel, by the distance travelled."""

import math

from crevlo.core.estimate import Estimate, NotDetermined
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
    missing_says,
    within,
)
from crevlo.core.evidence import Evidence, Specimen
from crevlo.core.features.feature import Kind
from crevlo.core.statistics import mean_of_raters

STRINGS = Quantity(
    "ooze.strings", "Strings per travel", "Strings", "strings", 1, Better.LOWER, Rests.READINGS,
    "Strings counted over each free travel, mean over the travels and people.", 20, 0,
)  # fmt: skip


def takes(features: Features) -> bool:
    return bool(codes_of(features, (Kind.DISTANCE,)))


def of_specimen(specimen: Specimen, instruments: Instruments) -> Told:
    """Strings by distance once all travels are counted."""
    codes = codes_of(specimen.features, (Kind.DISTANCE,))
    counts = {
        c: [float(j.said.amount) for j in specimen.judgements if j.feature == c and j.said.amount is not None]
        for c in codes
    }
    known = {c: mean_of_raters(said) for c, said in counts.items() if said}
    if not known:
        return Told(())
    left = [c for c in codes if c not in known]
    if left:
        needs = NotDetermined(f"the count at {' and '.join(left)}")
        return Told((Finding(STRINGS, needs, missing_says("strings per travel", needs), made_from=codes),))
    n = len(known)
    value = Estimate(
        math.fsum(e.value for e in known.values()) / n, math.sqrt(math.fsum(e.u**2 for e in known.values())) / n
    )
    by = ", ".join(f"{e.value:.0f} over {specimen.features[c].nominal:g} mm" for c, e in known.items())
    if value.value == 0:
        return Told((Finding(STRINGS, value, Says("No strings", "0", "", "Over any travel."), made_from=codes),))
    rising = [known[c].value for c in sorted(codes, key=lambda c: specimen.features[c].nominal)]
    longer = len(rising) > 1 and rising[-1] > rising[0]
    cause = (
        "retraction, or filament that took up water. Dry the spool and print it again"
        if longer
        else "filament that took up water, or retraction. Dry the spool and print it again"
    )
    return Told((Finding(STRINGS, value, Says("Strings per travel", f"{value.value:.1f}", within(value, 1), f"{by[:1].upper()}{by[1:]}."), cause, codes),))  # fmt: skip


def of_machines(evidence: Evidence) -> Results:
    return figures_of_findings(
        OOZE, evidence, "posts that were counted", "ooze posts among the prints", in_steps=True
    )


OOZE = Evaluation("ooze", "Ooze", (STRINGS,), of_machines, takes, of_specimen)

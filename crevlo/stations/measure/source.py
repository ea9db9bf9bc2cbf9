"""Readings behind one face, or behind what a specimen tells; names no machine."""

import uuid

from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.estimate import Estimate
from crevlo.core.evaluations import QUANTITIES
from crevlo.core.features import KINDS
from crevlo.core.readings import feature_estimates
from crevlo.stations.blind import sees_only_own
from crevlo.stations.entered import ReadingRow, readings_of, using
from crevlo.stations.evidence.specimen import features_of, instruments_in
from crevlo.stations.evidence.specimen import specimen_of as evidence_of
from crevlo.stations.figures.source import Input, Source, feature_name, reading_entries, shared_inputs
from crevlo.stations.kit.shape import Missing, quantity
from crevlo.stations.measure.specimen import told_of
from crevlo.stations.study import artifact_of, measured_of
from crevlo.store.machine import ArtifactVersion, FeatureRow, Instrument
from crevlo.store.run import Specimen


def measure_source(
    session: Session, specimen_id: uuid.UUID, person_id: uuid.UUID, *, feature: str | None, finding: str | None
) -> Source:
    """Of one face, or of a finding by its code; while the part is hidden, by this person's own readings.

    Raises Missing where the specimen has neither.
    """
    specimen = session.get(Specimen, specimen_id)
    if specimen is None:
        raise Missing("There is no such specimen.")
    artifact = artifact_of(session, specimen)
    features = {f.code: f for f in measured_of(artifact)}
    rows = readings_of(session, specimen_id, [f.id for f in features.values()])
    if sees_only_own(session, specimen.study_id, person_id):
        rows = [r for r in rows if r.person_id == person_id]
    replaced = {r.supersedes_id for r in rows}
    current = [r for r in rows if r.id not in replaced]
    if feature is not None:
        if feature not in features:
            raise Missing("There is no such face.")
        return _face(session, specimen, artifact, features[feature], rows, current)
    named = {f.id: feature_name(f) for f in features.values()}
    if finding is None:
        return Source(
            title=f"Readings of {specimen.blind_code}", amount="", rule="What was read of it, corrections too.", inputs=[],
            entries=reading_entries(session, rows, lambda r: named[r.feature_id]),
        )  # fmt: skip
    if finding not in QUANTITIES:
        raise Missing("There is nothing told by that name.")
    instruments = instruments_in(session)
    told = told_of(evidence_of(artifact, features_of(artifact), (r.told for r in current)), instruments)
    found = next((f for t in told for f in t.findings if f.quantity.code == finding), None)
    if found is None:
        raise Missing("This specimen does not tell it yet.")
    behind = {features[code].id for code in found.made_from if code in features}
    amount = quantity(found.value, found.quantity.unit, found.quantity.digits)
    inputs = [Input(name="Made from", amount=", ".join(found.made_from), note=f"{len(behind)} faces")]
    if isinstance(found.value, Estimate):
        inputs += shared_inputs(found.value, found.quantity.unit, found.quantity.digits)
    if found.points_to:
        inputs.append(Input(name="Points to", amount=found.points_to, note=""))
    return Source(
        title=f"{found.quantity.name}, {specimen.blind_code}",
        amount=amount.words if amount.value is not None else f"not determined: needs {amount.needs}",
        rule=found.quantity.rule, inputs=inputs,
        entries=reading_entries(session, [r for r in rows if r.feature_id in behind], lambda r: named[r.feature_id]),
    )  # fmt: skip


def _face(
    session: Session, specimen: Specimen, artifact: ArtifactVersion, feature: FeatureRow, rows: list[ReadingRow],
    current: list[ReadingRow],
) -> Source:  # fmt: skip
    instruments = instruments_in(session)
    evidence = evidence_of(artifact, features_of(artifact), (r.told for r in current if r.feature_id == feature.id))
    estimate = feature_estimates(evidence, instruments).get(feature.code)
    digits, unit = KINDS[feature.kind].digits, feature.unit
    inputs = [Input(name="Nominal", amount=f"{feature.nominal:.{digits}f} {unit}", note=feature.method)]
    amount = "not determined"
    if isinstance(estimate, Estimate):
        amount = f"{estimate.value:.{digits + 1}f} ± {estimate.expanded:.{digits + 1}f} {unit}"
        inputs.append(
            Input(
                name="Standard uncertainty",
                amount=f"{estimate.u:.{digits + 2}f} {unit}",
                note=f"ν = {estimate.dof:.0f}",
            )
        )
        inputs += shared_inputs(estimate, unit, digits)
    mine = [r for r in rows if r.feature_id == feature.id]
    units = dict(session.execute(select(Instrument.id, Instrument.unit)).tuples().all())
    for key, of in {using(r.instrument_id, r.calibration_id): r.instrument_id for r in mine}.items():
        i, measured_in = instruments[key], units[of]
        inputs.append(
            Input(
                name=f"{i.kind} {i.code}", amount=f"r {i.resolution:g} {measured_in}",
                note=f"calibration u {i.u_calibration:g} {measured_in}, repeatability {i.repeatability:g} {measured_in}",
            )
        )  # fmt: skip
    return Source(
        title=f"{feature.code} of {specimen.blind_code}", amount=amount,
        rule="Mean of the readings; u² = s²/n + r²/12 + u_cal². s is pooled with the instrument's stated repeatability, or with what a gauge study found of whoever reads, and how far people read apart is in u then.",
        inputs=inputs, entries=reading_entries(session, mine, lambda _: feature_name(feature)),
    )  # fmt: skip

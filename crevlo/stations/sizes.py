"""Sizes of a specimen from the readings that count."""

import uuid
from collections import defaultdict

from crevlo.core.artifacts.feature import Kind
from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.readings import combine_readings, pool_scatter
from crevlo.core.sizes import Axis, MeasuredFeature
from crevlo.stations.entered import ReadingRow
from crevlo.store.machine import FeatureRow, Instrument


def specimen_estimates(
    readings: list[ReadingRow], features: dict[uuid.UUID, FeatureRow], instruments: dict[uuid.UUID, Instrument]
) -> dict[uuid.UUID, Estimate | NotDetermined]:
    """Mean of each feature with its uncertainty in mm, from the readings that count."""
    grouped: dict[uuid.UUID, list[ReadingRow]] = defaultdict(list)
    for reading in readings:
        if reading.value_mm is not None:
            grouped[reading.feature_id].append(reading)
    repeats = [[r.value_mm or 0.0 for r in group] for group in grouped.values()]
    try:
        pooled, pooled_dof = pool_scatter(repeats)
    except NotDetermined:
        pooled, pooled_dof = None, 0
    estimates: dict[uuid.UUID, Estimate | NotDetermined] = {}
    for feature_id, group in grouped.items():
        instrument = instruments[group[0].instrument_id]
        use_pooled = pooled is not None and pooled_dof >= 5
        try:
            estimates[feature_id] = combine_readings(
                [r.value_mm for r in group if r.value_mm is not None],
                resolution_mm=instrument.resolution,
                u_calibration_mm=instrument.u_calibration,
                repeatability_mm=pooled if use_pooled else instrument.repeatability,
                repeatability_dof=float(pooled_dof) if use_pooled else float("inf"),
            )
        except NotDetermined as missing:
            estimates[feature_id] = missing
    return estimates


def measured_features(
    estimates: dict[uuid.UUID, Estimate | NotDetermined], features: dict[uuid.UUID, FeatureRow]
) -> list[MeasuredFeature]:
    return [
        MeasuredFeature(Axis(f.axis), f.sense, f.nominal, e.value - f.nominal, e.u)
        for feature_id, e in estimates.items()
        if not isinstance(e, NotDetermined) and (f := features[feature_id]) and f.kind is Kind.LENGTH
    ]

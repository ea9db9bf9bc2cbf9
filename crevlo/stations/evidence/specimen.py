"""A specimen's readings, judgements and scores as evidence."""

import uuid
from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import replace
from datetime import UTC, datetime
from functools import lru_cache

from sqlalchemy import select
from sqlalchemy.orm import Session, selectinload

from crevlo.core.defects import Defect
from crevlo.core.evidence import Instrument, Judgement, Key, Reading, Specimen
from crevlo.core.features.feature import Feature
from crevlo.core.once import SPECIMENS
from crevlo.stations.entered import HandRow, JudgementRow, ScoreRow, Told, ValuesRow, studied_hands, using
from crevlo.stations.kit.kept import Kept
from crevlo.stations.library.artifact import feature_of
from crevlo.store import machine as rows


class Features(dict[str, Feature]):
    """Of one artifact by code, in its order; what is the same has one object, which it is known by."""

    def __hash__(self) -> int:  # type: ignore[override]
        return id(self)


def features_of(artifact: rows.ArtifactVersion) -> Features:
    return _features(tuple((f.code, feature_of(f)) for f in artifact.features))


@lru_cache(maxsize=256)
def _features(of: tuple[tuple[str, Feature], ...]) -> Features:
    return Features(of)


def calibrations_of(
    instrument: rows.Instrument,
) -> list[tuple[uuid.UUID | None, str, rows.Instrument | rows.EarlierCalibration]]:
    """Its calibrations in their order: id (none of the present one), what the instrument is called as of it, and what it states.

    Each keeps its name when the next comes: what was worked out with it before, and was kept, shares its error still.
    """
    codes = [f"{instrument.code} (from {c.until.astimezone(UTC):%d %b %Y})" for c in instrument.earlier]
    codes.insert(0, instrument.code)
    before = [(c.id, code, c) for c, code in zip(instrument.earlier, codes, strict=False)]
    return [*before, (None, codes[-1], instrument)]


def instruments_of(found: Iterable[rows.Instrument], hands: Iterable[HandRow] = ()) -> dict[Key, Instrument]:
    """By what readings name: the instrument, or a hand at it that a gauge study is behind; as calibrated now and before."""
    known: dict[Key, Instrument] = {}
    at: dict[uuid.UUID, list[uuid.UUID | None]] = {}
    for i in found:
        at[i.id] = []
        for calibration, code, stated in calibrations_of(i):
            at[i.id].append(calibration)
            known[using(i.id, calibration)] = Instrument(
                code, i.kind, stated.resolution, stated.u_calibration, stated.repeatability
            )
    for h in hands:
        for calibration in at.get(h.instrument_id, ()):
            known[using(h.id, calibration)] = replace(
                known[using(h.instrument_id, calibration)], repeatability=h.repeatability, repeatability_dof=h.dof, hands=h.person,
                u_hands=h.reproducibility,
            )  # fmt: skip
    return known


def meter_of(
    instruments: Mapping[uuid.UUID, rows.Instrument], instrument_id: uuid.UUID | None, at: datetime
) -> Key | None:
    """By what evidence knows the meter that was read then; None where none was named."""
    if instrument_id is None:
        return None
    before = instruments[instrument_id].calibrated_then(at)
    return using(instrument_id, before.id if before else None)


def instruments_in(session: Session) -> dict[Key, Instrument]:
    """All that there are."""
    found = session.scalars(select(rows.Instrument).options(selectinload(rows.Instrument.earlier)))
    return instruments_of(found, studied_hands(session))


def specimen_of(
    artifact: rows.ArtifactVersion,
    features: Mapping[str, Feature],
    readings: Iterable[Told],
    judgements: Iterable[JudgementRow] = (),
    scores: Iterable[ScoreRow] = (),
    own_defects: tuple[Defect, ...] = (),
) -> Specimen:
    """What was entered of one specimen as it counts; `features` are those of its artifact."""
    codes: dict[uuid.UUID | None, str] = {f.id: f.code for f in artifact.features}
    codes[None] = ""
    by_rater: dict[Key, dict[str, int]] = defaultdict(dict)
    for score in scores:
        by_rater[score.person_id][score.defect] = score.severity
    return Specimen(
        features=features,
        readings=tuple(Reading(codes[of], value, by, kelvin, over) for of, value, by, kelvin, over in readings),
        judgements=tuple(Judgement(codes[j.feature_id], j.said, j.person_id) for j in judgements),
        severities=by_rater,
        own_defects=own_defects,
    )


def specimen_again(
    artifact: rows.ArtifactVersion, features: Features, values: Sequence[ValuesRow], judgements: Sequence[JudgementRow],
    scores: Sequence[ScoreRow], own_defects: tuple[Defect, ...],
) -> Specimen:  # fmt: skip
    """`specimen_of` these rows, the one that was made before where none of them has changed: what it tells is known then."""
    key = (
        features, tuple((*v[1:-1], *v.values) for v in values), tuple((j.feature_id, *j[3:8]) for j in judgements),
        tuple((s.person_id, s.defect, s.severity) for s in scores), own_defects,
    )  # fmt: skip

    def make() -> Specimen:
        readings = ((v.feature_id, one, v.using, v.kelvin, v.over) for v in values for one in v.values)
        return specimen_of(artifact, features, readings, judgements, scores, own_defects)

    return _made.get(key, make)


_made: Kept[Specimen] = Kept(SPECIMENS)

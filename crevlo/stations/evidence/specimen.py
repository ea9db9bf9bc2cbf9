"""A specimen's readings, judgements and scores as evidence."""

import uuid
from collections import defaultdict
from collections.abc import Iterable, Mapping
from dataclasses import replace

from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.defects import Defect
from crevlo.core.evidence import Instrument, Judgement, Key, Reading, Specimen
from crevlo.core.features.feature import Feature
from crevlo.stations.entered import HandRow, JudgementRow, ScoreRow, Told, studied_hands
from crevlo.stations.library.artifact import feature_of
from crevlo.store import machine as rows


def features_of(artifact: rows.ArtifactVersion) -> dict[str, Feature]:
    """By code, in the artifact's order."""
    return {f.code: feature_of(f) for f in artifact.features}


def instruments_of(found: Iterable[rows.Instrument], hands: Iterable[HandRow] = ()) -> dict[Key, Instrument]:
    """By what readings name: the instrument, or a hand at it that a gauge study is behind."""
    known: dict[Key, Instrument] = {
        i.id: Instrument(i.code, i.kind, i.resolution, i.u_calibration, i.repeatability) for i in found
    }
    for h in hands:
        if h.instrument_id in known:
            known[h.id] = replace(
                known[h.instrument_id], repeatability=h.repeatability, repeatability_dof=h.dof, hands=h.person, u_hands=h.reproducibility
            )  # fmt: skip
    return known


def instruments_in(session: Session) -> dict[Key, Instrument]:
    """All that there are."""
    return instruments_of(session.scalars(select(rows.Instrument)), studied_hands(session))


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
        readings=tuple(Reading(codes[of], value, using, kelvin, over) for of, value, using, kelvin, over in readings),
        judgements=tuple(Judgement(codes[j.feature_id], j.said, j.person_id) for j in judgements),
        severities=by_rater,
        own_defects=own_defects,
    )

"""A specimen's readings, judgements and scores as evidence."""

import uuid
from collections import defaultdict
from collections.abc import Iterable, Mapping

from crevlo.core.defects import Defect
from crevlo.core.evidence import Instrument, Judgement, Key, Reading, Specimen
from crevlo.core.features.feature import Feature
from crevlo.stations.entered import JudgementRow, ScoreRow, Told
from crevlo.stations.library.artifact import feature_of
from crevlo.store import machine as rows


def features_of(artifact: rows.ArtifactVersion) -> dict[str, Feature]:
    """By code, in the artifact's order."""
    return {f.code: feature_of(f) for f in artifact.features}


def instruments_of(found: Iterable[rows.Instrument]) -> dict[Key, Instrument]:
    return {
        i.id: Instrument(i.code, i.kind, i.resolution, i.u_calibration, i.repeatability) for i in found
    }  # fmt: skip


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

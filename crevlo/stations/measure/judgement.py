"""What people say of features that no instrument reads: verdicts, counts and looks; each their own, blind."""

import uuid

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.estimate import BadInput
from crevlo.core.features import KINDS
from crevlo.core.features.kind import Judged, Takes, Verdict, check_judgement
from crevlo.stations.blind import late_reason
from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.shape import Missing, Moment, Refused, Shape
from crevlo.stations.measure.specimen import SpecimenView, specimen_of, view_of
from crevlo.stations.study import artifact_of
from crevlo.store.reading import Judgement


class NewJudgement(Shape):
    """A verdict with its word, a count, or a look of 0 to 5; with `supersedes_id` and a reason the correction of one."""

    id: uuid.UUID
    feature_id: uuid.UUID
    takes: Takes
    amount: int | None = Field(default=None, ge=0, le=10_000)
    verdict: Verdict | None = None
    word: str = Field(default="", max_length=40)
    supersedes_id: uuid.UUID | None = None
    reason: str | None = Field(default=None, min_length=1, max_length=300)
    after_reveal: str | None = Field(default=None, max_length=300)
    taken_at: Moment | None = None


def record_judgement(
    session: Session, specimen_id: uuid.UUID, given: NewJudgement, person_id: uuid.UUID, *, reviews: bool = False
) -> SpecimenView:
    """Keeps what this person says of one feature; once said, it changes by a correction with its reason."""
    specimen, protocol = specimen_of(session, specimen_id)
    artifact = artifact_of(session, specimen)
    feature = next((f for f in artifact.features if f.id == given.feature_id), None)
    if feature is None:
        raise Missing("This feature does not belong to the artifact.")
    late = late_reason(session, specimen.study_id, given.after_reveal, reviews=reviews)
    try:
        check_judgement(
            KINDS[feature.kind], Judged(given.takes, given.amount, given.verdict, given.word), feature.code
        )
    except BadInput as bad:
        raise Refused(f"{str(bad)[:1].upper()}{str(bad)[1:]}.") from None
    if (given.supersedes_id is None) != (given.reason is None):
        raise Refused("A correction names what it replaces and the reason.")
    said = session.scalars(
        select(Judgement).where(
            Judgement.specimen_id == specimen_id, Judgement.feature_id == feature.id, Judgement.takes == given.takes,
            Judgement.person_id == person_id,
        )
    ).all()  # fmt: skip
    if given.supersedes_id is None and said:
        raise Refused(f"{feature.code} is judged already; a change is a correction with its reason.")
    if given.supersedes_id is not None:
        if given.supersedes_id not in {j.id for j in said}:
            raise Missing("There is no such judgement of yours on this specimen.")
        if given.supersedes_id in {j.supersedes_id for j in said}:
            raise Refused("This judgement was corrected meanwhile; correct the newer one.")
    session.add(
        Judgement(
            **given.model_dump(exclude={"taken_at", "after_reveal"}), specimen_id=specimen_id, person_id=person_id,
            judged_at=stated_time(given.taken_at), after_reveal=late,
        )
    )  # fmt: skip
    session.flush()
    return view_of(session, specimen, protocol, artifact, person_id)

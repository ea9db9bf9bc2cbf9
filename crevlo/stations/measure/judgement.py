"""What people say of features that no instrument reads: verdicts, counts and looks; each their own, blind."""

import uuid
from collections import defaultdict
from collections.abc import Sequence

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.estimate import BadInput
from crevlo.core.features import KINDS
from crevlo.core.features.kind import Judged, Takes, Verdict, check_judgement
from crevlo.stations.blind import late_reason
from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.shape import Missing, Moment, Refused, Shape
from crevlo.stations.measure.specimen import specimen_of
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


class NewJudgements(Shape):
    """Several judgements of one specimen at once: kept all, or none of them."""

    judgements: list[NewJudgement] = Field(min_length=1, max_length=400)


def record_judgements(
    session: Session,
    specimen_id: uuid.UUID,
    given: Sequence[NewJudgement],
    person_id: uuid.UUID,
    *,
    reviews: bool = False,
) -> None:
    """Keeps what this person says of features; once said, it changes by a correction with its reason. Where one is refused, none
    is kept."""
    specimen, _ = specimen_of(session, specimen_id)
    features = {f.id: f for f in artifact_of(session, specimen).features}
    late = {
        reason: late_reason(session, specimen.study_id, reason, reviews=reviews)
        for reason in {judgement.after_reveal for judgement in given}
    }
    rows = session.scalars(
        select(Judgement).where(Judgement.specimen_id == specimen_id, Judgement.person_id == person_id)
    )
    said: dict[tuple[uuid.UUID | None, Takes], list[Judgement]] = defaultdict(list)
    for row in rows:
        said[row.feature_id, row.takes].append(row)
    for judgement in given:
        feature = features.get(judgement.feature_id)
        if feature is None:
            raise Missing("This feature does not belong to the artifact.")
        judged = Judged(judgement.takes, judgement.amount, judgement.verdict, judgement.word)
        try:
            check_judgement(KINDS[feature.kind], judged, feature.code)
        except BadInput as bad:
            raise Refused(f"{str(bad)[:1].upper()}{str(bad)[1:]}.") from None
        if (judgement.supersedes_id is None) != (judgement.reason is None):
            raise Refused("A correction names what it replaces and the reason.")
        before = said[feature.id, judgement.takes]
        if judgement.supersedes_id is None and before:
            raise Refused(f"{feature.code} is judged already; a change is a correction with its reason.")
        if judgement.supersedes_id is not None:
            if judgement.supersedes_id not in {j.id for j in before}:
                raise Missing("There is no such judgement of yours on this specimen.")
            if judgement.supersedes_id in {j.supersedes_id for j in before}:
                raise Refused("This judgement was corrected meanwhile; correct the newer one.")
        row = Judgement(
            **judgement.model_dump(exclude={"taken_at", "after_reveal"}), specimen_id=specimen_id, person_id=person_id,
            judged_at=stated_time(judgement.taken_at), after_reveal=late[judgement.after_reveal],
        )  # fmt: skip
        before.append(row)
        session.add(row)
    session.flush()

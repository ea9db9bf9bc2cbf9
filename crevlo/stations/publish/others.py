"""Packages of other benches: worked out again when they come in, read beside one's own studies, and pooled with them."""

import uuid
from datetime import datetime

from pydantic import Field
from sqlalchemy import delete, select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.evaluations import QUANTITIES
from crevlo.core.evidence import Key
from crevlo.core.package.archive import Package, unpacked
from crevlo.core.package.evidence import evidence_of
from crevlo.core.package.look import look_through
from crevlo.core.package.pooled import Agreed, Bench, Together, together
from crevlo.stations.kit.apart import apart
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.shape import Missing, Refused, Shape
from crevlo.stations.kit.upload import keep_upload, upload_content
from crevlo.stations.publish.frozen import as_package
from crevlo.store.published import OtherPackage, ReportRevision
from crevlo.store.study import Study

MOST_PACKAGES, MOST_POOLED = 200, 20
# A package of a large study takes some seconds and some hundred megabytes.
_SECONDS, _MEGABYTES = 90.0, 2500


class OtherFigure(Shape):
    machine: str
    quantity: str
    name: str
    unit: str
    digits: int
    value: float | None
    low: float | None
    high: float | None
    needs: str


class OtherVerdict(Shape):
    buyer: str
    headline: str
    published: str


class OtherOut(Shape):
    id: uuid.UUID
    title: str
    bench: str
    imported_at: datetime
    says: str
    holds: bool
    machines: list[str]
    control: str
    artifacts: list[str]


class OtherView(OtherOut):
    currency: str
    published: str
    differences: list[str]
    verdicts: list[OtherVerdict]
    figures: list[OtherFigure]


class OwnRevision(Shape):
    """A revision of one's own that can be pooled with others."""

    id: uuid.UUID
    study: str
    number: int
    headline: str


class OtherList(Shape):
    packages: list[OtherOut]
    own: list[OwnRevision] = Field(description="the newest revision of each study whose data were frozen with it")


class NewPackage(Shape):
    id: uuid.UUID
    bench: str = Field(default="", max_length=80, description="whose it is, in one's own words")


class PoolWish(Shape):
    packages: list[uuid.UUID] = Field(default=[], max_length=MOST_POOLED)
    revisions: list[uuid.UUID] = Field(default=[], max_length=MOST_POOLED)


class BenchPart(Shape):
    bench: str
    value: float | None
    expanded: float | None
    needs: str


class PooledRow(Shape):
    machine: str
    name: str
    unit: str
    digits: int
    of: list[BenchPart]
    value: float | None = Field(description="machine less control, over the benches")
    expanded: float | None
    tau: float | None = Field(description="how far the benches differ beyond their own errors")
    i2_percent: float | None
    says: str


class PooledView(Shape):
    control: str
    artifacts: list[str]
    rows: list[PooledRow]
    how: str


_ready: Kept[Bench] = Kept(12)
_HOW = (
    "Each figure is a machine less the control of the same bench, on the artifacts that all benches printed. Over benches: random "
    "effects by DerSimonian and Laird, ± by Hartung and Knapp at 95 %."
)


def import_package(session: Session, given: NewPackage, content: bytes, person_id: uuid.UUID) -> OtherView:
    """Keeps a package after working it out again. Raises BadInput for what is no package, Refused for one that is there."""
    if (session.scalar(select(OtherPackage.id).offset(MOST_PACKAGES - 1).limit(1))) is not None:
        raise Refused(f"There are {MOST_PACKAGES} packages already; remove one.")
    found = apart("The package", _SECONDS, _MEGABYTES, look_through, content)
    sha256 = keep_upload(session, content)
    made = session.scalar(
        insert(OtherPackage)
        .values(id=given.id, sha256=sha256, title=found["title"], bench=given.bench.strip(), found=found, person_id=person_id)
        .on_conflict_do_nothing(index_elements=[OtherPackage.sha256])
        .returning(OtherPackage.id)
    )  # fmt: skip
    if made is None:
        raise Refused("This package is here already.")
    return view_package(session, given.id)


def list_packages(session: Session) -> OtherList:
    of = {name: OtherPackage.found[name] for name in _SHOWN}
    rows = session.execute(
        select(OtherPackage.id, OtherPackage.title, OtherPackage.bench, OtherPackage.imported_at, *of.values())
        .order_by(OtherPackage.imported_at.desc())
    )  # fmt: skip
    newest = (
        select(ReportRevision.id, Study.title, ReportRevision.number, ReportRevision.headline)
        .join(Study, Study.id == ReportRevision.study_id)
        .where(ReportRevision.frozen.is_not(None))
        .order_by(ReportRevision.study_id, ReportRevision.number.desc())
        .distinct(ReportRevision.study_id)
    )
    own = [OwnRevision(id=i, study=t, number=n, headline=h) for i, t, n, h in session.execute(newest)]
    return OtherList(
        packages=[OtherOut(**dict(zip(("id", "title", "bench", "imported_at", *of), r, strict=True))) for r in rows],
        own=sorted(own, key=lambda o: o.study),
    )


_SHOWN = ("says", "holds", "machines", "control", "artifacts")


def view_package(session: Session, package_id: uuid.UUID) -> OtherView:
    row = _row(session, package_id)
    currency = row.found["currency"]
    figures = [
        OtherFigure(**f, name=q.name, unit=currency if q.unit == "money" else q.unit, digits=q.digits)
        for f in row.found["figures"]
        if (q := QUANTITIES.get(f["quantity"]))
    ]
    return OtherView(
        id=row.id, title=row.title, bench=row.bench, imported_at=row.imported_at, **{k: row.found[k] for k in _SHOWN}, currency=currency, published=row.found["published"], differences=row.found["differences"],
        verdicts=[OtherVerdict(**v) for v in row.found["verdicts"]], figures=figures,
    )  # fmt: skip


def _row(session: Session, package_id: uuid.UUID) -> OtherPackage:
    row = session.get(OtherPackage, package_id)
    if row is None:
        raise Missing("There is no such package.")
    return row


def remove_package(session: Session, package_id: uuid.UUID) -> OtherList:
    """Takes it off the list; the audit trail says that it was there."""
    _row(session, package_id)
    session.execute(delete(OtherPackage).where(OtherPackage.id == package_id))
    session.flush()
    return list_packages(session)


def pool_benches(session: Session, wish: PoolWish) -> PooledView:
    """Raises Refused where they cannot be taken together, and Missing for what is not there."""
    benches = [_of_package(session, i) for i in dict.fromkeys(wish.packages)]
    benches += [_of_revision(session, i) for i in dict.fromkeys(wish.revisions)]
    try:
        agreed = together(benches)
    except BadInput as wrong:
        said = str(wrong)
        raise Refused(f"{said[0].upper()}{said[1:]}.") from None
    return _pooled(agreed, benches[0].currency)


def _of_package(session: Session, package_id: uuid.UUID) -> Bench:
    row = _row(session, package_id)

    def make() -> Bench:
        package = unpacked(b"".join(upload_content(session, row.sha256).chunks()))
        return _bench(row.bench or row.title, package)

    return _ready.get(f"{row.id} {row.bench}", make)


def _of_revision(session: Session, revision_id: uuid.UUID) -> Bench:
    found = session.execute(
        select(ReportRevision.frozen, Study.title)
        .join(Study, Study.id == ReportRevision.study_id)
        .where(ReportRevision.id == revision_id)
    ).one_or_none()
    if found is None or found.frozen is None:
        raise Missing("There is no such revision with its data.")
    return _ready.get(f"revision {revision_id}", lambda: _bench(found.title, as_package(found.frozen)))


def _bench(name: str, package: Package) -> Bench:
    machines = package.tables["machines"]
    control = next((str(m["name"]) for m in machines if m["control"]), "")
    # An artifact is the same where its name and its mesh are called the same.
    artifacts: dict[Key, str] = {
        str(a["line"]): f"{a['name']} ({str(a['file']).rpartition('/')[2].removesuffix('.stl')})"
        for a in package.tables["artifacts"]
    }
    return Bench(
        name, evidence_of(package.tables), {str(m["name"]): str(m["machine"]) for m in machines}, control, artifacts,
        str(package.about["currency"]),
    )  # fmt: skip


def _pooled(agreed: Agreed, currency: str) -> PooledView:
    return PooledView(
        control=agreed.control,
        artifacts=list(agreed.artifacts),
        rows=[_line(r, currency) for r in agreed.rows],
        how=_HOW,
    )


def _line(row: Together, currency: str) -> PooledRow:
    mean = None if isinstance(row.mean, NotDetermined) else row.mean
    return PooledRow(
        machine=row.machine, name=row.quantity.name, unit=currency if row.quantity.unit == "money" else row.quantity.unit,
        digits=row.quantity.digits,
        of=[
            BenchPart(bench=o.bench, value=o.apart.value, expanded=o.apart.expanded, needs="")
            if isinstance(o.apart, Estimate)
            else BenchPart(bench=o.bench, value=None, expanded=None, needs=o.apart.needs)
            for o in row.of
        ],
        value=mean.mean.value if mean else None, expanded=mean.mean.expanded if mean else None,
        tau=mean.tau if mean else None, i2_percent=mean.i2_percent if mean else None, says=row.says,
    )  # fmt: skip

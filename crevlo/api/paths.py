"""Path and query arguments shared by the stations."""

import uuid
from typing import Literal

from pydantic import BaseModel, Field

from crevlo.stations.evidence.entrant import By
from crevlo.stations.kit.shape import Shape, Version
from crevlo.stations.library.own import Unit
from crevlo.stations.library.shelf import PlateWish
from crevlo.stations.print_.power_log import TraceColumns


class StudyPath(BaseModel):
    study_id: uuid.UUID


class StudyUnitPath(StudyPath):
    unit_id: uuid.UUID


class ItemPath(StudyUnitPath):
    item_id: uuid.UUID


class StudyItemPath(StudyPath):
    item_id: uuid.UUID


class JobPath(BaseModel):
    job_id: uuid.UUID


class JobFilePath(JobPath):
    file_id: uuid.UUID


class OtherJobQuery(BaseModel):
    other: uuid.UUID


class RunPath(BaseModel):
    run_id: uuid.UUID


class FilePath(BaseModel):
    file_id: uuid.UUID


class HypothesisPath(BaseModel):
    hypothesis_id: uuid.UUID


class SubjectPath(BaseModel):
    subject_id: uuid.UUID


class DuelPath(BaseModel):
    duel_id: uuid.UUID


class PhotoPath(BaseModel):
    photo_id: uuid.UUID


class LabelQuery(BaseModel):
    paper: Literal["roll", "sheet"] = "roll"
    code: str | None = Field(default=None, pattern="^[A-Z0-9]{3}$")


class SpecimenPath(BaseModel):
    specimen_id: uuid.UUID


class ProfilePath(StudyPath):
    profile_id: uuid.UUID


class RevisionPath(BaseModel):
    revision_id: uuid.UUID


class FindingQuery(BaseModel):
    feature: str | None = Field(default=None, max_length=20)
    finding: str | None = Field(default=None, max_length=60)


class SidesQuery(BaseModel):
    by: By = By.MACHINE


class PartQuery(SidesQuery):
    part: str = Field(default="total", max_length=20)


class ProfileQuery(BaseModel):
    profile_id: uuid.UUID | None = None


class VersionQuery(BaseModel):
    version: Version


class TraceQuery(VersionQuery, TraceColumns):
    """The version to change, the columns of the log, and the meter that wrote it where several are listed."""

    instrument_id: uuid.UUID | None = None


class FileQuery(BaseModel):
    id: uuid.UUID
    name: str = Field(max_length=400)
    plate: int | None = Field(default=None, ge=0, le=9999, description="of a project with several plates")


class TemplatePath(BaseModel):
    key: str = Field(max_length=36)


class ModelPath(BaseModel):
    model_id: uuid.UUID


class SpoolPath(BaseModel):
    spool_id: uuid.UUID


class InstrumentPath(BaseModel):
    instrument_id: uuid.UUID


class MeshPath(BaseModel):
    sha256: str = Field(pattern="^[0-9a-f]{64}$")


class UnitQuery(BaseModel):
    unit: Unit = "mm"


class MeshQuery(UnitQuery):
    name: str = Field(max_length=400)


class ShelfPath(BaseModel):
    ref: str = Field(max_length=36)


class ShelfFilePath(ShelfPath):
    kind: Literal["stl", "3mf"]


class SizesQuery(BaseModel):
    """Sizes that differ from the usual, as name:number, …"""

    sizes: str = Field(default="", max_length=400)


class PlateQuery(PlateWish, SizesQuery):
    """A bed, how copies stand on it, and sizes that differ from the usual."""


class GaugePath(BaseModel):
    gauge_id: uuid.UUID


class GaugeReadingPath(BaseModel):
    reading_id: uuid.UUID


class BallotPath(BaseModel):
    ballot_id: uuid.UUID


class UnitPath(BaseModel):
    unit_id: uuid.UUID


class PackagePath(BaseModel):
    package_id: uuid.UUID


class BallotKeyPath(BaseModel):
    key: str = Field(pattern=r"^[A-Za-z0-9_-]{8,40}$")


class BallotPicturePath(BallotKeyPath):
    code: str = Field(pattern=r"^[A-Z0-9]{1,12}$")


class TakeBack(Shape):
    """Takes back what the person said last; `id` is that of the row that says so."""

    id: uuid.UUID

"""Models, spools, instruments and artifacts."""

from flask import Response, request
from flask_login import current_user

from crevlo.api.guard import EVERYONE, NOT_BLIND, REVIEW, db, reads, writes
from crevlo.api.paths import (
    InstrumentPath,
    MeshPath,
    MeshQuery,
    ModelPath,
    PlateQuery,
    ShelfFilePath,
    ShelfPath,
    SizesQuery,
    SpoolPath,
    UnitQuery,
    VersionQuery,
)
from crevlo.api.station import station
from crevlo.api.uploads import ONE_UPLOAD
from crevlo.stations.library import instrument, model, own, shelf, spool, view
from crevlo.stations.library.artifact import sizes_of
from crevlo.stations.library.instrument import InstrumentIn, InstrumentOut
from crevlo.stations.library.model import ChangedModel, ModelOut, NewModel
from crevlo.stations.library.spool import SpoolIn, SpoolOut
from crevlo.stations.library.view import Library

api = station("library")


@api.get("/library", responses={200: Library})
@reads(NOT_BLIND)
def everything() -> Library:
    return view.library(db())


@api.post("/models", responses={200: ModelOut})
@writes(REVIEW)
def add_model(body: NewModel) -> ModelOut:
    return model.add_model(db(), body)


@api.post("/spools", responses={200: SpoolOut})
@writes(REVIEW)
def add_spool(body: SpoolIn) -> SpoolOut:
    return spool.add_spool(db(), body)


@api.post("/instruments", responses={200: InstrumentOut})
@writes(REVIEW)
def add_instrument(body: InstrumentIn) -> InstrumentOut:
    return instrument.add_instrument(db(), body)


@api.get("/spools/<uuid:spool_id>", responses={200: spool.SpoolRecord})
@reads(NOT_BLIND)
def view_spool(path: SpoolPath) -> spool.SpoolRecord:
    """A spool with its log: weighings, drying, moisture, diameters."""
    return spool.view_spool(db(), path.spool_id)


@api.put("/spools/<uuid:spool_id>", responses={200: spool.SpoolRecord})
@writes(REVIEW)
def change_spool(path: SpoolPath, body: spool.SpoolChange) -> spool.SpoolRecord:
    return spool.change_spool(db(), path.spool_id, body)


@api.post("/spools/<uuid:spool_id>/entries", responses={200: spool.SpoolRecord})
@writes(REVIEW)
def add_spool_entry(path: SpoolPath, body: spool.NewSpoolEntry) -> spool.SpoolRecord:
    return spool.add_spool_entry(db(), path.spool_id, body, current_user.id)


@api.put("/instruments/<uuid:instrument_id>", responses={200: InstrumentOut})
@writes(REVIEW)
def change_instrument(path: InstrumentPath, body: instrument.InstrumentChange) -> InstrumentOut:
    return instrument.change_instrument(db(), path.instrument_id, body)


@api.delete("/instruments/<uuid:instrument_id>/calibration", responses={200: InstrumentOut})
@writes(REVIEW)
def take_back_calibration(path: InstrumentPath, query: VersionQuery) -> InstrumentOut:
    """A calibration anew that was none."""
    return instrument.take_back_calibration(db(), path.instrument_id, query.version)


@api.put("/models/<uuid:model_id>", responses={200: ModelOut})
@writes(REVIEW)
def change_model(path: ModelPath, body: ChangedModel) -> ModelOut:
    return model.change_model(db(), path.model_id, body)


@api.get("/shelf", responses={200: shelf.Shelf})
@reads(EVERYONE)
def cards() -> shelf.Shelf:
    """The built-in artifacts in their usual sizes, and stored versions."""
    return shelf.cards(db())


@api.get("/shelf/<ref>", responses={200: shelf.ShelfDetail})
@reads(NOT_BLIND)
def detail(path: ShelfPath, query: SizesQuery) -> shelf.ShelfDetail:
    """One artifact with the sizes asked for, and which machines of the library it fits."""
    return shelf.detail(db(), path.ref, sizes_of(query.sizes))


@api.get("/shelf/<ref>/drawing", responses={200: shelf.DrawingOut})
@reads(EVERYONE)
def shelf_drawing(path: ShelfPath) -> shelf.DrawingOut:
    """Its drawing; the first time in a process it is worked out from the mesh."""
    return shelf.drawing_of(db(), path.ref)


@api.get("/shelf/<ref>/file.<kind>")
@reads(EVERYONE)
def shelf_file(path: ShelfFilePath, query: SizesQuery) -> Response:
    return _model_file(*shelf.file(db(), path.ref, sizes_of(query.sizes), path.kind))


@api.get("/shelf/<ref>/plate", responses={200: shelf.PlateOut})
@reads(NOT_BLIND, heavy=True)
def plate(path: ShelfPath, query: PlateQuery) -> shelf.PlateOut:
    """As many copies as asked for or fit, packed by their true outline."""
    return shelf.plate(db(), path.ref, sizes_of(query.sizes), query)


@api.get("/shelf/<ref>/plate.<kind>")
@reads(NOT_BLIND, heavy=True)
def plate_file(path: ShelfFilePath, query: PlateQuery) -> Response:
    return _model_file(*shelf.plate_file(db(), path.ref, sizes_of(query.sizes), query, path.kind))


@api.get("/shelf.zip")
@reads(EVERYONE, heavy=True)
def whole_set() -> Response:
    return Response(
        shelf.whole_set(),
        mimetype="application/zip",
        headers={"Content-Disposition": 'attachment; filename="shelf.zip"'},
    )


@api.post("/shelf/versions", responses={200: shelf.ShelfCard})
@writes(REVIEW)
def keep_sizes(body: own.KeptSizes) -> shelf.ShelfCard:
    """Keeps a built-in design with other sizes as a version of its own."""
    return own.keep_sizes(db(), body)


@api.get("/feature-kinds", responses={200: own.KindList})
@reads(NOT_BLIND)
def feature_kinds() -> own.KindList:
    """Kinds of features that can be declared on an own artifact."""
    return own.kinds()


@api.put("/meshes", responses={200: own.MeshReport}, openapi_extensions=ONE_UPLOAD)
@writes(REVIEW, heavy=True)
def check_mesh(query: MeshQuery) -> own.MeshReport:
    """Reads an STL or 3MF and says what is wrong with it; kept only when it bounds solids."""
    return own.check_mesh(db(), request.get_data(), query.name, query.unit)


@api.get("/meshes/<sha256>/mesh.stl")
@reads(REVIEW, heavy=True)
def mesh_file(path: MeshPath, query: UnitQuery) -> Response:
    return _model_file(own.mesh_file(db(), path.sha256, query.unit), "mesh.stl")


@api.post("/meshes/<sha256>/feature", responses={200: own.NewFeature})
@reads(REVIEW, heavy=True)
def place(path: MeshPath, body: own.FacePair) -> own.NewFeature:
    """The feature between two picked faces; nothing is saved."""
    return own.place(db(), path.sha256, body)


@api.post("/artifacts", responses={200: shelf.ShelfCard})
@writes(REVIEW)
def add_artifact(body: own.NewArtifact) -> shelf.ShelfCard:
    return own.add_artifact(db(), body)


def _model_file(content: bytes, name: str) -> Response:
    return Response(
        content,
        mimetype=f"model/{name.rpartition('.')[2]}",
        headers={"Content-Disposition": f'attachment; filename="{name}"'},
    )

"""Models, spools, instruments and artifacts."""

from flask import Response
from flask_openapi3.blueprint import APIBlueprint

from crevlo.api.errors import Problem
from crevlo.api.guard import EVERYONE, NOT_BLIND, REVIEW, db, reads, writes
from crevlo.api.paths import PlateQuery, ShelfFilePath, ShelfPath, SizesQuery
from crevlo.stations import library, shelf
from crevlo.stations.library import InstrumentIn, InstrumentOut, Library, ModelOut, NewModel, SpoolIn, SpoolOut

api = APIBlueprint("library", __name__, url_prefix="/api", abp_responses={422: Problem})


@api.get("/library", responses={200: Library})
@reads(NOT_BLIND)
def everything() -> Library:
    return library.library(db())


@api.post("/models", responses={200: ModelOut})
@writes(REVIEW)
def add_model(body: NewModel) -> ModelOut:
    return library.add_model(db(), body)


@api.post("/spools", responses={200: SpoolOut})
@writes(REVIEW)
def add_spool(body: SpoolIn) -> SpoolOut:
    return library.add_spool(db(), body)


@api.post("/instruments", responses={200: InstrumentOut})
@writes(REVIEW)
def add_instrument(body: InstrumentIn) -> InstrumentOut:
    return library.add_instrument(db(), body)


@api.get("/shelf", responses={200: shelf.Shelf})
@reads(EVERYONE)
def cards() -> shelf.Shelf:
    """The built-in artifacts in their usual sizes."""
    return shelf.cards()


@api.get("/shelf/<code>", responses={200: shelf.ShelfDetail})
@reads(NOT_BLIND)
def detail(path: ShelfPath, query: SizesQuery) -> shelf.ShelfDetail:
    """One artifact with the sizes asked for, and which machines of the library it fits."""
    return shelf.detail(path.code, shelf.sizes_of(query.sizes), library.volumes(db()))


@api.get("/shelf/<code>/drawing", responses={200: shelf.DrawingOut})
@reads(EVERYONE)
def shelf_drawing(path: ShelfPath) -> shelf.DrawingOut:
    """Its drawing in its usual sizes; the first time in a process it is worked out from the mesh."""
    return shelf.drawing(path.code)


@api.get("/shelf/<code>/file.<kind>")
@reads(EVERYONE)
def shelf_file(path: ShelfFilePath, query: SizesQuery) -> Response:
    content = shelf.file(path.code, shelf.sizes_of(query.sizes), path.kind)
    name = f"{path.code}-{shelf.VERSION}.{path.kind}"
    return Response(
        content, mimetype=f"model/{path.kind}", headers={"Content-Disposition": f'attachment; filename="{name}"'}
    )


@api.get("/shelf/<code>/plate", responses={200: shelf.PlateOut})
@reads(EVERYONE)
def plate(path: ShelfPath, query: PlateQuery) -> shelf.PlateOut:
    """As many copies as asked for or fit, packed by their true outline."""
    return shelf.plate(path.code, shelf.sizes_of(query.sizes), query)


@api.get("/shelf/<code>/plate.<kind>")
@reads(EVERYONE)
def plate_file(path: ShelfFilePath, query: PlateQuery) -> Response:
    content = shelf.plate_file(path.code, shelf.sizes_of(query.sizes), query, path.kind)
    name = f"{path.code}-{shelf.VERSION}-plate.{path.kind}"
    return Response(
        content, mimetype=f"model/{path.kind}", headers={"Content-Disposition": f'attachment; filename="{name}"'}
    )


@api.get("/shelf.zip")
@reads(EVERYONE)
def whole_set() -> Response:
    return Response(
        shelf.whole_set(),
        mimetype="application/zip",
        headers={"Content-Disposition": 'attachment; filename="shelf.zip"'},
    )

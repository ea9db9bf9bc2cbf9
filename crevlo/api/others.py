"""The calls of packages of other benches."""

from flask import request
from flask_login import current_user

from crevlo.api.guard import NOT_BLIND, REVIEW, db, reads, writes
from crevlo.api.paths import PackagePath
from crevlo.api.station import station
from crevlo.api.uploads import ONE_UPLOAD
from crevlo.stations.publish import others

api = station("others")


@api.get("/packages", responses={200: others.OtherList})
@reads(NOT_BLIND)
def list_packages() -> others.OtherList:
    return others.list_packages(db())


@api.put("/packages", responses={200: others.OtherView}, openapi_extensions=ONE_UPLOAD)
@writes(REVIEW, heavy=True)
def import_package(query: others.NewPackage) -> others.OtherView:
    """Takes a package after working out again all that it publishes."""
    return others.import_package(db(), query, request.get_data(), current_user.id)


@api.get("/packages/<uuid:package_id>", responses={200: others.OtherView})
@reads(NOT_BLIND)
def view_package(path: PackagePath) -> others.OtherView:
    return others.view_package(db(), path.package_id)


@api.delete("/packages/<uuid:package_id>", responses={200: others.OtherList})
@writes(REVIEW)
def remove_package(path: PackagePath) -> others.OtherList:
    return others.remove_package(db(), path.package_id)


@api.post("/packages/pool", responses={200: others.PooledView})
@reads(NOT_BLIND, heavy=True)
def pool(body: others.PoolWish) -> others.PooledView:
    """What several benches say together; changes nothing."""
    return others.pool_benches(db(), body)

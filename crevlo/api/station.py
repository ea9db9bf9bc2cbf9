"""What the calls of all stations share."""

from flask_openapi3.blueprint import APIBlueprint

from crevlo.api.errors import Problem


def station(name: str) -> APIBlueprint:
    return APIBlueprint(name, __name__, url_prefix="/api", abp_responses={422: Problem})

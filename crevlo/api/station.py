"""What the calls of all stations share: they are answered at once, and described when somebody asks what there is."""

from collections.abc import Callable
from threading import Lock
from typing import Any

from flask_openapi3.blueprint import APIBlueprint
from flask_openapi3.openapi import OpenAPI
from flask_openapi3.utils import parse_parameters

from crevlo.api.errors import Problem

_describing = Lock()


class Calls(APIBlueprint):
    """The calls of one station. Writing down the shapes that each takes and gives is most of what it costs to load them,
    and few who start the program ever ask."""

    def __init__(self, *given: Any, **named: Any) -> None:
        super().__init__(*given, **named)
        self._to_describe: list[tuple[str, Callable[..., Any], dict[str, Any]]] = []

    def _collect_openapi_info(self, rule: str, func: Callable[..., Any], **stated: Any) -> Any:
        self._to_describe.append((rule, func, stated))
        return parse_parameters(func, doc_ui=False)

    def describe(self) -> None:
        for rule, call, stated in self._to_describe:
            super()._collect_openapi_info(rule, call, **stated)
        self._to_describe.clear()


class Application(OpenAPI):
    def generate_spec_json(self) -> None:
        with _describing:
            for calls in self.blueprints.values():
                if isinstance(calls, Calls):
                    calls.describe()
                    self.paths.update(calls.paths)
                    self.components_schemas.update(calls.components_schemas)
            super().generate_spec_json()  # type: ignore[no-untyped-call]


def station(name: str, prefix: str = "/api") -> Calls:
    return Calls(name, __name__, url_prefix=prefix, abp_responses={422: Problem})

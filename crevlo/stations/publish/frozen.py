"""What is frozen with a revision: the tables of its package, made ready to be ranked again."""

from collections.abc import Mapping
from dataclasses import replace
from typing import Any

from crevlo.core.package.archive import Package
from crevlo.core.package.layouts import BY_NAME
from crevlo.core.package.tables import from_csv
from crevlo.core.package.verify import Published, published
from crevlo.stations.kit.kept import Kept
from crevlo.store.published import ReportRevision

Frozen = Mapping[str, Any]
_ready: Kept[Published] = Kept(12)


def as_package(frozen: Frozen, about: Frozen | None = None, files: Mapping[str, bytes] | None = None) -> Package:
    """The package of what was frozen; `about` it besides, and the `files` beside its tables."""
    tables = {name: from_csv(BY_NAME[name], text) for name, text in frozen["csv"].items()}
    return Package(frozen["title"], {**frozen["about"], **(about or {})}, frozen["scheme"], tables, files or {})


def of_revision(revision: ReportRevision) -> Published:
    """A revision's own data; it never changes."""
    frozen = revision.frozen
    assert frozen is not None
    return _ready.get(str(revision.id), lambda: published(_with_price_limits(as_package(frozen), frozen)))


def _with_price_limits(package: Package, frozen: Frozen) -> Package:
    """Of format 1 must-haves are words; the limits of price that were kept beside them are must-haves again."""
    limits = frozen.get("price_limits")
    if "must_haves" in package.tables or not limits:
        return package
    buyers = [
        b
        if b["name"] not in limits
        else b | {"must_haves": [{"kind": "price", "limit": limits[b["name"]], "what": ""}]}
        for b in package.scheme["buyers"]
    ]
    return replace(package, scheme={**package.scheme, "buyers": buyers})

"""The pieces of an old bench: the shelf's, or known by their names alone."""

from collections import defaultdict
from collections.abc import Sequence

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.features.feature import Feature, Kind
from crevlo.core.old_bench.bench import OldBench
from crevlo.core.old_bench.guess import SizeColumn
from crevlo.stations.library.named import named_piece
from crevlo.store.machine import ArtifactVersion


def pieces_of(session: Session, bench: OldBench, measured: str | None) -> dict[str, ArtifactVersion]:
    """By name each piece: the shelf's newest of that name where it has one, else one known by its name."""
    columns = list({s.column.header: s.column for s in bench.sizes}.values())
    made = {}
    for name in bench.pieces:
        features = _features(columns) if name == measured else []
        shows = sorted({code for p in bench.prints if p.piece == name for code in p.defects})
        known = session.scalar(
            select(ArtifactVersion).where(func.lower(ArtifactVersion.name) == name.lower())
            .order_by(ArtifactVersion.number.desc()).limit(1)
        )  # fmt: skip
        if known is not None and not features and not shows and "named" not in known.definition:
            made[name] = known
            continue
        two = any(p.piece == name and (p.waste_g or 0) > 0 for p in bench.prints)
        called = name[:60]
        if any(row.name == called for row in made.values()):
            # Two long names that begin alike are two pieces.
            called = f"{name[:54]} ({len(made) + 1})"
        made[name] = named_piece(session, called, features, shows, 1 + two)
    return made


def _features(columns: Sequence[SizeColumn]) -> list[Feature]:
    """The sizes as features: X1, X2 … along each axis in the order of the columns."""
    count: defaultdict[str, int] = defaultdict(int)
    features = []
    for c in columns:
        axis = c.axis or "X"
        count[axis] += 1
        features.append(
            Feature(
                f"{axis}{count[axis]}",
                Kind.LENGTH,
                axis,
                -1 if c.inside else 1,
                c.nominal,
                f"As noted: {c.header}",
                None,
            )
        )
    return features

"""How many copies of a part fit on a plate: its true outline packed with spacing, brim and keep-outs."""

import itertools
import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import TypeAlias

import numpy as np
import shapely
from shapely import MultiPolygon, Point, Polygon, affinity

from crevlo.core.estimate import BadInput

# Positions may be off by this much; exact fits would otherwise leave a place without area to stand in.
SLACK_MM = 2e-3
# Outlines are simplified outwards by this much, far below any spacing that prints.
_SIMPLER_MM = 0.05
MOST_COPIES = 2000
_ROUND_SIDES = 128
Area: TypeAlias = Polygon | MultiPolygon
# Copies that move together: each with its turn and place from the unit's origin.
Unit = tuple[tuple[float, float, float], ...]


@dataclass(frozen=True, slots=True)
class Plate:
    """A bed in mm with its origin in the middle: a rectangle, or a circle of diameter `x`; areas to keep free."""

    x: float
    y: float
    is_round: bool = False
    keep_outs: tuple[Polygon, ...] = ()

    @property
    def outline(self) -> Polygon:
        if self.is_round:
            return Point(0, 0).buffer(self.x / 2, quad_segs=_ROUND_SIDES // 4)
        return shapely.box(-self.x / 2, -self.y / 2, self.x / 2, self.y / 2)


@dataclass(frozen=True, slots=True)
class Placement:
    """One copy: turned by `turned_deg` about its own origin, then moved."""

    x: float
    y: float
    turned_deg: float


@dataclass(frozen=True, slots=True)
class Packing:
    """Copies placed, and how many could fit at most by area alone."""

    placements: tuple[Placement, ...]
    at_most: int


def pack(
    outline: Area, plate: Plate, *, spacing_mm: float = 2.0, brim_mm: float = 0.0,
    turns_deg: Sequence[float] = (0, 90, 180, 270), wanted: int = MOST_COPIES,
) -> Packing:  # fmt: skip
    """Up to `wanted` copies, at least `spacing_mm` apart, brims inside the bed and off the keep-outs.

    Greedy: each copy, or pair of copies nested into each other, goes to the first free place along a sweep; several
    sweeps and pairs are tried and the fullest plate is kept. The free places of a turn are the inner-fit area less the
    no-fit area of every copy placed (Minkowski sums). Raises BadInput for an empty outline, a plate without area, or negative allowances.
    """
    if outline.is_empty or not outline.area > 0:
        raise BadInput("the part has no outline on the plate")
    if min(plate.x, plate.y) <= 0 or spacing_mm < 0 or brim_mm < 0 or not turns_deg:
        raise BadInput("a plate needs sizes above 0, spacing and brim from 0, and a turn to try")
    footprint = _simpler(_grown(outline, brim_mm))
    spaced = _grown(footprint, spacing_mm / 2)
    free_area = plate.outline.difference(shapely.union_all(plate.keep_outs))
    # Copies grown by half the spacing lie apart inside the bed grown by as much: their areas bound their number.
    at_most = math.floor(
        _grown(free_area, spacing_mm / 2, "round").area / _grown(footprint, spacing_mm / 2, "round").area + 1e-6
    )
    wanted = min(wanted, at_most, MOST_COPIES)
    turned = {t: affinity.rotate(footprint, t, origin=(0, 0)) for t in turns_deg}
    places = {t: _inner_fit(turned[t], plate) for t in turns_deg}
    grown = {t: affinity.rotate(spaced, t, origin=(0, 0)) for t in turns_deg}
    apart = _all_apart(spaced, turns_deg)
    singles: list[Unit] = [((t, 0.0, 0.0),) for t in turns_deg]
    pairs: list[Unit] = [pair for t in turns_deg[1:] if (pair := _closest_pair(turns_deg[0], t, grown, apart))]
    best: list[Placement] = []
    # Stacks of one turn nest best for some shapes, mixed turns for others, pairs for the rest.
    for units in ([singles[:1]], [singles], *([[pair], singles] for pair in pairs)):
        for along in ((0.0, 1.0), (1.0, 0.0), (0.6, 1.0), (1.0, 0.6)):
            found = _sweep(units, places, apart, np.array(along), wanted)
            if len(found) > len(best):
                best = found
            if len(best) == wanted:
                return Packing(tuple(best), at_most)
    return Packing(tuple(best), at_most)


def _all_apart(spaced: Area, turns_deg: Sequence[float]) -> dict[tuple[float, float], Area]:
    """No-fit areas of every pair of turns; only the turn of one against the other has to be worked out."""
    relative: dict[float, Area] = {}
    apart = {}
    for a, b in itertools.product(turns_deg, repeat=2):
        turn = round((b - a) % 360, 6)
        if turn not in relative:
            relative[turn] = _no_fit(spaced, affinity.rotate(spaced, turn, origin=(0, 0)))
        apart[a, b] = affinity.rotate(relative[turn], a, origin=(0, 0))
    return apart


def placed(outline: Area, placement: Placement) -> Area:
    return affinity.translate(affinity.rotate(outline, placement.turned_deg, origin=(0, 0)), placement.x, placement.y)


def _closest_pair(
    a: float, b: float, grown: dict[float, Area], apart: dict[tuple[float, float], Area]
) -> Unit | None:
    """Two copies at these turns nested into the smallest rectangle; None where a rectangle gains nothing."""
    best, least = None, math.inf
    corners = shapely.get_coordinates(apart[a, b])
    for x, y in np.concatenate([corners, (corners[1:] + corners[:-1]) / 2]):
        low_x, low_y, high_x, high_y = grown[a].union(affinity.translate(grown[b], x, y)).bounds
        size = (high_x - low_x) * (high_y - low_y)
        if size < least:
            best, least = (float(x), float(y)), size
    alone = sum((g.bounds[2] - g.bounds[0]) * (g.bounds[3] - g.bounds[1]) for g in (grown[a], grown[b]))
    return None if best is None or least > 0.98 * alone else ((a, 0.0, 0.0), (b, *best))


def _sweep(
    stages: list[list[Unit]], places: dict[float, Area], apart: dict[tuple[float, float], Area],
    along: np.ndarray, wanted: int,
) -> list[Placement]:  # fmt: skip
    """Units put one by one to the free place that comes first along the sweep, one stage after the other."""
    found: list[Placement] = []
    settled: list[tuple[Unit, float, float]] = []
    for units in stages:
        free = {u: _room(u, places) for u in units}
        between = {(f, u): _units_apart(f, u, apart) for f in {s[0] for s in settled} | set(units) for u in units}
        for placed_unit, x, y in settled:
            free = {
                u: _areas(r.difference(affinity.translate(between[placed_unit, u], x, y))) for u, r in free.items()
            }
        while len(found) < wanted:
            spot = _first_place(free, along)
            if spot is None:
                break
            unit, x, y = spot
            settled.append(spot)
            found += [Placement(x + dx, y + dy, turn) for turn, dx, dy in unit][: wanted - len(found)]
            free = {u: _areas(r.difference(affinity.translate(between[unit, u], x, y))) for u, r in free.items()}
    return found


def _first_place(free: dict[Unit, Area], along: np.ndarray) -> tuple[Unit, float, float] | None:
    """The unit and place that come first along the sweep; of equal places the one furthest to the lower left."""
    best: tuple[tuple[float, float], Unit, float, float] | None = None
    for unit, room in free.items():
        points = shapely.get_coordinates(room)
        if len(points):
            rank, sums = np.round(points @ along, 3), points.sum(axis=1)
            at = int(np.lexsort((sums, rank))[0])
            key = (float(rank[at]), float(sums[at]))
            if best is None or key < best[0]:
                best = (key, unit, float(points[at, 0]), float(points[at, 1]))
    return None if best is None else best[1:]


def _room(unit: Unit, places: dict[float, Area]) -> Area:
    """Where a unit's origin may be: where every copy of it may."""
    room = affinity.translate(places[unit[0][0]], -unit[0][1], -unit[0][2])
    for turn, dx, dy in unit[1:]:
        room = room.intersection(affinity.translate(places[turn], -dx, -dy))
    return _areas(room)


def _units_apart(fixed: Unit, moving: Unit, apart: dict[tuple[float, float], Area]) -> Area:
    """Where the moving unit's origin must not be, seen from the fixed one's."""
    return shapely.union_all(
        [affinity.translate(apart[a, b], ax - bx, ay - by) for a, ax, ay in fixed for b, bx, by in moving]
    )


def _inner_fit(part: Area, plate: Plate) -> Area:
    """Where the part's origin may be so that it lies on the bed and off the keep-outs."""
    corners = shapely.get_coordinates(part.convex_hull)
    room = plate.outline.buffer(SLACK_MM)
    inside = room
    for x, y in corners:
        inside = inside.intersection(affinity.translate(room, -x, -y))
    for area in plate.keep_outs:
        inside = inside.difference(_no_fit(area, part))
    return _areas(inside)


def _no_fit(fixed: Area, moving: Area) -> Area:
    """Where the moving part's origin must not be: the Minkowski sum of the fixed part and the moving one turned inside out."""
    sums = [
        shapely.MultiPoint((a[:, None, :] - b[None, :, :]).reshape(-1, 2)).convex_hull
        for a, b in itertools.product(_convex_pieces(fixed), _convex_pieces(moving))
    ]
    return shapely.union_all(sums).buffer(-SLACK_MM, join_style="mitre")


def _convex_pieces(area: Area) -> list[np.ndarray]:
    """Corner points of convex pieces that make up the area; holes count as filled."""
    filled = shapely.union_all([Polygon(p.exterior) for p in _polygons(area)])
    pieces = []
    for polygon in _polygons(filled):
        if polygon.convex_hull.area - polygon.area < 1e-9:
            pieces.append(shapely.get_coordinates(polygon)[:-1])
        else:
            pieces += [shapely.get_coordinates(t)[:-1] for t in shapely.constrained_delaunay_triangles(polygon).geoms]
    return pieces


def _grown(area: Area, by_mm: float, corners: str = "mitre") -> Area:
    """The area grown all round; by less than the slack it stays as it is."""
    return area.buffer(by_mm, join_style=corners) if by_mm > SLACK_MM else area


def _simpler(area: Area) -> Area:
    """The area with fewer corners, never smaller than it was where it was round."""
    if len(shapely.get_coordinates(area)) <= 16:
        return area
    return area.buffer(_SIMPLER_MM, join_style="mitre").simplify(_SIMPLER_MM)


def _areas(shape: shapely.Geometry) -> MultiPolygon:
    """Only the parts with area."""
    return MultiPolygon([p for p in _polygons(shape) if p.area > 0])


def _polygons(shape: shapely.Geometry) -> list[Polygon]:
    return [p for p in shapely.get_parts(shape).tolist() if isinstance(p, Polygon) and not p.is_empty]

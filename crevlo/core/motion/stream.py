"""A sliced file of any size read and planned in one pass: compiled, on two threads, in memory that does not grow.

The reader makes rows of moves of the bytes; the planner times the rows before, on a second thread.
"""

import math
from collections import deque
from collections.abc import Iterable, Iterator
from concurrent.futures import Future, ThreadPoolExecutor
from dataclasses import dataclass, field
from itertools import chain

import numpy as np
from numpy.typing import NDArray

from crevlo.core.motion import corners, layout, moves, reader, timing
from crevlo.core.motion.limits import FREE, Keep, Limits, Machine, Turned
from crevlo.core.portions import PURGED, portion_of

Floats = NDArray[np.float64]
_PIECE = 1 << 20
# A file with more is cut off there: arcs make thousands of moves of a short line.
MOST_MOVES = 30_000_000
# Retraction by the firmware (G10, G11), until a file sets its own.
BACK_MM, BACK_MM_S = 3.0, 45.0
SPEED_STEP, FLOW_STEP = timing.SPEED_STEP, timing.FLOW_STEP


@dataclass(frozen=True, slots=True)
class Motion:
    """Totals of a file. All times in s.

    `asked_s`, `flow_s` and `axes_s` are what it would take at the speeds asked for, within the flow limit, and within
    the axes' top speeds too, were there no acceleration. `at_asked_s`, `by_flow_s` and `by_axes_s` are spent cruising at the
    speed asked for, or below it for the one or the other; the rest of the moving time goes into speeding up and slowing down.
    `by_speed` counts in steps of SPEED_STEP mm/s, `by_flow` in steps of FLOW_STEP mm³/s, `by_layer` from the first
    layer mark on with what goes before it in front, `by_feature` by name ("" before the first). `changes_s` are the times
    from the last plastic laid on a part to the first laid with the next tool.
    """

    seconds: float
    waits_s: float
    moves: int
    partial: bool
    sets_limits: bool
    asked_s: float
    flow_s: float
    axes_s: float
    at_asked_s: float
    by_flow_s: float
    by_axes_s: float
    by_speed: Floats
    by_flow: Floats
    by_feature: dict[str, float]
    by_layer: Floats
    changes_s: Floats

    @property
    def moving_s(self) -> float:
        return self.seconds - self.waits_s

    @property
    def at_asked_speed(self) -> float:
        """Share of the moving time at the speed that the file asks for."""
        return self.at_asked_s / self.moving_s if self.moving_s > 0 else 0.0


@dataclass(slots=True)
class Tally:
    """What the reader counts beside the moves: mm of filament by tool and feature type, of moves that lay plastic and of
    those of the extruder alone; by tool in all, drawn back at the end, and primed before the print (None: no print was
    marked); `heights` are layers by the heights plastic was laid at, up to the first mark of one. `picture` has the lines of the pictures in the file, from " thumbnail begin" to the end of each."""

    lines: int = 0
    size: int = 0
    comments: list[bytes] = field(default_factory=list)
    picture: list[bytes] = field(default_factory=list)
    features: list[str] = field(default_factory=lambda: [""])
    extruded: dict[tuple[int, str], float] = field(default_factory=dict)
    fed: dict[tuple[int, str], float] = field(default_factory=dict)
    moved: dict[int, float] = field(default_factory=dict)
    drawn: dict[int, float] = field(default_factory=dict)
    primed: dict[int, float] | None = None
    changes: int = 0
    layers: int = 0
    heights: int = 0
    skipped: dict[str, int] = field(default_factory=dict)
    ended_in_line: bool = False
    nozzle_waits: int = 0
    nozzle_c: float = 0.0
    bed_waits: int = 0
    bed_c: float = 0.0
    progress_s: float | None = None


_SKIPS = {
    layout.MALFORMED: "malformed numbers", layout.UNKNOWN_TOOLS: "unknown tools",
    layout.OFF_BED: "moves off any bed", layout.LONG_LINES: "lines over 1 MB",
    layout.MANY_FEATURES: "feature types beyond 62",
}  # fmt: skip
# Of the comments that may state a fact the first and the last are kept, where files have their summaries.
_MOST_COMMENTS, _MOST_COMMENT_BYTES, _LONGEST_COMMENT = 10_000, 4_000_000, 4000
_MOST_PICTURE_LINES, _LONGEST_PICTURE_LINE = 20_000, 100


def plan_stream(
    chunks: Iterable[bytes],
    limits: Limits | None = None,
    *,
    machine: Machine | None = None,
    keep: Keep | None = None,
    turned: Turned | None = None,
    g90_resets_extrusion: bool = False,
) -> Motion:
    """Motion of a file from its bytes in chunks of any size.

    `limits` stand until the file sets its own; a machine's own count wherever they are tighter; both as `turned`.
    """
    return read_stream(
        chunks, limits, machine=machine, keep=keep, turned=turned, g90_resets_extrusion=g90_resets_extrusion
    )[0]


def read_stream(
    chunks: Iterable[bytes],
    limits: Limits | None = None,
    *,
    machine: Machine | None = None,
    keep: Keep | None = None,
    turned: Turned | None = None,
    g90_resets_extrusion: bool = False,
) -> tuple[Motion, Tally]:
    """As `plan_stream`, with what else the file holds."""
    pass_ = _Pass(limits or Limits(), machine or Machine(), keep or Keep(), turned or Turned(), g90_resets_extrusion)
    with ThreadPoolExecutor(1) as second:
        for piece in chain(_pieces(chunks), (None,)):
            pass_.take(piece, second)
            if pass_.totals[timing.MOVES] > MOST_MOVES:
                break
        return pass_.motion(second), pass_.tally_up()


def compiled() -> None:
    """Compiles all of it, or loads what an earlier call has compiled: done when Crevlo is installed."""
    plan_stream([b"M204 P900\nT0\n;TYPE:Perimeter\nG1 X1 E1 F600\nG2 X2 Y0 I0.5 J0\nG2 X3 Y1 R1\nG4 P1\n"])


class _Pass:
    """One pass over one file."""

    def __init__(
        self, limits: Limits, machine: Machine, keep: Keep, turned: Turned, g90_resets_extrusion: bool
    ) -> None:
        state = np.zeros(layout.STATE)
        state[layout.SPEED], state[layout.FACTOR], state[layout.UNIT] = 25.0, 1.0, 1.0
        state[layout.RESETS], state[layout.TOOL], state[layout.PROGRESS_MIN] = float(g90_resets_extrusion), -1.0, -1.0
        state[layout.MODAL] = -1.0
        state[layout.E_SCALE], state[layout.BACK_MM] = 1.0, BACK_MM
        state[layout.BACK_SPEED] = state[layout.FORTH_SPEED] = BACK_MM_S
        state[layout.FED_OF : layout.FED_OF + layout.MOST_TOOLS] = 1.0
        for place, given in ((layout.GIVEN, limits), (layout.CEILING, machine.limits)):
            state[place : place + 18] = (
                *given.speed, *given.acceleration, *given.corner, given.printing, given.retracting, given.travelling,
                given.least_printing_speed, given.least_travel_speed, given.junction_mm,
            )  # fmt: skip
        state[layout.KEEP : layout.KEEP + 3] = keep.axes, keep.acceleration, keep.corners
        state[layout.TURNED : layout.TURNED + 2] = turned.acceleration, turned.corner
        state[layout.FLOW] = machine.most_mm3_s or FREE
        state[layout.FLOW + 1] = state[layout.OWN_AREA] = math.pi * machine.diameter_mm**2 / 4
        moves.hold_limits(state)
        self.state = state
        rows = layout.OPEN_MOVES + layout.HELD_MOVES + layout.MOST_CHORDS
        self.held = [np.zeros((rows, layout.COLUMNS)) for _ in range(2)]
        self.count, self.at = 0, 0
        self.scratch = np.empty(rows)
        self.notes = np.zeros((layout.MOST_NOTES, 3), dtype=np.int64)
        self.names = np.zeros(layout.MOST_FEATURES, dtype=np.uint64)
        self.purges = np.zeros(layout.MOST_FEATURES, dtype=np.bool_)
        self.tally = Tally()
        self.tail, self.dropping = b"", False
        self.last_comments: deque[bytes] = deque()
        self.first_bytes = self.last_bytes = self.long_comments = 0
        # What the second thread alone touches, and the one thing under way on it.
        self.open, self.entry, self.changed = 0, -1.0, 0
        self.last = np.zeros(layout.OF_LAST)
        self.totals = np.zeros(timing.TOTALS)
        self.by_speed, self.by_flow = np.zeros(timing.BINS), np.zeros(timing.BINS)
        self.by_feature, self.by_layer = np.zeros(layout.MOST_FEATURES), np.zeros(layout.MOST_LAYERS + 1)
        self.changes = np.zeros(layout.MOST_CHANGES)
        self.under_way: Future[None] | None = None

    def take(self, piece: bytes | None, second: ThreadPoolExecutor) -> None:
        """Reads the next piece; None after the last."""
        if piece is not None:
            if self.tally.size == 0 and piece.startswith(b"\xef\xbb\xbf"):
                piece = piece[3:]
            self.tally.size += len(piece)
            if self.dropping:
                ends = [e for e in (piece.find(b"\n"), piece.find(b"\r")) if e >= 0]
                if not ends:
                    return
                piece, self.dropping = piece[min(ends) :], False
        text, last = self.tail + (piece or b""), piece is None
        if last and text:
            self.tally.ended_in_line = True
        data, at = np.frombuffer(text, dtype=np.uint8), 0
        # Only whole lines; the last may have no end.
        stop = len(text) if last else max(text.rfind(b"\n"), text.rfind(b"\r")) + 1
        while at < stop and self.totals[timing.MOVES] <= MOST_MOVES:
            before = at, self.count
            at, self.count, noted = reader.read(
                data,
                at,
                stop,
                self.state,
                self.held[self.at][layout.OPEN_MOVES :],
                self.count,
                self.notes,
                self.names,
            )
            for kind, begin, end in self.notes[:noted].tolist():
                self._note(kind, text[begin:end])
            if self.count >= layout.HELD_MOVES:
                self._hand_over(second, over=False)
            elif (at, self.count) == before:
                break
        self.tail = text[at:]
        if len(self.tail) > _PIECE:
            self.tail, self.dropping = b"", True
            self.state[layout.LONG_LINES] += 1

    def _note(self, kind: int, text: bytes) -> None:
        if kind == layout.FEATURE_NAME:
            name = "".join(c for c in text[:60].decode("utf-8", "replace") if c.isprintable()).strip()
            self.purges[len(self.tally.features)] = portion_of(name) in PURGED
            self.tally.features.append(name)
        elif kind == layout.PICTURE:
            if len(self.tally.picture) < _MOST_PICTURE_LINES:
                self.tally.picture.append(text[:_LONGEST_PICTURE_LINE])
        elif len(text) > _LONGEST_COMMENT:
            self.long_comments += 1
        elif len(self.tally.comments) < _MOST_COMMENTS and self.first_bytes < _MOST_COMMENT_BYTES:
            self.tally.comments.append(text)
            self.first_bytes += len(text)
        else:
            self.last_comments.append(text)
            self.last_bytes += len(text)
            while len(self.last_comments) > _MOST_COMMENTS or self.last_bytes > _MOST_COMMENT_BYTES:
                self.last_bytes -= len(self.last_comments.popleft())

    def _hand_over(self, second: ThreadPoolExecutor, *, over: bool) -> None:
        """Gives the rows read to the second thread, once it has done those before, and goes on with the other store."""
        self._wait()
        rows, count = self.held[self.at], self.count
        self.under_way = second.submit(self._finish, rows, self.held[1 - self.at], count, over)
        self.at, self.count = 1 - self.at, 0
        # The other store has no row yet that has the limits.
        self.state[layout.NEW_LIMITS] = 1.0

    def _finish(self, rows: Floats, other: Floats, count: int, over: bool) -> None:
        corners.limit_moves(rows, layout.OPEN_MOVES, count, self.last)
        start = layout.OPEN_MOVES - self.open
        # Rows still open from before stand at the end of the other store's.
        self.open, self.entry, self.changed = timing.finish(
            rows, start, self.open + count, self.entry, over, self.scratch, self.totals, self.purges, self.by_speed,
            self.by_flow, self.by_feature, self.by_layer, self.changes, self.changed,
        )  # fmt: skip
        end = layout.OPEN_MOVES + count
        other[layout.OPEN_MOVES - self.open : layout.OPEN_MOVES] = rows[end - self.open : end]

    def _wait(self) -> None:
        if self.under_way is not None:
            self.under_way.result()
            self.under_way = None

    def motion(self, second: ThreadPoolExecutor) -> Motion:
        self._hand_over(second, over=True)
        self._wait()
        totals = self.totals
        waits = float(totals[timing.WAITED] + self.state[layout.WAIT])
        by_feature: dict[str, float] = {}
        for name, seconds in zip(self.tally.features, self.by_feature, strict=False):
            if seconds > 0:
                by_feature[name] = by_feature.get(name, 0.0) + float(seconds)
        layers = int(min(self.state[layout.LAYERS], layout.MOST_LAYERS))
        return Motion(
            float(totals[timing.MOVING]) + waits, waits, int(totals[timing.MOVES]),
            bool(totals[timing.MOVES] > MOST_MOVES), bool(self.state[layout.SETS] > 0), float(totals[timing.FREE_S]),
            float(totals[timing.FLOW_S]), float(totals[timing.AXES_S]), float(totals[timing.AT_ASKED]),
            float(totals[timing.BY_FLOW]), float(totals[timing.BY_AXES]), self.by_speed, self.by_flow, by_feature,
            self.by_layer[: layers + 1], self.changes[: self.changed],
        )  # fmt: skip

    def tally_up(self) -> Tally:
        tally, state = self.tally, self.state
        tally.lines, tally.changes = int(state[layout.LINES]), int(state[layout.CHANGES])
        tally.layers, tally.heights = int(state[layout.LAYERS]), int(state[layout.Z_LAYERS])
        tally.nozzle_waits, tally.nozzle_c = int(state[layout.NOZZLE_WAITS]), float(state[layout.NOZZLE_C])
        tally.bed_waits, tally.bed_c = int(state[layout.BED_WAITS]), float(state[layout.BED_C])
        if state[layout.PROGRESS_MIN] >= 0:
            tally.progress_s = 60 * float(state[layout.PROGRESS_MIN])
        moved, drawn, primed = (
            state[place : place + layout.MOST_TOOLS] for place in (layout.MOVED, layout.DRAWN, layout.PRIMED)
        )
        used = state[layout.EXTRUDED :].reshape(2, layout.MOST_TOOLS, layout.MOST_FEATURES).any(axis=(0, 2))
        for tool in np.flatnonzero((moved != 0) | (drawn != 0) | used).tolist():
            tally.moved[tool], tally.drawn[tool] = float(moved[tool]), float(drawn[tool])
            for place, sums in ((layout.EXTRUDED, tally.extruded), (layout.FED, tally.fed)):
                begin = place + tool * layout.MOST_FEATURES
                row = state[begin : begin + layout.MOST_FEATURES]
                for feature in np.flatnonzero(row).tolist():
                    key = tool, tally.features[feature]
                    sums[key] = sums.get(key, 0.0) + float(row[feature])
        if state[layout.STARTED] > 0:
            tally.primed = {tool: float(primed[tool]) for tool in tally.moved}
        tally.skipped = {name: int(state[k]) for k, name in _SKIPS.items() if state[k]}
        if self.long_comments:
            tally.skipped["over-long comments"] = self.long_comments
        tally.comments += self.last_comments
        self.last_comments.clear()
        return tally


def _pieces(chunks: Iterable[bytes]) -> Iterator[bytes]:
    for chunk in chunks:
        for start in range(0, len(chunk), _PIECE):
            yield chunk[start : start + _PIECE]

"""What a sliced file says of itself and what its moves add up to, read as a stream in one pass."""

import math
import re
from collections import Counter
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass

from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.core.gcode.objects import MOST_OBJECTS, ObjectNames, printable
from crevlo.core.gcode.stated import amounts, largest_picture, parse_duration
from crevlo.core.motion.limits import Keep, Limits, Machine
from crevlo.core.motion.stream import Motion, Tally, read_stream
from crevlo.core.portions import FilamentUse, filament_uses

_MOST_SETTINGS = 4000
_LONGEST_SETTING = 2000
_MOST_TOOLS = 64
_LONGEST_TIME_S = 366 * 86400.0
_LONGEST_FILAMENT_MM = 1e7


@dataclass(frozen=True, slots=True)
class ToolUse:
    """Filament of one tool: length in mm, mass in g, and where the figures come from."""

    tool: int
    length_mm: float
    length_from: str
    mass_g: float | NotDetermined
    mass_from: str


@dataclass(frozen=True, slots=True)
class GcodeFacts:
    """Facts of one sliced file. `skipped` counts what could not be read; `partial` marks a cut-off file; `objects`
    are the pieces on the plate where the file names them, each copy by itself."""

    generator: str
    time_s: float | NotDetermined
    time_from: str
    silent_time_s: float | None
    tools: tuple[ToolUse, ...]
    layers: int | NotDetermined
    tool_changes: int
    settings: Mapping[str, str]
    uses: tuple[FilamentUse, ...]
    nozzle_c: float | None
    bed_c: float | None
    objects: tuple[str, ...]
    picture: bytes | None
    size_bytes: int
    lines: int
    partial: bool
    skipped: Mapping[str, int]
    warnings: tuple[str, ...]

    @property
    def length_mm(self) -> float:
        return math.fsum(t.length_mm for t in self.tools)

    @property
    def mass_g(self) -> float | NotDetermined:
        masses = [t.mass_g for t in self.tools]
        missing = next((m for m in masses if isinstance(m, NotDetermined)), None)
        return missing if missing else math.fsum(m for m in masses if not isinstance(m, NotDetermined))


@dataclass(frozen=True, slots=True)
class Sliced:
    """One sliced file: its facts, and its motion."""

    facts: GcodeFacts
    motion: Motion


def read_sliced(
    chunks: Iterable[bytes],
    limits: Limits | None = None,
    *,
    machine: Machine | None = None,
    keep: Keep | None = None,
    g90_resets_extrusion: bool = False,
) -> Sliced:
    """Facts and motion from the file's bytes in chunks of any size; memory stays bounded whatever the file holds.

    Comments come first; filament falls back to summing the moves' extrusion. With `g90_resets_extrusion`
    a G90 also makes extrusion absolute, as some firmware does. Raises BadInput for empty or binary content.
    """
    motion, tally = read_stream(
        _text(chunks), limits, machine=machine, keep=keep, g90_resets_extrusion=g90_resets_extrusion
    )
    reader = _Reader(tally)
    if motion.partial:
        reader.warnings.append(f"Only the first {motion.moves:,} moves were read; the file has more.")
    return Sliced(reader.facts(cut_off=motion.partial, moves=motion.moves), motion)


def read_facts(chunks: Iterable[bytes], *, g90_resets_extrusion: bool = False) -> GcodeFacts:
    """The facts alone, as of `read_sliced`."""
    return read_sliced(chunks, g90_resets_extrusion=g90_resets_extrusion).facts


_BINARY = {
    b"\x1f\x8b": "gzip-compressed",
    b"PK": "a zip archive",
    b"\x7fELF": "a program",
    b"\x89PNG": "a picture",
    b"%PDF": "a PDF",
}

# Bytes that no text holds; a stray one in a hundred is let pass.
_CONTROLS = bytes(set(range(32)) - set(b"\t\n\v\f\r\x1b")) + b"\x7f"

_SETTING = re.compile(r" ?([A-Za-z][A-Za-z0-9_]{1,80}) ?= ?(.*)")


def _text(chunks: Iterable[bytes]) -> Iterator[bytes]:
    """The chunks, once the first bytes look like text."""
    first = True
    for chunk in chunks:
        if first and chunk:
            _refuse_binary(chunk)
            first = False
        yield chunk
    if first:
        raise BadInput("the file is empty")


def _refuse_binary(head: bytes) -> None:
    for magic, what in _BINARY.items():
        if head.startswith(magic):
            raise BadInput(f"this is {what} file, not G-code text; unpack or slice it first")
    if head[:2] in (b"\xff\xfe", b"\xfe\xff"):
        raise BadInput("this file is in UTF-16; save it as plain text or UTF-8")
    sample = head[:65536]
    if len(sample) - len(sample.translate(None, _CONTROLS)) > len(sample) // 100:
        raise BadInput("this is not G-code text: it holds binary data")


class _Reader:
    """What the comments state, beside what the moves add up to; results leave through `facts`."""

    def __init__(self, tally: Tally) -> None:
        self.tally = tally
        self.skipped: Counter[str] = Counter(tally.skipped)
        self.warnings: list[str] = []
        self.generator = ""
        self.times: dict[str, float] = {}
        self.lengths: list[float] | None = None
        self.masses: list[float] | None = None
        self.mass_total: float | None = None
        self.layers_stated: int | None = None
        self.changes_stated: int | None = None
        self.settings: dict[str, str] = {}
        self.objects = ObjectNames()
        for comment in tally.comments:
            self._comment(comment)
        if self.objects.beyond:
            self.skipped[f"objects beyond {MOST_OBJECTS}"] = self.objects.beyond

    def facts(self, *, cut_off: bool, moves: int) -> GcodeFacts:
        tools, tally = self._tools(), self.tally
        time_from, time_s = self._time()
        layers: int | NotDetermined = NotDetermined("layers marked in the file, or moves that lay plastic")
        if self.layers_stated is not None:
            layers = self.layers_stated
        elif tally.layers:
            layers = tally.layers
        elif tally.heights:
            layers = tally.heights
        if not (tools or self.settings or self.times or tally.layers or moves):
            raise BadInput("no moves, times or settings were found: this does not look like G-code")
        partial = cut_off or bool(self.skipped["lines over 1 MB"])
        if tally.ended_in_line and self.lengths is None and tally.layers:
            partial = True
            self.warnings.append("The file ends in the middle of a line and without its summary: it looks cut off.")
        if self.skipped["malformed numbers"]:
            self.warnings.append(f"{self.skipped['malformed numbers']} moves with malformed numbers were left out.")
            partial = True
        if self.skipped["moves off any bed"]:
            self.warnings.append(f"{self.skipped['moves off any bed']} moves lead off any bed and were left out.")
            partial = True
        return GcodeFacts(
            generator=self.generator,
            time_s=time_s,
            time_from=time_from,
            silent_time_s=self.times.get("silent"),
            tools=tools,
            layers=layers,
            tool_changes=self.changes_stated if self.changes_stated is not None else tally.changes,
            settings=self.settings,
            uses=filament_uses(tally.extruded, tally.fed, _mass_per_length(tools)),
            nozzle_c=tally.nozzle_c or None,
            bed_c=tally.bed_c or None,
            objects=self.objects.named(),
            picture=largest_picture(tally.picture),
            size_bytes=tally.size,
            lines=tally.lines,
            partial=partial,
            skipped={k: n for k, n in self.skipped.items() if n},
            warnings=tuple(self.warnings),
        )

    def _comment(self, raw: bytes) -> None:
        text = raw.decode("utf-8", "replace").rstrip()
        if not self._stated(text):
            self._setting(text)

    def _stated(self, text: str) -> bool:
        plain = text.strip()
        low = plain.lower()
        if low.startswith("generated by"):
            self.generator = self.generator or printable(plain[12:])[:120]
            return True
        colon, _, rest = plain.partition(":")
        key, after = colon.strip().lower(), rest.strip()
        if low.startswith("estimated printing time"):
            name, _, value = plain.partition("=")
            self._time_stated("silent" if "silent" in name else "estimated printing time", value)
        elif low.startswith(("filament used", "total filament length [mm]", "total filament weight [g]")):
            self._filament(re.sub(r"^total filament (?:length|weight) (\[\w+\]) *:", r"filament used \1 =", low))
        elif low.startswith("total filament used [g]"):
            self.mass_total = self._amount(plain.partition("=")[2])
        elif low.startswith("total toolchanges"):
            self.changes_stated = self._count(plain.partition("=")[2])
        elif key == "time":
            self._time_stated("TIME", after)
        elif key in ("build time", "print time", "estimated print time"):
            self._time_stated("build time", after)
        elif key in ("total estimated time", "model printing time"):
            # Two facts can share a line: "model printing time: …; total estimated time: …".
            for part in plain.split(";"):
                name, _, value = part.partition(":")
                self._time_stated(name.strip().lower(), value)
        elif key in ("layer_count", "total layer number"):
            self.layers_stated = self._count(after)
        elif self.objects.take(plain):
            pass
        elif key == "layer height":
            self.settings.setdefault("layer_height", after[:40])
        else:
            return False
        return True

    def _setting(self, text: str) -> None:
        match = _SETTING.fullmatch(text)
        if not match or (match[1].endswith("_config") and match[2].strip() in ("begin", "end")):
            return
        if len(self.settings) >= _MOST_SETTINGS:
            self.skipped["settings beyond 4000"] += 1
            return
        self.settings[match[1]] = printable(match[2])[:_LONGEST_SETTING]

    def _time_stated(self, name: str, value: str) -> None:
        try:
            seconds = parse_duration(value)
        except ValueError:
            seconds = math.nan
        if 0 < seconds <= _LONGEST_TIME_S:
            self.times.setdefault(name, seconds)
        elif value.strip():
            self.warnings.append(
                f"The stated {name} “{printable(value.strip())[:40]}” makes no sense and was ignored."
            )

    def _filament(self, low: str) -> None:
        name, _, rest = low.replace("filament used:", "filament used =").partition("=")
        unit = name.partition("[")[2].partition("]")[0]
        found = amounts(rest.partition("(")[0])
        values = [self._amount(number) for number, _ in found]
        unit = unit or (found[0][1] if found else "")
        if not values or any(v is None for v in values) or len(values) > _MOST_TOOLS:
            self.warnings.append("A stated filament amount makes no sense and was ignored.")
            return
        given = [v for v in values if v is not None]
        if unit in ("mm", "m"):
            self.lengths = (self.lengths or []) if "[" not in name and unit == "mm" else []
            self.lengths += [v * (1000 if unit == "m" else 1) for v in given]
        elif unit == "g":
            self.masses = ((self.masses or []) if "[" not in name else []) + given

    def _amount(self, text: str) -> float | None:
        try:
            value = float(text)
        except ValueError:
            return None
        return value if 0 <= value <= _LONGEST_FILAMENT_MM else None

    def _count(self, text: str) -> int | None:
        text = text.strip()
        return int(text) if text.isdigit() and len(text) < 8 else None

    def _time(self) -> tuple[str, float | NotDetermined]:
        for name in ("estimated printing time", "total estimated time", "model printing time", "TIME", "build time"):
            if name in self.times:
                return f"comment “{name}”", self.times[name]
        if self.tally.progress_s and self.tally.progress_s <= _LONGEST_TIME_S:
            return "progress mark M73, to the minute", self.tally.progress_s
        return "", NotDetermined("a time estimate in the file")

    def _tools(self) -> tuple[ToolUse, ...]:
        tally = self.tally
        primed = tally.primed or {}
        # A retraction still open at the end was printed filament drawn back, not filament saved
        # (with tool changes it is an unload, which is).
        summed = {
            tool: total - primed.get(tool, 0.0) + (0.0 if tally.changes else tally.drawn.get(tool, 0.0))
            for tool, total in tally.moved.items()
        }
        if self.lengths is not None:
            lengths, length_from = dict(enumerate(self.lengths)), "comment"
            moved, stated = math.fsum(summed.values()), math.fsum(self.lengths)
            if stated > 0 and abs(moved - stated) > 0.02 * stated + 50:
                self.warnings.append(
                    f"The file states {stated:.0f} mm of filament; its moves add up to {moved:.0f} mm."
                )
        else:
            note = "priming left out" if tally.primed is not None else "any priming included"
            lengths, length_from = summed, f"sum of the moves, {note}"
        used = []
        for tool in sorted(lengths):
            length = lengths[tool]
            if length <= 0 and not (self.masses and tool < len(self.masses) and self.masses[tool] > 0):
                continue
            mass, mass_from = self._mass(tool, length, alone=len(lengths) == 1)
            used.append(ToolUse(tool, length, length_from, mass, mass_from))
        return tuple(used)

    def _mass(self, tool: int, length_mm: float, *, alone: bool) -> tuple[float | NotDetermined, str]:
        if self.masses is None and alone and self.mass_total:
            return self.mass_total, "comment"
        if self.masses is not None and tool < len(self.masses) and self.masses[tool] > 0:
            return self.masses[tool], "comment"
        try:
            diameter = _per_tool(self.settings["filament_diameter"], tool)
            density = _per_tool(self.settings["filament_density"], tool)
        except (KeyError, ValueError):
            return NotDetermined("filament diameter and density: from the spool or the file"), ""
        return filament_mass_g(length_mm, diameter, density), "length, diameter and density in the file"


def _mass_per_length(tools: Iterable[ToolUse]) -> dict[int, float]:
    """g per mm of filament, of the tools whose mass is known."""
    return {
        t.tool: t.mass_g / t.length_mm for t in tools if t.length_mm > 0 and not isinstance(t.mass_g, NotDetermined)
    }


def filament_mass_g(length_mm: float, diameter_mm: float, density_g_cm3: float) -> float:
    """Mass of a length of round filament in g."""
    return math.pi / 4 * diameter_mm**2 * length_mm * density_g_cm3 / 1000


def _per_tool(text: str, tool: int) -> float:
    parts = text.split(",")
    value = float(parts[min(tool, len(parts) - 1)])
    if not 0 < value < 100:
        raise ValueError(text)
    return value

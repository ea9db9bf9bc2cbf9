"""What a sliced file says of itself, read as a stream."""

import math
import re
from collections import Counter
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, field

from crevlo.core.estimate import BadInput, NotDetermined

_LONGEST_LINE = 1 << 20
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
    """Facts of one sliced file. `skipped` counts what could not be read; `partial` marks a cut-off file."""

    generator: str
    time_s: float | NotDetermined
    time_from: str
    silent_time_s: float | None
    tools: tuple[ToolUse, ...]
    layers: int | NotDetermined
    tool_changes: int
    settings: Mapping[str, str]
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


def read_facts(chunks: Iterable[bytes], *, g90_resets_extrusion: bool = False) -> GcodeFacts:
    """Facts from the file's bytes in chunks of any size; memory stays bounded whatever the file holds.

    Comments come first; filament falls back to summing the moves' extrusion. With `g90_resets_extrusion`
    a G90 also makes extrusion absolute, as some firmware does. Raises BadInput for empty or binary content.
    """
    reader = _Reader(g90_resets_extrusion)
    for block in _whole_lines(chunks, reader):
        reader.read(block)
    return reader.facts()


def parse_duration(text: str) -> float:
    """Seconds of "1d 2h 3m 4s" or a plain number of seconds; raises ValueError otherwise."""
    text = text.strip()
    parts = re.findall(r"(\d+(?:\.\d+)?)\s*([dhms])", text)
    if parts:
        return math.fsum(float(n) * {"d": 86400, "h": 3600, "m": 60, "s": 1}[u] for n, u in parts)
    return float(text)


_BINARY = {
    b"\x1f\x8b": "gzip-compressed",
    b"PK": "a zip archive",
    b"\x7fELF": "a program",
    b"\x89PNG": "a picture",
    b"%PDF": "a PDF",
}

# Bytes that no text holds; a stray one in a hundred is let pass.
_CONTROLS = bytes(set(range(32)) - set(b"\t\n\v\f\r\x1b")) + b"\x7f"

# One pass over a block: whole-line comments, extruding moves, extrusion resets and modes, tool choices.
_LINE = re.compile(
    rb"""^[ \t]*(?:N\d+[ \t]*)?(?:
      ;(?P<comment>[^\n]*)
    | (?:[Gg]0*[0-3](?=[ \tXYZEFIJRAxyze]))?(?=[ \tXYZEFIJRAxyze])[^;\n]*?[EeAa](?P<extrude>[^\s;XYZFIJR*]*)
    | [Gg]92(?=\s)(?:[^;\n]*?[EeAa](?P<reset>[^\s;XYZ*]*)|[^\n]*)
    | (?P<mode>[Mm]8[23]|[Gg]9[01])(?!\d)
    | [Tt](?P<tool>\d+)
    )""",
    re.MULTILINE | re.VERBOSE,
)
_SETTING = re.compile(r" ?([A-Za-z][A-Za-z0-9_]{1,80}) ?= ?(.*)")


def _whole_lines(chunks: Iterable[bytes], reader: "_Reader") -> Iterator[bytes]:
    """Blocks that end at a line end, CR and CRLF turned to LF; over-long lines are dropped and counted."""
    tail, first, dropping = b"", True, False
    for chunk in chunks:
        for start in range(0, len(chunk), _LONGEST_LINE):
            piece = chunk[start : start + _LONGEST_LINE]
            if first and piece:
                _refuse_binary(piece)
                first = False
            reader.size += len(piece)
            piece = piece.replace(b"\r\n", b"\n").replace(b"\r", b"\n")
            if dropping:
                end = piece.find(b"\n")
                if end < 0:
                    continue
                piece, dropping = piece[end + 1 :], False
            cut = piece.rfind(b"\n")
            if cut < 0:
                tail += piece
                if len(tail) > _LONGEST_LINE:
                    reader.skipped["lines over 1 MB"] += 1
                    tail, dropping = b"", True
                continue
            yield tail + piece[: cut + 1]
            tail = piece[cut + 1 :]
    if first:
        raise BadInput("the file is empty")
    if tail:
        yield tail + b"\n"
        reader.ended_in_line = True


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
    """State of one pass; results leave through `facts`."""

    def __init__(self, g90_resets_extrusion: bool) -> None:
        self.g90_resets_extrusion = g90_resets_extrusion
        self.size = self.lines = 0
        self.skipped: Counter[str] = Counter()
        self.warnings: list[str] = []
        self.ended_in_line = False
        self.generator = ""
        self.times: dict[str, float] = {}
        self.lengths: list[float] | None = None
        self.masses: list[float] | None = None
        self.mass_total: float | None = None
        self.layers_stated: int | None = None
        self.layer_marks = 0
        self.changes_stated: int | None = None
        self.settings: dict[str, str] = {}
        self.absolute, self.position = True, 0.0
        self.tool: int | None = None
        self.changes = 0
        self.moved: dict[int, float] = {}
        self.drawn_back: dict[int, float] = {}
        self.primed: dict[int, float] | None = None

    def read(self, block: bytes) -> None:
        self.lines += block.count(b"\n")
        for match in _LINE.finditer(block):
            kind = match.lastgroup
            if kind == "extrude":
                self._extrude(match["extrude"])
            elif kind == "comment":
                self._comment(match["comment"])
            elif kind == "reset":
                self._reset(match["reset"])
            elif kind == "tool":
                self._choose(match["tool"])
            elif kind == "mode":
                self._mode(match["mode"].upper())

    def facts(self) -> GcodeFacts:
        tools = self._tools()
        time_from, time_s = self._time()
        layers: int | NotDetermined = NotDetermined("layer comments in the file")
        if self.layers_stated is not None:
            layers = self.layers_stated
        elif self.layer_marks:
            layers = self.layer_marks
        if not (tools or self.settings or self.times or self.layer_marks):
            raise BadInput("no moves, times or settings were found: this does not look like G-code")
        partial = bool(self.skipped["lines over 1 MB"])
        if self.ended_in_line and self.lengths is None and not isinstance(layers, NotDetermined):
            partial = True
            self.warnings.append("The file ends in the middle of a line and without its summary: it looks cut off.")
        if self.skipped["malformed numbers"]:
            self.warnings.append(f"{self.skipped['malformed numbers']} moves with malformed numbers were left out.")
            partial = True
        return GcodeFacts(
            generator=self.generator,
            time_s=time_s,
            time_from=time_from,
            silent_time_s=self.times.get("silent"),
            tools=tools,
            layers=layers,
            tool_changes=self.changes_stated if self.changes_stated is not None else self.changes,
            settings=self.settings,
            size_bytes=self.size,
            lines=self.lines,
            partial=partial,
            skipped={k: n for k, n in self.skipped.items() if n},
            warnings=tuple(self.warnings),
        )

    def _extrude(self, raw: bytes) -> None:
        try:
            e = float(raw)
        except ValueError:
            self.skipped["malformed numbers"] += 1
            return
        if not abs(e) < _LONGEST_FILAMENT_MM:
            self.skipped["malformed numbers"] += 1
            return
        if self.tool is None:
            self.tool = 0
        tool, step = self.tool, e
        if self.absolute:
            step, self.position = e - self.position, e
        self.moved[tool] = self.moved.get(tool, 0.0) + step
        self.drawn_back[tool] = max(0.0, self.drawn_back.get(tool, 0.0) - step)

    def _reset(self, raw: bytes) -> None:
        try:
            value = float(raw)
        except ValueError:
            value = math.nan
        if abs(value) < _LONGEST_FILAMENT_MM:
            self.position = value
        else:
            self.skipped["malformed numbers"] += 1

    def _choose(self, raw: bytes) -> None:
        tool = int(raw[:9])
        if tool >= _MOST_TOOLS:
            self.skipped["unknown tools"] += 1
            return
        if self.tool is not None and tool != self.tool:
            self.changes += 1
        self.tool = tool

    def _mode(self, word: bytes) -> None:
        if word == b"M82" or (word == b"G90" and self.g90_resets_extrusion):
            self.absolute = True
        elif word == b"M83" or (word == b"G91" and self.g90_resets_extrusion):
            self.absolute = False

    def _start_of_print(self) -> None:
        """Priming in the start code is not the part's filament: what moved before the first layer is set apart."""
        if self.primed is None:
            self.primed = {tool: moved + self.drawn_back.get(tool, 0.0) for tool, moved in self.moved.items()}

    def _comment(self, raw: bytes) -> None:
        if raw.startswith((b"TYPE:", b"WIDTH:", b"HEIGHT:", b"Z:", b"WIPE")):
            if raw.startswith(b"TYPE:") and not raw.startswith(b"TYPE:Custom"):
                self._start_of_print()
            return
        if raw.startswith((b"LAYER_CHANGE", b" CHANGE_LAYER")) or re.match(rb"LAYER:-?\d", raw):
            self._start_of_print()
            self.layer_marks += 1
            return
        if len(raw) > _LONGEST_SETTING * 2:
            self.skipped["over-long comments"] += 1
            return
        text = raw.decode("utf-8", "replace").rstrip()
        if not self._stated(text):
            self._setting(text)

    def _stated(self, text: str) -> bool:
        plain = text.strip()
        low = plain.lower()
        if low.startswith("generated by"):
            self.generator = self.generator or _printable(plain[12:])[:120]
            return True
        colon, _, rest = plain.partition(":")
        key, after = colon.strip().lower(), rest.strip()
        if low.startswith("estimated printing time"):
            name, _, value = plain.partition("=")
            self._time_stated("silent" if "silent" in name else "estimated printing time", value)
        elif low.startswith("filament used"):
            self._filament(low)
        elif low.startswith("total filament used [g]"):
            self.mass_total = self._amount(plain.partition("=")[2])
        elif low.startswith("total toolchanges"):
            self.changes_stated = self._count(plain.partition("=")[2])
        elif key == "time":
            self._time_stated("TIME", after)
        elif key in ("total estimated time", "model printing time"):
            # Two facts can share a line: "model printing time: …; total estimated time: …".
            for part in plain.split(";"):
                name, _, value = part.partition(":")
                self._time_stated(name.strip().lower(), value)
        elif key in ("layer_count", "total layer number"):
            self.layers_stated = self._count(after)
        elif key == "layer height":
            self.settings.setdefault("layer_height", after[:40])
        else:
            return False
        return True

    def _setting(self, text: str) -> None:
        match = _SETTING.fullmatch(text)
        if not match:
            return
        if len(self.settings) >= _MOST_SETTINGS:
            self.skipped["settings beyond 4000"] += 1
            return
        self.settings[match[1]] = _printable(match[2])[:_LONGEST_SETTING]

    def _time_stated(self, name: str, value: str) -> None:
        try:
            seconds = parse_duration(value)
        except ValueError:
            seconds = math.nan
        if 0 < seconds <= _LONGEST_TIME_S:
            self.times.setdefault(name, seconds)
        elif value.strip():
            self.warnings.append(
                f"The stated {name} “{_printable(value.strip())[:40]}” makes no sense and was ignored."
            )

    def _filament(self, low: str) -> None:
        name, _, rest = low.replace("filament used:", "filament used =").partition("=")
        unit = name.partition("[")[2].partition("]")[0]
        found = re.findall(r"(-?[\d.]+(?:e[-+]?\d+)?)\s*(mm|cm3|m|g)?\b", rest.partition("(")[0])
        values = [self._amount(number) for number, _ in found]
        unit = unit or (found[0][1] if found else "")
        if not values or any(v is None for v in values) or len(values) > _MOST_TOOLS:
            self.warnings.append("A stated filament amount makes no sense and was ignored.")
            return
        amounts = [v for v in values if v is not None]
        if unit in ("mm", "m"):
            self.lengths = (self.lengths or []) if "[" not in name and unit == "mm" else []
            self.lengths += [v * (1000 if unit == "m" else 1) for v in amounts]
        elif unit == "g":
            self.masses = ((self.masses or []) if "[" not in name else []) + amounts

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
        for name in ("estimated printing time", "total estimated time", "model printing time", "TIME"):
            if name in self.times:
                return f"comment “{name}”", self.times[name]
        return "", NotDetermined("a time estimate in the file")

    def _tools(self) -> tuple[ToolUse, ...]:
        primed = self.primed or {}
        # A retraction still open at the end was printed filament drawn back, not filament saved
        # (with tool changes it is an unload, which is).
        summed = {
            tool: total - primed.get(tool, 0.0) + (0.0 if self.changes else self.drawn_back.get(tool, 0.0))
            for tool, total in self.moved.items()
        }
        if self.lengths is not None:
            lengths, length_from = dict(enumerate(self.lengths)), "comment"
            moved, stated = math.fsum(summed.values()), math.fsum(self.lengths)
            if stated > 0 and abs(moved - stated) > 0.02 * stated + 50:
                self.warnings.append(
                    f"The file states {stated:.0f} mm of filament; its moves add up to {moved:.0f} mm."
                )
        else:
            note = "priming left out" if self.primed is not None else "any priming included"
            lengths, length_from = summed, f"sum of the moves, {note}"
        used = []
        for tool in sorted(lengths):
            length = lengths[tool]
            if length <= 0 and not (self.masses and tool < len(self.masses) and self.masses[tool] > 0):
                continue
            mass, mass_from = self._mass(tool, length)
            used.append(ToolUse(tool, length, length_from, mass, mass_from))
        return tuple(used)

    def _mass(self, tool: int, length_mm: float) -> tuple[float | NotDetermined, str]:
        if self.masses is not None and tool < len(self.masses) and self.masses[tool] > 0:
            return self.masses[tool], "comment"
        try:
            diameter = _per_tool(self.settings["filament_diameter"], tool)
            density = _per_tool(self.settings["filament_density"], tool)
        except (KeyError, ValueError):
            return NotDetermined("filament diameter and density: from the spool or the file"), ""
        return filament_mass_g(length_mm, diameter, density), "length, diameter and density in the file"


def filament_mass_g(length_mm: float, diameter_mm: float, density_g_cm3: float) -> float:
    """Mass of a length of round filament in g."""
    return math.pi / 4 * diameter_mm**2 * length_mm * density_g_cm3 / 1000


def _per_tool(text: str, tool: int) -> float:
    parts = text.split(",")
    value = float(parts[min(tool, len(parts) - 1)])
    if not 0 < value < 100:
        raise ValueError(text)
    return value


def _printable(text: str) -> str:
    return "".join(c for c in text if c.isprintable()).strip()


@dataclass(frozen=True, slots=True)
class Wanted:
    """Print conditions of a protocol; None means left to the maker's profile."""

    layer_height_mm: float | None = None
    infill_percent: float | None = None
    walls: int | None = None
    nozzle_mm: float | None = None
    nozzle_c: float | None = None
    bed_c: float | None = None
    material: str | None = None


@dataclass(frozen=True, slots=True)
class Deviation:
    """One setting of the file that differs from the protocol."""

    setting: str
    wanted: str
    found: str
    unit: str = field(default="")


_KEYS = {
    "layer_height_mm": ("Layer height", "mm", ("layer_height",)),
    "infill_percent": ("Infill", "%", ("fill_density",)),
    "walls": ("Walls", "", ("perimeters",)),
    "nozzle_mm": ("Nozzle", "mm", ("nozzle_diameter",)),
    "nozzle_c": ("Nozzle temperature", "°C", ("temperature",)),
    "bed_c": ("Bed temperature", "°C", ("bed_temperature",)),
    "material": ("Material", "", ("filament_type",)),
}


def deviations(settings: Mapping[str, str], wanted: Wanted) -> tuple[list[Deviation], list[str]]:
    """Settings that differ from the protocol, and the conditions the file says nothing about."""
    differ, silent = [], []
    for name, (title, unit, keys) in _KEYS.items():
        target = getattr(wanted, name)
        if target is None:
            continue
        found = next((settings[k] for k in keys if settings.get(k, "").strip()), None)
        if found is None:
            silent.append(title)
            continue
        first = re.split(r"[,;]", found)[0].strip().removesuffix("%").strip('"')
        if isinstance(target, str):
            same = first.casefold() == target.casefold()
        else:
            try:
                same = math.isclose(float(first), target, rel_tol=1e-6, abs_tol=1e-6)
            except ValueError:
                same = False
        if not same:
            wanted_text = target if isinstance(target, str) else f"{target:g}"
            differ.append(Deviation(title, wanted_text, first[:60], unit))
    return differ, silent

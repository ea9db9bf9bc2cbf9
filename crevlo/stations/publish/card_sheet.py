"""A card to draw on: words in the type of the house, as large as they fit, boxes and lines, in px from the upper left."""

from dataclasses import dataclass
from functools import cache
from pathlib import Path
from typing import TYPE_CHECKING

from PIL import ImageFont

if TYPE_CHECKING:
    from matplotlib.axes import Axes

INK, RULE = "#13211d", "#c8d1c9"
FAMILY = ["Crevlo Archivo", "DejaVu Sans"]
DPI = 100
# A screen is read from across a room.
LEAST_PX = 26
_FONTS = Path(__file__).parent / "fonts"


@cache
def load_fonts() -> None:
    """Makes the type known to the drawing library, once."""
    from matplotlib import font_manager

    for path in sorted(_FONTS.glob("*.ttf")):
        font_manager.fontManager.addfont(str(path))


@cache
def _font(bold: bool, px: int) -> ImageFont.FreeTypeFont:
    return ImageFont.truetype(str(_FONTS / f"Archivo-{'Bold' if bold else 'Regular'}.ttf"), px)


def wide(words: str, px: int, bold: bool) -> float:
    """How wide a line is, in px."""
    return float(_font(bold, px).getlength(words))


def wrapped(words: str, width: float, px: int, bold: bool) -> list[str]:
    """Lines of at most that width; a word that is longer than a line is broken."""
    lines: list[str] = []
    line = ""
    for word in words.split():
        tried = f"{line} {word}" if line else word
        if wide(tried, px, bold) <= width:
            line = tried
            continue
        if line:
            lines.append(line)
        while wide(word, px, bold) > width and len(word) > 1:
            keep = next(n for n in range(len(word) - 1, 0, -1) if n == 1 or wide(word[:n], px, bold) <= width)
            lines.append(word[:keep])
            word = word[keep:]
        line = word
    return [*lines, line] if line else lines


@dataclass
class Sheet:
    """A card to draw on, in px from the upper left."""

    axes: "Axes"
    across: int
    down: int

    @property
    def tall(self) -> bool:
        return self.down > self.across

    @property
    def margin(self) -> int:
        return 90

    @property
    def inner(self) -> float:
        return self.across - 2 * self.margin

    def say(
        self, words: str, x: float, y: float, px: int, *, bold: bool = False, colour: str = INK, right: bool = False, middle: bool = False
    ) -> None:  # fmt: skip
        """One line, its top (or middle) at y."""
        self.axes.text(
            x, y, words.replace("$", r"\$"), fontsize=px * 72 / DPI, fontweight=800 if bold else 400, color=colour,
            ha="right" if right else "left", va="center" if middle else "top",
        )  # fmt: skip

    def block(
        self, words: str, x: float, y: float, width: float, height: float, px: int, *, bold: bool = False, colour: str = INK
    ) -> float:  # fmt: skip
        """Words in as many lines as they need, as large as fits up to `px`; gives where they end."""
        size = px
        while size > LEAST_PX and len(lines := wrapped(words, width, size, bold)) * size * 1.16 > height:
            size -= 2
        lines = wrapped(words, width, size, bold)
        most = max(1, int(height // (size * 1.16)))
        if len(lines) > most:
            lines = [*lines[: most - 1], f"{lines[most - 1].rstrip('.,; ')} …"]
        for n, line in enumerate(lines):
            self.say(line, x, y + n * size * 1.16, size, bold=bold, colour=colour)
        return y + len(lines) * size * 1.16

    def box(self, x: float, y: float, width: float, height: float, colour: str, radius: float = 0.0) -> None:
        from matplotlib.patches import FancyBboxPatch

        radius = min(radius, height / 2, width / 2)
        self.axes.add_patch(
            FancyBboxPatch((x + radius, y + radius), max(width - 2 * radius, 0.1), max(height - 2 * radius, 0.1),
                           boxstyle=f"round,pad={radius},rounding_size={radius}", facecolor=colour, edgecolor="none")
        )  # fmt: skip

    def line(self, x0: float, x1: float, y: float, colour: str = RULE, width: float = 2) -> None:
        self.axes.plot([x0, x1], [y, y], color=colour, linewidth=width, solid_capstyle="round")

"""Building blocks of artifacts, in mm with Z up and the base at Z = 0."""

import math
from collections.abc import Mapping, Sequence

from manifold3d import CrossSection, Manifold, OpType

# Facets stay this close to the round they stand for.
_SAGITTA_MM = 0.01
_PIXEL_ROWS = 5
# 3 × 5 dots, row by row from the top, three bits each.
_GLYPHS = {
    "A": "25755", "B": "65656", "C": "34443", "D": "65556", "E": "74647", "F": "74644", "G": "34553", "H": "55755",
    "I": "72227", "K": "55655", "L": "44447", "M": "57755", "N": "65555", "O": "25552", "P": "65644", "R": "65655",
    "S": "34216", "T": "72222", "U": "55557", "V": "55552", "W": "55775", "X": "55255", "Y": "55222", "Z": "71247",
    "0": "75557", "1": "26227", "2": "71747", "3": "71717", "4": "55711", "5": "74717", "6": "74757", "7": "71122",
    "8": "75757", "9": "75717", "-": "00700", " ": "00000",
}  # fmt: skip


def block(x0: float, x1: float, y0: float, y1: float, z0: float, z1: float) -> Manifold:
    return Manifold.cube((x1 - x0, y1 - y0, z1 - z0)).translate((x0, y0, z0))


def post(x: float, y: float, diameter: float, z0: float, z1: float, top: float | None = None) -> Manifold:
    """Upright round post or cone; `top` is its upper diameter where that differs."""
    upper = diameter if top is None else top
    return Manifold.cylinder(z1 - z0, diameter / 2, upper / 2, facets(max(diameter, upper))).translate((x, y, z0))


def facets(diameter: float) -> int:
    """Sides of a polygon for a round; a multiple of four, so that its diameter along X and Y is met exactly."""
    return max(12, 4 * math.ceil(math.pi * math.sqrt(diameter / 2 / (2 * _SAGITTA_MM)) / 4))


def plate(outline: Sequence[tuple[float, float]], z0: float, z1: float) -> Manifold:
    """Outline in X and Y, counter-clockwise, raised from z0 to z1."""
    return Manifold.extrude(CrossSection([list(outline)]), z1 - z0).translate((0, 0, z0))


def profile(outline: Sequence[tuple[float, float]], y0: float, y1: float) -> Manifold:
    """Outline in X and Z, drawn out along Y from y0 to y1."""
    raised = Manifold.extrude(CrossSection([[(x, -z) for x, z in reversed(outline)]]), y1 - y0)
    return raised.rotate((-90, 0, 0)).translate((0, y0, 0))


def joined(parts: Sequence[Manifold]) -> Manifold:
    return Manifold.batch_boolean(list(parts), OpType.Add)


def without(solid: Manifold, parts: Sequence[Manifold]) -> Manifold:
    return solid - joined(parts) if parts else solid


def tilted(solid: Manifold, degrees: float) -> Manifold:
    """Turned about Z."""
    return solid.rotate((0, 0, degrees))


def mark(code: str, values: Mapping[str, float]) -> str:
    """Code and version as engraved: "SB1"."""
    return f"{code}{values['version']:.0f}"


def engraving(text: str, x: float, y: float, top: float, depth: float = 0.4, dot: float = 0.9) -> Manifold:
    """Letters to cut `depth` deep into an upward face at `top`, centred at x, y."""
    width = dot * (4 * len(text) - 1)
    dots = []
    for place, letter in enumerate(text.upper()):
        for row, bits in enumerate(_GLYPHS[letter]):
            for column in range(3):
                if int(bits) >> (2 - column) & 1:
                    left = x - width / 2 + dot * (4 * place + column)
                    low = y + dot * (_PIXEL_ROWS / 2 - row - 1)
                    # A little over a dot wide, so that dots that meet at a corner meet at more than an edge.
                    dots.append(
                        block(left - 0.02, left + dot + 0.02, low - 0.02, low + dot + 0.02, top - depth, top + 1)
                    )
    return joined(dots)


def leaning(length: float, degrees: float, thickness: float) -> list[tuple[float, float]]:
    """Outline in X and Z of a slab that leans `degrees` from the vertical towards +X, its foot at the origin."""
    turn = math.radians(degrees)
    along = (length * math.sin(turn), length * math.cos(turn))
    across = (-thickness * math.cos(turn), thickness * math.sin(turn))
    foot, tip = (0.0, 0.0), along
    return [foot, tip, (tip[0] + across[0], tip[1] + across[1]), across]

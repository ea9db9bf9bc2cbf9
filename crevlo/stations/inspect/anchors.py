"""The defects with their written anchors and a drawn reference picture of every severity."""

from functools import lru_cache

from crevlo.core.anchor_pictures import HEIGHT, WIDTH, picture
from crevlo.core.defects import DEFECTS
from crevlo.stations.kit.shape import Shape


class StrokeOut(Shape):
    kind: str
    points: list[list[float]]
    closed: bool
    width: float


class AnchorOut(Shape):
    severity: int
    words: str
    picture: list[StrokeOut]


class DefectAnchors(Shape):
    code: str
    name: str
    look: str
    anchors: list[AnchorOut]


class Anchors(Shape):
    """Pictures are in units of `width` by `height`, y down."""

    width: float
    height: float
    defects: list[DefectAnchors]


@lru_cache(maxsize=1)
def anchors() -> Anchors:
    return Anchors(
        width=WIDTH, height=HEIGHT,
        defects=[
            DefectAnchors(
                code=d.code, name=d.name, look=d.look,
                anchors=[
                    AnchorOut(
                        severity=s, words=words,
                        picture=[
                            StrokeOut(
                                kind=p.kind, closed=p.closed, width=round(p.width, 2),
                                points=[[round(x, 2), round(y, 2)] for x, y in p.points],
                            )
                            for p in picture(d.code, s)
                        ],
                    )
                    for s, words in enumerate(d.anchors)
                ],
            )
            for d in DEFECTS
        ],
    )  # fmt: skip

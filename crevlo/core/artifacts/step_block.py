"""The step block: three square steps and a through hole, for axis scale, wall offset and first layer."""

from crevlo.core.artifacts.solid import Artifact, Box, Feature, Hole

_STEPS = ((40.0, 0.0, 10.0), (30.0, 10.0, 25.0), (17.0, 25.0, 45.0))
_HOLE_MM = 8.0


def step_block() -> Artifact:
    """Steps of 40, 30 and 17 mm to heights of 10, 25 and 45 mm, with an 8 mm hole down the middle."""
    boxes = tuple(Box(-w / 2, w / 2, -w / 2, w / 2, low, high) for w, low, high in _STEPS)
    features: list[Feature] = []
    for number, (width, _, high) in enumerate(_STEPS, 1):
        half, at = width / 2, high - 1.0
        features.append(
            Feature(
                f"X{number}",
                "X",
                1,
                width,
                "Jaws across the left and right faces, one millimetre below the upper edge.",
                ((-half, -half, at), (half, -half, at)),
            )
        )
    for number, (width, _, high) in enumerate(_STEPS, 1):
        half, at = width / 2, high - 1.0
        features.append(
            Feature(
                f"Y{number}",
                "Y",
                1,
                width,
                "Jaws across the front and back faces, one millimetre below the upper edge.",
                ((half, -half, at), (half, half, at)),
            )
        )
    for number, (width, _, high) in enumerate(_STEPS, 1):
        half = width / 2
        features.append(
            Feature(
                f"Z{number}",
                "Z",
                1,
                high,
                "Depth rod or jaws from the base to this step.",
                ((half, -half, 0.0), (half, -half, high)),
            )
        )
    radius, top = _HOLE_MM / 2, _STEPS[-1][2]
    features.append(
        Feature(
            "DX",
            "X",
            -1,
            _HOLE_MM,
            "Inside jaws in the hole, along X. Take the largest reading.",
            ((-radius, 0.0, top), (radius, 0.0, top)),
        )
    )
    features.append(
        Feature(
            "DY",
            "Y",
            -1,
            _HOLE_MM,
            "Inside jaws in the hole, along Y. Take the largest reading.",
            ((0.0, -radius, top), (0.0, radius, top)),
        )
    )
    return Artifact(
        code="SB",
        name="Step block",
        boxes=boxes,
        hole=Hole(0.0, 0.0, radius, top),
        features=tuple(features),
        note="Keep clear of the seam, marked by the notch.",
        isolates="Axis scale, wall offset, hole size, first-layer height.",
    )

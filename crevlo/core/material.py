"""What filaments usually are, by material: what a form begins with. The filament maker's data sheet comes first."""

from collections.abc import Iterable
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class UsualMaterial:
    """Density in g/cm³, nozzle and bed temperature in °C, and hours in a warm-air dryer."""

    name: str
    density: float
    nozzle_c: float
    bed_c: float
    drying_h: float


USUAL = (
    UsualMaterial("PLA", 1.24, 215, 60, 4),
    UsualMaterial("PETG", 1.27, 240, 80, 6),
    UsualMaterial("ABS", 1.04, 245, 100, 4),
    UsualMaterial("ASA", 1.07, 250, 100, 4),
    UsualMaterial("TPU", 1.21, 225, 45, 6),
    UsualMaterial("PA", 1.14, 260, 80, 12),
    UsualMaterial("PC", 1.20, 270, 110, 8),
    UsualMaterial("PVA", 1.23, 210, 60, 8),
    UsualMaterial("PP", 0.90, 230, 85, 6),
    UsualMaterial("HIPS", 1.04, 235, 100, 4),
)
_BY_NAME = {m.name: m for m in USUAL}
_OTHER_DRYING_H = 6.0
# Of a spool that is not chosen yet, for a first idea of its weight.
OTHER_DENSITY = 1.24


def usual_of(material: str) -> UsualMaterial | None:
    """By the first of its name's parts that is known ("PA-CF" is printed as PA); None where none is."""
    parts = material.upper().replace("-", " ").replace("+", " ").split()
    return next((_BY_NAME[p] for p in parts if p in _BY_NAME), None)


def usual_drying_h(material: str) -> float:
    known = usual_of(material)
    return known.drying_h if known else _OTHER_DRYING_H


def material_doubt(
    material: str, rules_out: Iterable[str], nozzle_max_c: float | None = None, bed_max_c: float | None = None
) -> str:
    """Why a machine may not print a material: its maker rules it out, or its nozzle or bed does not get as warm as the material
    usually takes; "" where nothing speaks against it. Makers' words come first, usual temperatures are only usual."""
    if not material.strip():
        return ""
    plain = material.strip().casefold()
    ruled = next((r for r in rules_out if r.strip().casefold() == plain), None)
    if ruled is not None:
        return f"its maker rules {ruled.strip()} out"
    usual = usual_of(material)
    if usual is None:
        return ""
    if nozzle_max_c is not None and usual.nozzle_c > nozzle_max_c:
        return (
            f"{material.strip()} usually takes {usual.nozzle_c:.0f} °C at the nozzle, it reaches {nozzle_max_c:.0f}"
        )
    if bed_max_c is not None and usual.bed_c > bed_max_c:
        return f"{material.strip()} usually takes a bed of {usual.bed_c:.0f} °C, it reaches {bed_max_c:.0f}"
    return ""

"""How long a spool dries where its own label does not say."""

# Usual hours in a warm-air dryer, by material; the filament maker's data sheet comes first.
_HOURS = {"PLA": 4.0, "PETG": 6.0, "ABS": 4.0, "ASA": 4.0, "TPU": 6.0, "PA": 12.0, "PC": 8.0, "PVA": 8.0}
_OTHER_H = 6.0


def usual_drying_h(material: str) -> float:
    """Hours for a material by the first of its name's parts that is known ("PA-CF" dries as PA)."""
    parts = material.upper().replace("-", " ").replace("+", " ").split()
    return next((_HOURS[p] for p in parts if p in _HOURS), _OTHER_H)

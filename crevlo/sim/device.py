"""Simulated devices of a bench: what a caliper, a meter or an eye would report of a hidden machine."""

import gzip
from datetime import UTC, datetime
from importlib.resources import files

import numpy as np

from crevlo.core.defects import USUAL
from crevlo.core.success import Cause
from crevlo.sim.truth import Truth

CALIPER_BIAS_MM = 0.004
CALIPER_REPEATABILITY_MM = 0.008
AMBIENT_DB = 33.0
HEAT_UP_S = 280
# Print time of the sliced step blocks without a stated estimate, for the simulated machine's clock only.
UNSTATED_PRINT_S = 4100


def sliced_file(name: str) -> bytes:
    """One of the sliced files that ship with the simulated bench."""
    return gzip.decompress((files("crevlo.sim") / "sliced" / f"{name}.gcode.gz").read_bytes())


def short_file(name: str, layers: int = 4) -> bytes:
    """The first layers of a sliced file with all that it states: enough for a study that reads nothing else of it."""
    whole = sliced_file(name).decode()
    head = whole.split(";LAYER_CHANGE", layers + 1)
    end = whole.rfind("; filament used")
    foot = whole[end:] if end >= 0 else ""
    return (";LAYER_CHANGE".join(head[: layers + 1]) + "\n" + foot).encode()


def true_size_mm(truth: Truth, axis: str, sense: int, nominal_mm: float) -> float:
    """Size of a face as the machine makes it, before the spread between copies."""
    scale = dict(zip("XYZ", truth.scale, strict=True))[axis]
    offset = truth.first_layer_mm if axis == "Z" else truth.wall_mm
    return nominal_mm * (1 + scale) + sense * offset


def caliper(size_mm: float, rng: np.random.Generator) -> float:
    """A reading of a 0.01 mm caliper with its own bias and repeatability."""
    return round(size_mm + CALIPER_BIAS_MM + rng.normal(0, CALIPER_REPEATABILITY_MM), 2)


def scale(mass_g: float, rng: np.random.Generator) -> float:
    """A reading of a 0.01 g scale with its own bias and repeatability."""
    return round(mass_g * 1.0008 + float(rng.normal(0, 0.012)), 2)


def print_seconds(truth: Truth, estimate_s: float | None, rng: np.random.Generator) -> float:
    return (estimate_s or UNSTATED_PRINT_S) * truth.time_factor * (1 + rng.normal(0, 0.012)) + HEAT_UP_S


def energy_wh(truth: Truth, seconds: float, rng: np.random.Generator) -> float:
    """What a plug-in meter shows after the print, in whole watt-hours."""
    joules = HEAT_UP_S * truth.heat_w + (seconds - HEAT_UP_S) * truth.steady_w
    return float(round(joules / 3600 * (1 + rng.normal(0, 0.015))))


def power_trace(truth: Truth, start: datetime, seconds: float, dropout_s: float, rng: np.random.Generator) -> bytes:
    """CSV of a logging meter, one sample in about 5 s, with a dropout in the middle."""
    at = np.cumsum(rng.uniform(4.5, 5.5, int(seconds / 5)))
    at = at[at < seconds]
    watts = np.where(at < HEAT_UP_S, truth.heat_w, truth.steady_w) * (1 + rng.normal(0, 0.08, len(at)))
    kept = (at < seconds * 0.6) | (at > seconds * 0.6 + dropout_s)
    return power_log(start, at[kept], watts[kept])


def power_log(start: datetime, at_s: np.ndarray, watts: np.ndarray) -> bytes:
    """What a logging meter hands over: CSV with a decimal comma, W at s after the start."""
    base = start.timestamp()
    rows = [
        f"{datetime.fromtimestamp(base + t, UTC).isoformat(timespec='milliseconds')};{f'{w:.1f}'.replace('.', ',')}"
        for t, w in zip(at_s, watts, strict=True)
    ]
    return ("time;power\n" + "\n".join(rows) + "\n").encode()


def sound_meter(truth: Truth, rng: np.random.Generator) -> float:
    """Level at 1 m with the room's background in it, to 0.1 dB."""
    machine = truth.noise_db + rng.normal(0, 0.5)
    return round(float(10 * np.log10(10 ** (machine / 10) + 10 ** (AMBIENT_DB / 10))), 1)


def severities(truth: Truth, rng: np.random.Generator) -> dict[str, int]:
    """An eye's scores against the anchors."""
    return {code: int(np.clip(round(truth.defects.get(code, 0.2) + rng.normal(0, 0.5)), 0, 5)) for code in USUAL}


def draw_fault(seed: int, truth: Truth, copy: int, attempt: int) -> tuple[Cause, float] | None:
    """Whether this attempt fails, by the machine's hidden rate: its cause and the share printed by then."""
    rng = np.random.default_rng([seed, *truth.name.encode(), copy, attempt])
    if rng.random() >= truth.fault_rate:
        return None
    return truth.fault_causes[int(rng.integers(len(truth.fault_causes)))], float(rng.uniform(0.2, 0.9))

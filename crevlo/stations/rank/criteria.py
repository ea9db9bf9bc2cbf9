"""The criteria a study can score, with the anchors it begins with."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Criterion:
    """One thing that counts: name, unit, digits, worst and best anchor, and how it is made."""

    code: str
    name: str
    short: str
    unit: str
    digits: int
    worst: float
    best: float
    rule: str


CRITERIA: tuple[Criterion, ...] = (
    Criterion("accuracy", "Dimensional accuracy", "Accuracy", "mm", 3, 0.20, 0.02,
              "Mean absolute deviation from nominal over all faces of a specimen, averaged over the specimens. "
              "Uncertainty from the spread between specimens and the caliper's calibration."),
    Criterion("repeatability", "Repeatability", "Repeatability", "mm", 3, 0.08, 0.01,
              "Standard deviation of the same face between specimens, pooled over the faces."),
    Criterion("defects", "Surface defects", "Surface", "of 100", 1, 50, 100,
              "100 · (1 − Σ weight · severity / (5 · Σ weight)) over the defects, averaged over locked inspections."),
    Criterion("success", "First-pass success", "First pass", "%", 0, 0.4, 1.0,
              "Jobs whose first attempt came out good, of those tried; attempts with an excused cause are left out. "
              "The figure is the mean of Beta(good + ½, failed + ½)."),
    Criterion("time", "Print time", "Time", "h", 2, 2.0, 0.5,
              "Mean time from start to stop of the good prints."),
    Criterion("cost", "Cost per good part", "Cost", "money", 2, 6.0, 1.0,
              "Material, energy, machine time, labour and failed plates, per good part."),
    Criterion("energy", "Energy", "Energy", "kWh", 3, 0.30, 0.05,
              "Mean energy of the good prints from the power meter or trace."),
    Criterion("noise", "Noise at 1 m", "Noise", "dB", 1, 65, 40,
              "Energy mean of the readings taken while printing, background taken out, brought to 1 m as a free-field estimate."),
)  # fmt: skip
BY_CODE = {c.code: c for c in CRITERIA}


def unit_of(code: str, currency: str) -> str:
    unit = BY_CODE[code].unit
    return currency if unit == "money" else unit

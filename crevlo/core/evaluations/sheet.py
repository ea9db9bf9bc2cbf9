"""Lines of a maker's sheet and the price of the day, as they are stated: exact, and measured by nobody here."""

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.evaluations.evaluation import Better, Evaluation, Quantity, Rests, Results
from crevlo.core.evidence import Evidence

_RULE = "As the maker's sheet states it, in the library; nobody measured it here."


def _line(code: str, name: str, unit: str, better: Better, worst: float, best: float, rule: str = _RULE) -> Quantity:
    return Quantity(f"sheet.{code}", name, name, unit, 0, better, Rests.SHEET, rule, worst, best)


LINES = (
    _line("side", "Shorter side of the bed", "mm", Better.HIGHER, 150, 300),
    _line("height", "Printable height", "mm", Better.HIGHER, 150, 300),
    _line("tools", "Tools", "tools", Better.HIGHER, 1, 4),
    _line("enclosed", "Encloses its print", "1 = yes", Better.HIGHER, 0, 1),
    _line("nozzle", "Hottest nozzle", "°C", Better.HIGHER, 240, 300),
    _line("bed", "Hottest bed", "°C", Better.HIGHER, 60, 110),
    _line("weight", "Weight", "kg", Better.LOWER, 30, 5),
    _line("day_price", "Price of the day", "money", Better.LOWER, 1000, 200, "What the model cost elsewhere on the day stated at Receive."),
)  # fmt: skip


def of_machines(evidence: Evidence) -> Results:
    return Results(
        {
            q.code: {
                k: Estimate(stated, 0.0)
                if (stated := m.unit.sheet.get(q.code.removeprefix("sheet."))) is not None
                else NotDetermined(f"{q.name.lower()}, {'at Receive' if q.unit == 'money' else 'on its sheet in the library'}")
                for k, m in evidence.machines.items()
            }
            for q in LINES
        }
    )  # fmt: skip


SHEET = Evaluation("sheet", "Maker's sheet and price", LINES, of_machines)

"""What people say of a machine by rubrics with written anchors."""

from collections.abc import Sequence

from crevlo.core.estimate import determined
from crevlo.core.evaluations.evaluation import Better, Evaluation, Quantity, Rests, Results
from crevlo.core.evidence import Evidence
from crevlo.core.figure import Figure
from crevlo.core.rubrics import MOST, RUBRICS
from crevlo.core.statistics import mean_of_raters


def code_of(rubric: str) -> str:
    return f"rubric.{rubric}"


TELLS = tuple(
    Quantity(
        code_of(r.code), r.name, r.name, f"of {MOST}", 1, Better.HIGHER, Rests.PEOPLE,
        f"{r.asks} Mean of what people said, 0 to {MOST} by written anchors; u² = s²/n + 1/12, as each had to choose a step.", 0, MOST,
    )
    for r in RUBRICS
)  # fmt: skip


def _mean(said: Sequence[int]) -> Figure:
    return determined(lambda: mean_of_raters(said))


def of_machines(evidence: Evidence) -> Results:
    return Results(
        {
            code_of(r.code): {k: _mean(m.unit.said.get(r.code, ())) for k, m in evidence.machines.items()}
            for r in RUBRICS
        }
    )


SAID = Evaluation("rubrics", "Ease of use, as judged", TELLS, of_machines)

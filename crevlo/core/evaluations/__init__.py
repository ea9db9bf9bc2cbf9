"""The catalogue: every evaluation, and what they tell by code. Adding one is its module and its line here."""

from crevlo.core.evaluations.cost import COST_OF_PART, PRICE_ALL_IN
from crevlo.core.evaluations.defects import DEFECTS
from crevlo.core.evaluations.duration import DURATION
from crevlo.core.evaluations.energy import ENERGY_USED
from crevlo.core.evaluations.evaluation import Evaluation, Quantity
from crevlo.core.evaluations.flatness import FLATNESS
from crevlo.core.evaluations.handling import HANDLING
from crevlo.core.evaluations.noise import NOISE
from crevlo.core.evaluations.scale import SCALE
from crevlo.core.evaluations.sizes import SIZES
from crevlo.core.evaluations.squareness import SQUARENESS
from crevlo.core.evaluations.success import SUCCESS
from crevlo.core.evaluations.time_ratio import TIME_RATIO
from crevlo.core.evaluations.worth import WORTH

EVALUATIONS: tuple[Evaluation, ...] = (
    SIZES, SCALE, SQUARENESS, FLATNESS, DEFECTS, SUCCESS, DURATION, TIME_RATIO, COST_OF_PART, PRICE_ALL_IN, ENERGY_USED, NOISE,
    HANDLING, WORTH,
)  # fmt: skip
QUANTITIES: dict[str, Quantity] = {q.code: q for e in EVALUATIONS for q in e.tells}
EVALUATION_OF: dict[str, Evaluation] = {q.code: e for e in EVALUATIONS for q in e.tells}

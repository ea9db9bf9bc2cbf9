"""The catalogue: every evaluation, and what they tell by code. Adding one is its module and its line here."""

from crevlo.core.evaluations.banding import BANDING
from crevlo.core.evaluations.cost import COST_OF_PART, PRICE_ALL_IN
from crevlo.core.evaluations.defects import DEFECTS
from crevlo.core.evaluations.duration import DURATION
from crevlo.core.evaluations.energy import ENERGY_USED
from crevlo.core.evaluations.evaluation import Evaluation, Quantity
from crevlo.core.evaluations.fit import FIT
from crevlo.core.evaluations.flatness import FLATNESS
from crevlo.core.evaluations.flow import FLOW
from crevlo.core.evaluations.handling import HANDLING
from crevlo.core.evaluations.handmade import HANDMADE
from crevlo.core.evaluations.line_width import LINE_WIDTH
from crevlo.core.evaluations.noise import NOISE
from crevlo.core.evaluations.ooze import OOZE
from crevlo.core.evaluations.orientation import ORIENTATION
from crevlo.core.evaluations.preference import PREFERENCE
from crevlo.core.evaluations.ringing import RINGING
from crevlo.core.evaluations.rubrics import SAID
from crevlo.core.evaluations.scale import SCALE
from crevlo.core.evaluations.sheet import SHEET
from crevlo.core.evaluations.sizes import SIZES
from crevlo.core.evaluations.squareness import SQUARENESS
from crevlo.core.evaluations.success import SUCCESS
from crevlo.core.evaluations.thresholds import THRESHOLDS
from crevlo.core.evaluations.time_ratio import TIME_RATIO
from crevlo.core.evaluations.warp import WARP
from crevlo.core.evaluations.worth import WORTH

EVALUATIONS: tuple[Evaluation, ...] = (
    SIZES, SCALE, SQUARENESS, FLATNESS, *THRESHOLDS, BANDING, RINGING, FLOW, WARP, FIT, LINE_WIDTH, ORIENTATION, OOZE, *HANDMADE, DEFECTS, PREFERENCE, SUCCESS, DURATION, TIME_RATIO, COST_OF_PART, PRICE_ALL_IN, ENERGY_USED, NOISE,
    HANDLING, WORTH, SAID, SHEET,
)  # fmt: skip
QUANTITIES: dict[str, Quantity] = {q.code: q for e in EVALUATIONS for q in e.tells}
EVALUATION_OF: dict[str, Evaluation] = {q.code: e for e in EVALUATIONS for q in e.tells}

"""Charts of what readings tell, as they are drawn."""

from typing import Annotated, Literal

from pydantic import Field

from crevlo.core.evaluations.evaluation import Chart, FitChart
from crevlo.core.sizes import Axis
from crevlo.stations.kit.shape import Shape


class FitPointOut(Shape):
    code: str
    axis: Axis
    nominal_mm: float
    deviation_mm: float
    expanded_mm: float


class LinePointOut(Shape):
    length_mm: float
    deviation_mm: float
    expanded_mm: float


class FitLineOut(Shape):
    """Fitted deviation of outside sizes over length, with the line's U at each place."""

    axis: Axis
    points: list[LinePointOut]


class FitChartOut(Shape):
    chart: Literal["fit"]
    points: list[FitPointOut]
    lines: list[FitLineOut]
    longest_mm: float


class DiscOut(Shape):
    code: str
    x_mm: float
    y_mm: float
    value: float
    off: float
    good: bool


class MapChartOut(Shape):
    chart: Literal["map"]
    discs: list[DiscOut]
    nominal: float
    within: float
    unit: str


class FrameChartOut(Shape):
    chart: Literal["frame"]
    a_mm: float
    b_mm: float
    d1_mm: float
    d2_mm: float
    mm_per_100: float


class RungOut(Shape):
    code: str
    level: float
    passed: float | None


class LadderChartOut(Shape):
    """Rungs, easiest first."""

    chart: Literal["ladder"]
    rungs: list[RungOut]
    unit: str


class ColumnPointOut(Shape):
    code: str
    height_mm: float
    width_mm: float


class ColumnChartOut(Shape):
    """Widths along the height with the sine found in them: its phase in turns at height 0."""

    chart: Literal["column"]
    points: list[ColumnPointOut]
    pitch_mm: float | None
    amplitude_mm: float
    phase: float
    mean_mm: float


class WaveOut(Shape):
    code: str
    axis: str
    speed_mm_s: float
    spacing_mm: float | None
    seen: int


class WavesChartOut(Shape):
    chart: Literal["waves"]
    waves: list[WaveOut]


class FlowPointOut(Shape):
    flow_mm3_s: float
    short: float


class FlowChartOut(Shape):
    """Share of the mass that is missing at each flow, and how much is allowed."""

    chart: Literal["flow"]
    points: list[FlowPointOut]
    allowed: float


ChartOut = Annotated[
    FitChartOut | MapChartOut | FrameChartOut | LadderChartOut | ColumnChartOut | WavesChartOut | FlowChartOut,
    Field(discriminator="chart"),
]
_PLAIN: dict[str, type[Shape]] = {
    "map": MapChartOut, "frame": FrameChartOut, "ladder": LadderChartOut, "column": ColumnChartOut, "waves": WavesChartOut,
    "flow": FlowChartOut,
}  # fmt: skip


def chart_out(chart: Chart) -> ChartOut:
    if isinstance(chart, FitChart):
        lines = [
            FitLineOut(axis=a, points=[LinePointOut.model_validate(p) for p in line])
            for a, line in chart.lines.items()
        ]
        points = [FitPointOut.model_validate(p) for p in chart.points]
        return FitChartOut(chart="fit", points=points, lines=lines, longest_mm=chart.longest_mm)
    return _PLAIN[chart.chart].model_validate(chart)  # type: ignore[return-value]

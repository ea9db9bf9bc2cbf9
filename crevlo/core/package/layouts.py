"""The tables of a package: what each is called, holds and is measured in."""

from crevlo.core.package.tables import Field, Layout, Type

S, N, W, B = Type.STRING, Type.NUMBER, Type.INTEGER, Type.BOOLEAN


def _of(name: str, about: str, *fields: Field) -> Layout:
    return Layout(name, about, fields)


LAYOUTS: tuple[Layout, ...] = (
    _of("machines", "Machines of the study; what is said of money is in the study's currency.",
        Field("machine", S), Field("name", S), Field("control", B, about="printed alongside to anchor the others"),
        Field("main", S, about="the configuration that its figures are of"), Field("paid", N, "money"), Field("paid_needs", S),
        Field("upgrades", N, "money"), Field("residual", N, "money"), Field("upkeep_per_h", N, "money", "an hour, where its own log says it"), Field("worth_base", N, "money"), Field("worth_base_needs", S),
        Field("worth_needs", S, about="why worth of features is not known")),
    _of("amounts", "What else belongs to a machine: times by hand in s, worth of features, scores by rubrics, lines of its maker's sheet.",
        Field("machine", S), Field("what", S), Field("of", S), Field("value", N)),
    _of("artifacts", "What is printed, from which filament.",
        Field("line", S), Field("name", S), Field("material", S), Field("file", S, about="its mesh in this package")),
    _of("features", "What is measured or judged on each, by line.",
        Field("line", S), Field("feature", S), Field("kind", S), Field("axis", S), Field("sense", W), Field("nominal", N, about="in the feature's unit"),
        Field("unit", S), Field("method", S), Field("level", N), *(Field(c, N, "mm") for c in ("x0", "y0", "z0", "x1", "y1", "z1"))),
    _of("instruments", "Instruments, and people with them where a gauge study is behind; in the instrument's own unit.",
        Field("instrument", S), Field("code", S), Field("kind", S), Field("resolution", N), Field("u_calibration", N),
        Field("repeatability", N), Field("repeatability_dof", N), Field("hands", S), Field("u_hands", N)),
    _of("runs", "Every try at a print that is compared, in order.",
        Field("run", S), Field("machine", S), Field("line", S), Field("job", S), Field("outcome", S), Field("hours", N, "h"), Field("cause", S),
        Field("rejected", B), Field("configuration", S), Field("stated_s", N, "s"), Field("kwh", N, "kWh"), Field("u_kwh", N, "kWh"),
        Field("meter", S), Field("parts", W), Field("specimen", S)),
    _of("levels", "Noise readings, of a run or of a machine that prints nothing.",
        Field("machine", S), Field("run", S), Field("state", S), Field("level_db", N, "dB"), Field("background_db", N, "dB"),
        Field("distance_m", N, "m"), Field("door_shut", B), Field("fan_percent", N, "%"), Field("meter", S)),
    _of("readings", "Readings of specimens that count, in the unit of their feature.",
        Field("specimen", S), Field("feature", S), Field("value", N), Field("instrument", S), Field("kelvin", N, "K", "off 20 °C"),
        Field("over", W, about="how many it was taken over")),
    _of("judgements", "What people said of a feature, or of a specimen where it is empty.",
        Field("specimen", S), Field("feature", S), Field("takes", S), Field("amount", W), Field("verdict", S), Field("word", S), Field("rater", S)),
    _of("scores", "Severities 0 to 5 of defects, by rater.",
        Field("specimen", S), Field("rater", S), Field("defect", S), Field("severity", W)),
    _of("own_defects", "Defects that this study added, with their anchors.",
        Field("defect", S), Field("name", S), Field("weight", N), Field("structural", B), Field("look", S), *(Field(f"anchor{n}", S) for n in range(6))),
    _of("duels", "Two pieces side by side, and which was better.",
        Field("line", S), Field("first", S), Field("second", S), Field("won", S)),
    _of("filament", "What a plate takes, by machine and line.",
        Field("machine", S), Field("line", S), Field("parts", N), Field("part_g", N, "g"), Field("waste_g", N, "g"), Field("money", N, "money"),
        Field("money_needs", S), Field("changes", N), Field("change_s", N, "s")),
    _of("basis", "What an hour, a kWh and a failed plate cost, in the study's currency; causes of failure that count are in it too.",
        Field("name", S), Field("value", N)),
)  # fmt: skip
FIGURES = _of("figures", "Every figure as it was published: raw, with both ends of its 95 % interval, or what it needs.",
    Field("machine", S), Field("quantity", S), Field("value", N), Field("low", N), Field("high", N), Field("needs", S))  # fmt: skip
RANKINGS = _of("rankings", "What each buyer was told: points with their interval, place, and chance of first place.",
    Field("buyer", S), Field("machine", S), Field("rank", W), Field("low", N, "points"), Field("high", N, "points"),
    Field("first_chance", N), Field("left_out", S, about="why it is not ranked"))  # fmt: skip
MUST_HAVES = _of("must_haves", "How each machine stands at each buyer's must-haves, by the number of the must-have from 0.",
    Field("buyer", S), Field("number", W), Field("machine", S), Field("standing", S), Field("reason", S))  # fmt: skip
LOG = _of("readings_log", "Every reading ever taken, with its corrections and when it was taken.",
    Field("reading", S), Field("specimen", S), Field("machine", S), Field("artifact", S), Field("copy", W), Field("attempt", W), Field("feature", S), Field("repeat", W),
    Field("value", N), Field("unit", S), Field("cannot_because", S), Field("instrument", S), Field("person", S, about="a number, not a name"),
    Field("taken_at", S, about="ISO 8601"), Field("corrects", S), Field("reason", S), Field("note", S))  # fmt: skip
ALL: tuple[Layout, ...] = (*LAYOUTS, FIGURES, MUST_HAVES, RANKINGS, LOG)
BY_NAME = {layout.name: layout for layout in ALL}

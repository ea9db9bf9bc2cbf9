"""What a report says: its sections, worked out once from a study as one transaction sees it."""

import uuid
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from datetime import UTC, datetime
from functools import cached_property

from sqlalchemy.orm import Session

from crevlo.core.percent import percent
from crevlo.stations.bench import Bench
from crevlo.stations.blind import hides
from crevlo.stations.evidence.entrant import By
from crevlo.stations.figures.study import StudyFigures, study_figures
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.shape import Missing, Refused
from crevlo.stations.kit.snapshot import state_of
from crevlo.stations.publish.conditions import conditions
from crevlo.stations.publish.document import (
    BY_BUYER,
    Bar,
    Bars,
    Block,
    Document,
    Fact,
    Facts,
    Heading,
    Points,
    Section,
    Table,
    Words,
)
from crevlo.stations.publish.lacking import lacking
from crevlo.stations.publish.results import cost_table, pictures, result_tables
from crevlo.stations.publish.sample import (
    departures,
    disclosures,
    methods,
    prices,
    safety,
    sample,
)
from crevlo.stations.rank.buyer import buyers_of
from crevlo.stations.rank.final_words import said_of_units
from crevlo.stations.rank.picks import pick_of
from crevlo.stations.rank.ranking import RankView, StandingLine, ranks_of_buyers
from crevlo.stations.receive.claims import claims_by_unit
from crevlo.stations.receive.worth import worth_ledgers
from crevlo.store.study import BuyerProfile

ALL_BUYERS = "all buyers"


@dataclass
class Told:
    """What sections are made of."""

    session: Session
    study_id: uuid.UUID
    buyers: Sequence[BuyerProfile]
    """Those of the audience, one or all."""

    @cached_property
    def inputs(self) -> StudyFigures:
        return study_figures(self.session, self.study_id)

    @property
    def bench(self) -> Bench:
        return self.inputs.bench

    @cached_property
    def ranked(self) -> list[RankView]:
        return ranks_of_buyers(self.session, self.study_id, self.buyers)

    def by_buyer(self, tell: Callable[[RankView], list[Block]]) -> list[Block]:
        """The same for each buyer, under their names where there are several."""
        if len(self.ranked) == 1:
            return tell(self.ranked[0])
        return [b for view in self.ranked if (told := tell(view)) for b in (Heading(words=view.profile.name), *told)]


@dataclass(frozen=True)
class SectionKind:
    """`always`: what a report does not leave out, whoever reads it."""

    code: str
    title: str
    tell: Callable[[Told], list[Block]]
    always: bool = False


@dataclass(frozen=True)
class Composed:
    """A draft, and what is missing or untrue yet with the station where it is mended."""

    report: Document
    lacking: list[tuple[str, str]]


# A pure function of what a transaction sees: keyed by that, so never stale; lost without harm.
_known: Kept[Composed] = Kept(24)


def compose(
    session: Session, study_id: uuid.UUID, profile_id: uuid.UUID | None, wanted: Sequence[str] | None = None
) -> Composed:
    """A draft for one buyer, or for all where none is named, with the `wanted` sections in their order, or all there are.

    Raises Missing for a buyer who is not in the study, Refused for a section that there is not.
    """
    state = state_of(session)
    if state is None:
        return _compose(session, study_id, profile_id, wanted)
    key = f"{state} {study_id} {profile_id} {wanted} {hides(session, study_id)}"
    return _known.get(key, lambda: _compose(session, study_id, profile_id, wanted))


def _compose(
    session: Session, study_id: uuid.UUID, profile_id: uuid.UUID | None, wanted: Sequence[str] | None
) -> Composed:
    # Figures first: reading them lets go of what the session held before.
    study = study_figures(session, study_id).bench.study
    buyers = buyers_of(session, study_id)
    if profile_id is not None:
        buyers = [b for b in buyers if b.id == profile_id]
        if not buyers:
            raise Missing("There is no such buyer profile in this study.")
    told = Told(session, study_id, buyers)
    headline, evidence = _headline(told)
    kinds = {k.code: k for k in SECTIONS}
    if wanted is not None:
        unknown = [code for code in wanted if code not in kinds]
        if unknown:
            raise Refused(f"A report has no section “{unknown[0]}”.")
        order = list(dict.fromkeys(wanted))
        order += [k.code for k in SECTIONS if k.always and k.code not in order]
        kinds = {code: kinds[code] for code in order}
    sections = [Section(code=k.code, title=k.title, blocks=k.tell(told)) for k in kinds.values()]
    report = Document(
        study=study.title, question=study.question,
        audience=f"for {buyers[0].name}" if profile_id is not None else f"for {ALL_BUYERS}",
        headline=headline, evidence=evidence, number=None, erratum=False, composed_at=datetime.now(UTC), changed="",
        sections=[s for s in sections if s.blocks],
    )  # fmt: skip
    return Composed(report, lacking(told.ranked, told.bench))


def _headline(told: Told) -> tuple[str, str]:
    """Of one buyer their verdict; of several how many different answers there are."""
    verdicts = [view.verdict for view in told.ranked]
    if len(verdicts) == 1:
        return verdicts[0].headline, verdicts[0].evidence
    answers = list(dict.fromkeys(v.headline for v in verdicts))
    said = f"{len(verdicts)} kinds of buyers were asked for; each has its verdict below."
    if len(answers) == 1:
        return f"{answers[0]}, whoever asks", said
    return f"{len(answers)} answers for {len(verdicts)} kinds of buyers", said


def _verdict(told: Told) -> list[Block]:
    if len(told.ranked) == 1:
        return _ranking(told.ranked[0])
    rows = []
    for view in told.ranked:
        pick = pick_of(view)
        second = pick.runner_up.name if pick.runner_up else "–"
        rows.append(
            [view.profile.name, view.verdict.headline, second, "–" if pick.chance is None else percent(pick.chance)]
        )
    table = Table(caption=BY_BUYER, columns=["Buyer", "Verdict", "Runner-up", "Chance of first place"], rows=rows)
    every = [view for view in told.ranked if view.standings]
    how = [Words(words=_drawn(every[0]))] if every else []
    return [table, *told.by_buyer(lambda view: _ranking(view, alone=False)), *how]


def _ranking(view: RankView, *, alone: bool = True) -> list[Block]:
    if not view.standings:
        return [Words(words=view.verdict.evidence), *_left_out(view)]
    codes = [c.code for c in view.criteria]
    several = f"Ranking for {view.profile.name}"
    return [
        Bars(
            caption=several, criteria=[f"{c.name} {c.weight:g}" for c in view.criteria],
            rows=[Bar(name=f"{_place(s)} · {s.machine.name}", parts=[_points(s, code) for code in codes], total=_total(s)) for s in view.standings],
        ),
        Table(
            caption=several,
            columns=["Machine", "Place", "Points", "± of the readings", "Chance of first place", f"All in, {view.currency}"],
            rows=[
                [
                    s.machine.name, _place(s), _total(s), f"{s.missing} missing" if s.missing else f"{s.expanded:.1f}",
                    "open" if s.missing == len(codes) else percent(s.first_chance),
                    "not recorded" if s.all_in.value is None else f"{s.all_in.value:.0f}",
                ]
                for s in view.standings
            ],
        ),
        *_left_out(view),
        *_how(view, alone),
        *([Points(items=view.budget_words)] if view.budget_words else []),
    ]  # fmt: skip


def _points(s: StandingLine, code: str) -> float | None:
    return next(c.points for c in s.contributions if c.code == code)


def _left_out(view: RankView) -> list[Block]:
    said: list[Block] = []
    for s in view.standings:
        if s.not_recommended:
            said.append(Words(words=f"{s.machine.name} is not recommended: {s.not_recommended}", strong=True))
    for m in view.left_out:
        if m.is_control:
            total = f", {m.total:.1f} points for reference" if m.total is not None else ""
            said.append(Words(words=f"{m.machine.name} is the {m.reason}{total}."))
        else:
            said.append(Words(words=f"{m.machine.name} is left out: {m.reason}."))
        if m.not_recommended:
            said.append(Words(words=f"{m.machine.name} is not recommended: {m.not_recommended}", strong=True))
    return said


def _drawn(view: RankView) -> str:
    return (
        f"Points are weighted; ± is the 95 % range of the readings alone. Chances come from {view.draws:,} draws with weights "
        f"within ± {100 * view.weight_spread:.0f} % and readings within their uncertainty, ties shared."
    )


def _how(view: RankView, alone: bool) -> list[Block]:
    """What is behind the numbers; what holds for every buyer is said once below all of them."""
    words = [
        _drawn(view) if alone else "",
        view.prints_words,
        view.cells_words if view.missing_cells else "",
    ]
    said = " ".join(w for w in words if w)
    return [Words(words=said)] if said else []


def _place(s: StandingLine) -> str:
    return str(s.rank) if s.rank else f"{s.best_rank}–{s.worst_rank}"


def _total(s: StandingLine) -> str:
    return f"{s.total_low:.1f}–{s.total_high:.1f}" if s.missing else f"{s.total:.1f}"


def _why(told: Told) -> list[Block]:
    def one(view: RankView) -> list[Block]:
        pick, said = pick_of(view), list[Block]()
        if view.reasons and len(view.standings) > 1:
            first, second = (s.machine.name for s in view.standings[:2])
            rows = [[r.name, f"{r.points:+.1f}".replace("-", "−")] for r in view.reasons if abs(r.points) >= 0.05]
            if rows:
                caption = f"{first} over {second}, for {view.profile.name}"
                said.append(Table(caption=caption, columns=["Criterion", "Points"], rows=rows))
        if pick.open:
            said.append(Points(items=pick.open))
        if view.flips:
            said.append(Words(words="What would change it:"))
            said.append(Points(items=[f"{f.words}: {f.becomes.name} is first." for f in view.flips]))
        elif view.flips_words:
            said.append(Words(words=view.flips_words))
        return said

    return told.by_buyer(one)


def _figures(told: Told) -> list[Block]:
    def one(view: RankView) -> list[Block]:
        names = [s.machine.name for s in view.standings]
        if not names:
            return []
        cells = [{c.code: c.raw.words for c in s.contributions} for s in view.standings]
        rows = [[c.name, f"{c.weight:g}", *[of[c.code] for of in cells]] for c in view.criteria]
        caption = f"What counts for {view.profile.name}"
        return [Table(caption=caption, columns=["Criterion", "Weight", *names], rows=rows)]

    return told.by_buyer(one)


def _results(told: Told) -> list[Block]:
    return result_tables(told.session, told.study_id, By.MACHINE)


def _pictures(told: Told) -> list[Block]:
    return pictures(told.session, told.study_id, told.inputs)


def _cost(told: Told) -> list[Block]:
    return cost_table(told.session, told.study_id)


def _claims(told: Told) -> list[Block]:
    claims = claims_by_unit(told.session, told.bench)
    rows = [
        [unit.unit.name, c.name or c.kind.value, f"{c.value:g} {c.unit}".strip(), c.words]
        for unit in told.bench.units
        for c in claims[unit.unit_id]
    ]
    columns = ["Machine", "Claim", "Stated", "Found"]
    return [Table(caption="What makers claim", columns=columns, rows=rows)] if rows else []


def _worth(told: Told) -> list[Block]:
    bench = told.bench
    priced = [(u.unit, bench.price_of(u.unit_id)) for u in bench.units]
    made = worth_ledgers(told.session, priced, bench.study.currency)
    ledgers = [(u.unit.name, made[u.unit_id].words) for u in bench.units]
    said = [Fact(name=name, value=words) for name, words in ledgers if words]
    return [Facts(rows=said)] if said else []


def _final(told: Told) -> list[Block]:
    words = said_of_units(told.session, told.study_id)
    blocks: list[Block] = []
    for u in told.bench.units:
        if said := words.get(u.unit_id):
            blocks.append(Heading(words=u.unit.name))
            blocks.append(Facts(rows=[Fact(name=heading, value=" ".join(items)) for heading, items in said]))
    return blocks


def _held_against(told: Told) -> list[Block]:
    def one(view: RankView) -> list[Block]:
        items = []
        for r in view.references:
            level = r.total_low == r.total_high
            points = f"{r.total_low:.1f} points" if level else f"{r.total_low:.1f} to {r.total_high:.1f} points"
            items.append(f"{r.name} ({r.age}): {points}. {r.says}")
        return [Points(items=items)] if items else []

    return told.by_buyer(one)


def _missing(told: Told) -> list[Block]:
    found = lacking(told.ranked, told.bench)
    return (
        [Points(items=[words for words, _ in found])]
        if found
        else [Words(words="No figure, print or reading is missing.")]
    )


SECTIONS: tuple[SectionKind, ...] = (
    SectionKind("verdict", "Verdict", _verdict, always=True),
    SectionKind("why", "Why, and what would change it", _why),
    SectionKind("figures", "Figures that count", _figures),
    SectionKind("results", "Results by artifact", _results),
    SectionKind("pictures", "The pieces side by side", _pictures),
    SectionKind("cost", "What a part costs", _cost),
    SectionKind("reference", "Held against", _held_against),
    SectionKind("claims", "Claims against measured", _claims),
    SectionKind("worth", "What the features are worth", _worth),
    SectionKind("final", "Final words", _final),
    SectionKind("safety", "Safety", lambda told: safety(told.bench), always=True),
    SectionKind("missing", "Missing", _missing, always=True),
    SectionKind("sample", "Sample", lambda told: sample(told.inputs), always=True),
    SectionKind("conditions", "Conditions", lambda told: conditions(told.session, told.bench)),
    SectionKind("departures", "Departures from the protocol", lambda told: departures(told.session, told.bench), always=True),
    SectionKind("prices", "Prices of the day", lambda told: prices(told.bench)),
    SectionKind("methods", "Methods and their settings", lambda told: methods(told.inputs)),
    SectionKind("disclosure", "Disclosure", lambda told: [Points(items=disclosures(told.bench)[0])] if disclosures(told.bench)[0] else [], always=True),
)  # fmt: skip

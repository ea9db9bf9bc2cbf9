"""Picture cards of a revision for a video: drawn once, given as PNG or SVG, wide or tall, with or without ground."""

import io
import uuid
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum
from functools import partial
from typing import TYPE_CHECKING, Any

from PIL import Image

from crevlo.stations.kit.shape import Shape as Plain
from crevlo.stations.publish.card_sheet import DPI, FAMILY, INK, LEAST_PX, Sheet, load_fonts, wide, wrapped
from crevlo.stations.publish.document import BY_BUYER, Document, Pictures, Table
from crevlo.stations.publish.render import BEADS
from crevlo.stations.rank.ranking import RankView, StandingLine

if TYPE_CHECKING:
    pass

INK2, SHEET, ENAMEL, LIT = "#48574f", "#f8faf6", "#1d3b34", "#2c6b58"
MOST_ROWS, MOST_FIGURES, MOST_PHOTOS = 8, 4, 4


class CardFormat(StrEnum):
    WIDE = "wide"
    TALL = "tall"


SIZES = {CardFormat.WIDE: (1920, 1080), CardFormat.TALL: (1080, 1920)}


class CardKind(StrEnum):
    PNG = "png"
    SVG = "svg"


class CardOut(Plain):
    """A card by its name, with what it shows."""

    name: str
    title: str


@dataclass(frozen=True)
class Card:
    name: str
    title: str
    draw: Callable[["Sheet"], None]


def cards_of(report: Document, view: RankView, photos: Mapping[uuid.UUID, bytes]) -> list[Card]:
    """In the order of the show notes; what the revision does not know has no card."""
    found = []
    picks = next(
        (b for s in report.sections for b in s.blocks if isinstance(b, Table) and b.caption == BY_BUYER), None
    )
    if picks is not None:
        found.append(Card("buyers", "Each buyer's verdict", partial(_buyers, report=report, picks=picks)))
    found.append(Card("verdict", f"Verdict for {view.profile.name}", partial(_verdict, report=report, view=view)))
    if view.standings:
        found.append(Card("ranking", "Ranking by points", partial(_ranking, view=view)))
        if len(view.standings) > 1 and view.draws:
            found.append(Card("chances", "Chances of each place", partial(_chances, view=view)))
        for c in sorted(view.criteria, key=lambda c: -c.weight)[:MOST_FIGURES]:
            if sum(_raw(s, c.code).value is not None for s in view.standings) > 1:
                found.append(Card(f"row-{_slug(c.code)}", c.name, partial(_row, view=view, code=c.code)))
        best = next((r for r in view.reasons if r.points >= 0.05), None)
        if best is not None and not view.verdict.tie:
            found.append(Card("figure", f"{best.name}, large", partial(_figure, view=view, code=best.code)))
    side = [b for s in report.sections for b in s.blocks if isinstance(b, Pictures)]
    for number, block in enumerate(side, 1):
        images = [(p.caption, photos[p.photo_id]) for p in block.pictures if p.photo_id in photos][:MOST_PHOTOS]
        if images:
            title = f"{block.caption}, side by side"
            found.append(Card(f"pieces-{number}", title, partial(_pieces, caption=block.caption, images=images)))
    return found


def _slug(code: str) -> str:
    return code.replace(".", "-").replace(" ", "-")


def drawn(
    card: Card, report: Document, form: CardFormat, kind: CardKind, *, clear: bool = False, width: int | None = None
) -> bytes:
    """One card; `clear` without its ground, `width` in px where it is to be smaller."""
    # Loaded where it is needed: it takes a second, and hardly any call needs it.
    import matplotlib as mpl
    from matplotlib.backends.backend_agg import FigureCanvasAgg
    from matplotlib.figure import Figure

    load_fonts()
    across, down = SIZES[form]
    with mpl.rc_context(
        {
            "svg.fonttype": "path",
            "svg.hashsalt": "crevlo",
            "font.family": FAMILY,
            "text.hinting": "none",
            "text.hinting_factor": 1,
        }
    ):
        figure = Figure(figsize=(across / DPI, down / DPI), dpi=DPI)
        FigureCanvasAgg(figure)
        if clear:
            figure.patch.set_alpha(0)
        else:
            figure.patch.set_facecolor(SHEET)
        axes = figure.add_axes((0, 0, 1, 1))
        axes.set_xlim(0, across)
        axes.set_ylim(down, 0)
        axes.axis("off")
        sheet = Sheet(axes, across, down)
        card.draw(sheet)
        _foot(sheet, report)
        out = io.BytesIO()
        figure.savefig(out, format=kind.value, dpi=DPI, transparent=clear, metadata={"Date": None} if kind is CardKind.SVG else {"Software": None})  # fmt: skip
    return _smaller(out.getvalue(), width) if width and kind is CardKind.PNG else out.getvalue()


def _smaller(png: bytes, width: int) -> bytes:
    """Made of the whole card: drawn small its words would stand otherwise."""
    picture = Image.open(io.BytesIO(png))
    out = io.BytesIO()
    picture.resize((width, round(picture.height * width / picture.width)), Image.Resampling.LANCZOS).save(out, "PNG")
    return out.getvalue()


def _head(s: Sheet, title: str, sub: str = "") -> float:
    y = s.block(title, s.margin, 80, s.inner, 220 if s.tall else 150, 76, bold=True)
    if sub:
        y = s.block(sub, s.margin, y + 8, s.inner, 110, 34, colour=INK2)
    return y + 34


def _foot(s: Sheet, report: Document) -> None:
    y = s.down - 62
    s.line(s.margin, s.across - s.margin, y - 18)
    as_what = f"revision {report.number}" if report.number is not None else "draft, not published"
    words = f"{report.study} · {as_what} · {report.composed_at:%d %B %Y}"
    lines = wrapped(words, s.inner, 26, False)
    s.say(lines[0] if len(lines) == 1 else f"{lines[0]} …", s.margin, y, 26, colour=INK2)


def _verdict(s: Sheet, report: Document, view: RankView) -> None:
    s.box(0, 0, s.across, 26, ENAMEL)
    s.say(f"For {view.profile.name}", s.margin, 120, 40, bold=True, colour=LIT)
    room = s.down * (0.36 if s.tall else 0.42)
    y = s.block(view.verdict.headline, s.margin, 190, s.inner, room, 150 if not s.tall else 128, bold=True)
    s.block(view.verdict.evidence, s.margin, y + 40, s.inner, s.down - y - 190, 46, colour=INK2)


def _buyers(s: Sheet, report: Document, picks: Table) -> None:
    y = _head(s, report.headline, "Each kind of buyer has other needs, so each has its own verdict.")
    shown = picks.rows[:MOST_ROWS]
    high, y = _rows(s, y, len(shown), 230 if s.tall else 140)
    for n, row in enumerate(shown):
        at, px = y + n * high, int(max(LEAST_PX, min(48, high * 0.34)))
        s.line(s.margin, s.across - s.margin, at)
        if s.tall:
            s.say(row[0], s.margin, at + 16, int(px * 0.8), colour=INK2)
            s.block(row[1], s.margin, at + 22 + px, s.inner, high - px - 34, px, bold=True)
        else:
            s.block(row[0], s.margin, at + 18, s.inner * 0.36, high - 24, int(px * 0.85), colour=INK2)
            s.block(row[1], s.margin + s.inner * 0.38, at + 18, s.inner * 0.62, high - 24, px, bold=True)


def _shown(view: RankView) -> tuple[list[StandingLine], str]:
    """Those that fit, and how many there are beside."""
    rest = len(view.standings) - MOST_ROWS
    more = f"and {rest} more machine{'' if rest == 1 else 's'} behind" if rest > 0 else ""
    return view.standings[:MOST_ROWS], more


def _raw(s: StandingLine, code: str) -> Any:
    return next(c.raw for c in s.contributions if c.code == code)


def _rows(s: Sheet, y: float, n: int, most: float) -> tuple[float, float]:
    """Height of a row, and where the first begins."""
    room = s.down - y - 130
    return min(most, room / max(n, 1)), y


def _ranking(s: Sheet, view: RankView) -> None:
    y = _head(s, view.verdict.headline, f"Points by criterion, of 100, for {view.profile.name}")
    shown, more = _shown(view)
    key = 150 if s.tall else 96
    high, y = _rows(s, y, len(shown), 230 if s.tall else 140)
    high = min(high, (s.down - y - 130 - key - (40 if more else 0)) / len(shown))
    for place, line in enumerate(shown):
        at = y + place * high
        rank = str(line.rank) if line.rank else f"{line.best_rank}–{line.worst_rank}"
        bar = max(18.0, min(46.0, high * 0.36))
        total = f"{line.total_low:.0f}–{line.total_high:.0f}" if line.missing else f"{line.total:.1f}"
        px = int(max(LEAST_PX, min(60, high * 0.4)))
        s.say(rank, s.margin, at, px, bold=True, colour=LIT)
        # A long name gives way to its points, by its end.
        name = wrapped(line.machine.name, s.inner - 320, px, True)
        s.say(name[0] + (" …" if len(name) > 1 else ""), s.margin + 80, at, px, bold=True)
        s.say(total, s.across - s.margin, at, px, bold=True, right=True)
        x, scale = float(s.margin), s.inner / 100
        for n, c in enumerate(line.contributions):
            width = (c.points or 0.0) * scale
            if width > 0:
                s.box(x, at + px * 1.12, max(width - 3, 1), bar, BEADS[n % len(BEADS)], bar / 2)
            x += width
    y += len(shown) * high + 6
    if more:
        s.say(more, s.margin, y, 28, colour=INK2)
        y += 40
    _key(s, [(c.short, BEADS[n % len(BEADS)]) for n, c in enumerate(view.criteria) if c.weight > 0], y, key)


def _key(s: Sheet, items: Sequence[tuple[str, str]], y: float, room: float) -> None:
    x = float(s.margin)
    for words, colour in items:
        width = 40 + wide(words, 26, False) + 30
        if x + width > s.across - s.margin:
            x, y, room = float(s.margin), y + 38, room - 38
        if room < 30:
            return
        s.box(x, y + 7, 28, 14, colour, 7)
        s.say(words, x + 38, y, 26, colour=INK2)
        x += width


def _chances(s: Sheet, view: RankView) -> None:
    y = _head(
        s,
        "How sure is that?",
        f"Chance of each place for {view.profile.name}, weights and readings drawn {view.draws:,} times",
    )
    shown, more = _shown(view)
    bands = [(b.first, b.last) for b in view.place_bands] or [(n, n) for n in range(1, len(view.standings) + 1)]
    places = min(len(bands), 4 if s.tall else 6)
    left = s.margin + s.inner * (0.36 if not s.tall else 0.34)
    wide = (s.across - s.margin - left) / places
    for place in range(places):
        s.say(_places(*bands[place]), left + place * wide + 10, y, 30, bold=True, colour=INK2)
    y += 52
    high, y = _rows(s, y, len(shown) + bool(more), 210 if s.tall else 140)
    for n, line in enumerate(shown):
        at, px = y + n * high, int(max(LEAST_PX, min(46, high * 0.36)))
        s.block(line.machine.name, s.margin, at + 6, left - s.margin - 20, high - 8, px, bold=True)
        for place in range(places):
            chance = line.rank_chances[place]
            s.box(left + place * wide + 4, at + 4, wide - 8, high - 10, _mixed(chance), 10)
            words = "<1 %" if 0 < chance < 0.005 else ">99 %" if 0.995 <= chance < 1 else f"{100 * chance:.0f} %"
            s.say(
                words,
                left + place * wide + 18,
                at + high / 2,
                px,
                bold=chance > 0.5,
                colour=SHEET if chance > 0.45 else INK,
                middle=True,
            )
    if more:
        s.say(more, s.margin, y + len(shown) * high, 28, colour=INK2)


def _places(first: int, last: int) -> str:
    """One place, or a band of them."""
    nth = {1: "first", 2: "second", 3: "third", 4: "fourth", 5: "fifth", 6: "sixth"}
    return nth[first] if first == last else f"{first} to {last}"


def _mixed(share: float) -> str:
    """Between the light of the sheet and enamel."""
    light, dark = (226, 232, 226), (29, 59, 52)
    return "#" + "".join(f"{round(a + (b - a) * share):02x}" for a, b in zip(light, dark, strict=True))


def _row(s: Sheet, view: RankView, code: str) -> None:
    criterion = next(c for c in view.criteria if c.code == code)
    ends_of = sorted(criterion.points, key=lambda p: p.raw)
    better = "less" if ends_of[0].value > ends_of[-1].value else "more"
    straight = len(criterion.points) == 2
    y = _head(
        s, criterion.name, f"{criterion.unit}{f', {better} is better' if straight else ''}; lines are 95 % intervals"
    )
    known = [x for x in view.standings if _raw(x, code).value is not None][:MOST_ROWS]
    ends = [v for x in known for v in (_raw(x, code).low, _raw(x, code).high, _raw(x, code).value) if v is not None]
    least, most = min(0.0, *ends), max(0.0, *ends)
    label = s.inner * 0.34 if not s.tall else 0.0
    value_room = 250.0
    left, right = s.margin + label, s.across - s.margin - value_room
    scale = (right - left) / ((most - least) or 1.0)
    high, y = _rows(s, y, len(known), 260 if s.tall else 150)
    for n, line in enumerate(known):
        raw, at = _raw(line, code), y + n * high
        px = int(max(LEAST_PX, min(52, high * 0.38)))
        name_high = px * 1.25 if s.tall else 0.0
        if s.tall:
            name = wrapped(line.machine.name, s.inner, px, True)
            s.say(name[0] + (" …" if len(name) > 1 else ""), s.margin, at, px, bold=True)
        else:
            s.block(line.machine.name, s.margin, at + 4, label - 24, high - 6, px, bold=True)
        bar = min(64.0, (high - name_high) * 0.5)
        middle = at + name_high + (high - name_high) * (0.36 if s.tall else 0.4)
        x0, x1 = left + (0 - least) * scale, left + (raw.value - least) * scale
        s.box(min(x0, x1), middle - bar / 2, max(abs(x1 - x0), 3), bar, LIT, bar / 2)
        if raw.low is not None and raw.high is not None and raw.high > raw.low:
            # Below its bar, never over it.
            s.line(left + (raw.low - least) * scale, left + (raw.high - least) * scale, middle + bar / 2 + 9, INK, 4)
        s.say(
            f"{raw.value:.{raw.digits}f}",
            s.across - s.margin,
            middle,
            int(px * 1.1),
            bold=True,
            right=True,
            middle=True,
        )


def _figure(s: Sheet, view: RankView, code: str) -> None:
    criterion = next(c for c in view.criteria if c.code == code)
    first, second = view.standings[:2]
    mine, other = _raw(first, code), _raw(second, code)
    s.box(0, 0, s.across, 26, ENAMEL)
    s.say(criterion.name, s.margin, 120, 52, bold=True, colour=LIT)
    number = f"{mine.value:.{mine.digits}f}"
    px = 420 if not s.tall else 340
    while px > 120 and wide(f"{number} {criterion.unit}", px, True) > s.inner:
        px -= 10
    s.say(number, s.margin, 200, px, bold=True)
    if criterion.unit:
        s.say(
            criterion.unit,
            s.margin + wide(number, px, True) + 30,
            200 + px * 0.55,
            int(px * 0.34),
            bold=True,
            colour=INK2,
        )
    y = s.block(first.machine.name, s.margin, 200 + px * 1.2, s.inner, 170, 72, bold=True)
    if other.value is not None:
        s.block(f"{second.machine.name}: {other.words}", s.margin, y + 24, s.inner, 160, 46, colour=INK2)


def _pieces(s: Sheet, caption: str, images: Sequence[tuple[str, bytes]]) -> None:
    y = _head(s, caption)
    columns = len(images) if not s.tall else min(2, len(images))
    rows = -(-len(images) // columns)
    gap = 28
    wide = (s.inner - gap * (columns - 1)) / columns
    high = (s.down - y - 120) / rows
    for n, (words, jpeg) in enumerate(images):
        x, top = s.margin + (n % columns) * (wide + gap), y + (n // columns) * high
        picture = Image.open(io.BytesIO(jpeg)).convert("RGB")
        room = high - 100
        scale = min(wide / picture.width, room / picture.height)
        shown = (picture.width * scale, picture.height * scale)
        s.axes.imshow(
            picture, extent=(x, x + shown[0], top + shown[1], top), aspect="auto", interpolation="bilinear", zorder=2
        )
        s.block(words, x, top + shown[1] + 10, wide, 84, 30)
    s.axes.set_xlim(0, s.across)
    s.axes.set_ylim(s.down, 0)

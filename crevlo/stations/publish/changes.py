"""What a report says otherwise than an earlier one, section by section."""

from collections.abc import Mapping, Sequence

from crevlo.stations.kit.shape import Shape
from crevlo.stations.publish.document import Bars, Block, Document, Facts, Pictures, Points, Section, Table, Words

# Of a section; the rest is counted.
MOST_SAID = 6


class SectionChange(Shape):
    code: str
    title: str
    words: list[str]
    more: int


def changes(before: Document, after: Document) -> list[SectionChange]:
    """Sections that changed, in the order of the newer report, then those that went; nothing where both say the same.

    The moment of composing and the number are no change.
    """
    earlier, found = {s.code: s for s in before.sections}, []
    if (before.headline, before.evidence) != (after.headline, after.evidence):
        said = [_from_to("Verdict", before.headline, after.headline)] if before.headline != after.headline else []
        said += [f"Evidence now: {after.evidence}"] if before.evidence != after.evidence else []
        found.append(SectionChange(code="headline", title="Headline", words=said, more=0))
    for section in after.sections:
        old = earlier.pop(section.code, None)
        words = ["This section is new."] if old is None else list(_section(old, section))
        if words:
            found.append(_told(section, words))
    return found + [_told(gone, ["This section is not in it any more."]) for gone in earlier.values()]


def say_changes(found: Sequence[SectionChange]) -> str:
    """In a sentence a section, for the revision itself."""
    if not found:
        return "Nothing changed but its day."
    return " ".join(f"{c.title}: {'; '.join(w.rstrip('.') for w in c.words)}{_more(c.more)}." for c in found)


def _more(n: int) -> str:
    return f"; and {n} more" if n else ""


def _told(section: Section, words: list[str]) -> SectionChange:
    return SectionChange(
        code=section.code, title=section.title, words=words[:MOST_SAID], more=max(0, len(words) - MOST_SAID)
    )


def _section(before: Section, after: Section) -> list[str]:
    return [
        *_sets(_tables(before.blocks), _tables(after.blocks)),
        *_list(_sentences(before.blocks), _sentences(after.blocks)),
    ]


Cells = Mapping[tuple[str, str, str], str]


def _tables(blocks: Sequence[Block]) -> Cells:
    """Every cell by its table, row and column; facts are a table of one column."""
    cells: dict[tuple[str, str, str], str] = {}
    for b in blocks:
        if isinstance(b, Table):
            for row in b.rows:
                cells |= {(b.caption, row[0], c): v for c, v in zip(b.columns[1:], row[1:], strict=True)}
        elif isinstance(b, Facts):
            cells |= {("", f.name, ""): f.value for f in b.rows}
        elif isinstance(b, Bars):
            cells |= {
                (b.caption, r.name.split(" · ", 1)[-1], c): "missing" if p is None else f"{p:.1f}"
                for r in b.rows
                for c, p in zip(b.criteria, r.parts, strict=True)
            }
    return cells


def _sets(before: Cells, after: Cells) -> list[str]:
    said = []
    rows_before, rows_after = {k[:2] for k in before}, {k[:2] for k in after}
    for key, value in after.items():
        if key in before and before[key] != value:
            said.append(_from_to(" ".join(x for x in (key[1], key[2]) if x), before[key], value))
    said += [f"{row} is new" for _, row in sorted(rows_after - rows_before)]
    said += [f"{row} is out" for _, row in sorted(rows_before - rows_after)]
    return list(dict.fromkeys(said))


def _from_to(what: str, before: str, after: str) -> str:
    return f"{what} was “{before}”, is “{after}”"


def _sentences(blocks: Sequence[Block]) -> list[str]:
    said: list[str] = []
    for b in blocks:
        if isinstance(b, Words):
            said.append(b.words)
        elif isinstance(b, Points):
            said += b.items
        elif isinstance(b, Pictures):
            said += [f"photo of {p.caption}" for p in b.pictures]
    return said


def _list(before: Sequence[str], after: Sequence[str]) -> list[str]:
    return [f"added: {s}" for s in after if s not in before] + [f"gone: {s}" for s in before if s not in after]

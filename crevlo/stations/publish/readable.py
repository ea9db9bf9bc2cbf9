"""Tables that fit a page: of many machines each has a row, and what does not fit beside it follows below."""

from collections.abc import Iterator
from itertools import pairwise

from crevlo.stations.publish.document import Block, Document, Table

# With the one that names the row; on a sheet in portrait more are letters one below the other.
MOST_COLUMNS = 10


def readable(report: Document) -> Document:
    """The same report with every table as wide as a page; what is written in it is as it was."""
    sections = [s.model_copy(update={"blocks": list(_blocks(s.blocks))}) for s in report.sections]
    return report.model_copy(update={"sections": sections})


def _blocks(blocks: list[Block]) -> Iterator[Block]:
    for block in blocks:
        if isinstance(block, Table) and len(block.columns) > MOST_COLUMNS:
            yield from narrow(block)
        else:
            yield block


def narrow(table: Table) -> list[Table]:
    """One that is too wide as one or several that are not: turned where it has more columns than rows, then parted."""
    turned = _turned(table) if len(table.rows) + 1 < len(table.columns) else table
    told = len(turned.columns) - 1
    parts = max(1, -(-told // (MOST_COLUMNS - 1)))
    ends = [round(told * k / parts) for k in range(parts + 1)]
    return [
        Table(
            caption=turned.caption if not k else f"{turned.caption}, {k + 1} of {parts}",
            columns=[turned.columns[0], *turned.columns[1 + begin : 1 + end]],
            rows=[[row[0], *row[1 + begin : 1 + end]] for row in turned.rows],
        )
        for k, (begin, end) in enumerate(pairwise(ends))
    ]


def _turned(table: Table) -> Table:
    columns = [table.columns[0], *(row[0] for row in table.rows)]
    rows = [[name, *(row[at] for row in table.rows)] for at, name in enumerate(table.columns) if at]
    return Table(caption=table.caption, columns=columns, rows=rows)

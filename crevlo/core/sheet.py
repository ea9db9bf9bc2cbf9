"""Spreadsheets as files, made text as it would be pasted: CSV as it is, the first filled sheet of an XLSX by tabs."""

import io
import zipfile
from datetime import datetime, time, timedelta

from crevlo.core.estimate import BadInput

MOST_BYTES = 4 * 1024 * 1024
# Of one workbook, unpacked; a few thousand rows take a tenth of it.
MOST_UNPACKED_BYTES = 24 * 1024 * 1024
MOST_ROWS, MOST_COLUMNS = 5000, 200


def sheet_text(content: bytes) -> str:
    """Text of a CSV, or of a workbook's first sheet that has rows, its columns parted by tabs.

    Raises BadInput for what is neither, is larger than MOST_BYTES, or unpacks to more than MOST_UNPACKED_BYTES.
    """
    if len(content) > MOST_BYTES:
        raise BadInput(f"the file has {len(content) >> 20} MB; {MOST_BYTES >> 20} MB are taken")
    if content[:2] != b"PK":
        return plain_text(content)
    from openpyxl import load_workbook

    try:
        check_size(content)
        book = load_workbook(io.BytesIO(content), read_only=True, data_only=True, keep_links=False)
        for sheet in book.worksheets:
            rows = [
                [written(value) for value in row]
                for row in sheet.iter_rows(max_row=MOST_ROWS, max_col=MOST_COLUMNS, values_only=True)
            ]
            filled = [row for row in rows if any(row)]
            if filled:
                wide = max(n + 1 for row in filled for n, cell in enumerate(row) if cell)
                return "\n".join("\t".join(row[:wide]) for row in filled)
    except BadInput:
        raise
    except Exception as error:  # a library's own many kinds of surprise at a broken file
        raise BadInput(f"the workbook cannot be read: {type(error).__name__}") from error
    raise BadInput("no sheet of the workbook has a row")


def plain_text(content: bytes) -> str:
    for encoding in ("utf-8-sig", "utf-16") if content[:2] in (b"\xff\xfe", b"\xfe\xff") else ("utf-8-sig", "cp1252"):
        try:
            text = content.decode(encoding)
        except UnicodeDecodeError:
            continue
        if "\0" in text:
            break
        return text
    raise BadInput("this is neither a workbook (.xlsx) nor a table in text (.csv)")


def written(value: object) -> str:
    """A cell as a person would have typed it, on one line."""
    if value is None:
        return ""
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, float):
        return f"{value:.12g}"
    if isinstance(value, datetime):
        return value.isoformat(sep=" ", timespec="minutes")
    if isinstance(value, time):
        return value.isoformat(timespec="minutes")
    if isinstance(value, timedelta):
        minutes = round(value.total_seconds() / 60)
        return f"{minutes // 60}:{minutes % 60:02d}"
    return " ".join(str(value).split())


def check_size(content: bytes) -> None:
    """Raises BadInput for a workbook that unpacks to more than MOST_UNPACKED_BYTES by what it states."""
    with zipfile.ZipFile(io.BytesIO(content)) as package:
        unpacked = sum(entry.file_size for entry in package.infolist())
    if unpacked > MOST_UNPACKED_BYTES:
        raise BadInput(f"the workbook unpacks to {unpacked >> 20} MB; {MOST_UNPACKED_BYTES >> 20} MB are taken")

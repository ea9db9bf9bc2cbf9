"""What people typed, as a cell of a file that a spreadsheet program opens."""

from typing import TypeVar

_V = TypeVar("_V")


def in_csv(value: _V) -> _V | str:
    """Text that a program would run as a formula is quoted."""
    return f"'{value}" if isinstance(value, str) and value.startswith(("=", "+", "-", "@", "\t", "\r")) else value


def in_xlsx(value: _V) -> _V | str:
    """Text never read as a formula, without what a workbook's cell cannot hold."""
    if not isinstance(value, str):
        return value
    kept = "".join(c for c in value if c in "\t\n" or ord(c) >= 32)
    return f"'{kept}" if kept.startswith("=") else kept

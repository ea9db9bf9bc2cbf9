"""The newest revision of the schema, known without loading the mapper."""

from pathlib import Path

VERSIONS = Path(__file__).resolve().parent / "store" / "migrations" / "versions"


def newest() -> str:
    """Revision of the last migration that ships with this version: its file name's number."""
    return max(p.name.partition("_")[0] for p in VERSIONS.glob("[0-9]*_*.py"))

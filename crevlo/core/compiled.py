"""Functions compiled to machine code, kept in a folder named by all sources that are: a changed line in one of them never
runs beside code that was compiled with the other as it was."""

import hashlib
from pathlib import Path

from numba import njit
from numba.core import config

_here = Path(__file__).parent
_sources = sorted([*_here.glob("motion/*.py"), _here / "ranking" / "tally.py"])
_named: str = getattr(config, "CACHE_DIR", "")
_kept = Path(_named) if _named else _here / "__pycache__"
_mark = hashlib.sha256(b"".join(source.read_bytes() for source in _sources)).hexdigest()[:16]
setattr(config, "CACHE_DIR", str(_kept / f"compiled-{_mark}"))  # noqa: B010

compiled = njit(cache=True, nogil=True, error_model="numpy")

"""Motion of a sliced file: its bytes to moves, their times, and what holds them up.

What is kept compiled stands in a folder named by all sources of this package: a changed line in one of them never runs
beside code that was compiled with the other as it was.
"""

import hashlib
from pathlib import Path

from numba.core import config

_here = Path(__file__).parent
_sources = b"".join(source.read_bytes() for source in sorted(_here.glob("*.py")))
_named: str = getattr(config, "CACHE_DIR", "")
_kept = Path(_named) if _named else _here / "__pycache__"
setattr(config, "CACHE_DIR", str(_kept / f"compiled-{hashlib.sha256(_sources).hexdigest()[:16]}"))  # noqa: B010

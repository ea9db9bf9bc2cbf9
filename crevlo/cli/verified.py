"""A data package in a file, worked out again."""

from pathlib import Path

from crevlo.core.estimate import BadInput
from crevlo.core.package.archive import MOST_BYTES, unpacked
from crevlo.core.package.verify import Verification, verify


def verified(path: str) -> Verification:
    """Raises BadInput for what is no package, or is larger than one may be."""
    file = Path(path)
    if file.stat().st_size > MOST_BYTES:
        raise BadInput(f"the package is larger than {MOST_BYTES // 1_000_000} MB")
    return verify(unpacked(file.read_bytes()))

"""What a specimen told, kept: after one more reading a study is worked out again, and its other specimens are as they were."""

from collections.abc import Callable, Mapping
from functools import lru_cache
from typing import Any, TypeVar

from crevlo.core.evidence import Instrument, Key, Specimen

T = TypeVar("T")
Rule = Callable[[Specimen, Mapping[Key, Instrument]], T]

# As many as the largest study has, and of each two or three rules.
SPECIMENS = 3_000
MOST = 3 * SPECIMENS


def once(rule: Rule[T], specimen: Specimen, instruments: Mapping[Key, Instrument]) -> T:
    """`rule` of a specimen, as it was made before where neither its rows nor what it was read with have changed since.

    The rule must follow from these alone, and what it gives must not be changed by who gets it.
    """
    used = tuple((key, instruments[key]) for key in dict.fromkeys(r.instrument for r in specimen.readings))
    made: T = _made(rule, specimen, used)
    return made


@lru_cache(maxsize=MOST)
def _made(rule: Rule[Any], specimen: Specimen, used: tuple[tuple[Key, Instrument], ...]) -> Any:
    return rule(specimen, dict(used))

"""What is stated of figures, differences, chances and gaps holds in simulated studies; and the checks can fail."""

import pytest

from tests.truth.checks import CHECKS, FIELDS, USUAL, covers, gaps, leaders
from tests.truth.faults import FAULTS

# `make truth` looks at all fields and at many more studies; those of one kind each say whether the rules still stand.
HERE = dict(CHECKS) | {
    "usual": lambda: covers(USUAL, 30)[0],
    "leaders": lambda: leaders((FIELDS[0], FIELDS[2]), 160)[0],
    "gaps": lambda: gaps(60),
}


@pytest.mark.parametrize("name", HERE)
def test_what_is_stated_holds(name: str) -> None:
    assert [f"{o.check}: {o.what}: {o.words}" for o in HERE[name]()] == []


# All of them are planted by `make truth`; here those whose checks take a moment.
QUICK = [f for f in FAULTS if set(f.looks) <= {"totals", "must-haves"}]


@pytest.mark.parametrize("fault", QUICK, ids=[f.name for f in QUICK])
def test_a_planted_fault_is_seen(fault) -> None:
    with fault.planted():
        assert [o for name in fault.looks for o in CHECKS[name]()]

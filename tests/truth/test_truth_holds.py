"""What is stated of figures, differences, chances and gaps holds in simulated studies; and the checks can fail."""

import pytest

from tests.truth.checks import CHECKS
from tests.truth.faults import FAULTS


@pytest.mark.parametrize("name", CHECKS)
def test_what_is_stated_holds(name: str) -> None:
    assert [f"{o.check}: {o.what}: {o.words}" for o in CHECKS[name]()] == []


# All of them are planted by `make truth`; here those whose checks take a moment.
QUICK = [f for f in FAULTS if set(f.looks) <= {"few", "totals", "must-haves", "schools"}]


@pytest.mark.parametrize("fault", QUICK, ids=[f.name for f in QUICK])
def test_a_planted_fault_is_seen(fault) -> None:
    with fault.planted():
        assert [o for name in fault.looks for o in CHECKS[name]()]

import subprocess
from collections.abc import Iterator

import pytest

from tests.conftest import Bench
from tests.processes import kill, worker


@pytest.fixture
def workers(bench: Bench) -> Iterator[list[subprocess.Popen[bytes]]]:
    """Three processes, as on three machines."""
    made = [worker(bench.url) for _ in range(3)]
    yield made
    for process in made:
        kill(process)

"""Keeps what belongs together running: what dies is started again, with a line that says so."""

import ctypes
import os
import signal
import subprocess
import threading
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from types import FrameType

from crevlo.cli.cluster import Cluster, ClusterError

_LOOK_S, _LONGEST_S, _STEADY_S = 0.5, 30.0, 60.0
Process = subprocess.Popen[bytes]


_LIBC = ctypes.CDLL(None, use_errno=True)
_PR_SET_PDEATHSIG = 1


def ends_with_us() -> None:
    """Called in a child before its program begins: where its parent is killed, the system tells the child to end."""
    _LIBC.prctl(_PR_SET_PDEATHSIG, signal.SIGTERM, 0, 0, 0)


@dataclass
class Child:
    """One process of ours: how it is started, and how often it had to be lately."""

    name: str
    start: Callable[[], Process]
    process: Process | None = None
    failures: int = 0
    due: float = 0.0
    began: float = field(default_factory=time.monotonic)
    once: bool = False
    """Ends by itself when it is through, and is not started again then."""
    through: bool = False

    def look(self, say: Callable[[str], None]) -> None:
        now = time.monotonic()
        if self.process is not None:
            ended = self.process.poll()
            if ended is None:
                if self.failures and now - self.began > _STEADY_S:
                    self.failures = 0
                return
            # What it had started itself goes with it.
            _kill_group(self.process)
            self.process = None
            if self.once and ended == 0:
                self.through = True
                return
            wait = min(_LONGEST_S, 0.5 * 2**self.failures) if self.failures else 0.0
            self.failures += 1
            self.due = now + wait
            how = f"signal {-ended}" if ended < 0 else f"status {ended}"
            say(f"{self.name} ended ({how}); it is started again{f' in {wait:.0f} s' if wait >= 1 else ''}")
        if self.process is None and not self.through and now >= self.due:
            self.run()

    def run(self) -> None:
        self.began = time.monotonic()
        with _not_interrupted():
            self.process = self.start()


@contextmanager
def _not_interrupted() -> Iterator[None]:
    """A signal to stop that comes meanwhile is answered right afterwards: what was just started is known by then, and ended too."""
    if threading.current_thread() is not threading.main_thread():
        yield
        return
    held: list[tuple[int, FrameType | None]] = []
    before = {n: signal.signal(n, lambda *of: held.append(of)) for n in (signal.SIGINT, signal.SIGTERM)}
    try:
        yield
    finally:
        for number, handler in before.items():
            signal.signal(number, handler or signal.SIG_DFL)
        for asked, frame in held[:1]:
            handler = before[signal.Signals(asked)]
            if callable(handler):
                handler(asked, frame)
            else:
                os.kill(os.getpid(), asked)


def supervise(children: list[Child], cluster: Cluster | None, say: Callable[[str], None]) -> None:
    """Until a signal ends it (raised by the caller's handler)."""
    database_due, database_failures = 0.0, 0
    while True:
        now = time.monotonic()
        if cluster is not None and now >= database_due and not cluster.runs():
            say("the database ended; it is started again")
            try:
                cluster.start()
                database_failures = 0
            except ClusterError as error:
                database_failures += 1
                say(f"the database does not start: {str(error).splitlines()[0]}")
            database_due = now + min(_LONGEST_S, 2.0**database_failures)
        for child in children:
            child.look(say)
        time.sleep(_LOOK_S)


def stop(children: list[Child]) -> None:
    """Ends what was started, and nothing else: each by its own process group."""
    alive = [c.process for c in children if c.process is not None and c.process.poll() is None]
    for process in alive:
        process.terminate()
    end = time.monotonic() + 4
    for process in alive:
        try:
            process.wait(max(0.1, end - time.monotonic()))
        except subprocess.TimeoutExpired:
            _kill_group(process)
            process.wait()


def _kill_group(process: Process) -> None:
    """Each child leads a session of its own, so the group has its number and holds only what it started."""
    try:
        os.killpg(process.pid, signal.SIGKILL)
    except (ProcessLookupError, PermissionError):
        process.kill()

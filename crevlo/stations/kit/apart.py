"""Work on what strangers bring, in a process of its own with an end to its memory and its time.

A mesh, picture or log can be made so that a few bytes ask for gigabytes or minutes. Here that ends the process, not the
server, and the person is told in words.
"""

import math
import multiprocessing
import resource
import time
from collections.abc import Callable
from multiprocessing.connection import Connection
from typing import Any, ParamSpec, TypeVar

from crevlo.core.estimate import BadInput, NotDetermined

P = ParamSpec("P")
T = TypeVar("T")
# For the process to be made and to have loaded what it needs: no fault of what is worked on.
_TO_BEGIN_S = 60
# Loaded once, in a process without threads from which the others are made in a moment. What checks another bench's package
# loads all that is computed here, and is asked for rarely: that process loads it for itself.
_LOADED = [
    "crevlo.core.artifacts.mesh",
    "crevlo.core.plate",
    "crevlo.core.gaps",
    "crevlo.stations.kit.picture",
    "crevlo.core.old_bench.sheets",
]
_context = multiprocessing.get_context("forkserver")
_context.set_forkserver_preload(_LOADED)


def apart(what: str, seconds: float, megabytes: int, work: Callable[P, T], *args: P.args, **kwargs: P.kwargs) -> T:
    """The result of `work`, a function of a module; its BadInput and NotDetermined come through.

    Raises BadInput where it takes more than so many seconds, or so many megabytes more than it began with.
    """
    here, there = _context.Pipe(duplex=False)
    process = _context.Process(
        target=_work, args=(there, seconds, megabytes, work, args, kwargs), daemon=True, name="crevlo-apart"
    )
    process.start()
    there.close()
    try:
        if not here.poll(_TO_BEGIN_S):
            raise RuntimeError("the process for what strangers bring did not begin")
        here.recv()
        if not here.poll(seconds):
            raise BadInput(f"{what} takes more than {seconds:.0f} s to work through; a simpler one can be taken")
        kind, value = here.recv()
    except EOFError:
        raise BadInput(f"{what} ended the program that reads it; it is damaged, or made to do harm") from None
    finally:
        process.kill()
        process.join(5)
        process.close()
        here.close()
    if kind == "memory":
        raise BadInput(f"{what} takes more than {megabytes} MB of memory; a simpler one can be taken")
    if kind == "bad":
        raise BadInput(value)
    if kind == "needs":
        raise NotDetermined(value)
    if kind == "fault":
        raise RuntimeError(value)
    result: T = value
    return result


def _work(
    there: Connection, seconds: float, megabytes: int, work: Callable[..., Any], args: Any, kwargs: Any
) -> None:
    used = _address_space()
    limit = used + (megabytes << 20)
    resource.setrlimit(resource.RLIMIT_AS, (limit, limit))
    cpu = math.ceil(time.process_time() + seconds) + 2
    resource.setrlimit(resource.RLIMIT_CPU, (cpu, cpu))
    resource.setrlimit(resource.RLIMIT_CORE, (0, 0))
    there.send("begun")
    try:
        told: tuple[str, Any] = ("done", work(*args, **kwargs))
    except BadInput as refused:
        told = ("bad", str(refused))
    except NotDetermined as missing:
        told = ("needs", missing.needs)
    except MemoryError:
        told = ("memory", None)
    except Exception as fault:
        told = ("fault", f"{type(fault).__name__}: {fault}")
    there.send(told)
    there.close()


def _address_space() -> int:
    with open("/proc/self/statm") as file:
        return int(file.read().split()[0]) * resource.getpagesize()

"""The simulated devices as processes: a printer, a power meter, a sound meter, a scale and a caliper.

Each talks to the server only as a real one would: over the public ingest, with a token of its own. What they know of the
machine they get from the truths and a seed, not from each other.
"""

import math
import time
from dataclasses import dataclass
from datetime import datetime

import numpy as np

from crevlo.core.phases import Phase
from crevlo.sim import device
from crevlo.sim.machine import PrintRun, State
from crevlo.sim.sender import Clock, Sender
from crevlo.sim.truth import MACHINES, Truth

_REPORT_S, _SAMPLE_S, _BATCH_S, _LEVEL_S = 5.0, 2.0, 10.0, 3.0
# A simulated device is not started for what is long past.
_LOOKS_BACK_S = 6 * 3600.0
_DROPOUTS_PER_H, _RESETS_PER_H = 0.8, 0.1


@dataclass(frozen=True, slots=True)
class Setting:
    """What a simulated device is started with. `start` is when the machine's button was pressed."""

    url: str
    token: str
    machine: str
    seed: int
    start: datetime
    speed: float = 1.0
    sliced: str = ""
    for_s: float = math.inf


def truth_of(name: str) -> Truth:
    """Raises ValueError for a machine that is not simulated."""
    found = next((m for m in MACHINES if m.name == name), None)
    if found is None:
        raise ValueError(f"no simulated machine is called {name}; there are {', '.join(m.name for m in MACHINES)}")
    return found


def print_of(setting: Setting) -> PrintRun:
    """The print that the devices of a machine see, the same for each of them."""
    truth = truth_of(setting.machine)
    return PrintRun(truth, device.sliced_file(setting.sliced or truth.sliced), setting.seed)


def run_printer(setting: Setting) -> None:
    """Reports phase, percent, layer and temperatures every few seconds, and at once when the phase changes."""
    made, clock, sender = print_of(setting), Clock(setting.start, setting.speed), Sender(setting.url, setting.token, "printer")  # fmt: skip
    at, pending, last = _begin(setting, clock), [], None
    while at - setting.start.timestamp() < setting.for_s:
        clock.wait_until(at)
        state = made.state(at - setting.start.timestamp())
        if last is None or state.phase is not last or at % _REPORT_S < 1.0:
            pending.append(_report(at, state))
        last = state.phase
        at += 1.0
        if pending and (at > clock.now() or len(pending) >= 500):
            sender.send({"reports": pending})
            pending = []
    if pending:
        sender.send({"reports": pending})


def run_meter(setting: Setting) -> None:
    """Sends power every two seconds and a counter in whole watt-hours, with noise, dropouts and counter resets."""
    made, clock, sender = print_of(setting), Clock(setting.start, setting.speed), Sender(setting.url, setting.token, "power")  # fmt: skip
    rng = np.random.default_rng([setting.seed, 3, *setting.machine.encode()])
    start = setting.start.timestamp()
    at, counted, silent_until = _begin(setting, clock), 0.0, 0.0
    t: list[float] = []
    w: list[float] = []
    wh: list[float] = []
    while at - start < setting.for_s:
        clock.wait_until(at)
        watts = made.state(at - start).power_w
        counted += watts * _SAMPLE_S / 3600
        if rng.random() < _DROPOUTS_PER_H * _SAMPLE_S / 3600:
            silent_until = at + float(rng.uniform(15, 90))
        if rng.random() < _RESETS_PER_H * _SAMPLE_S / 3600:
            counted = 0.0
        if at >= silent_until:
            t.append(round(at + float(rng.uniform(0, 0.2)), 3))
            w.append(round(max(0.0, watts * (1 + rng.normal(0, 0.012)) + rng.normal(0, 0.4)), 1))
            wh.append(float(math.floor(counted)))
        at += _SAMPLE_S
        caught_up = at > clock.now()
        if t and (len(t) >= 5000 or (caught_up and at - t[0] >= _BATCH_S)):
            sender.send({"t": t, "w": w, "wh": wh})
            t, w, wh = [], [], []
    if t:
        sender.send({"t": t, "w": w, "wh": wh})


def run_sound_meter(setting: Setting) -> None:
    """Sends the level at 1 m: the room alone while the machine stands by, the machine in it while it moves."""
    made, clock, sender = print_of(setting), Clock(setting.start, setting.speed), Sender(setting.url, setting.token, "values")  # fmt: skip
    rng, start, at = np.random.default_rng([setting.seed, 4]), setting.start.timestamp(), _begin(setting, clock)
    pending: list[dict[str, float]] = []
    while at - start < setting.for_s:
        clock.wait_until(at)
        loud = made.state(at - start).phase in (Phase.PRINTING, Phase.LEVELLING)
        level = device.sound_meter(made.truth, rng) if loud else device.AMBIENT_DB + float(rng.normal(0, 0.4))
        pending.append({"t": round(at, 3), "value": round(level, 1)})
        at += _LEVEL_S
        if at > clock.now() or len(pending) >= 1000:
            sender.send({"values": pending})
            pending = []


def run_values(setting: Setting, true_value: float, kind: str, count: int) -> None:
    """A caliper or a scale: so many readings of a hidden true value, with the instrument's own bias and repeatability."""
    clock, sender = Clock(setting.start, setting.speed), Sender(setting.url, setting.token, "values")
    rng = np.random.default_rng([setting.seed, 5])
    for k in range(count):
        clock.wait_until(setting.start.timestamp() + k * _LEVEL_S)
        value = device.caliper(true_value, rng) if kind == "caliper" else device.scale(true_value, rng)
        sender.send({"values": [{"t": round(clock.now(), 3), "value": value}]})


def _begin(setting: Setting, clock: Clock) -> float:
    """The first whole second to send: the machine's start, or a while back where that is long past."""
    return math.ceil(max(clock.start, time.time() - _LOOKS_BACK_S)) if setting.speed > 0 else clock.start


def _report(at: float, state: State) -> dict[str, object]:
    return {
        "t": at, "phase": state.phase.value, "percent": round(state.percent, 2), "layer": state.layer,
        "nozzle_c": round(state.nozzle_c, 1), "bed_c": round(state.bed_c, 1), "message": state.message,
    }  # fmt: skip

"""Power traces with a bed that switches, gaps at random and counters that are reset, and what they really drew."""

import numpy as np

from crevlo.core.energy import TraceEnergy, integrate_counter
from crevlo.core.gaps import energy_of_trace
from crevlo.core.phases import Phase, Span


def trace(seed: int) -> tuple[np.ndarray, np.ndarray, list[Span], float]:
    """Times in s, power in W, phases, and the energy in kWh: a warm-up, then printing with a bed that switches."""
    rng = np.random.default_rng([seed, 21])
    warm, printing = rng.uniform(200, 400), rng.uniform(3000, 7000)
    at = np.arange(0, warm + printing, 2.0)
    period, duty = rng.uniform(40, 180), rng.uniform(0.25, 0.6)
    # The bed's thermostat is no clock: periods stray.
    edges = np.cumsum(rng.gamma(16, period / 16, int(4 * (warm + printing) / period)))
    turn = np.searchsorted(edges, at)
    begun = np.r_[0.0, edges][turn]
    on = (at - begun) < duty * period
    steady, bed = rng.uniform(60, 110), rng.uniform(120, 260)
    watts = np.where(at < warm, rng.uniform(280, 420), steady + bed * on) * (1 + rng.normal(0, 0.01, len(at)))
    joules = float(np.sum((watts[1:] + watts[:-1]) / 2 * np.diff(at)))
    spans = [Span(Phase.WARM_UP, 0.0, warm), Span(Phase.PRINTING, warm, float(at[-1]))]
    return at, watts, spans, joules / 3.6e6


def with_gaps(at: np.ndarray, seed: int) -> np.ndarray:
    """Which samples were heard: one to four gaps of a minute to seven, none at the ends."""
    rng = np.random.default_rng([seed, 22])
    heard = np.ones(len(at), bool)
    for _ in range(int(rng.integers(1, 5))):
        long = rng.uniform(60, 420)
        begin = rng.uniform(at[5], at[-5] - long)
        heard &= ~((at > begin) & (at < begin + long))
    return heard


def gaps_covered(traces: int) -> dict[str, tuple[float, float, float]]:
    """By kind of trace: share of totals held by value ± 1.96 u, mean error in u, share held by the bounds."""
    found: dict[str, list[tuple[bool, float, bool]]] = {"phases marked": [], "phases guessed": []}
    decided, reset = [], []
    for seed in range(traces):
        at, watts, spans, true = trace(seed)
        heard = with_gaps(at, seed)
        t, w = at[heard], watts[heard]
        found["phases marked"].append(_held(energy_of_trace(t, w, spans), true))
        found["phases guessed"].append(_held(energy_of_trace(t, w), true))
        counter = np.r_[0.0, np.cumsum((watts[1:] + watts[:-1]) / 2 * np.diff(at))] / 3600
        decided.append(abs(energy_of_trace(t, w, spans, counter[heard]).kwh - true) < 1e-4 + 1e-3 * true)
        cut = len(at) // 2
        again = np.where(np.arange(len(at)) < cut, counter, counter - counter[cut])
        reset.append(abs(integrate_counter(at, again).kwh - true) < 1e-3 * true + 1e-4)
    made = {k: (_mean(v, 0), _mean(v, 1), _mean(v, 2)) for k, v in found.items()}
    # A counter is no interval: it decides, or it does not.
    for name, right in (("a counter decides", decided), ("a counter is reset", reset)):
        made[name] = (0.95, 0.0, float(np.mean(right)))
    return made


def _held(made: TraceEnergy, true: float) -> tuple[bool, float, bool]:
    error = made.kwh - true
    inside = made.low_kwh - 1e-9 <= true <= made.high_kwh + 1e-9
    return abs(error) <= 1.96 * made.u_kwh, error / max(made.u_kwh, 1e-12), inside


def _mean(rows: list[tuple[bool, float, bool]], at: int) -> float:
    return float(np.mean([row[at] for row in rows]))

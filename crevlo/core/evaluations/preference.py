"""Which machine's pieces are preferred side by side, from blind duels."""

from collections import defaultdict

import numpy as np

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.evaluations.evaluation import Better, Evaluation, Quantity, Rests, Results
from crevlo.core.evidence import Duel, Evidence, Key
from crevlo.core.figure import Figure
from crevlo.core.raters.duels import Abilities, davidson

PREFERRED = Quantity(
    "duel", "Preferred side by side", "Duels", "", 2, Better.HIGHER, Rests.DUELS,
    "Log-ability from blind duels of pieces of the same artifact (Davidson's model with ties, a weak ridge), mean over the "
    "artifacts; 0 is the middle of the machines, and a difference of 1 is preferred about three times in four.", -2, 2,
)  # fmt: skip
_NEEDS = "duels of its pieces"


def abilities(duels: tuple[Duel, ...], machines: tuple[Key, ...]) -> dict[Key, Abilities]:
    """By line what the duels of its pieces say of the machines, whose names are their places in `machines`."""
    name = {key: str(at) for at, key in enumerate(machines)}
    by_line: dict[Key, list[Duel]] = defaultdict(list)
    for duel in duels:
        if duel.first in name and duel.second in name and duel.first != duel.second:
            by_line[duel.line].append(duel)
    return {line: davidson([(name[d.first], name[d.second], d.won) for d in mine]) for line, mine in by_line.items()}


def of_machines(evidence: Evidence) -> Results:
    """Mean over the lines in which a machine's pieces were compared; those that nothing joins stay open."""
    machines = tuple(evidence.machines)
    made = {line: a for line, a in abilities(evidence.duels, machines).items() if a.connected}
    figures: dict[Key, Figure] = {}
    for at, key in enumerate(machines):
        known = [(a.ability[str(at)], a.u[str(at)]) for a in made.values() if str(at) in a.ability]
        if not known:
            figures[key] = NotDetermined(_NEEDS)
            continue
        n = len(known)
        figures[key] = Estimate(sum(v for v, _ in known) / n, float(np.sqrt(sum(u * u for _, u in known))) / n)
    return Results({PREFERRED.code: figures})


PREFERENCE = Evaluation("preference", "Side by side", (PREFERRED,), of_machines)

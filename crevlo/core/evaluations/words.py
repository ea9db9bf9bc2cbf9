"""Findings as they are read, one after the other."""

from collections import defaultdict
from collections.abc import Iterable

from crevlo.core.estimate import NotDetermined
from crevlo.core.evaluations.evaluation import Finding, Says


def words_of(findings: Iterable[Finding]) -> list[Says]:
    """Findings as they are read: those that are known one by one, those that need the same thing together; not those that
    another says already."""
    known, waiting = [], defaultdict(list)
    for f in findings:
        if not f.says.headline:
            continue
        if isinstance(f.value, NotDetermined) and not f.says.amount:
            waiting[f.value.needs].append(f.says.headline)
        else:
            known.append(f.says)
    for needs, who in waiting.items():
        names = " and ".join([", ".join(who[:-1]), who[-1]] if len(who) > 1 else who)
        plural = len(who) > 1 or (names.endswith("s") and not names.endswith("ss"))
        verb = "need" if plural else "needs"
        known.append(Says(names[:1].upper() + names[1:], "", "", f"{verb} {needs}."))
    return known

"""The verdict sentence: who leads, by how much, how sure."""

from dataclasses import dataclass

from crevlo.core.scoring.chances import TIE_BELOW


@dataclass(frozen=True, slots=True)
class Verdict:
    """Headline, evidence in a sentence, and whether the first two are a tie."""

    headline: str
    evidence: str
    tie: bool


def say_verdict(
    names: list[str],
    totals: list[float],
    expanded: list[float],
    first_beats_second: float | None,
    missing_cells: int,
    tie_below: float = TIE_BELOW,
) -> Verdict:
    """Verdict over ranked machines, best first. `first_beats_second` is the pairwise win chance from the draws."""
    if not names:
        return Verdict("No machine passes every must-have", "Ease a must-have or add a machine.", False)
    if len(names) == 1 or first_beats_second is None:
        return Verdict(
            names[0], "It is the only machine that passes every must-have; nothing to compare it with.", False
        )
    lead = totals[0] - totals[1]
    chance = round(100 * first_beats_second)
    spread = (expanded[0] ** 2 + expanded[1] ** 2) ** 0.5
    facts = f"It leads {names[1]} by {lead:.1f} points and comes out ahead in {chance} % of the draws"
    unfinished = " Figures are still missing: the totals are intervals." if missing_cells else ""
    if first_beats_second < tie_below:
        return Verdict(
            f"{names[0]}, but only just",
            f"{facts}; the readings alone leave ± {spread:.1f} between them. Treat the first two as a tie, "
            f"and let price or supply decide.{unfinished}",
            True,
        )
    return Verdict(names[0], f"{facts}; the readings leave ± {spread:.1f} between them.{unfinished}", False)

"""What the demo's people say at the end of a round: rubrics, points by the line, final words, and what they have now."""

import uuid
from datetime import UTC, datetime, timedelta
from typing import Any

from crevlo.sim.client import Client

# By rubric what the reviewer gave the machines, in the order of the study.
_GIVEN: dict[str, tuple[int, ...]] = {
    "assembly": (4, 3, 3, 2, 4, 5, 3), "instructions": (4, 4, 3, 2, 3, 4, 3), "levelling": (4, 3, 4, 1, 4, 3, 3),
    "loading": (4, 3, 2, 2, 3, 4, 3), "screen": (3, 4, 3, 1, 4, 2, 3), "noise": (3, 4, 3, 2, 3, 1, 3),
}  # fmt: skip
_WORDS = {
    ("screen", 1): "The way to the filament menu is the way one looks for it.",
    ("levelling", 3): "Four screws, and they move again by Friday.",
}
# Points, and who won the line by name.
_LINES: tuple[tuple[str, float, tuple[str, ...]], ...] = (
    ("Feet that keep it where it stands", 5, ("Hollowell Mesa", "Tamsin Forge")),
    ("A plate that bends", 10, ("Hollowell Mesa", "Oddfellow Sparrow", "Corvane Twin")),
    ("Spare nozzle in the box", 5, ("Oddfellow Sparrow",)),
    ("Goes on after a power cut", 10, ("Hollowell Mesa",)),
    ("Filament sensor that can be believed", 10, ("Corvane Twin",)),
    ("Two years of warranty", 10, ()),
)
_FINAL: tuple[tuple[str, str, str], ...] = (
    (
        "Hollowell Mesa",
        "like",
        "The part comes off by hand, and the next one starts without a look at the first layer.",
    ),
    ("Hollowell Mesa", "dislike", "The fan of the board runs on for half an hour after the print."),
    ("Hollowell Mesa", "for", "A counter that is open all day and prints while people wait."),
    ("Hollowell Mesa", "buy", "Yes, and a second one before any upgrade."),
    ("Oddfellow Sparrow", "like", "The quietest of the round; the counter next door did not notice it."),
    ("Oddfellow Sparrow", "for", "An evening in a room that others use too."),
    ("Brindle 235", "dislike", "Four screws to level by, and they move again within a week."),
    ("Brindle 235", "fix", "Put springs that hold under the bed, or a probe beside the nozzle."),
    ("Brindle 235", "not for", "Anybody who has to explain it to the next volunteer."),
    ("Nettlewick Solo", "not for", "A room in which people talk."),
)
_UPGRADES: tuple[tuple[str, str, str, float], ...] = (
    ("Brindle 235", "must", "Springs that hold, for the bed", 9.0),
    ("Hollowell Mesa", "nice", "A second bending plate, so that one cools while the other prints", 24.0),
)


def _new() -> str:
    return str(uuid.uuid4())


def say(reviewer: Client, study: str) -> None:
    """Enters it over the API."""
    units = {
        u["machine"]["name"]: u["machine"]["unit_id"] for u in reviewer.get(f"/api/studies/{study}/receive")["units"]
    }
    for rubric, scores in _GIVEN.items():
        for at, (unit, score) in enumerate(zip(units.values(), scores, strict=True)):
            reviewer.enter("POST", f"/api/studies/{study}/rubrics", {
                "id": _new(), "unit_id": unit, "rubric": rubric, "score": score, "words": _WORDS.get((rubric, at), "")})  # fmt: skip
    lines = [{"words": words, "points": points, "winners": [units[n] for n in won]} for words, points, won in _LINES]
    reviewer.enter("PUT", f"/api/studies/{study}/points-sheet", {"lines": lines})
    day = (datetime.now(UTC) - timedelta(days=2)).date().isoformat()
    said: list[dict[str, Any]] = [
        {"unit_id": units[name], "kind": kind, "words": words} for name, kind, words in _FINAL
    ]
    said += [
        {"unit_id": units[name], "kind": kind, "words": words, "price": price, "source": "a parts dealer's list", "priced_on": day}
        for name, kind, words, price in _UPGRADES
    ]  # fmt: skip
    for word in said:
        reviewer.enter("POST", f"/api/studies/{study}/final-words", word | {"id": _new()})
    reviewer.enter("POST", f"/api/studies/{study}/references", {
        "id": _new(), "kind": "stated", "name": "What the counter has now", "about": "A machine of 2021; the counter's own notes of last winter",
        "figures": {"time": {"value": 1.9, "expanded": 0.2}, "noise": {"value": 56, "expanded": 3},
                    "energy": {"value": 0.19, "expanded": 0.02}, "success": {"value": 72, "expanded": 8},
                    "cost": {"value": 3.4, "expanded": 0.4}}})  # fmt: skip

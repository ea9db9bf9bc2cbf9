"""What comes after the demo's first look is published: the log goes on, prices move, a loaned machine is due back."""

import uuid
from datetime import UTC, datetime, timedelta
from typing import Any

from crevlo.sim.client import Client

# Hours on the counter of a machine that has worked in the counter for months, and when its nozzles were changed.
_WORKED_H = 412.0
_NOZZLES_H = (118.0, 251.0, 372.0)
_FAULTS_H = ((64.0, "first layer did not stick after a power cut"), (233.0, "skipped steps on the long axis"),
             (318.0, "fan of the hot end stood still"), (381.0, "skipped steps on the long axis"), (405.0, "door switch stuck"))  # fmt: skip
# What the winner cost over the months, as its shop showed it.
_PRICES = ((150, 569.0), (90, 549.0), (40, 540.0))
_RISEN = 749.0


def go_on(reviewer: Client, study: str) -> None:
    """Publishes the study for all its buyers and opens it to readers; what is entered after that is later than it."""
    units = {u["machine"]["name"]: u for u in reviewer.get(f"/api/studies/{study}/receive")["units"]}
    first, *_ = reviewer.send("POST", f"/api/studies/{study}/rank", {})["standings"]
    winner = units[first["machine"]["name"]]
    _live_with(reviewer, study, winner)
    with reviewer.heavy:
        made = reviewer.send("POST", f"/api/studies/{study}/revisions", {
            "id": str(uuid.uuid4()), "profile_id": None, "changed": "A first look; two prints are still to come.", "ends_blind": True})  # fmt: skip
    reviewer.enter("POST", f"/api/revisions/{made['revisions'][0]['id']}/reader-page", {})
    model = reviewer.get(f"/api/units/{winner['machine']['unit_id']}/life")["model_id"]
    today = datetime.now(UTC).date()
    lines = [f"{today - timedelta(days=ago)};{price:.2f};a shop by post" for ago, price in _PRICES]
    table = {"words": "\n".join(lines), "currency": "EUR", "source": "a shop by post"}
    reviewer.enter("POST", f"/api/models/{model}/price-table", table)
    reviewer.enter("POST", f"/api/models/{model}/prices", {
        "id": str(uuid.uuid4()), "price": _RISEN, "currency": "EUR", "priced_on": str(today), "source": "the same shop, after its sale"})  # fmt: skip
    for unit in units.values():
        if unit["obtained"] == "lent":
            life = reviewer.get(f"/api/units/{unit['machine']['unit_id']}/life")
            reviewer.enter("PUT", f"/api/units/{unit['machine']['unit_id']}/return", {
                "version": life["version"], "return_by": str(today + timedelta(days=9))})  # fmt: skip


def _live_with(reviewer: Client, study: str, unit: dict[str, Any]) -> None:
    """Its log before the first look: hours, nozzles with what they cost, faults."""
    path = f"/api/studies/{study}/units/{unit['machine']['unit_id']}/log"

    def log(kind: str, hours: float, words: str = "", **more: float) -> None:
        # So many hours a day of work.
        at = datetime.now(UTC) - timedelta(days=(_WORKED_H - hours) / 4)
        reviewer.enter("POST", path, {
            "id": str(uuid.uuid4()), "kind": kind, "words": words, "hours": hours, "at": at.isoformat(), **more})  # fmt: skip

    log("hours", 0.0)
    for hours in _NOZZLES_H:
        log("part replaced", hours, "nozzle", cost=11.5)
    for hours, words in _FAULTS_H:
        log("fault", hours, words)
    log("maintenance", 300.0, "rails cleaned and oiled", cost=4.0)
    log("hours", _WORKED_H)

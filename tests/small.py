"""A small frozen study, entered over the API."""

import uuid
from collections.abc import Sequence
from datetime import datetime

from crevlo.sim.client import Client


def new() -> str:
    return str(uuid.uuid4())


def frozen_study(
    client: Client,
    names: tuple[str, ...] = ("Mesa", "Sparrow"),
    copies: int = 1,
    frozen_at: datetime | None = None,
    title: str = "Small",
) -> str:
    """A study of one unit of each model with its protocol frozen, and what it is tested with."""
    study = draft_study(client, names, copies, title=title)
    client.enter("POST", f"/api/studies/{study}/freeze", {"frozen_at": frozen_at.isoformat()} if frozen_at else {})
    return study


def draft_study(
    client: Client, names: tuple[str, ...] = ("Mesa", "Sparrow"), copies: int = 1, *, artifact: str | Sequence[str] = "SB",
    currency: str = "EUR", title: str = "Small", own_arm: bool = False, control: str = "", blind: bool = False,
) -> str:  # fmt: skip
    """Models, a spool, a caliper and meters, and a study that could be frozen as it is."""
    known = {m["name"]: m["id"] for m in client.get("/api/library")["models"]}
    models = {name: known.get(name, new()) for name in names}
    for name in [n for n in names if n not in known]:
        client.enter("POST", "/api/models", {
            "id": models[name], "name": name, "bed_x_mm": 220, "bed_y_mm": 220, "height_mm": 250})  # fmt: skip
    spool, study = new(), new()
    client.enter("POST", "/api/spools", {
        "id": spool, "code": f"S-{spool[:4]}", "maker": "Wendle Works", "material": "PLA", "colour": "moss",
        "density_g_cm3": 1.24, "price_per_kg": 20, "currency": currency})  # fmt: skip
    client.enter("POST", "/api/instruments", {
        "id": new(), "code": f"C-{study[:4]}", "kind": "caliper", "unit": "mm", "resolution": 0.01,
        "u_calibration": 0.01, "repeatability": 0.01})  # fmt: skip
    client.enter("POST", "/api/instruments", {
        "id": new(), "code": f"W-{study[:4]}", "kind": "scale", "unit": "g", "resolution": 0.001, "u_calibration": 0.001,
        "repeatability": 0.001})  # fmt: skip
    view = client.send(
        "POST", "/api/studies", {"id": study, "title": title, "question": "Which?", "seed": 5, "currency": currency}
    )
    client.enter("PUT", f"/api/studies/{study}/plan", {
        "version": view["version"], "question": view["question"], "policies": view["policies"], "repeats": 1,
        "arms": [
            {"name": name, "slicing": slicing, "lines": [
                {"artifact": a, "spool_id": spool, "copies": copies}
                for a in ([artifact] if isinstance(artifact, str) else artifact)]}
            for name, slicing in (("Stock", "common"), ("Own profiles", "own"))[: 2 if own_arm else 1]
        ],
        "candidates": [{"model_id": m, "is_control": n == control} for n, m in models.items()]})  # fmt: skip
    # Most tests are of figures: whoever makes the study sees them before the reveal. Those of the blind make their own.
    if not blind:
        client.enter("POST", f"/api/studies/{study}/unblinding")
    return study

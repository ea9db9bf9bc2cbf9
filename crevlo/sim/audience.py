"""An audience of the demo: photos of pieces as the bench camera sees them, and votes on a public page."""

import io
import math
import uuid
from collections.abc import Callable, Mapping
from datetime import UTC, datetime, timedelta
from typing import Any

import numpy as np
from PIL import Image, ImageDraw, ImageFilter

from crevlo.sim.client import Client, side_by_side

_SIZE = (1200, 900)


def picture(roughness: float, chance: np.random.Generator) -> bytes:
    """A JPEG of an arm on a grey bench under a lamp; what its faces look like follows from `roughness`, 0 to 4."""
    bench = np.linspace(150, 118, _SIZE[1])[:, None] + chance.normal(0, 2.0, (_SIZE[1], _SIZE[0]))
    image = Image.fromarray(np.clip(bench, 0, 255).astype(np.uint8)).convert("RGB")
    mask = Image.new("L", _SIZE, 0)
    draw = ImageDraw.Draw(mask)
    lean = float(chance.normal(0, 14))
    draw.polygon([(270, 690), (270 + lean, 240), (360 + lean, 225), (400, 560), (850, 640), (930, 690), (925, 735), (275, 735)], fill=255)  # fmt: skip
    for left in range(420, 860, 55):
        droop = roughness * float(chance.uniform(0, 9))
        draw.rectangle([left, 632 + (left - 420) * 0.13, left + 26, 660 + (left - 420) * 0.13 + droop], fill=0)
    rows = np.arange(_SIZE[1])[:, None] / 5.0 * math.pi
    waves = 6 * np.sin(rows) + roughness * 3.5 * np.sin(rows / 9 + chance.uniform(0, 6))
    body = 172 + waves + chance.normal(0, 2 + 2.5 * roughness, (_SIZE[1], _SIZE[0]))
    tint = np.stack([body * 0.78, body * 0.9, body * 0.74], axis=-1)
    part = Image.fromarray(np.clip(tint, 0, 255).astype(np.uint8))
    shade = Image.new("RGB", _SIZE, (70, 74, 70))
    image.paste(shade, (14, 16), mask.filter(ImageFilter.GaussianBlur(12)).point(lambda v: v // 2))
    image.paste(part, (0, 0), mask)
    threads = ImageDraw.Draw(image)
    for _ in range(int(4 * roughness)):
        x, y = float(chance.uniform(380, 820)), float(chance.uniform(560, 640))
        threads.line([(x, y), (x + float(chance.uniform(20, 70)), y - float(chance.uniform(5, 50)))], fill=(190, 200, 186), width=1)  # fmt: skip
    out = io.BytesIO()
    image.save(out, "JPEG", quality=88)
    return out.getvalue()


def ask(
    reviewer: Client, reach: Callable[[], Client], study: str, artifact: str, liked: Mapping[str, float], seed: int
) -> None:
    """Opens a ballot on one artifact and has a dozen browsers vote; `liked` is the log-ability by blind code."""
    path = f"/api/studies/{study}/ballots"
    line = next(x["number"] for x in reviewer.get(path)["lines"] if x["artifact"] == artifact and not x["needs"])
    closes = datetime.now(UTC) + timedelta(days=14)
    with reviewer.heavy:
        made = reviewer.send("POST", path, {
            "id": str(uuid.uuid4()), "line": line, "question": "Which of these two would you rather hang on your wall?",
            "closes_at": closes.isoformat()})  # fmt: skip
    key = made["ballots"][0]["key"]

    def vote(number: int) -> None:
        rng, voter = np.random.default_rng([seed, number]), reach()
        view: dict[str, Any] = voter.get(f"/api/ballots/{key}")
        for _ in range(int(rng.integers(2, 6))):
            if view["first"] is None:
                return
            a, b = (liked[view[side]["blind_code"]] for side in ("first", "second"))
            weight = np.array([math.exp(a), 0.5 * math.exp((a + b) / 2), math.exp(b)])
            view = voter.send("POST", f"/api/ballots/{key}/votes", {
                "id": str(uuid.uuid4()), "first": view["first"]["blind_code"], "second": view["second"]["blind_code"],
                "ticket": view["ticket"],
                "won": ("first", "tie", "second")[int(rng.choice(3, p=weight / weight.sum()))]})  # fmt: skip

    side_by_side(vote, range(12))

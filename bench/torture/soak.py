"""Twenty people at work for as long as asked; the memory of the web workers stays flat."""

import random
import threading
import time
from collections import Counter

import httpx

from bench.torture.site import Site, children, resident_mb
from crevlo.sim.client import ApiError, Client

PEOPLE, LOOK_S = 20, 15.0


def _something(client: Client, study: str, rng: random.Random, known: dict[str, list[str]]) -> None:
    """One thing that a person does: a screen opened, a slider moved, an artifact looked at with other sizes."""
    path = f"/api/studies/{study}"
    choice = rng.random()
    if choice < 0.45:
        client.get(f"{path}/{rng.choice(['line', 'plan', 'receive', 'print', 'live', 'measure', 'inspect', 'cost', 'publish', 'schedule'])}")  # fmt: skip
    elif choice < 0.6:
        weights = {c: round(rng.uniform(0, 40), 1) for c in known["criteria"]}
        client.send("POST", f"{path}/rank", {"weights": weights})
    elif choice < 0.7:
        client.get(f"/api/jobs/{rng.choice(known['jobs'])}")
    elif choice < 0.78:
        client.get(f"/api/specimens/{rng.choice(known['specimens'])}")
    elif choice < 0.86:
        client.get(f"/api/shelf/{rng.choice(known['artifacts'])}")
    elif choice < 0.9:
        client.get(f"/api/shelf/{rng.choice(known['artifacts'])}/plate", bed_x=rng.randint(100, 300), bed_y=rng.randint(100, 300), wanted=rng.randint(1, 30))  # fmt: skip
    elif choice < 0.95:
        client.send("POST", f"{path}/units/{rng.choice(known['units'])}/rank-source", {"criterion": rng.choice(known["criteria"])})  # fmt: skip
    elif choice < 0.98:
        basis = client.get(f"{path}/cost")["basis"]
        client.send("PUT", f"{path}/cost", basis | {"wage_per_h": round(rng.uniform(10, 40), 2)})
    else:
        client.get(f"{path}/units/{rng.choice(known['units'])}/record")


def run(up: Site, study: str, minutes: float, seed: int = 3) -> str:
    first = up.as_("reviewer@bench.example")
    rank = first.send("POST", f"/api/studies/{study}/rank", {})
    known = {
        "criteria": [c["code"] for c in rank["criteria"]],
        "jobs": [j["id"] for j in first.get(f"/api/studies/{study}/print")["jobs"]],
        "specimens": [q["id"] for q in first.get(f"/api/studies/{study}/measure")["queue"]],
        "units": [s["machine"]["unit_id"] for s in rank["standings"]],
        "artifacts": [a["ref"] for a in first.get("/api/shelf")["artifacts"]],
    }
    done, calls, took = threading.Event(), Counter(), []
    people = [up.as_("reviewer@bench.example") for _ in range(PEOPLE)]

    def work(number: int) -> None:
        rng = random.Random(seed * 1000 + number)
        while not done.is_set():
            began = time.monotonic()
            try:
                _something(people[number], study, rng, known)
                calls["good"] += 1
            except ApiError as refused:
                # Two who save at once, or a heavy call beside another: told in words.
                calls["told" if any(s in str(refused) for s in (": 409 ", ": 429 ", ": 422 ")) else "fault"] += 1
            except httpx.HTTPError as broken:
                calls["no answer"] += 1
                print(f"  no answer: {broken!r}", flush=True)
            took.append(time.monotonic() - began)
            done.wait(rng.uniform(1.5, 4.5))

    for number in range(PEOPLE):
        threading.Thread(target=work, args=(number,), daemon=True).start()
    began, seen = time.monotonic(), []
    while time.monotonic() - began < 60 * minutes:
        time.sleep(LOOK_S)
        masters = [pid for pid, line in children(up.process.pid).items() if "gunicorn" in line]
        workers = [pid for master in masters for pid in children(master)]
        seen.append((time.monotonic() - began, max((resident_mb(p) for p in workers), default=0.0)))
        if len(seen) % 20 == 0:
            print(f"  after {seen[-1][0] / 60:.0f} min: {seen[-1][1]:.0f} MB", flush=True)
    done.set()
    after = [mb for at, mb in seen if at > min(600, 60 * minutes / 6)]
    low, high, middle = min(after), max(after), sum(after) / len(after)
    took.sort()
    told = (
        f"{PEOPLE} people for {minutes:.0f} min, {sum(calls.values())} calls ({dict(calls)}), p95 {1000 * took[int(0.95 * len(took))]:.0f} ms; "
        f"largest worker {low:.0f} to {high:.0f} MB after the first minutes ({100 * (low / middle - 1):+.0f} … {100 * (high / middle - 1):+.0f} %)"
    )
    if calls["fault"] or calls["no answer"] or high > 1.1 * middle:
        raise SystemExit(f"not flat, or not all answered: {told}")
    return told

"""Whatever people press in whatever order: what is refused leaves nothing, what is kept is kept once, and both are as a plain
model of the rules has them."""

import uuid
from collections.abc import Iterator
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from hypothesis import Phase, settings
from hypothesis import strategies as st
from hypothesis.stateful import (
    RuleBasedStateMachine,
    initialize,
    invariant,
    precondition,
    rule,
    run_state_machine_as_test,
)

from crevlo.core.success import Cause
from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import frozen_study, new
from tests.states import Turned, make

# A failure is shown as it was met: to make it smaller takes thousands of calls.
PLAYED = settings(max_examples=3, stateful_step_count=20, deadline=None, phases=[Phase.generate])


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def answered(client: Client, method: str, path: str, body: dict[str, Any], write_id: str | None = None) -> int:
    """The status alone; with the same `write_id` it is the same press again."""
    headers = {"X-CSRFToken": client.csrf, "X-Write-Id": write_id or str(uuid.uuid4())}
    return int(client.http.request(method, path, json=body, headers=headers).status_code)


def test_the_tries_of_a_print(client: Client) -> None:
    study = frozen_study(client, copies=20, frozen_at=datetime.now(UTC) - timedelta(days=9))
    view = client.get(f"/api/studies/{study}/print")
    jobs: Iterator[str] = iter([j["id"] for j in view["jobs"]])
    most = view["most_attempts"]

    class Tries(RuleBasedStateMachine):
        """One print at its machine; the model knows how each try ended, and whether that counts as one."""

        @initialize()
        def begin(self) -> None:
            self.job = next(jobs)
            self.ended: list[tuple[str, bool]] = []
            self.live: str | None = None
            self.excused = False
            self.clock = datetime.now(UTC) - timedelta(days=2)

        @precondition(lambda self: not self.live and (self.used >= most or self.ended[-1:] == [("done", True)]))
        @rule()
        def go_on_to_the_next(self) -> None:
            self.begin()

        @property
        def used(self) -> int:
            return sum(counts for _, counts in self.ended) + (self.live is not None)

        def may_start(self, changed: str, reason: str) -> bool:
            if self.live or (self.ended and self.ended[-1][0] == "done") or self.used >= most:
                return False
            return (not self.ended or bool(changed.strip())) and (self.excused or bool(reason.strip()))

        @rule(
            changed=st.sampled_from(["Plate washed.", "Belt tightened.", "Spool changed.", "  "]),
            reason=st.sampled_from(["Not kept.", "Lost.", ""]),
            twice=st.booleans(),
        )
        def start(self, changed: str, reason: str, twice: bool) -> None:
            run, write, expected = new(), new(), self.may_start(changed, reason)
            body = {"id": run, "started_at": self.clock.isoformat(), "changed": changed, "deviation_reason": reason, "without_file": True}  # fmt: skip
            for _ in range(1 + twice):
                assert (answered(client, "POST", f"/api/jobs/{self.job}/runs", body, write) == 200) is expected
            if expected:
                self.live, self.excused = run, True

        @precondition(lambda self: self.live)
        @rule(
            outcome=st.sampled_from(["failed", "stopped", "failed", "done"]), cause=st.sampled_from([None, *(c.value for c in Cause)]),
            counts=st.booleans(), minutes=st.integers(-20, 300),
        )  # fmt: skip
        def end(self, outcome: str, cause: str | None, counts: bool, minutes: int) -> None:
            at = self.clock + timedelta(minutes=minutes)
            body = {"outcome": outcome, "cause": cause, "uses_attempt": counts, "ended_at": at.isoformat()}
            expected = minutes >= 0 and not (outcome == "failed" and cause is None)
            assert (answered(client, "POST", f"/api/runs/{self.live}/end", body) == 200) is expected
            if expected:
                # It ends once, however it is pressed.
                assert answered(client, "POST", f"/api/runs/{self.live}/end", body) == 422
                self.ended.append((outcome, outcome != "stopped" or counts))
                self.live, self.clock = None, at + timedelta(minutes=1)

        @invariant()
        def it_is_as_the_model_has_it(self) -> None:
            job = client.get(f"/api/jobs/{self.job}")
            tries = [run for run in job["runs"] if run["outcome"]]
            assert [(r["outcome"], r["uses_attempt"]) for r in tries] == self.ended
            assert [r["attempt"] for r in job["runs"]] == list(range(1, len(job["runs"]) + 1))
            assert [r["id"] for r in job["runs"] if not r["outcome"]] == ([self.live] if self.live else [])
            assert job["tries_used"] == self.used <= most
            # Only a print that came out gets a code for its bag.
            assert [bool(r["bag_code"]) for r in tries] == [outcome == "done" for outcome, _ in self.ended]
            # The clock of a part runs on over its tries, nights left out.
            until = [r["until_s"] for r in tries if r["until_s"] is not None]
            assert until == sorted(until)
            line = next(j for j in client.get(f"/api/studies/{study}/print")["jobs"] if j["id"] == self.job)
            now = "printing" if self.live else self.ended[-1][0] if self.ended else "planned"
            assert (line["attempts"], line["tries_used"], line["state"]) == (len(job["runs"]), self.used, now)

    run_state_machine_as_test(Tries, settings=PLAYED)


def test_the_readings_of_a_specimen(bench: Bench, client: Client) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned()}, copies=5, measured=False, inspected=False)
    view = client.get(f"/api/studies/{study}/measure")
    queue = iter([line["id"] for line in view["queue"]])
    caliper = next(i["id"] for i in view["instruments"] if i["kind"] == "caliper")
    hands = {"reviewer": client, "rater": bench.as_("rater")}
    who = st.sampled_from(sorted(hands))
    off = st.integers(-30, 30).map(lambda n: n / 100)

    class Readings(RuleBasedStateMachine):
        """One specimen; the model knows of each face the values as they were corrected, the newest last, and who took them.

        The reviewer has left the blind and sees all; the rater sees and corrects their own alone.
        """

        @initialize()
        def begin(self) -> None:
            self.specimen = next(queue)
            self.faces = client.get(f"/api/specimens/{self.specimen}")["features"][:9]
            self.known: dict[str, list[tuple[str, float, str]]] = {}

        def reading(self, face: dict[str, Any], value: float) -> dict[str, Any]:
            return {
                "id": new(),
                "feature_id": face["feature_id"],
                "repeat": 1,
                "instrument_id": caliper,
                "value": value,
            }

        @rule(by=who, at=st.integers(0, 8), off=off, twice=st.booleans())
        def read(self, by: str, at: int, off: float, twice: bool) -> None:
            face = self.faces[at]
            body, write = self.reading(face, round(face["nominal"] + off, 2)), new()
            expected = face["code"] not in self.known
            for _ in range(1 + twice):
                status = answered(hands[by], "POST", f"/api/specimens/{self.specimen}/readings", body, write)
                assert (status == 200) is expected
            if expected:
                self.known[face["code"]] = [(body["id"], body["value"], by)]

        @rule(by=who, at=st.lists(st.integers(0, 8), min_size=1, max_size=3), off=off)
        def read_several(self, by: str, at: list[int], off: float) -> None:
            """All of them, or none: of one that is there already, or stands twice in it, none is kept."""
            faces = [self.faces[i] for i in at]
            bodies = [self.reading(f, round(f["nominal"] + off, 2)) for f in faces]
            codes = [f["code"] for f in faces]
            expected = len(set(codes)) == len(codes) and not set(codes) & self.known.keys()
            path = f"/api/specimens/{self.specimen}/readings/batch"
            assert (answered(hands[by], "POST", path, {"readings": bodies}) == 200) is expected
            if expected:
                self.known |= {c: [(b["id"], b["value"], by)] for c, b in zip(codes, bodies, strict=True)}

        @precondition(lambda self: self.known)
        @rule(
            by=who,
            pick=st.randoms(use_true_random=False),
            off=off,
            older=st.booleans(),
            reason=st.sampled_from(["slipped", "read it again", "typed wrong", ""]),
        )
        def correct(self, by: str, pick: Any, off: float, older: bool, reason: str) -> None:
            """The newest only, and with a reason: of two who correct the same value the second is told."""
            code = pick.choice(sorted(self.known))
            history = self.known[code]
            face = next(f for f in self.faces if f["code"] == code)
            of, _, taker = history[0] if older else history[-1]
            value = round(face["nominal"] + off, 2)
            body = {"id": new(), "supersedes_id": of, "value": value, "reason": reason, "instrument_id": caliper}
            expected = bool(reason) and of == history[-1][0] and by in ("reviewer", taker)
            path = f"/api/specimens/{self.specimen}/corrections"
            assert (answered(hands[by], "POST", path, body) == 200) is expected
            if expected:
                history.append((body["id"], value, by))

        @invariant()
        def it_is_as_the_model_has_it(self) -> None:
            for name, seen in hands.items():
                shown = {f["code"]: f for f in seen.get(f"/api/specimens/{self.specimen}")["features"][:9]}
                for code, face in shown.items():
                    kept = [(r["id"], r["value"], r["corrected"], r["by_other"]) for r in face["readings"]]
                    history = self.known.get(code, [])
                    assert kept == [
                        (of, value, len(history) > 1, False) if name in ("reviewer", by) else (of, None, False, True)
                        for of, value, by in history[-1:]
                    ]
            source = self.faces[0]["code"]
            entries = client.get(f"/api/specimens/{self.specimen}/source", feature=source)["entries"]
            # Every value ever read is still there to be seen, struck out where a later one took its place.
            assert [e["struck"] for e in entries] == [True] * (len(entries) - 1) + [False] * (len(entries) > 0)
            assert len(entries) == len(self.known.get(source, []))

    run_state_machine_as_test(Readings, settings=settings(PLAYED, max_examples=4))


def test_what_was_refused_says_why(client: Client) -> None:
    """The words for each refusal that the model above only counts."""
    study = frozen_study(client, frozen_at=datetime.now(UTC) - timedelta(days=9))
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]["id"]
    start = {"without_file": True, "started_at": (datetime.now(UTC) - timedelta(hours=5)).isoformat()}
    with pytest.raises(ApiError, match="Say why there is no sliced file"):
        client.send("POST", f"/api/jobs/{job}/runs", {"id": new(), **start})
    run = new()
    client.send("POST", f"/api/jobs/{job}/runs", {"id": run, "deviation_reason": "Not kept.", **start})
    with pytest.raises(ApiError, match="is printing"):
        client.send("POST", f"/api/jobs/{job}/runs", {"id": new(), **start})
    with pytest.raises(ApiError, match="“unknown” is one"):
        client.send("POST", f"/api/runs/{run}/end", {"outcome": "failed"})
    client.send("POST", f"/api/runs/{run}/end", {"outcome": "failed", "cause": "machine"})
    with pytest.raises(ApiError, match="what changed since the last"):
        client.send("POST", f"/api/jobs/{job}/runs", {"id": new(), **start})

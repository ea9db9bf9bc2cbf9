"""What happened to a unit stands on record, whatever came after."""

from datetime import UTC, datetime, timedelta

from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.safety import HAZARDS, EventKind, SafetyEvent, safety_record

ENDING = ("Earth", "Runaway response")
DAY = datetime(2026, 11, 2, 9, tzinfo=UTC)


def event(kind: EventKind, day: int, words: str = "", about: str = "") -> SafetyEvent:
    return SafetyEvent(kind, DAY + timedelta(days=day), words, about)


def passed(day: int, *checks: str) -> list[SafetyEvent]:
    return [event(EventKind.PASSED, day, about=c) for c in checks or ENDING]


def test_a_failed_runaway_check_ends_testing_and_stays_on_record_after_it_passes() -> None:
    failed = event(EventKind.FAILED, 0, "kept heating.", "Runaway response")
    told = safety_record([failed], ENDING)
    assert told.ended == "“Runaway response” failed on this unit: nothing is printed on it until a re-check passes."
    assert told.on_record == ("“Runaway response” failed on 2 November 2026: kept heating. It has not passed since.",)
    swap = event(EventKind.REPAIR, 1, "board swapped")
    later = safety_record([*passed(2), swap, failed], ENDING)
    assert later.ended is None
    assert later.on_record == (
        "“Runaway response” failed on 2 November 2026: kept heating. It passed on 4 November 2026.",
        "Repaired or changed on 3 November 2026: board swapped.",
    )


def test_a_part_that_was_changed_as_routine_is_no_matter_of_safety() -> None:
    changed = [event(EventKind.REPAIR, day, "nozzle") for day in (1, 5)]
    assert safety_record([*passed(0), *changed], ENDING).on_record == ()
    smoke = event(EventKind.SMOKE, 3)
    after = safety_record([*passed(0), *changed, smoke], ENDING).on_record
    assert [words.split(" on ")[0] for words in after] == ["Smoke", "Repaired or changed"]


def test_a_fire_needs_a_reason_to_go_on_and_every_check_again() -> None:
    fire = event(EventKind.FIRE, 3, "at the bed connector")
    told = safety_record([*passed(0), fire], ENDING)
    assert told.ended == (
        "Fire on 5 November 2026 ended testing on this unit. It needs “Earth” and “Runaway response” "
        "checked again since, and a reviewer's reason to re-open it."
    )
    reopened = event(EventKind.REOPENED, 4, "new board and cables, looked at by an electrician")
    assert safety_record([*passed(0), fire, reopened], ENDING).ended
    assert safety_record([*passed(0), fire, *passed(5)], ENDING).ended
    assert safety_record([*passed(0), fire, reopened, *passed(5, "Earth")], ENDING).needs == (
        "“Runaway response” checked again since",
    )
    open_again = safety_record([*passed(0), fire, reopened, *passed(5)], ENDING)
    assert open_again.ended is None
    assert open_again.on_record[0] == "Fire on 5 November 2026: at the bed connector."
    # A second fire ends it again, although it was re-opened after the first.
    assert safety_record([*passed(0), fire, reopened, *passed(5), event(EventKind.SMOKE, 6)], ENDING).ended


EVENTS = st.builds(
    event, st.sampled_from(list(EventKind)), st.integers(0, 30), st.just("so"), st.sampled_from([*ENDING, "Screws"])
)


@given(st.lists(EVENTS, max_size=12))
def test_nothing_that_follows_takes_a_hazard_or_failure_off_the_record(events: list[SafetyEvent]) -> None:
    told = safety_record(events, ENDING)
    bad = [e for e in events if e.kind in HAZARDS | {EventKind.FAILED}]
    assert len(told.on_record) >= len(bad)
    assert (told.ended is None) == (not told.needs)
    late = [event(EventKind.REOPENED, 40), *(e for c in ENDING for e in passed(41, c))]
    assert safety_record([*events, *late], ENDING).ended is None
    assert len(safety_record([*events, *late], ENDING).on_record) > len(bad)

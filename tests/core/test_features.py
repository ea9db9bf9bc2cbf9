"""What can be entered of each kind of feature, and what is refused in words."""

import pytest

from crevlo.core.artifacts.shelf import SHELF
from crevlo.core.estimate import BadInput
from crevlo.core.features import KINDS, MEASURED
from crevlo.core.features.kind import Judged, Takes, Verdict, check_judgement, check_over, check_value


def test_every_feature_of_the_shelf_can_be_entered() -> None:
    for design in SHELF:
        for feature in design.build().features:
            kind = KINDS[feature.kind]
            if feature.kind in MEASURED:
                assert kind.instruments
                check_value(kind, feature.nominal, feature.nominal, feature.unit, feature.code, explained=False)
            else:
                said = {
                    Takes.VERDICT: Judged(Takes.VERDICT, verdict=Verdict.PASS), Takes.COUNT: Judged(Takes.COUNT, 3),
                    Takes.LOOK: Judged(Takes.LOOK, 2), Takes.WORD: Judged(Takes.WORD, 3, word=(*kind.words, *"    ")[3]),
                }[kind.takes]  # fmt: skip
                check_judgement(kind, said, feature.code)


@pytest.mark.parametrize(
    ("kind", "said", "words"),
    [
        ("gap", Judged(Takes.VERDICT, verdict=Verdict.PARTLY), "say why G1 only partly"),
        ("gap", Judged(Takes.VERDICT, verdict=Verdict.FAIL, word="leaning"), "one can say falls free"),
        ("gap", Judged(Takes.VERDICT), "passes, fails, or partly"),
        ("gap", Judged(Takes.COUNT, 2), "does not take a count"),
        ("look", Judged(Takes.LOOK, 6), "runs from 0 to 5"),
        ("length", Judged(Takes.LOOK, 2), "read off an instrument"),
        ("distance", Judged(Takes.COUNT), "takes a number"),
        ("fit", Judged(Takes.WORD, 3, word="loose"), "one can say fused, too tight"),
        ("fit", Judged(Takes.WORD, 6, word="snug"), "one can say fused, too tight"),
        ("fit", Judged(Takes.WORD, -1, word="falls off"), "one can say fused, too tight"),
    ],
)
def test_a_judgement_that_says_nothing_is_refused(kind: str, said: Judged, words: str) -> None:
    with pytest.raises(BadInput, match=words):
        check_judgement(KINDS[kind], said, "G1")


def test_a_look_may_stand_beside_a_thickness() -> None:
    check_judgement(KINDS["thickness"], Judged(Takes.LOOK, 1), "A1")


@pytest.mark.parametrize(
    ("value", "words"), [(-1, "lies between"), (float("nan"), "lies between"), (45, "Measure again")]
)
def test_a_length_that_is_none_is_refused(value: float, words: str) -> None:
    with pytest.raises(BadInput, match=words):
        check_value(KINDS["length"], value, 40, "mm", "X1", explained=False)


def test_a_length_far_off_is_taken_where_it_is_explained() -> None:
    check_value(KINDS["length"], 45, 40, "mm", "X1", explained=True)
    with pytest.raises(BadInput, match="judged, not measured"):
        check_value(KINDS["gap"], 0.2, 0.2, "mm", "G1", explained=True)


@pytest.mark.parametrize(
    ("kind", "value", "over", "words"),
    [
        ("waves", 3.9, -1, "over how many waves"), ("waves", 3.9, 1001, "over how many waves"),
        ("waves", 3.9, 0, "no waves, the value"), ("waves", 0, 2, "not 0 mm apart"), ("length", 40, 2, "not taken over several"),
    ],
)  # fmt: skip
def test_a_value_over_several_is_one_of_a_kind_that_takes_it(kind: str, value: float, over: int, words: str) -> None:
    with pytest.raises(BadInput, match=words):
        check_over(KINDS[kind], value, over, "XS")
    check_over(KINDS["waves"], 3.9, 3, "XS")
    check_over(KINDS["waves"], 0, 0, "XS")

"""What only a person can say of a machine, 0 to 5 by written anchors; none of it is read off the print."""

from dataclasses import dataclass

MOST = 5


@dataclass(frozen=True, slots=True)
class Rubric:
    """`asks` is the question; `anchors` say what each score from 0 to 5 means."""

    code: str
    name: str
    asks: str
    anchors: tuple[str, str, str, str, str, str]


RUBRICS: tuple[Rubric, ...] = (
    Rubric("assembly", "Assembly", "How does somebody who has never built one get it standing?", (
        "not without somebody who knows", "parts missing or wrong; help had to be asked for", "went wrong once, and was taken apart again",
        "took patience, but went together as shown", "a few screws, each where it was shown", "unpack, plug in")),
    Rubric("instructions", "Instructions", "Can it be set up by what came with it alone?", (
        "none, or of another machine", "wrong at a place that matters", "gaps that had to be guessed", "all there, hard to follow",
        "clear, with a picture for each step", "clear, short, and says what to do when it goes wrong")),
    Rubric("levelling", "Levelling and first layer", "What does it take until the first layer sticks everywhere?", (
        "never got there", "half an hour by hand, and again each day", "by hand, once a week", "a few turns with its help",
        "it does it itself and is now and then corrected", "it does it itself, every time")),
    Rubric("loading", "Loading filament", "How is filament loaded and changed?", (
        "needs a tool and luck", "often fails; must be cut and fed anew", "works at the second try", "works, by steps that must be known",
        "works as the screen says", "push it in")),
    Rubric("screen", "Screen and controls", "Does a stranger find what is needed?", (
        "unusable", "the wrong press stops a print", "much is hidden or badly named", "found after looking", "found at once",
        "says by itself what to do next")),
    Rubric("noise", "Noise as heard", "Could somebody work beside it for a day?", (
        "hurts; nobody stays in the room", "heard in the next room", "talking takes effort", "heard all the time, and got used to",
        "heard when the room is quiet", "not noticed")),
    Rubric("removal", "Taking prints off", "How do prints come off the plate?", (
        "the plate or the print is damaged", "scraper and force", "scraper, with care", "by bending the plate", "by hand, once it is cold",
        "they lie loose once it is cold")),
    Rubric("support", "Support by the maker", "What came of a question to the maker?", (
        "no answer", "an answer that did not help", "a useful answer after weeks", "a useful answer within a week",
        "a useful answer within two days", "solved within a day, parts sent where they were needed")),
)  # fmt: skip
BY_CODE: dict[str, Rubric] = {r.code: r for r in RUBRICS}

"""Bytes of a sliced file to moves: commands, modes and comments, compiled."""

import numpy as np

from crevlo.core.compiled import compiled
from crevlo.core.motion.layout import (
    ACC_LIMIT,
    AFTER_CR,
    AMID,
    AT_X,
    AXES,
    BED_WAITS,
    BY_MINUTE,
    CHANGED,
    CHANGES,
    COMMENT,
    CORNER,
    DRAWN,
    EXTRUDED,
    FACTOR,
    FEATURE_NAME,
    FEATURE_NOW,
    FEATURES,
    GIVEN,
    HELD_MOVES,
    IN_PICTURE,
    JUNCTION,
    LAYER,
    LAYERS,
    LEAST_P,
    LEAST_T,
    LEAST_WORD,
    LINES,
    MALFORMED,
    MANY_FEATURES,
    MODAL,
    MOST_FEATURES,
    MOST_LAYERS,
    MOST_NOTES,
    MOST_TOOLS,
    MOST_WORD,
    MOVED,
    NOZZLE_WAITS,
    PICTURE,
    PRIMED,
    PRINTING,
    PROGRESS_MIN,
    RELATIVE,
    RELATIVE_E,
    RESETS,
    RETRACTING,
    RETRACTS_APART,
    SETS,
    SPEEDS_SET,
    STARTED,
    STATE,
    STOP,
    TOOL,
    TRAVELLING,
    UNIT,
    UNKNOWN_TOOLS,
    WAIT,
    WORDS,
)
from crevlo.core.motion.moves import hold_limits, move_to
from crevlo.core.motion.words import (
    CHANGE_LAYER_WORD,
    CUSTOM_WORD,
    FEATURE_WORD,
    GENERATED_WORD,
    HEIGHT_WORD,
    LAYER_CHANGE_WORD,
    LAYER_NUMBER_WORD,
    OBJECT_WORD,
    PICTURE_BEGIN_WORD,
    PICTURE_END_WORD,
    TYPE_WORD,
    WIDTH_WORD,
    WIPE_WORD,
    is_macro,
    line_end,
    number_at,
    starts_with,
)


@compiled
def read(data, at, stop, state, held, count, notes, names):
    """Reads whole lines from `at` up to `stop`, or until the room for moves or for notes is used up.

    Room is looked for before every command, not once a line: one line may hold any number of arcs. A line left in its
    middle goes on there at the next call. Gives where it stopped, the count of moves and the count of notes.
    """
    noted = 0
    while at < stop and count < HELD_MOVES and noted < MOST_NOTES:
        i = at
        if state[AFTER_CR] > 0:
            state[AFTER_CR] = 0.0
            if data[i] == 10:
                at += 1
                continue
        amid = state[AMID] > 0
        if not amid:
            state[LINES] += 1
            while i < stop and (data[i] == 32 or data[i] == 9):
                i += 1
        if not amid and i < stop and data[i] == 59:
            end = line_end(data, i, stop)
            noted = _comment(data, i + 1, end, state, notes, noted, names)
        elif not amid and is_macro(data, i, stop):
            # What it does is the machine's own; that it is no malformed move is all there is to say. One names the objects.
            end = line_end(data, i, stop)
            if starts_with(data, i, end, OBJECT_WORD):
                notes[noted, 0], notes[noted, 1], notes[noted, 2] = COMMENT, i, end
                noted += 1
        else:
            end, count = _code(data, i, stop, state, held, count)
            if state[AMID] > 0:
                return end, count, noted
        if end < stop and data[end] == 13:
            state[AFTER_CR] = 1.0
        at = end + 1
    return at, count, noted


@compiled
def _code(data, i, stop, state, held, count):
    """Carries out one line of commands, or its rest: where it ends, or where it is left for want of room; and the count of
    moves."""
    amid = state[AMID] > 0
    state[AMID] = 0.0
    letter = data[i] & 0xDF if i < stop else 0
    if letter == 78:  # a line number
        _, i, ok = number_at(data, i + 1, stop)
        while i < stop and (data[i] == 32 or data[i] == 9):
            i += 1
        letter = data[i] & 0xDF if i < stop and ok else 0
    if letter == 71 or letter == 77:
        code, i, ok = number_at(data, i + 1, stop)
        if amid and not ok and letter == 71:
            state[MALFORMED] += 1
    elif letter == 84:
        tool, j, ok = number_at(data, i + 1, stop)
        if ok and data[i + 1] != 45 and data[i + 1] != 43:
            _choose(tool, state)
        ok = False
    else:
        code = state[MODAL]
        ok = code >= 0 and (88 <= letter <= 90 or letter == 69 or letter == 65 or letter == 70)
        letter = 71
    # Words up to the end, a comment or a checksum; another command on the line ends the one before.
    while ok:
        if not abs(code) < MOST_WORD:
            break
        number = int(code)
        if number != code or (letter == 77 and _is_text(number)):
            break
        moves = letter == 71 and number <= 3
        known = moves or _knows(letter, number)
        seen, fine, again = 0, True, False
        while i < stop:
            c = data[i]
            if c == 32 or c == 9:
                i += 1
                continue
            if c == 10 or c == 13 or c == 59 or c == 42:
                break
            name = (c & 0xDF) - 65
            if name == 6 or (name == 12 and letter == 71):
                again = True
                break
            if c == 40:
                while i < stop and data[i] != 41 and data[i] != 10 and data[i] != 13:
                    i += 1
                if i < stop and data[i] == 41:
                    i += 1
                continue
            if not known:
                # An unknown command may be followed by free text.
                break
            value, j, fine = number_at(data, i + 1, stop)
            if name == 0:
                name = 4  # an extruder called A
            if not fine or name < 0 or name > 25 or (seen >> name) & 1 or abs(value) > MOST_WORD:
                fine = False
                break
            state[WORDS + name] = value if abs(value) >= LEAST_WORD else 0.0
            seen |= 1 << name
            i = j
        if not fine and letter == 71:
            state[MALFORMED] += 1
        elif moves:
            state[MODAL] = code
            count = move_to(number, seen, state, held, count)
        elif known and letter == 71:
            _mode(number, seen, state)
        elif known:
            _limit(number, seen, state)
        if not again or not fine:
            break
        if count >= HELD_MOVES:
            state[AMID] = 1.0
            return i, count
        letter = data[i] & 0xDF
        code, i, ok = number_at(data, i + 1, stop)
        if not ok and letter == 71:
            state[MALFORMED] += 1
    return line_end(data, i, stop), count


@compiled
def _is_text(number):
    """Whether an M command is followed by words for people or by the name of a file, in which no command stands."""
    return (
        number == 117 or number == 118 or number == 486 or number == 16 or number == 23 or number == 28 or number == 30
        or number == 32 or number == 33 or number == 928
    )  # fmt: skip


@compiled
def _comment(data, at, end, state, notes, noted, names):
    """A whole line of comment: a feature type, a layer, a line of a picture, or a note that may state a fact."""
    if starts_with(data, at, end, PICTURE_BEGIN_WORD):
        state[IN_PICTURE] = 1.0
    if state[IN_PICTURE] > 0:
        if starts_with(data, at, end, PICTURE_END_WORD):
            state[IN_PICTURE] = 0.0
        notes[noted, 0], notes[noted, 1], notes[noted, 2] = PICTURE, at, end
        return noted + 1
    typed = starts_with(data, at, end, TYPE_WORD)
    if typed or starts_with(data, at, end, FEATURE_WORD):
        i = at + (5 if typed else 9)
        while i < end and data[i] == 32:
            i += 1
        while end > i and (data[end - 1] == 32 or data[end - 1] == 9):
            end -= 1
        if not starts_with(data, i, end, CUSTOM_WORD):
            _start(state)
        code = np.uint64(14695981039346656037)
        for k in range(i, end):
            code = (code ^ np.uint64(data[k])) * np.uint64(1099511628211)
        known = int(state[FEATURES])
        for k in range(1, known + 1):
            if names[k] == code:
                state[FEATURE_NOW] = k
                return noted
        if known + 2 >= MOST_FEATURES:
            state[MANY_FEATURES] += 1
            state[FEATURE_NOW] = 0
            return noted
        names[known + 1] = code
        state[FEATURES] = state[FEATURE_NOW] = known + 1
        notes[noted, 0], notes[noted, 1], notes[noted, 2] = FEATURE_NAME, i, end
        return noted + 1
    layer = starts_with(data, at, end, LAYER_NUMBER_WORD)
    if layer:
        i = at + 7 if at + 6 < end and data[at + 6] == 45 else at + 6
        layer = i < end and 48 <= data[i] <= 57
    if layer or starts_with(data, at, end, LAYER_CHANGE_WORD) or starts_with(data, at, end, CHANGE_LAYER_WORD):
        _start(state)
        state[LAYERS] += 1
        state[LAYER] = min(state[LAYERS], MOST_LAYERS)
        return noted
    if at + 1 < end and data[at] == 90 and data[at + 1] == 58:
        return noted
    if (
        starts_with(data, at, end, HEIGHT_WORD)
        or starts_with(data, at, end, WIDTH_WORD)
        or starts_with(data, at, end, WIPE_WORD)
    ):
        return noted
    for i in range(at, min(end, at + 100)):
        if data[i] == 61 or data[i] == 58:
            notes[noted, 0], notes[noted, 1], notes[noted, 2] = COMMENT, at, end
            return noted + 1
    if starts_with(data, at, end, GENERATED_WORD) or starts_with(data, at, end, GENERATED_WORD[1:]):
        notes[noted, 0], notes[noted, 1], notes[noted, 2] = COMMENT, at, end
        return noted + 1
    return noted


@compiled
def _start(state):
    """Priming in the start code is not the part's filament: what moved before the first layer is set apart."""
    if state[STARTED] == 0:
        state[STARTED] = 1.0
        state[EXTRUDED:STATE] = 0.0
        for k in range(MOST_TOOLS):
            state[PRIMED + k] = state[MOVED + k] + state[DRAWN + k]


@compiled
def _choose(tool, state):
    if tool >= MOST_TOOLS or tool != int(tool):
        state[UNKNOWN_TOOLS] += 1
        return
    if state[TOOL] >= 0 and tool != state[TOOL]:
        state[CHANGES] += 1
        state[CHANGED] = 2.0
    state[TOOL] = tool


@compiled
def _mode(code, seen, state):
    if code == 4:
        wait = state[WORDS + 18] if (seen >> 18) & 1 else state[WORDS + 15] / 1000 if (seen >> 15) & 1 else 0.0
        state[WAIT] += max(0.0, min(wait, 86400.0))
        state[STOP] = 1.0
    elif code == 92:
        for k in range(4):
            axis = 23 + k if k < 3 else 4
            if (seen >> axis) & 1:
                state[AT_X + k] = state[WORDS + axis] * state[UNIT]
    elif code == 90 or code == 91:
        state[RELATIVE] = 1.0 if code == 91 else 0.0
        if state[RESETS] > 0:
            state[RELATIVE_E] = state[RELATIVE]
    else:
        state[UNIT] = 25.4 if code == 20 else 1.0


@compiled
def _knows(letter, number):
    if letter == 71:
        return number == 4 or number == 92 or number == 90 or number == 91 or number == 20 or number == 21
    return (
        number == 82 or number == 83 or number == 201 or number == 203 or number == 204 or number == 205
        or number == 220 or number == 566 or number == 73 or number == 109 or number == 190
    )  # fmt: skip


@compiled
def _limit(code, seen, state):
    """The M commands that set a mode, a limit, a temperature waited for, or a mark of progress."""
    if code == 82 or code == 83:
        state[RELATIVE_E] = 1.0 if code == 83 else 0.0
        return
    s, p, r, t = (seen >> 18) & 1, (seen >> 15) & 1, (seen >> 17) & 1, (seen >> 19) & 1
    if code == 220:
        if s and state[WORDS + 18] > 0:
            state[FACTOR] = state[WORDS + 18] / 100
        return
    if code == 73:
        if r and state[PROGRESS_MIN] < 0:
            state[PROGRESS_MIN] = state[WORDS + 17]
        return
    if code == 109 or code == 190:
        place = NOZZLE_WAITS if code == 109 else BED_WAITS
        state[place] += 1
        target = state[WORDS + 18] if s else state[WORDS + 17] if r else 0.0
        state[place + 1] = max(state[place + 1], min(target, 1000.0))
        return
    state[SETS] = 1.0
    if code == 204:
        printing = state[WORDS + 15] if p else state[WORDS + 18] if s else 0.0
        if r and state[WORDS + 17] > 0:
            state[RETRACTS_APART] = 1.0
        # Firmware without a figure of its own for retractions takes the one for printing.
        retracting = state[WORDS + 17] if r else 0.0 if state[RETRACTS_APART] > 0 else printing
        if printing > 0:
            state[GIVEN + PRINTING] = printing
        if retracting > 0:
            state[GIVEN + RETRACTING] = retracting
        if t and state[WORDS + 19] > 0:
            state[GIVEN + TRAVELLING] = state[WORDS + 19]
    else:
        place = ACC_LIMIT if code == 201 else AXES if code == 203 else CORNER
        if code == 566:
            if state[SPEEDS_SET] > 0 and state[BY_MINUTE] == 0:
                for k in range(4):
                    state[GIVEN + AXES + k] /= 60
            state[BY_MINUTE] = 1.0
        if code == 203:
            state[SPEEDS_SET] = 1.0
        by = 60.0 if code == 566 or (code == 203 and state[BY_MINUTE] > 0) else 1.0
        for k in range(4):
            axis = 23 + k if k < 3 else 4
            if (seen >> axis) & 1 and state[WORDS + axis] > 0:
                state[GIVEN + place + k] = state[WORDS + axis] / by
        if code == 205:
            if s:
                state[GIVEN + LEAST_P] = max(0.0, state[WORDS + 18])
            if t:
                state[GIVEN + LEAST_T] = max(0.0, state[WORDS + 19])
            if (seen >> 9) & 1:
                state[GIVEN + JUNCTION] = min(max(0.0, state[WORDS + 9]), 10.0)
    hold_limits(state)

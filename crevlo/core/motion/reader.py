"""Bytes of a sliced file to moves: commands, modes and comments, compiled."""

import numpy as np

from crevlo.core.compiled import compiled
from crevlo.core.motion.commands import choose, knows, limit, mode, velocity_limit
from crevlo.core.motion.layout import (
    AFTER_CR,
    AMID,
    COMMENT,
    DRAWN,
    EXTRUDED,
    FEATURE_NAME,
    FEATURE_NOW,
    FEATURES,
    HELD_MOVES,
    IN_PICTURE,
    LAYER,
    LAYER_WORDS,
    LAYERS,
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
    PICTURE,
    PRIMED,
    STARTED,
    STATE,
    WORDS,
)
from crevlo.core.motion.moves import draw_back, move_to
from crevlo.core.motion.words import (
    CHANGE_LAYER_WORD,
    CUSTOM_WORD,
    FEATURE_WORD,
    GENERATED_WORD,
    HEIGHT_WORD,
    LAYER_CHANGE_WORD,
    LAYER_NUMBER_WORD,
    LIMIT_WORD,
    OBJECT_WORD,
    POWERS,
    TYPE_WORD,
    WIDTH_WORD,
    WIPE_WORD,
    is_macro,
    is_picture,
    line_end,
    number_at,
    picture_mark,
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
            if i + 2 < stop and data[i] == 71 and data[i + 2] == 32 and data[i + 1] & 0xFE == 48:
                end, count = _plain(data, i + 3, stop, data[i + 1] - 48, state, held, count)
                if end > 0:
                    if end < stop and data[end] == 13:
                        state[AFTER_CR] = 1.0
                    at = end + 1
                    continue
        if not amid and i < stop and data[i] == 59:
            end = line_end(data, i, stop)
            noted = _comment(data, i + 1, end, state, notes, noted, names)
        elif not amid and is_macro(data, i, stop):
            # What it does is the machine's own; that it is no malformed move is all there is to say. One names the objects.
            end = line_end(data, i, stop)
            if starts_with(data, i, end, LIMIT_WORD):
                velocity_limit(data, i + len(LIMIT_WORD), end, state)
            elif starts_with(data, i, end, OBJECT_WORD):
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
def _plain(data, i, stop, number, state, held, count):
    """A straight move as most lines have it, G0 or G1 with X, Y, Z, E and F as plain numbers: where it ends, or 0 for a line
    that has anything else, of which nothing was done; and the count of moves."""
    seen = 0
    while i < stop:
        c = data[i]
        if c == 32:
            i += 1
            continue
        if c == 10 or c == 13 or c == 59:
            break
        if not (88 <= c <= 90 or c == 69 or c == 70) or (seen >> (c - 65)) & 1:
            return 0, count
        i += 1
        negative = i < stop and data[i] == 45
        if negative:
            i += 1
        whole, first, point = 0, i, 0
        while i < stop:
            digit = data[i]
            if 48 <= digit <= 57:
                whole = whole * 10 + (digit - 48)
            elif digit == 46 and point == 0:
                point = i + 1
            else:
                break
            i += 1
        digits = i - first - (1 if point else 0)
        if digits == 0 or digits > 15:
            return 0, count
        value = float(whole)
        if point:
            value /= POWERS[i - point]
        if value < LEAST_WORD:
            value = 0.0
        elif value > MOST_WORD:
            return 0, count
        state[WORDS + c - 65] = -value if negative and value > 0 else value
        seen |= 1 << (c - 65)
    if i >= stop:
        return 0, count
    state[MODAL] = number
    count = move_to(number, seen, state, held, count)
    return i if data[i] != 59 else line_end(data, i, stop), count


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
            choose(tool, state)
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
        known = moves or knows(letter, number)
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
            bare = (name == 1 or name == 17) and number == 220 and not fine
            if bare or (number == 28 and letter == 71 and 0 <= name <= 25):
                # Which axes to home is said without numbers, and so is a speed put aside or taken up again.
                seen, i, fine = seen | 1 << name, j, True
                continue
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
        elif known and letter == 71 and (number == 10 or number == 11):
            # With a tool or temperatures it sets those.
            if number == 11 or not (seen >> 15 | seen >> 17 | seen >> 11) & 1:
                count = draw_back(number == 10, state, held, count)
        elif known and letter == 71:
            mode(number, seen, state)
        elif known:
            limit(number, seen, state)
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
    mark = picture_mark(data, at, end)
    if mark == 1:
        state[IN_PICTURE] = 1.0
    elif mark == 0 and state[IN_PICTURE] > 0 and not is_picture(data, at, end):
        # It breaks off without its end; what follows is not part of it.
        state[IN_PICTURE] = 0.0
    if state[IN_PICTURE] > 0:
        if mark == 2:
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
    words = 0
    if starts_with(data, at, end, LAYER_NUMBER_WORD):
        i = at + 7 if at + 6 < end and data[at + 6] == 45 else at + 6
        words = 1 if i < end and 48 <= data[i] <= 57 else 0
    elif starts_with(data, at, end, LAYER_CHANGE_WORD):
        words = 2
    elif starts_with(data, at, end, CHANGE_LAYER_WORD):
        words = 3
    if words > 0:
        _start(state)
        if state[LAYER_WORDS] == 0:
            state[LAYER_WORDS] = words
        # A file that marks each layer in two ways has it once.
        if state[LAYER_WORDS] == words:
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

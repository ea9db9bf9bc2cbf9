"""Where everything stands in the arrays that compiled code shares: limits, the reader's state, columns of a move."""

# Moves held at once, and the longest row of moves whose speeds are open until a later one is read.
HELD_MOVES, OPEN_MOVES = 1 << 14, 1 << 15
MOST_CHORDS = 4000
CHORD_MM, CHORDS_A_TURN, MOST_MM = 1.0, 24, 1e5
# No word of a command means more, and what is less counts as nothing; no machine moves slower, or by less.
MOST_WORD, LEAST_WORD = 1e9, 1e-9
LEAST_SPEED, LEAST_MM = 0.01, 1e-9
MOST_TOOLS, MOST_FEATURES, MOST_LAYERS, MOST_CHANGES = 64, 64, 20_000, 4096
MOST_NOTES = 4096

# Places in the reader's state: position; modes; what is under way; the file's limits; and the limits that hold.
AT_X, SPEED, FACTOR, UNIT, RELATIVE, RELATIVE_E, BY_MINUTE, SPEEDS_SET = 0, 4, 5, 6, 7, 8, 9, 10
RETRACTS_APART, WAIT, STOP, RESETS, MODAL, AFTER_CR, TOOL, LAYER = 11, 12, 13, 14, 15, 16, 17, 18
FEATURE_NOW, FEATURES, STARTED, CHANGES, CHANGED, LINES, SETS = 19, 20, 21, 22, 23, 24, 25
NOZZLE_WAITS, NOZZLE_C, BED_WAITS, BED_C, PROGRESS_MIN, LAYERS, FLOW = 26, 27, 28, 29, 30, 31, 32
IN_PICTURE, AMID = 34, 35
# The words that mark layers in this file, whichever came first; and layers by height where there are none.
LAYER_WORDS, Z_LAYERS, LAYER_Z, LAYER_STEP = 36, 37, 38, 39
GIVEN, CEILING, HOLDS, KEEP = 40, 60, 80, 100
# mm of filament of an E of 1; the area of the machine's filament; a speed factor set aside; firmware retraction: whether
# it is drawn back, mm, and mm/s back and forth; the speed around a right angle, of firmware that states it.
E_SCALE, OWN_AREA, ASIDE, DRAWN_BACK, BACK_MM, BACK_SPEED, FORTH_SPEED, SQUARE = (
    103,
    104,
    105,
    106,
    107,
    108,
    109,
    118,
)
# Within each of the three sets of limits.
AXES, ACC_LIMIT, CORNER, PRINTING, RETRACTING, TRAVELLING, LEAST_P, LEAST_T, JUNCTION = (
    0,
    4,
    8,
    12,
    13,
    14,
    15,
    16,
    17,
)
# Whether the limits that hold are others than those of the move before, and the row of the move that has them.
NEW_LIMITS, LIMITS_AT = 110, 111
# One array for all of it: a call that hands over ten arrays takes longer than the work that it does.
WAY, TARGET, BEGIN, WORDS = 120, 124, 128, 132
# Counts of what could not be read.
TURNED = 165
MALFORMED, UNKNOWN_TOOLS, OFF_BED, LONG_LINES, MANY_FEATURES = 160, 161, 162, 163, 164
# Filament in mm: by tool in all, drawn back, and primed; by tool and feature type, of moves that lay plastic and of
# those of the extruder alone.
MOVED, DRAWN, PRIMED = 170, 170 + MOST_TOOLS, 170 + 2 * MOST_TOOLS
# By tool what is fed of what is asked for.
FED_OF = 170 + 3 * MOST_TOOLS
EXTRUDED = 170 + 4 * MOST_TOOLS
FED = EXTRUDED + MOST_TOOLS * MOST_FEATURES
STATE = FED + MOST_TOOLS * MOST_FEATURES
# Columns of a move held. Its heading along the four axes stands where its limits will, until they are worked out; the first
# move under other limits has these behind its own columns, those after it the number of its row.
LENGTH, LIMITED, ACC, INTO, SAFE, ASKED, MELTED, STOPS, WAITS, VOLUME, FEATURE, ROW_LAYER, PART = range(13)
HEADING, ACC_GIVEN, LIMITS_ROW, LIMITS_HELD, COLUMNS = LIMITED, 13, 14, 15, 15 + 18
# The move before: its heading, speed, acceleration, what it may start with at a standstill; whether there is one.
LAST, LAST_SPEED, LAST_ACC, LAST_SAFE, HAS_LAST, OF_LAST = 0, 4, 5, 6, 7, 8
# A note's kinds: a comment that may state a fact, the name of a feature type not seen before, a line of a picture.
COMMENT, FEATURE_NAME, PICTURE = 0, 1, 2

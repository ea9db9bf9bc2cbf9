"""Words of strangers on a terminal."""


def printable(words: str) -> str:
    """One line in which nothing commands the terminal: control characters, and what turns the direction of writing, are shown
    as a mark."""
    return "".join(letter if letter.isprintable() else "\N{REPLACEMENT CHARACTER}" for letter in words)

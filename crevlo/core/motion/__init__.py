"""Motion of a sliced file: its bytes to moves, their times, and what holds them up."""

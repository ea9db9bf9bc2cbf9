"""The command and what it starts."""

import gc

# Loading makes a million things that stay, and calls leave few that hold each other. Looked through at every 700 new ones, as
# is usual, they were a seventh of each start and a twentieth of each call.
gc.set_threshold(50_000, 10, 10)

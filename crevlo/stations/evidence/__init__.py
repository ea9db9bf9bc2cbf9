"""The only place that turns rows of the store into evidence of the core."""

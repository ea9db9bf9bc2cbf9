"""After the study: what becomes of a unit, what its model costs, and what is due."""

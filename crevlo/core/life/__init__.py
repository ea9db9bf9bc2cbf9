"""What becomes of a machine after its study: faults, wear, drift, and whether a verdict still holds."""

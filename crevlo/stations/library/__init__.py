"""What every study draws on: models, units, spools, instruments, artifacts, people."""

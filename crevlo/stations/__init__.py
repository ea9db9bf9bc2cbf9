"""Use cases of the eight stations: load from the store, call the core, save."""

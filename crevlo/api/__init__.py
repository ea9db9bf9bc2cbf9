"""JSON over HTTP and the built page."""

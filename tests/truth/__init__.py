"""Simulated studies whose hidden figures are known, to see whether what is stated of them holds."""

"""What Crevlo must stand: `make torture`. Bounded in count and time, on loopback, in a scratch folder of its own."""

"""What stations share: shapes, clock, snapshot, kept results, work apart, uploads."""

"""Background work: the queue in PostgreSQL, and the process that carries it out."""

"""What people's readings, scores and choices are worth: gauge study, agreement, bias and drift, duels."""

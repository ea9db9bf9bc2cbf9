"""Crevlo: planning, measuring, judging and ranking for reviewers of desktop FDM 3D printers."""

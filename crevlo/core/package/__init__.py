"""An open data package: a study's evidence as plain tables, and every published figure worked out again from them alone."""

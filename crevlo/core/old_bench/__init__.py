"""A bench that was kept in a spreadsheet: its sheets read cell by cell, and what they hold."""

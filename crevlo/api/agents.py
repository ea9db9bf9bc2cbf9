"""How our own programs name themselves to the server."""

# While the demo is entered.
DEMO_AGENT = "crevlo-demo"

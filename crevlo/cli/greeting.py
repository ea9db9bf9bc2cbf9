"""Where the running server is, said once it takes requests."""


def greet(url: str, address: str, owner: str | None) -> None:
    """Prints the address; with a one-time sign-in link for `owner`, where one is named."""
    link = ""
    if owner:
        from crevlo.cli.link import sign_in_link

        link = sign_in_link(url, owner) or ""
    print(f"Crevlo is running at {address}/{link}   (Ctrl-C stops it)", flush=True)

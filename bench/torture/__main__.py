"""python -m bench.torture [kills N] [fuzz N] [soak MINUTES] [disk]; all of it, as in docs/operations.md, without arguments."""

import sys

import structlog

from bench.torture import disk, fuzz, kills, soak
from bench.torture.site import site
from crevlo.cli.link import sign_in_link

DEFAULT = {"kills": 300.0, "fuzz": 20_000.0, "disk": 1.0, "soak": 60.0}


def main(words: list[str]) -> None:
    wanted = dict(DEFAULT) if not words else {}
    for word in words:
        if word in DEFAULT:
            wanted[word] = DEFAULT[word]
            last = word
        else:
            wanted[last] = float(word)
    if "disk" in wanted:
        print(f"disk    {disk.run()}", flush=True)
    if not set(wanted) - {"disk"}:
        return
    with site() as up:
        study = next(
            s["id"] for s in up.as_("reviewer@bench.example").get("/api/studies")["studies"] if s["title"].startswith("Counter spares, autumn")
        )  # fmt: skip
        if "kills" in wanted:
            print(f"kills   {kills.run(up, int(wanted['kills']))}", flush=True)
        if "soak" in wanted:
            print(f"soak    {soak.run(up, study, wanted['soak'])}", flush=True)
        if "fuzz" in wanted:
            tokens = {
                email: str(sign_in_link(up.cluster.owner_url, email)).removeprefix("link#")
                for email in ("reviewer@bench.example", "rater@bench.example")
            }
            print(f"fuzz    {fuzz.run(up.cluster.url, study, tokens, int(wanted['fuzz']))}", flush=True)


structlog.configure(wrapper_class=structlog.make_filtering_bound_logger(50))
main(sys.argv[1:])

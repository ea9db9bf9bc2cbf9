"""What a package of another bench says, and whether it holds, in one look."""

from typing import Any

from crevlo.core.package.archive import unpacked
from crevlo.core.package.verify import published, verify


def look_through(content: bytes) -> dict[str, Any]:
    """What a package says and whether it holds, as JSON."""
    package = unpacked(content)
    checked, here = verify(package), published(package)
    machines = package.tables["machines"]
    names = {str(m["machine"]): str(m["name"]) for m in machines}
    return {
        "title": package.title[:200], "says": checked.says, "holds": checked.holds, "differences": list(checked.differences),
        "currency": here.study.currency, "published": str(package.about.get("published", ""))[:40], "machines": list(names.values()),
        "control": next((str(m["name"]) for m in machines if m["control"]), ""),
        "artifacts": [str(a["name"]) for a in package.tables["artifacts"]],
        "verdicts": [
            {"buyer": b, "headline": h, "published": here.headlines[b]} for b, h in checked.headlines.items()
        ],
        "figures": [
            {**{k: r[k] for k in ("quantity", "value", "low", "high", "needs")}, "machine": names[str(r["machine"])]}
            for r in package.tables["figures"] if str(r["machine"]) in names
        ],
    }  # fmt: skip

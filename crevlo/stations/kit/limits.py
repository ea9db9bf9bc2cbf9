"""How often one caller may ask, counted in the database: over all web processes, and also for calls that are refused."""

import ipaddress

from sqlalchemy import text
from sqlalchemy.orm import Session

_COUNT = text(
    "insert into request_count (kind, caller, minute, n) values (:kind, :caller, date_trunc('minute', clock_timestamp()), 1)"
    " on conflict (kind, caller, minute) do update set n = request_count.n + 1"
    " returning n"
)
_SUM = text(
    "select coalesce(sum(n), 0) from request_count where kind = :kind and caller = :caller"
    # The minute in which the window began counts whole: nobody gets twice as much at the turn of one.
    " and minute > clock_timestamp() - make_interval(mins => :minutes + 1)"
)
_FORGET = text("delete from request_count where kind = :kind and minute < clock_timestamp() - interval '1 day'")


def asked_too_often(session: Session, kind: str, caller: str, *, most: int, minutes: int) -> bool:
    """Count this call, and say whether the caller made more than `most` in the last `minutes`.

    The count is kept in a transaction of its own, so that it stands although the call itself is refused.
    """
    given = {"kind": kind, "caller": caller}
    with Session(session.get_bind()) as beside, beside.begin():
        if beside.scalar(_COUNT, given) == 1:
            beside.execute(_FORGET, given)
        return (beside.scalar(_SUM, given | {"minutes": minutes}) or 0) > most


def caller_of(address: str) -> str:
    """Who an address stands for: one IPv4 address, or the /64 network that one household or program has of IPv6."""
    try:
        found = ipaddress.ip_address(address.split("%")[0])
    except ValueError:
        return address
    if isinstance(found, ipaddress.IPv4Address):
        return str(found)
    if found.ipv4_mapped is not None:
        return str(found.ipv4_mapped)
    return str(ipaddress.ip_network((found, 64), strict=False))

"""The `crevlo` command."""

import argparse
import errno
import json
import os
import sys
from collections.abc import Callable, Iterator
from pathlib import Path

STATE = Path(os.environ.get("CREVLO_STATE", Path(__file__).resolve().parents[2] / ".crevlo"))


def main(argv: list[str] | None = None) -> int:
    """Exit status 0, 1 for bad input with one line on stderr, 2 for wrong usage."""
    parser = _parser()
    given = parser.parse_args(argv)
    try:
        return int(given.run(given) or 0)
    except FileNotFoundError as error:
        return _fail(f"{error.filename}: no such file")
    except BrokenPipeError:
        return 1
    except KeyboardInterrupt:
        return 130
    except PermissionError as error:
        return _fail(f"{error.filename}: {error.strerror}")
    except OSError as error:
        if error.errno not in (errno.ENOSPC, errno.EROFS, errno.EDQUOT):
            raise
        return _fail(f"{error.filename or 'this could not be written'}: {error.strerror}")
    except Exception as error:
        # By name: importing the core and the database here would slow down every command's start.
        if type(error).__name__ in _TOLD:
            return _fail(str(error).strip())
        raise


_TOLD = {
    "BadInput",
    "Refused",
    "WhichPlate",
    "NotDetermined",
    "ClusterError",
    "ArchiveError",
    "OperationalError",
    "ProgrammingError",
}


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(
        prog="crevlo", description="Bench tool for reviewers of desktop FDM 3D printers."
    )
    commands = parser.add_subparsers(title="commands", required=True, metavar="COMMAND")

    up = commands.add_parser("up", help="start everything on this machine: database, migrations, web server")
    up.add_argument("--demo", action="store_true", help="with the demo study, made by simulated machines")
    up.add_argument("--port", type=int, default=8750)
    up.set_defaults(run=_up)

    calc = commands.add_parser("calc", help="compute one rule on JSON or CSV from stdin")
    calc.add_argument("topic", nargs="?", help="leave out to list the topics")
    calc.add_argument("--schema", action="store_true", help="print the JSON schema of the input instead")
    calc.add_argument("--lines", action="store_true", help="one JSON object a line, one result a line")
    calc.set_defaults(run=_calc)

    gcode = commands.add_parser("gcode", help="what a sliced file says of itself")
    gcode.add_argument("file", type=Path)
    gcode.add_argument("--json", action="store_true")
    gcode.add_argument(
        "--g90-resets-extrusion", action="store_true", help="as on firmware where G90 covers the extruder"
    )
    gcode.add_argument(
        "--motion", action="store_true", help="plan the moves on the file's own limits: time, and where it goes"
    )
    gcode.add_argument("--flow", type=float, help="with --motion: what the hotend melts, in mm³/s")
    gcode.add_argument("--plate", type=int, help="of a project with several plates")
    gcode.set_defaults(run=_gcode)

    migrate = commands.add_parser("migrate", help="bring DATABASE_URL to this version")
    migrate.set_defaults(run=_migrate)

    worker = commands.add_parser("worker", help="carry out background work of DATABASE_URL, beside the web server")
    worker.set_defaults(run=_worker)

    sim = commands.add_parser("sim", help="one simulated device that sends to a running Crevlo, as a real one would")
    sim.add_argument("device", choices=["printer", "meter", "sound", "caliper", "scale"])
    sim.add_argument("--url", default="http://127.0.0.1:8750")
    sim.add_argument(
        "--token", default=os.environ.get("CREVLO_TOKEN", ""), help="the device's token; or CREVLO_TOKEN"
    )
    sim.add_argument("--machine", default="Orrin Standard", help="one of the simulated machines")
    sim.add_argument("--sliced", default="", help="name of a sliced file that ships with Crevlo")
    sim.add_argument("--seed", type=int, default=1)
    sim.add_argument("--start", help="when the print was started, ISO 8601; now where it is left out")
    sim.add_argument("--speed", type=float, default=1.0, help="1 to 5000: how fast what is past is caught up with")
    sim.add_argument("--for", dest="for_s", type=float, default=float("inf"), help="seconds of simulated time")
    sim.add_argument("--true", dest="true_value", type=float, default=40.0, help="caliper, scale: the hidden value")
    sim.add_argument("--count", type=int, default=5, help="caliper, scale: readings")
    sim.set_defaults(run=_sim)

    listen = commands.add_parser("listen", help="hear power meters that publish over MQTT, for DATABASE_URL")
    listen.add_argument("broker", help="host:port of the MQTT broker")
    listen.set_defaults(run=_listen)

    link = commands.add_parser("link", help="make a one-time sign-in token for somebody")
    link.add_argument("email")
    _add_state(link)
    link.set_defaults(run=_link)

    backup = commands.add_parser("backup", help="write database and uploaded files into one archive")
    backup.add_argument("file", type=Path)
    _add_state(backup)
    backup.set_defaults(run=_backup)

    restore = commands.add_parser("restore", help="fill an empty database from an archive")
    restore.add_argument("file", type=Path)
    restore.add_argument("--replace", action="store_true", help="throw away what the database holds now")
    _add_state(restore)
    restore.set_defaults(run=_restore)

    verify = commands.add_parser(
        "verify", help="work out again all that a data package publishes, from the package alone"
    )
    verify.add_argument("file", type=Path, metavar="PACKAGE")
    verify.add_argument("--seconds", type=float, default=60, help="most time that it may take (60)")
    verify.add_argument("--megabytes", type=int, default=1200, help="most memory that it may take (1200)")
    verify.set_defaults(run=_verify)

    bring = commands.add_parser(
        "import", help="take a data package of another bench, to be read beside one's own studies"
    )
    bring.add_argument("file", type=Path, metavar="PACKAGE")
    bring.add_argument("--email", required=True, help="who takes it")
    bring.add_argument("--bench", default="", help="whose it is, in your own words")
    bring.add_argument("--demo", action="store_true")
    bring.set_defaults(run=_import)

    openapi = commands.add_parser("openapi", help="print the API's OpenAPI document")
    openapi.set_defaults(run=_openapi)
    return parser


def _add_state(parser: argparse.ArgumentParser) -> None:
    parser.add_argument("--demo", action="store_true", help="the demo's database instead of the one for real use")


def _fail(message: str) -> int:
    from crevlo.cli.printable import printable

    print("\n".join(map(printable, f"crevlo: {message}".split("\n"))), file=sys.stderr)
    return 1


def _calc(given: argparse.Namespace) -> int:
    from pydantic import ValidationError

    from crevlo.cli import calc

    if given.topic is None:
        for name, (_, _, title) in calc.TOPICS.items():
            print(f"{name:12}{title}")
        return 0
    if given.topic not in calc.TOPICS:
        print(f"crevlo calc: no topic {given.topic}; topics: {', '.join(calc.TOPICS)}", file=sys.stderr)
        return 2
    if given.schema:
        print(json.dumps(calc.schema(given.topic), indent=2))
        return 0
    if given.lines:
        for line in filter(str.strip, sys.stdin):
            print(calc.calculate_line(given.topic, line), flush=True)
        return 0
    try:
        print(calc.calculate(given.topic, sys.stdin.read()))
    except ValidationError as error:
        return _fail(calc.reason_of(error))
    return 0


def _gcode(given: argparse.Namespace) -> int:
    from dataclasses import replace

    from crevlo.cli.calc import plain
    from crevlo.core.estimate import NotDetermined
    from crevlo.core.gcode.facts import read_sliced
    from crevlo.core.gcode.package import is_packed, unpacked
    from crevlo.core.motion.limits import Machine

    machine = Machine(most_mm3_s=given.flow)

    def content() -> Iterator[bytes]:
        with given.file.open("rb") as file:
            head = file.read(2)
            if is_packed(head):
                yield unpacked(head + file.read(), given.plate)[0]
                return
            yield head
            yield from iter(lambda: file.read(1 << 20), b"")

    sliced = read_sliced(content(), machine=machine, g90_resets_extrusion=given.g90_resets_extrusion)
    facts = sliced.facts
    if given.json:
        told = plain(replace(facts, picture=None)) | {"length_mm": facts.length_mm, "mass_g": plain(facts.mass_g)}
        print(
            json.dumps(
                told | ({"motion": plain(sliced.motion)} if given.motion else {}), indent=2, ensure_ascii=False
            )
        )
        return 0
    time = (
        f"not determined: needs {facts.time_s.needs}"
        if isinstance(facts.time_s, NotDetermined)
        else _clock(facts.time_s)
    )
    layers = (
        f"not determined: needs {facts.layers.needs}" if isinstance(facts.layers, NotDetermined) else facts.layers
    )
    print(f"time          {time}{f'  ({facts.time_from})' if facts.time_from else ''}")
    print(f"layers        {layers}")
    print(f"tool changes  {facts.tool_changes}")
    for tool in facts.tools:
        mass = f"needs {tool.mass_g.needs}" if isinstance(tool.mass_g, NotDetermined) else f"{tool.mass_g:.2f} g"
        print(f"tool {tool.tool}        {tool.length_mm / 1000:.3f} m, {mass}  ({tool.length_from})")
    for use in facts.uses:
        mass = "" if use.mass_g is None else f", {use.mass_g:.2f} g"
        print(f"  tool {use.tool}      {use.portion.value}: {use.length_mm / 1000:.3f} m{mass}")
    print(f"settings      {len(facts.settings)}")
    if given.motion:
        _motion(given, content)
    for warning in facts.warnings:
        print(f"note          {warning}")
    if facts.partial:
        print("note          partial: something in this file could not be read")
    return 0


def _motion(given: argparse.Namespace, content: Callable[[], Iterator[bytes]]) -> None:
    from crevlo.core.motion.causes import WORDS, Printing, causes
    from crevlo.core.motion.limits import Machine

    printing = Printing("", content, Machine(most_mm3_s=given.flow))
    whole = printing.motion()
    found = causes(printing, whole)
    print(f"planned       {_clock(found.seconds)}, {whole.moves} moves")
    for name, words in WORDS.items():
        seconds = getattr(found, name)
        if seconds >= 0.5:
            print(f"  {100 * seconds / found.seconds:5.1f} %     {words}")
    if len(whole.changes_s):
        print(f"tool change   {whole.changes_s.mean():.1f} s each, {len(whole.changes_s)} timed")


def _clock(seconds: float) -> str:
    minutes, rest = divmod(round(seconds), 60)
    hours, minutes = divmod(minutes, 60)
    return f"{hours} h {minutes:02} min {rest:02} s"


def _up(given: argparse.Namespace) -> int:
    from crevlo.cli.up import up

    return up(STATE / ("demo" if given.demo else "serve"), demo=given.demo, port=given.port)


def _migrate(given: argparse.Namespace) -> int:
    from sqlalchemy import make_url

    from crevlo.store.database import connect, database_url, migrate

    if "DATABASE_URL" not in os.environ:
        return _fail("set DATABASE_URL to the database to migrate")
    owner = os.environ.get("CREVLO_OWNER_URL", os.environ["DATABASE_URL"])
    migrate(connect(owner), make_url(database_url()).username)
    return 0


def _worker(given: argparse.Namespace) -> int:
    from crevlo.jobs.worker import run_worker

    if "DATABASE_URL" not in os.environ:
        return _fail("set DATABASE_URL to the database to work for")
    run_worker(os.environ["DATABASE_URL"])
    return 0


def _sim(given: argparse.Namespace) -> int:
    from datetime import UTC, datetime

    from crevlo.sim import process

    if not 1 <= given.speed <= 5000:
        return _fail("--speed must lie between 1 and 5000")
    if not given.token:
        return _fail("a device needs its token: --token, or CREVLO_TOKEN")
    try:
        start = datetime.fromisoformat(given.start) if given.start else datetime.now(UTC)
        process.truth_of(given.machine)
    except ValueError as error:
        return _fail(str(error))
    if start.tzinfo is None:
        start = start.astimezone()
    setting = process.Setting(
        given.url, given.token, given.machine, given.seed, start, given.speed, given.sliced, given.for_s
    )
    try:
        if given.device == "printer":
            process.run_printer(setting)
        elif given.device == "meter":
            process.run_meter(setting)
        elif given.device == "sound":
            process.run_sound_meter(setting)
        else:
            process.run_values(setting, given.true_value, given.device, given.count)
    except RuntimeError as refused:
        return _fail(str(refused))
    return 0


def _listen(given: argparse.Namespace) -> int:
    from crevlo.jobs.listen import run_listener

    if "DATABASE_URL" not in os.environ:
        return _fail("set DATABASE_URL to the database to listen for")
    run_listener(os.environ["DATABASE_URL"], given.broker)
    return 0


def _link(given: argparse.Namespace) -> int:
    from crevlo.cli.link import sign_in_link
    from crevlo.cli.up import reachable

    with reachable(_folder(given)) as url:
        link = sign_in_link(url, given.email)
    if link is None:
        return _fail(f"nobody has the address {given.email}")
    print(f"/{link}")
    return 0


def _backup(given: argparse.Namespace) -> int:
    from crevlo.cli.archive import backup
    from crevlo.cli.up import reachable

    with reachable(_folder(given)) as url:
        backup(url, given.file)
    print(f"{given.file}: {given.file.stat().st_size / 1e6:.1f} MB")
    return 0


def _restore(given: argparse.Namespace) -> int:
    from crevlo.cli.archive import restore
    from crevlo.cli.up import reachable

    with reachable(_folder(given)) as url:
        restore(url, given.file, replace=given.replace)
    print(f"restored from {given.file}")
    return 0


def _verify(given: argparse.Namespace) -> int:
    from crevlo.cli.printable import printable
    from crevlo.cli.verified import verified
    from crevlo.stations.kit.apart import apart

    # Anybody may have made it: it is worked through beside, with an end to its time and memory.
    found = apart("The package", given.seconds, given.megabytes, verified, str(given.file))
    for difference in found.differences:
        print(printable(difference))
    for buyer, headline in found.headlines.items():
        print(printable(f"For {buyer}: {headline}"))
    print(found.says)
    return 0 if found.holds else 1


def _import(given: argparse.Namespace) -> int:
    from crevlo.cli.bring import bring
    from crevlo.cli.printable import printable
    from crevlo.cli.up import reachable

    with reachable(_folder(given)) as url:
        title, says = bring(url, given.file.read_bytes(), given.email, given.bench)
    print(printable(f"{title}: {says}"))
    return 0


def _openapi(given: argparse.Namespace) -> int:
    from crevlo.api.app import create_app

    print(json.dumps(create_app("postgresql://unused/unused").api_doc, indent=1))
    return 0


def _folder(given: argparse.Namespace) -> Path:
    return STATE / ("demo" if given.demo else "serve")


if __name__ == "__main__":
    sys.exit(main())

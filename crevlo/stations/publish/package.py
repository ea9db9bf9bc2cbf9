"""What a revision rests on, frozen as the tables of an open data package, and the package itself."""

import contextlib
import json
import uuid
from collections import Counter
from collections.abc import Mapping, Sequence
from importlib.metadata import version
from typing import Any

from sqlalchemy.orm import Session

from crevlo.core.evidence import Key
from crevlo.core.must_haves import RESTS_ON_FIGURES, MustHave
from crevlo.core.package.archive import packed
from crevlo.core.package.evidence import Names, evidence_of, tables_of
from crevlo.core.package.layouts import ALL, LAYOUTS
from crevlo.core.package.tables import Row, Tables, from_csv, to_csv
from crevlo.core.package.verdicts import Buyer, Figures, Study, figure_rows, must_have_rows, ranking_rows, tell
from crevlo.core.ranking.chances import draws_for
from crevlo.core.ranking.gate import Judged
from crevlo.core.ranking.ranking import Criterion
from crevlo.core.ranking.value import value_function
from crevlo.revision import newest
from crevlo.stations.figures.study import StudyFigures, study_figures
from crevlo.stations.kit.photo import photo_content
from crevlo.stations.kit.shape import Missing, Refused
from crevlo.stations.library.shelf import file as artifact_file
from crevlo.stations.plan.exchange import export_protocol
from crevlo.stations.publish.document import Document
from crevlo.stations.publish.frozen import as_package
from crevlo.stations.publish.readings import hidden, reading_data
from crevlo.stations.publish.render import as_markdown
from crevlo.stations.rank.buyer import buyers_of
from crevlo.stations.rank.must_have import judge, words_of
from crevlo.stations.rank.scheme import latest_scheme
from crevlo.store.machine import ArtifactVersion
from crevlo.store.published import ReportRevision
from crevlo.store.study import BuyerProfile


def freeze(session: Session, study_id: uuid.UUID, profile_id: uuid.UUID | None) -> dict[str, Any]:
    """Evidence, scheme, figures and rankings of this moment for one buyer or all, as JSON; tables as the CSV they will be."""
    inputs = study_figures(session, study_id)
    bench = inputs.bench
    scheme = latest_scheme(session, study_id)
    buyers = [b for b in buyers_of(session, study_id) if profile_id in (None, b.id)]
    called: dict[Key, str] = {e.key: f"M{n}" for n, e in enumerate(inputs.entrants, 1)}
    names = Names(
        {e.key: (called[e.key], e.name, e.entry.is_control) for e in inputs.entrants},
        {key: (_material(inputs, key), _mesh_path(inputs, key)) for key in inputs.evidence.lines},
    )
    tables: dict[str, Sequence[Row]] = dict(tables_of(inputs.evidence, names))
    criteria = tuple(
        Criterion(c.code, value_function(c.shape, [(raw, v) for raw, v in c.points]), c.weight)
        for c in scheme.criteria
    )
    compared = {called[e.key]: e for e in inputs.entrants if not e.entry.is_control}
    # From here on what the package itself says: whoever has nothing else comes to the same.
    study = Study(
        Figures(evidence_of(as_read(tables))), {m: e.name for m, e in compared.items()}, criteria, bench.study.seed,
        draws_for(len(compared), len(criteria)), bench.study.currency,
    )  # fmt: skip
    tables["figures"] = figure_rows(study.figures)
    rankings: list[Row] = []
    must_haves: list[Row] = []
    told = []
    for name, profile in _named(buyers):
        own = inputs.of_buyer(profile.prints_month)
        gates = tuple(MustHave(g.kind, g.limit, g.what, g.at_least) for g in profile.gates)
        stated: dict[tuple[int, Key], Judged] = {
            (n, machine): judge(own, entrant, gate)
            for n, gate in enumerate(profile.gates)
            for machine, entrant in compared.items()
            if gate.kind not in RESTS_ON_FIGURES
        }
        buyer = Buyer(name, {k: float(v) for k, v in profile.weights.items()}, profile.prints_month, gates, stated)
        made = tell(study, buyer)
        rankings += ranking_rows(buyer, made)
        must_haves += must_have_rows(buyer, made)
        told.append({
            "name": name, "weights": dict(buyer.weights), "prints_month": profile.prints_month,
            "headline": made.ranking.verdict.headline, "evidence": made.ranking.verdict.evidence,
            "must_haves": [
                {"kind": g.kind.value, "limit": g.limit, "what": g.what, "at_least": g.at_least, "text": words_of(g, bench.study.currency)}
                for g in profile.gates
            ]})  # fmt: skip
    tables |= {"rankings": rankings, "must_haves": must_haves}
    tables["readings_log"] = _log(session, study_id, {e.name: called[e.key] for e in inputs.entrants})
    return {
        "title": bench.study.title,
        "about": {
            "study": bench.study.title, "question": bench.study.question, "currency": bench.study.currency, "seed": bench.study.seed,
            "draws": study.draws, "code": version("crevlo"), "schema": newest(), "apart": inputs.apart,
            "field_spread": study.spread.value,
        },
        "scheme": {
            "number": scheme.number,
            "criteria": [
                {"code": c.code, "weight": c.weight, "shape": c.shape, "points": [list(p) for p in c.points]}
                for c in scheme.criteria
            ],
            "buyers": told,
        },
        "csv": {layout.name: to_csv(layout, tables.get(layout.name, ())) for layout in ALL},
        # Beside what a package holds: what a later look at the verdict needs.
        "units": {called[e.key]: str(e.entry.unit_id) for e in inputs.entrants},
        "meshes": {_mesh_path(inputs, key): str(key[0]) for key in inputs.compared.lines},
        "protocol": export_protocol(session, study_id).model_dump(mode="json"),
    }  # fmt: skip


def as_read(tables: Tables) -> dict[str, list[dict[str, Any]]]:
    """Rows with the values that their CSV gives back."""
    return {layout.name: from_csv(layout, to_csv(layout, tables.get(layout.name, ()))) for layout in LAYOUTS}


def _named(buyers: Sequence[BuyerProfile]) -> list[tuple[str, BuyerProfile]]:
    """Each under a name of its own."""
    seen: Counter[str] = Counter()
    found = []
    for b in buyers:
        seen[b.name] += 1
        found.append((b.name if seen[b.name] == 1 else f"{b.name} ({seen[b.name]})", b))
    return found


def _material(inputs: StudyFigures, key: Key) -> str:
    spool = inputs.compared.spools[key[1]]  # type: ignore[index]
    return f"{spool.maker} {spool.material}, {spool.colour}"


def _mesh_path(inputs: StudyFigures, key: Key) -> str:
    artifact = inputs.compared.artifacts[key[0]]  # type: ignore[index]
    return f"artifacts/{artifact.code}-{artifact.number}.stl"


def _log(session: Session, study_id: uuid.UUID, called: Mapping[str, str]) -> list[Row]:
    """Every reading, by numbers in place of the people's names."""
    people: dict[str, str] = {}
    numbers: dict[uuid.UUID, str] = {}
    rows: list[Row] = []
    data = reading_data(session, study_id)
    for r in data.readings:
        numbers[r.reading_id] = f"V{len(numbers) + 1}"
    for r in data.readings:
        person = people.setdefault(r.person, f"person {len(people) + 1}")
        rows.append({
            "reading": numbers[r.reading_id], "specimen": r.specimen, "machine": called.get(r.machine, r.machine), "artifact": r.artifact,
            "copy": r.copy_number, "attempt": r.attempt, "feature": r.feature, "repeat": r.repeat, "value": r.value, "unit": r.unit,
            "cannot_because": r.cannot_because or "", "instrument": r.instrument, "person": person, "taken_at": r.taken_at.isoformat(),
            "corrects": numbers.get(r.supersedes_id, "") if r.supersedes_id else "", "reason": r.reason or "", "note": r.note or "",
        })  # fmt: skip
    return rows


def package_of(session: Session, revision_id: uuid.UUID) -> tuple[bytes, str]:
    """The zip of a revision, and its name. Refused until the reveal: readings by machine would tell whose each piece is."""
    revision = session.get(ReportRevision, revision_id)
    if revision is None:
        raise Missing("There is no such revision.")
    if revision.frozen is None or revision.document is None:
        raise Refused(
            "This revision was published by an earlier version and has no data frozen with it. Publish anew."
        )
    if hidden(study_figures(session, revision.study_id).bench):
        raise Refused("A package holds readings by machine: it can be had after the reveal.")
    frozen, document = revision.frozen, Document.model_validate(revision.document)
    files: dict[str, bytes] = {
        "report.html": revision.html.encode(),
        "report.md": as_markdown(document).encode(),
        "protocol.json": (json.dumps(frozen["protocol"], ensure_ascii=False, indent=1) + "\n").encode(),
        "licences.md": licences(session, frozen["meshes"]).encode(),
    }
    for path, artifact_id in frozen["meshes"].items():
        files[path] = artifact_file(session, artifact_id, (), "stl")[0]
    for number, picture in enumerate(document.pictures(), 1):
        with contextlib.suppress(Missing):
            files[f"photos/{number:02d}.jpg"] = photo_content(session, picture.photo_id)
    about = {"revision": revision.number, "published": revision.published_at.isoformat()}
    made = as_package(frozen, about, files)
    return packed(made), f"package-revision-{revision.number}.zip"


def licences(session: Session, meshes: Mapping[str, str]) -> str:
    """Of each artifact file its licence and where it comes from, as Markdown."""
    lines = ["# Licences and sources", "", "Data and report: Attribution 4.0.", ""]
    for path, artifact_id in sorted(meshes.items()):
        row = session.get(ArtifactVersion, uuid.UUID(artifact_id))
        if row is not None:
            said = (
                f"{row.licence}; {row.source}"
                if row.licence
                else "drawn by this program from its sizes; Attribution 4.0"
            )
            lines.append(f"- {path}: {row.name}, version {row.number}. {said}.")
    return "\n".join(lines) + "\n"

"""Meshes in open formats: binary STL, 3MF with units and metadata, and the whole set as a zip."""

import io
import zipfile
from collections.abc import Iterable
from xml.sax.saxutils import escape, quoteattr

import numpy as np

from crevlo.core.artifacts.artifact import Artifact
from crevlo.core.artifacts.shape import joined

_CORE = "http://schemas.microsoft.com/3dmanufacturing/core/2015/02"
_TYPES = (
    '<?xml version="1.0" encoding="UTF-8"?>'
    '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types">'
    '<Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>'
    '<Default Extension="model" ContentType="application/vnd.ms-package.3dmanufacturing-3dmodel+xml"/></Types>'
)
_RELATIONS = (
    '<?xml version="1.0" encoding="UTF-8"?>'
    '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">'
    '<Relationship Target="/3D/3dmodel.model" Id="rel0" Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/>'
    "</Relationships>"
)
# Zip entries carry this time, so that the same artifact gives the same bytes.
_WHEN = (2026, 1, 1, 0, 0, 0)


def triangles(artifact: Artifact) -> np.ndarray:
    """Corner points of the whole's triangles in mm, shape (triangles, 3, 3), counter-clockwise from outside.

    Bodies of different tools that touch are melted together: STL and the screen know no tools.
    """
    mesh = joined([body.solid for body in artifact.bodies]).to_mesh64()
    corners: np.ndarray = np.asarray(mesh.vert_properties)[:, :3][np.asarray(mesh.tri_verts)]
    return corners


def stl(artifact: Artifact, version: int) -> bytes:
    """Binary STL: 80 bytes of heading, then per triangle its normal and corners as little-endian float32."""
    corners = triangles(artifact).astype("<f4")
    normals = np.cross(corners[:, 1] - corners[:, 0], corners[:, 2] - corners[:, 0])
    lengths = np.linalg.norm(normals, axis=1, keepdims=True)
    normals = np.divide(normals, lengths, out=np.zeros_like(normals), where=lengths > 0)
    record = np.zeros(len(corners), dtype=[("normal", "<f4", 3), ("corners", "<f4", (3, 3)), ("attribute", "<u2")])
    record["normal"], record["corners"] = normals, corners
    heading = f"{artifact.code}-{version} {artifact.name}, mm".encode("ascii", "replace")[:80].ljust(80)
    return heading + len(corners).to_bytes(4, "little") + record.tobytes()


def three_mf(artifact: Artifact, version: int) -> bytes:
    """3MF package in millimetres: one object per body, the artifact as their assembly, name and version in its metadata."""
    lines = [
        f'<?xml version="1.0" encoding="UTF-8"?><model unit="millimeter" xml:lang="en" xmlns="{_CORE}">',
        f'<metadata name="Title">{escape(artifact.name)}</metadata>',
        f'<metadata name="Description">{escape(f"{artifact.code} version {version}: {artifact.isolates}")}</metadata>',
        '<metadata name="Application">Crevlo</metadata>',
        *(f'<metadata name="crevlo:{n}">{v:g}</metadata>' for n, v in artifact.values.items()),
        "<resources>",
    ]
    lines[0] = lines[0].replace("<model ", '<model xmlns:crevlo="https://crevlo.example/artifact" ')
    for number, body in enumerate(artifact.bodies, 1):
        mesh = body.solid.to_mesh64()
        name = quoteattr(f"{artifact.code}-{version} body {number}, tool {body.tool + 1}")
        lines.append(f'<object id="{number}" type="model" name={name}><mesh><vertices>')
        lines += [
            f'<vertex x="{x:.6f}" y="{y:.6f}" z="{z:.6f}"/>' for x, y, z in np.asarray(mesh.vert_properties)[:, :3]
        ]
        lines.append("</vertices><triangles>")
        lines += [f'<triangle v1="{a}" v2="{b}" v3="{c}"/>' for a, b, c in np.asarray(mesh.tri_verts)]
        lines.append("</triangles></mesh></object>")
    whole = len(artifact.bodies) + 1
    parts = "".join(f'<component objectid="{n}"/>' for n in range(1, whole))
    lines.append(
        f'<object id="{whole}" type="model" name={quoteattr(artifact.name)}><components>{parts}</components></object>'
    )
    lines.append(f'</resources><build><item objectid="{whole}"/></build></model>')
    return packed([
        ("[Content_Types].xml", _TYPES.encode()),
        ("_rels/.rels", _RELATIONS.encode()),
        ("3D/3dmodel.model", "\n".join(lines).encode()),
    ])  # fmt: skip


def packed(files: Iterable[tuple[str, bytes]]) -> bytes:
    """A zip of named contents; equal contents give equal bytes."""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as package:
        for name, content in files:
            entry = zipfile.ZipInfo(name, _WHEN)
            entry.compress_type = zipfile.ZIP_DEFLATED
            package.writestr(entry, content)
    return out.getvalue()

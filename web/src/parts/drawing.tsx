import type { Schemas } from "../api/client";

const FILLS: Record<string, string> = {
  front: "var(--solid-1)",
  side: "var(--solid-2)",
  top: "var(--solid-3)",
  hole: "var(--solid-2)",
};

/** Isometric line drawing of an artifact as the server projects it; the active feature in needle colour. */
export function ArtifactDrawing({
  artifact,
  active,
  done = [],
  bare = false,
}: {
  artifact: Schemas["ArtifactOut"];
  active?: string | undefined;
  done?: string[];
  /** Small drawings leave out the callouts. */
  bare?: boolean;
}) {
  const { faces, callouts, view } = artifact.drawing;
  const nominal = new Map(artifact.features.map((f) => [f.code, f.nominal_mm]));
  const callout = callouts.find((c) => c.code === active);
  const path = (outline: [number, number][]) => `M${outline.map((p) => p.join(" ")).join("L")}Z`;
  return (
    <svg
      viewBox={view.join(" ")}
      className="h-full w-full"
      role="img"
      aria-label={active ? `${artifact.name}, ${active} marked` : artifact.name}
    >
      <g stroke="var(--ink)" strokeWidth={0.35} strokeLinejoin="round">
        {faces.map((face, i) => (
          <path key={i} d={path(face.outline as [number, number][])} fill={FILLS[face.kind]} />
        ))}
      </g>
      <g fontSize={2.9} fill="var(--ink-2)">
        {callouts
          .filter((c) => !bare && c.code !== active)
          .map((c) => (
            <text
              key={c.code}
              x={c.label[0] as number}
              y={c.label[1] as number}
              textAnchor={c.anchor as "start" | "end"}
              opacity={done.includes(c.code) ? 0.55 : 1}
            >
              {c.code} {nominal.get(c.code)?.toFixed(2)}
              {done.includes(c.code) ? " ✓" : ""}
            </text>
          ))}
      </g>
      {callout && (
        <ActiveCallout
          callout={callout}
          text={`${callout.code} · ${nominal.get(callout.code)?.toFixed(2)} mm`}
          view={view as [number, number, number, number]}
        />
      )}
    </svg>
  );
}

function ActiveCallout({
  callout,
  text,
  view,
}: {
  callout: Schemas["CalloutOut"];
  text: string;
  view: [number, number, number, number];
}) {
  const [[x0, y0], [x1, y1]] = callout.ends as [[number, number], [number, number]];
  const width = text.length * 1.72 + 4;
  const [left, , across] = view;
  const wanted =
    callout.anchor === "end" ? (callout.label[0] as number) - width : (callout.label[0] as number);
  const x = Math.max(left + 0.5, Math.min(wanted, left + across - width - 0.5));
  // Where the label had to be moved in from the edge it goes below the end of the line, not over it.
  const y = (callout.label[1] as number) + (x > wanted + 2 ? 5 : -4);
  return (
    <g>
      <line x1={x0} y1={y0} x2={x1} y2={y1} stroke="var(--needle)" strokeWidth={0.9} />
      <circle cx={x0} cy={y0} r={1.2} fill="var(--needle)" />
      <circle cx={x1} cy={y1} r={1.2} fill="var(--needle)" />
      <rect x={x} y={y} width={width} height={6} rx={0.9} fill="#c23a15" />
      <text x={x + width / 2} y={y + 4.15} fontSize={3.3} fontWeight={700} textAnchor="middle" fill="#fff">
        {text}
      </text>
    </g>
  );
}

import type { Schemas } from "../api/client";
import { text } from "./text";

const FILLS: Record<string, string> = {
  front: "var(--solid-1)",
  side: "var(--solid-2)",
  top: "var(--solid-3)",
  inlay: "var(--brass)",
};

/** What a drawing needs of an artifact: the stored one of a study, or one on the shelf. */
export type Drawn = {
  name: string;
  drawing: Schemas["DrawingOut"];
  features: { code: string; nominal: number; unit: string }[];
};

/** The drawn part of a study's artifact. */
export function drawn(artifact: Schemas["ArtifactOut"]): Drawn {
  return {
    name: artifact.name,
    drawing: artifact.drawing,
    features: artifact.features,
  };
}

/** Isometric line drawing of an artifact as the server projects it; the active feature in needle colour. */
export function ArtifactDrawing({
  artifact,
  active,
  done = [],
  bare = false,
}: {
  artifact: Drawn;
  active?: string | undefined;
  done?: string[];
  /** Small drawings leave out the callouts. */
  bare?: boolean;
}) {
  const { faces, callouts, view, labelled } = artifact.drawing;
  const nominal = new Map(artifact.features.map((f) => [f.code, f]));
  const callout = callouts.find((c) => c.code === active);
  const path = (outlines: number[][][]) =>
    outlines.map((o) => `M${o.map((p) => p.join(" ")).join("L")}Z`).join("");
  const line = Math.max(view[2]!, view[3]!) / 280;
  return (
    <svg
      viewBox={view.join(" ")}
      className="h-full w-full"
      role="img"
      aria-label={active ? text.marked(artifact.name, active) : artifact.name}
    >
      <g stroke="var(--ink)" strokeWidth={line} strokeLinejoin="round" fillRule="evenodd">
        {faces.map((face, i) => (
          <path key={i} d={path(face.outlines)} fill={FILLS[face.kind]} />
        ))}
      </g>
      <g fontSize={8 * line} fill="var(--ink-2)">
        {callouts
          .filter((c) => !bare && labelled && c.code !== active)
          .map((c) => ({
            ...c,
            words: `${c.code}${nominal.get(c.code)?.nominal ? ` ${nominal.get(c.code)?.nominal.toFixed(2)}` : ""}${done.includes(c.code) ? " ✓" : ""}`,
          }))
          .map((c) => (
            <text
              key={c.code}
              // A label at the right end is moved in, so that none is cut off.
              x={
                c.anchor === "end"
                  ? (c.label[0] as number)
                  : Math.min(c.label[0] as number, view[0]! + view[2]! - c.words.length * 4.4 * line)
              }
              y={c.label[1] as number}
              textAnchor={c.anchor as "start" | "end"}
              // Edges break around a label instead of crossing it.
              stroke={upright(c, line) ? FILLS.side : "var(--sheet)"}
              strokeWidth={3.4 * line}
              strokeLinejoin="round"
              paintOrder="stroke"
              fillOpacity={done.includes(c.code) ? 0.6 : 1}
            >
              {c.words}
            </text>
          ))}
      </g>
      {callout && (
        <ActiveCallout
          callout={callout}
          text={[callout.code, said(nominal.get(callout.code))].filter((w) => w !== "").join(" · ")}
          line={line}
          view={view as [number, number, number, number]}
        />
      )}
    </svg>
  );
}

/** A height is written on the face beside its edge, the others beside the part; a thin sheet has no face to write on. */
function upright(callout: Schemas["CalloutOut"], line: number): boolean {
  const [[x0, y0], [x1, y1]] = callout.ends as [[number, number], [number, number]];
  return Math.abs(x0 - x1) < 1e-6 && Math.abs(y0 - y1) > 8 * line;
}

function said(feature: Drawn["features"][number] | undefined): string {
  if (!feature?.nominal) return "";
  return feature.unit === "°"
    ? `${feature.nominal.toFixed(0)}°`
    : `${feature.nominal.toFixed(2)} ${feature.unit}`;
}

function ActiveCallout({
  callout,
  text,
  line,
  view,
}: {
  callout: Schemas["CalloutOut"];
  text: string;
  line: number;
  view: [number, number, number, number];
}) {
  const [[x0, y0], [x1, y1]] = callout.ends as [[number, number], [number, number]];
  const width = (text.length * 4.9 + 11) * line;
  const [left, , across] = view;
  const wanted =
    callout.anchor === "end" ? (callout.label[0] as number) - width : (callout.label[0] as number);
  const x = Math.max(left + line, Math.min(wanted, left + across - width - line));
  // Where the label had to be moved in from the edge it goes below the end of the line, not over it.
  const y = (callout.label[1] as number) + (x > wanted + 6 * line ? 14 : -11) * line;
  return (
    <g>
      <line x1={x0} y1={y0} x2={x1} y2={y1} stroke="var(--needle)" strokeWidth={2.6 * line} />
      <circle cx={x0} cy={y0} r={3.4 * line} fill="var(--needle)" />
      <circle cx={x1} cy={y1} r={3.4 * line} fill="var(--needle)" />
      <rect x={x} y={y} width={width} height={17 * line} rx={2.5 * line} fill="#c23a15" />
      <text
        x={x + width / 2}
        y={y + 11.8 * line}
        fontSize={9.4 * line}
        fontWeight={700}
        textAnchor="middle"
        fill="#fff"
      >
        {text}
      </text>
    </g>
  );
}

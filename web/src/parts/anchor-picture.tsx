import type { Schemas } from "../api/client";
import { text } from "./text";

const PAINT: Record<string, { fill: string; stroke: string }> = {
  part: { fill: "var(--solid-2)", stroke: "var(--ink)" },
  line: { fill: "none", stroke: "var(--ink-2)" },
  fault: { fill: "var(--needle)", stroke: "var(--needle)" },
};

/** One defect at one severity, drawn: the sound part in green, the fault in the needle's colour. */
export function AnchorPicture({
  anchor,
  width,
  height,
  name,
}: {
  anchor: Schemas["AnchorOut"];
  width: number;
  height: number;
  name: string;
}) {
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="h-full w-full"
      role="img"
      aria-label={text.atSeverity(name, anchor.severity)}
    >
      {anchor.picture.map((s, i) => {
        const paint = PAINT[s.kind]!;
        const d = `M${s.points.map((p) => p.join(" ")).join("L")}${s.closed ? "Z" : ""}`;
        return (
          <path
            key={i}
            d={d}
            fill={s.closed ? paint.fill : "none"}
            stroke={paint.stroke}
            strokeWidth={s.closed ? 0.8 : s.width}
            strokeLinejoin="round"
            strokeLinecap="round"
          />
        );
      })}
    </svg>
  );
}

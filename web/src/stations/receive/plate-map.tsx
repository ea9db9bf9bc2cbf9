import type { Rec, Unit } from "./line";
import { text } from "./text";

/** The plate from above: what its sheet says, and what the nozzle reaches of it. */
export function PlateMap({ unit, rec, known }: { unit: Unit; rec: Rec; known: boolean }) {
  const edge = (kind: string) => rec.measures.filter((m) => m.kind === kind).at(-1)?.value ?? 0;
  const wide = edge(text.plateWidth) || unit.bed_x_mm;
  const deep = edge(text.plateDepth) || unit.bed_y_mm;
  const scale = 200 / Math.max(wide, deep);
  const left = edge(text.leftEdgeNotReached);
  const back = edge(text.backEdgeNotReached);
  return (
    <svg
      viewBox="-15 -15 230 240"
      className="block w-full max-w-[230px]"
      role="img"
      aria-label={known ? rec.printable.words : text.thePlateItsEdgesAre}
    >
      {unit.is_round ? (
        <ellipse
          cx={(wide * scale) / 2}
          cy={(deep * scale) / 2}
          rx={(wide * scale) / 2}
          ry={(deep * scale) / 2}
          fill="var(--dial)"
          stroke="var(--ink-3)"
        />
      ) : (
        <rect width={wide * scale} height={deep * scale} fill="var(--dial)" stroke="var(--ink-3)" />
      )}
      {known && (
        <>
          <rect
            x={left * scale}
            y={back * scale}
            width={rec.printable.width_mm! * scale}
            height={rec.printable.depth_mm! * scale}
            fill="none"
            stroke="var(--needle)"
            strokeWidth="1.5"
          />
          <circle
            cx={(wide / 2 + rec.printable.offset_x_mm!) * scale}
            cy={(deep / 2 - rec.printable.offset_y_mm!) * scale}
            r="3"
            fill="var(--needle)"
          />
        </>
      )}
      <path
        d={`M${(wide * scale) / 2 - 6} ${(deep * scale) / 2}h12M${(wide * scale) / 2} ${(deep * scale) / 2 - 6}v12`}
        stroke="var(--ink)"
      />
      <text
        x={(wide * scale) / 2}
        y={deep * scale + 14}
        textAnchor="middle"
        fontSize="10"
        fill="var(--ink-2)"
      >
        {text.frontMmMm(unit.is_round, wide.toFixed(0), deep.toFixed(0))}
      </text>
    </svg>
  );
}

import type { Schemas } from "../../../api/client";
import { text } from "../text";

const W = 304;
const H = 150;

/** The frame from above with its diagonals, leaning as measured, many times enlarged; the square it should be stands behind it. */
export function FrameChart({ chart }: { chart: Schemas["FrameChartOut"] }) {
  const side = H - 36;
  const left = (W - side) / 2;
  const top = 14;
  // Enlarged so that it shows, up to a fifth of the side; the figure itself stands beside it.
  const enlarged = chart.mm_per_100 === 0 ? 1 : Math.min(40, 20 / Math.abs(chart.mm_per_100));
  const lean = (chart.mm_per_100 / 100) * enlarged * side;
  const corners = [
    [left, top + side],
    [left + side, top + side],
    [left + side + lean, top],
    [left + lean, top],
  ] as const;
  const at = (k: number) => `${corners[k]?.[0]} ${corners[k]?.[1]}`;
  return (
    <figure className="mt-1.5">
      <svg viewBox={`0 0 ${W} ${H}`} className="w-full" role="img" aria-label={text.frameDrawn}>
        <rect
          x={left}
          y={top}
          width={side}
          height={side}
          fill="none"
          stroke="var(--rule)"
          strokeDasharray="3 3"
        />
        <path
          d={`M${at(0)}L${at(1)}L${at(2)}L${at(3)}Z`}
          fill="var(--c1)"
          fillOpacity={0.08}
          stroke="var(--c1)"
          strokeWidth={2}
        />
        <path d={`M${at(0)}L${at(2)}`} stroke="var(--needle)" strokeWidth={1.5} />
        <path d={`M${at(1)}L${at(3)}`} stroke="var(--c2)" strokeWidth={1.5} />
        <g fontSize={10.5} className="num" fill="var(--ink)">
          <text x={left - 8} y={top + side} textAnchor="end">
            {chart.d1_mm.toFixed(2)}
          </text>
          <text x={left + side + 8} y={top + side}>
            {chart.d2_mm.toFixed(2)}
          </text>
        </g>
        <text x={W / 2} y={H - 6} textAnchor="middle" fontSize={9.5} fill="var(--ink-2)">
          {text.front}
        </text>
      </svg>
      <figcaption className="text-tiny text-ink-2">{text.frameOf(Math.round(enlarged))}</figcaption>
    </figure>
  );
}

import type { Schemas } from "../../../api/client";
import { signed } from "../../../parts/bits";
import { text } from "../text";

const W = 304;
const H = 190;

/** The bed from above: each disc by what the fitted plane leaves, its thickness under it; a ring where it is out of tolerance. */
export function MapChart({ chart }: { chart: Schemas["MapChartOut"] }) {
  const xs = chart.discs.map((d) => d.x_mm);
  const ys = chart.discs.map((d) => d.y_mm);
  const reach = Math.max(1, ...xs.map(Math.abs), ...ys.map(Math.abs));
  const scale = (H / 2 - 34) / reach;
  const x = (mm: number) => W / 2 + mm * scale * 1.35;
  const y = (mm: number) => H / 2 - mm * scale;
  const most = Math.max(0.01, ...chart.discs.map((d) => Math.abs(d.off)));
  return (
    <figure className="mt-1.5">
      <svg viewBox={`0 0 ${W} ${H}`} className="w-full" role="img" aria-label={text.mapDrawn}>
        <rect x={4} y={4} width={W - 8} height={H - 8} rx={6} fill="none" stroke="var(--rule)" />
        {chart.discs.map((d) => {
          return (
            <g key={d.code}>
              <title>{text.disc(d.code, d.value.toFixed(3), signed(d.off, 3), chart.unit)}</title>
              <circle
                cx={x(d.x_mm)}
                cy={y(d.y_mm) - 4}
                r={19}
                fill={d.off < 0 ? "var(--c3)" : "var(--brass)"}
                fillOpacity={0.15 + 0.65 * (Math.abs(d.off) / most)}
                stroke={d.good ? "var(--rule)" : "var(--needle)"}
                strokeWidth={d.good ? 1 : 2.5}
                {...(d.good ? {} : { strokeDasharray: "4 2" })}
              />
              <text
                x={x(d.x_mm)}
                y={y(d.y_mm)}
                textAnchor="middle"
                className="num"
                fontSize={10}
                fill="var(--ink)"
              >
                {signed(d.off, 3)}
              </text>
              <text
                x={x(d.x_mm)}
                y={y(d.y_mm) + 25}
                textAnchor="middle"
                className="num"
                fontSize={9.5}
                fill="var(--ink-2)"
              >
                {d.code} {d.value.toFixed(2)}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="text-tiny text-ink-2">
        {text.mapOf(chart.nominal, chart.within, chart.unit)}
      </figcaption>
    </figure>
  );
}

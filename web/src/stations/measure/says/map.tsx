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
      <div className="grid grid-cols-2 gap-1">
        <Section chart={chart} along="x_mm" across="y_mm" title={text.sectionX} />
        <Section chart={chart} along="y_mm" across="x_mm" title={text.sectionY} />
      </div>
      <figcaption className="text-tiny text-ink-2">
        {text.mapOf(chart.nominal, chart.within, chart.unit)}
      </figcaption>
    </figure>
  );
}

const SW = 150;
const SH = 70;

/** The layer cut through the middle of the bed: thickness of the discs there, and the fitted plane as a line. */
function Section({
  chart,
  along,
  across,
  title,
}: {
  chart: Schemas["MapChartOut"];
  along: "x_mm" | "y_mm";
  across: "x_mm" | "y_mm";
  title: string;
}) {
  const middle = Math.min(...chart.discs.map((d) => Math.abs(d[across])));
  const row = chart.discs
    .filter((d) => Math.abs(d[across]) <= middle + 1)
    .sort((a, b) => a[along] - b[along]);
  if (row.length < 2) return null;
  const plane = row.map((d) => d.value - d.off);
  const levels = [
    ...row.map((d) => d.value),
    ...plane,
    chart.nominal - chart.within,
    chart.nominal + chart.within,
  ];
  const [low, high] = [Math.min(...levels), Math.max(...levels)];
  const reach = Math.max(...row.map((d) => Math.abs(d[along])), 1);
  const x = (mm: number) => SW / 2 + (mm / reach) * (SW / 2 - 12);
  const y = (mm: number) => 8 + ((high - mm) / (high - low)) * (SH - 26);
  return (
    <svg viewBox={`0 0 ${SW} ${SH}`} className="w-full" role="img" aria-label={title}>
      <rect
        x={4}
        width={SW - 8}
        y={y(chart.nominal + chart.within)}
        height={y(chart.nominal - chart.within) - y(chart.nominal + chart.within)}
        fill="var(--rule)"
        fillOpacity={0.5}
      />
      <path
        d={`M${row.map((d, i) => `${x(d[along])} ${y(plane[i]!)}`).join("L")}`}
        stroke="var(--needle)"
        strokeWidth={1.5}
        fill="none"
      />
      {row.map((d) => (
        <circle key={d.code} cx={x(d[along])} cy={y(d.value)} r={3.2} fill="var(--ink)" />
      ))}
      <text x={SW / 2} y={SH - 3} textAnchor="middle" fontSize={9.5} fill="var(--ink-2)">
        {title}
      </text>
    </svg>
  );
}

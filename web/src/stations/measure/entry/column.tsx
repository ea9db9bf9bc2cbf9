import type { Schemas } from "../../../api/client";
import type { Slot } from "../slots";
import { text } from "../text";

type Line = Schemas["FeatureLine"];
const W = 320;
const H = 250;

/** The column with its marks; the curve of widths forms beside it, with the sine that was found in them. */
export function Column({
  features,
  active,
  chart,
  go,
}: {
  features: Line[];
  active: string | undefined;
  chart: Schemas["ColumnChartOut"] | undefined;
  go: (slot: Slot) => void;
}) {
  const heights = features.map((f) => f.level ?? 0);
  const top = Math.max(1, ...heights) * 1.05;
  const y = (z: number) => H - 14 - (z / top) * (H - 22);
  const points = chart?.points ?? [];
  const mean = chart?.mean_mm ?? features[0]?.nominal ?? 0;
  const reach = Math.max(0.02, ...points.map((p) => Math.abs(p.width_mm - mean)), chart?.amplitude_mm ?? 0);
  const x = (w: number) => 200 + ((w - mean) / reach) * 84;
  const wave =
    chart?.pitch_mm &&
    Array.from({ length: 240 }, (_, k) => {
      const z = (k / 239) * top;
      const turn = 2 * Math.PI * (z / (chart.pitch_mm ?? 1) + chart.phase);
      return `${x(mean + chart.amplitude_mm * Math.sin(turn)).toFixed(1)} ${y(z).toFixed(1)}`;
    }).join("L");
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="h-full w-full" role="img" aria-label={text.column.drawn}>
      <rect
        x={40}
        y={y(top)}
        width={44}
        height={y(0) - y(top)}
        fill="var(--solid-3)"
        stroke="var(--ink)"
        strokeWidth={1}
      />
      <line x1={200} x2={200} y1={y(top)} y2={y(0)} stroke="var(--rule)" />
      {wave && (
        <path d={`M${wave}`} fill="none" stroke="var(--needle)" strokeWidth={1.4} strokeOpacity={0.7} />
      )}
      {features.map((f) => {
        const on = f.code === active;
        const z = f.level ?? 0;
        const read = f.readings.length > 0;
        return (
          // biome-ignore lint/a11y/noStaticElementInteractions: a tap on a mark is a second way
          <g
            key={f.code}
            className="cursor-pointer"
            onClick={() => go({ featureId: f.feature_id, code: f.code, repeat: 1 })}
          >
            <rect x={30} y={y(z) - 4} width={64} height={8} fill="transparent" />
            <line
              x1={on ? 26 : 36}
              x2={on ? 98 : 88}
              y1={y(z)}
              y2={y(z)}
              stroke={on ? "var(--needle)" : read ? "var(--enamel-2)" : "var(--ink-3)"}
              strokeWidth={on ? 3 : 1.4}
            />
            {on && (
              <text
                x={104}
                y={y(z) + 4}
                fontSize={11}
                fontWeight={600}
                fill="var(--needle-ink)"
                className="num"
              >
                {f.code} · {z.toFixed(1)}
              </text>
            )}
          </g>
        );
      })}
      {points.map((p) => (
        <circle key={p.code} cx={x(p.width_mm)} cy={y(p.height_mm)} r={2.8} fill="var(--c1)">
          <title>{text.column.point(p.code, p.height_mm.toFixed(1), p.width_mm.toFixed(2))}</title>
        </circle>
      ))}
      <g fontSize={9} fill="var(--ink-2)" className="num">
        {[0, 0.25, 0.5, 0.75, 1].map((share) => {
          const z = Math.round(Math.max(...heights) * share);
          return (
            <text key={share} x={24} y={y(z) + 3} textAnchor="end">
              {z}
            </text>
          );
        })}
        <text x={x(mean - reach)} y={H - 2} textAnchor="middle">
          −{reach.toFixed(2)}
        </text>
        <text x={200} y={H - 2} textAnchor="middle">
          {mean.toFixed(2)}
        </text>
        <text x={x(mean + reach)} y={H - 2} textAnchor="middle">
          {text.column.end(reach.toFixed(2))}
        </text>
      </g>
    </svg>
  );
}

import { useState } from "react";
import type { Schemas } from "../../../api/client";
import { Toggles } from "../../../parts/form/toggles";
import { text } from "../text";

const W = 304;
const H = 112;

/** One axis drawn: deviation against length with the fitted line and its band. */
export function FitChart({ chart }: { chart: Schemas["FitChartOut"] }) {
  const axes = [...new Set(chart.points.map((p) => p.axis))];
  const [asked, setAxis] = useState<Schemas["Axis"] | null>(null);
  const axis = asked && axes.includes(asked) ? asked : axes[0];
  return (
    <>
      <div className="mt-1.5 flex items-center gap-1">
        <Toggles
          label={text.axisDrawn}
          value={axis}
          options={axes.map((a) => ({ value: a, name: a }))}
          change={setAxis}
        />
        <span className="ml-auto text-tiny text-ink-2">{text.fitAxes}</span>
      </div>
      <Line
        points={chart.points.filter((p) => p.axis === axis)}
        line={chart.lines.find((l) => l.axis === axis)}
        longest={chart.longest_mm}
      />
    </>
  );
}

function Line({
  points,
  line,
  longest,
}: {
  points: Schemas["FitPointOut"][];
  line: Schemas["FitLineOut"] | undefined;
  longest: number;
}) {
  const reach = Math.max(0.1, ...points.map((p) => Math.abs(p.deviation_mm) + p.expanded_mm)) * 1.1;
  const x = (mm: number) => 30 + (mm / longest) * (W - 44);
  const step = [5, 10, 20, 25, 50, 100, 200].find((s) => longest / s <= 5) ?? 500;
  const ticks = Array.from({ length: Math.floor(longest / step) }, (_, k) => (k + 1) * step);
  const y = (mm: number) => (H - 14) / 2 - (mm / reach) * ((H - 14) / 2 - 4);
  const trace = (points: Schemas["LinePointOut"][], side: number) =>
    points.map((p) => `${x(p.length_mm)} ${y(p.deviation_mm + side * p.expanded_mm)}`).join("L");
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="mt-1 w-full" role="img" aria-label={text.fitDrawn}>
      <g stroke="var(--rule)">
        <line x1={30} x2={W - 8} y1={y(reach * 0.8)} y2={y(reach * 0.8)} strokeDasharray="2 3" />
        <line x1={30} x2={W - 8} y1={y(-reach * 0.8)} y2={y(-reach * 0.8)} strokeDasharray="2 3" />
      </g>
      <line x1={30} x2={W - 8} y1={y(0)} y2={y(0)} stroke="var(--ink)" />
      <clipPath id="fit-frame">
        <rect x={30} y={0} width={W - 38} height={H - 14} />
      </clipPath>
      {line && (
        <g clipPath="url(#fit-frame)">
          <path
            d={`M${trace(line.points, 1)}L${trace([...line.points].reverse(), -1)}Z`}
            fill="var(--needle)"
            opacity={0.13}
          />
          <path d={`M${trace(line.points, 0)}`} fill="none" stroke="var(--needle)" strokeWidth={2} />
        </g>
      )}
      {points.map((p) => (
        <g key={p.code}>
          <line
            x1={x(p.nominal_mm)}
            x2={x(p.nominal_mm)}
            y1={y(p.deviation_mm - p.expanded_mm)}
            y2={y(p.deviation_mm + p.expanded_mm)}
            stroke="var(--c2)"
          />
          <circle cx={x(p.nominal_mm)} cy={y(p.deviation_mm)} r={3.6} fill="var(--c1)">
            <title>{text.mm(p.code, p.deviation_mm.toFixed(3), p.expanded_mm.toFixed(3))}</title>
          </circle>
        </g>
      ))}
      <g fontSize={9.5} fill="var(--ink-2)" fontFamily="var(--font-mono)">
        <text x={0} y={y(reach * 0.8) + 3}>{`+${(reach * 0.8).toFixed(2)}`}</text>
        <text x={0} y={y(-reach * 0.8) + 3}>{`−${(reach * 0.8).toFixed(2)}`}</text>
        {ticks.map((l) => (
          <text key={l} x={x(l)} y={H - 2} textAnchor="middle">
            {l}
          </text>
        ))}
      </g>
    </svg>
  );
}

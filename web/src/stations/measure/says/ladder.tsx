import type { Schemas } from "../../../api/client";
import { text } from "../text";

const W = 304;
const H = 54;

/** The ladder as a line with its rungs, easiest left; the limit stands as a needle where they stop passing. */
export function LadderChart({ chart }: { chart: Schemas["LadderChartOut"] }) {
  const n = chart.rungs.length;
  const x = (k: number) => 16 + (k * (W - 32)) / Math.max(1, n - 1);
  const stop = chart.rungs.findIndex((r) => r.passed !== null && r.passed < 0.5);
  const digits = chart.unit === "°" || (chart.rungs[0]?.level ?? 0) >= 10 ? 0 : 2;
  const words = (passed: number | null) =>
    passed === null
      ? text.charts.open
      : passed === 1
        ? text.charts.passed
        : passed === 0
          ? text.charts.failed
          : text.charts.partly(`${Math.round(100 * passed)} %`);
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="mt-1.5 w-full" role="img" aria-label={text.charts.ladder}>
      <line
        x1={x(0)}
        x2={x(n - 1)}
        y1={20}
        y2={20}
        stroke="var(--rule)"
        strokeWidth={3}
        strokeLinecap="round"
      />
      {chart.rungs.map((r, k) => (
        <g key={r.code}>
          <title>{text.charts.rung(`${r.level.toFixed(digits)} ${chart.unit}`, words(r.passed))}</title>
          <circle
            cx={x(k)}
            cy={20}
            r={6}
            fill={r.passed === null ? "var(--sheet)" : r.passed >= 0.5 ? "var(--c1)" : "var(--sheet)"}
            stroke={r.passed !== null && r.passed < 0.5 ? "var(--needle)" : "var(--c1)"}
            strokeWidth={r.passed !== null && r.passed < 0.5 ? 2.4 : 1.4}
            strokeDasharray={r.passed === null ? "2 2" : undefined}
          />
          <text
            x={x(k)}
            y={42}
            textAnchor="middle"
            fontSize={n > 9 ? 8.5 : 10}
            className="num"
            fill="var(--ink-2)"
          >
            {r.level.toFixed(digits)}
          </text>
        </g>
      ))}
      {stop > 0 && (
        <path
          d={`M${(x(stop - 1) + x(stop)) / 2} 28L${(x(stop - 1) + x(stop)) / 2} 4`}
          stroke="var(--needle)"
          strokeWidth={3}
          strokeLinecap="round"
        />
      )}
    </svg>
  );
}

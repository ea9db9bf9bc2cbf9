/** A small chart of points over an axis, with a line where there is a limit; axes in their units. */
export function Points({
  points,
  label,
  axes,
  limit,
  joined = true,
  format,
}: {
  points: { x: number; y: number; mark?: string }[];
  label: string;
  axes: string;
  limit?: number;
  joined?: boolean;
  format: (value: number) => string;
}) {
  const W = 304;
  const H = 118;
  if (points.length === 0) return null;
  const most = Math.max(...points.map((p) => p.x)) * 1.06;
  const low = Math.min(0, ...points.map((p) => p.y));
  const high = Math.max(limit ?? 0, ...points.map((p) => p.y)) * 1.1 || 1;
  const x = (v: number) => 36 + (v / most) * (W - 50);
  const y = (v: number) => 8 + ((high - v) / (high - low)) * (H - 30);
  const path = points.map((p) => `${x(p.x)} ${y(p.y)}`).join("L");
  return (
    <figure className="mt-1.5">
      <svg viewBox={`0 0 ${W} ${H}`} className="w-full" role="img" aria-label={label}>
        <line x1={36} x2={W - 10} y1={y(0)} y2={y(0)} stroke="var(--ink)" />
        {limit !== undefined && (
          <line
            x1={36}
            x2={W - 10}
            y1={y(limit)}
            y2={y(limit)}
            stroke="var(--needle)"
            strokeDasharray="4 3"
          />
        )}
        {joined && <path d={`M${path}`} fill="none" stroke="var(--c1)" strokeWidth={2} />}
        {points.map((p) => (
          <g key={`${p.x} ${p.mark ?? ""}`}>
            <circle cx={x(p.x)} cy={y(p.y)} r={3.6} fill="var(--c1)" />
            {p.mark && (
              <text x={x(p.x) + 6} y={y(p.y) - 5} fontSize={9.5} fill="var(--ink)">
                {p.mark}
              </text>
            )}
          </g>
        ))}
        <g fontSize={9.5} fill="var(--ink-2)" className="num">
          <text x={32} y={y(high / 1.1) + 3} textAnchor="end">
            {format(high / 1.1)}
          </text>
          <text x={32} y={y(0) + 3} textAnchor="end">
            {format(0)}
          </text>
          {[...new Set(points.map((p) => p.x))].map((v) => (
            <text key={v} x={x(v)} y={H - 6} textAnchor="middle">
              {v}
            </text>
          ))}
        </g>
      </svg>
      <figcaption className="text-tiny text-ink-2">{axes}</figcaption>
    </figure>
  );
}

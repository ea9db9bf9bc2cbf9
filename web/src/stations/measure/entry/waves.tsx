import { text } from "../text";

const W = 214;
const H = 150;

/** The face after the corner with so many waves marked, dying away; the distance runs over all of them. */
export function WavesDrawing({ count, over }: { count: number; over: string }) {
  const shown = Math.max(0, Math.min(12, count));
  const step = shown ? Math.min(34, 170 / shown) : 0;
  const path = Array.from({ length: 171 }, (_, k) => {
    const x = 22 + k;
    const wave = shown ? Math.sin(((k / step) * 2 - 0.5) * Math.PI) * Math.exp(-k / 70) : 0;
    return `${x} ${(70 - 22 * (shown && k <= shown * step ? wave : 0)).toFixed(1)}`;
  }).join("L");
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="w-full" role="img" aria-label={text.waves.drawn(count)}>
      <path d={`M22 30L22 120`} stroke="var(--ink)" strokeWidth={3} />
      <path d={`M${path}`} fill="none" stroke="var(--enamel-2)" strokeWidth={2.2} />
      {shown > 0 && (
        <g stroke="var(--needle)" strokeWidth={2}>
          <line x1={22} x2={22 + shown * step} y1={112} y2={112} />
          {Array.from({ length: shown + 1 }, (_, k) => (
            <line key={k} x1={22 + k * step} x2={22 + k * step} y1={106} y2={118} />
          ))}
        </g>
      )}
      <text x={W / 2} y={140} textAnchor="middle" fontSize={11} fill="var(--ink-2)">
        {shown ? text.waves.over(count, over) : text.waves.none(over)}
      </text>
    </svg>
  );
}

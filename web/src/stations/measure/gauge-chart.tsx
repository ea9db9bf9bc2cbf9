import type { Schemas } from "../../api/client";
import { text } from "./text";

const HIGH = 150;
const STEP = 44;
const LEFT = 52;

/** Off nominal by part, each person's readings side by side, told apart by shape. */
export function GaugeChart({ study }: { study: Schemas["GaugeOut"] }) {
  const all = study.parts.flatMap((p) => p.readings.flat());
  const [least, most] = [Math.min(...all), Math.max(...all)];
  const room = (most - least || 10 ** -study.digits) * 0.1;
  const y = (v: number) => 8 + (HIGH * (most + room - v)) / (most - least + 2 * room);
  const wide = LEFT + STEP * study.parts.length;
  const apart = STEP / (study.people.length + 1);
  return (
    <figure className="min-w-0">
      <svg
        viewBox={`0 0 ${wide} ${HIGH + 44}`}
        role="img"
        aria-label={text.gauge.drawn}
        className="max-h-56 w-full"
      >
        {[least, most].map((v) => (
          <g key={v}>
            <line x1={LEFT - 6} x2={wide} y1={y(v)} y2={y(v)} className="stroke-[var(--rule)]" />
            <text
              x={LEFT - 8}
              y={y(v) + 3.5}
              textAnchor="end"
              className="num fill-[var(--ink-2)] text-[10px]"
            >
              {v.toFixed(study.digits)}
            </text>
          </g>
        ))}
        {study.parts.map((p, i) => (
          <g key={`${p.blind_code} ${p.face}`}>
            {p.readings.map((mine, person) =>
              mine.map((v, n) => (
                <Mark key={n} person={person} x={LEFT + i * STEP + apart * (person + 1)} y={y(v)} />
              )),
            )}
            <text
              x={LEFT + i * STEP + STEP / 2}
              y={HIGH + 24}
              textAnchor="middle"
              className="num fill-[var(--ink)] text-[11px]"
            >
              {p.blind_code}
            </text>
            <text
              x={LEFT + i * STEP + STEP / 2}
              y={HIGH + 37}
              textAnchor="middle"
              className="fill-[var(--ink-2)] text-[10px]"
            >
              {p.face}
            </text>
          </g>
        ))}
      </svg>
      <figcaption className="flex flex-wrap gap-x-4 text-small text-ink-2">
        <span>{text.gauge.axis(study.unit)}</span>
        {study.people.map((p, person) => (
          <span key={p.name} className="inline-flex items-center gap-1.5">
            <svg viewBox="0 0 10 10" width="10" height="10" aria-hidden="true">
              <Mark person={person} x={5} y={5} />
            </svg>
            {p.name}
          </span>
        ))}
      </figcaption>
    </figure>
  );
}

function Mark({ person, x, y }: { person: number; x: number; y: number }) {
  const look = "fill-none stroke-[var(--ink)] stroke-[1.3]";
  switch (person % 6) {
    case 0:
      return <circle cx={x} cy={y} r={3} className="fill-[var(--ink)]" />;
    case 1:
      return <circle cx={x} cy={y} r={3} className={look} />;
    case 2:
      return <path d={`M${x - 3} ${y + 3}h6l-3 -6z`} className={look} />;
    case 3:
      return <path d={`M${x - 3} ${y - 3}h6v6h-6z`} className={look} />;
    case 4:
      return <path d={`M${x - 3} ${y - 3}l6 6m0 -6l-6 6`} className={look} />;
    default:
      return <path d={`M${x - 3.5} ${y}h7m-3.5 -3.5v7`} className={look} />;
  }
}

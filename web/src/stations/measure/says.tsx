import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Sourced } from "../../parts/source-drawer";
import { text } from "./text";

/** The size fit in words, and one axis drawn: deviation against length with the fitted line and its band. */
export function Says({ specimen }: { specimen: Schemas["SpecimenView"] }) {
  const [axis, setAxis] = useState<"X" | "Y" | "Z">("X");
  const line = specimen.lines.find((l) => l.axis === axis);
  return (
    <section aria-label={text.says} aria-live="polite">
      <h2 className="lab pt-2 pb-0.5">{text.says}</h2>
      {specimen.findings.length === 0 && <p className="text-[12.5px] text-ink-2">{text.nothingYet}</p>}
      <div className="grid gap-1 text-[12.5px] leading-[1.3]">
        {specimen.findings.map((f) => (
          <p key={f.about + f.headline}>
            <b>
              {f.headline}
              {f.amount && (
                <>
                  {" "}
                  <Sourced
                    figure={{ station: "measure", specimen: specimen.id }}
                    label={`${f.headline} ${f.amount}, source`}
                  >
                    <span className="num">{f.amount}</span>
                  </Sourced>
                </>
              )}
            </b>{" "}
            <span className="num text-[11px] text-ink-2">{f.uncertainty}</span>
            <span className={f.amount ? "block text-[12px] text-ink-2" : "text-ink-2"}>
              {f.amount ? f.meaning : ` ${f.meaning}`}
            </span>
          </p>
        ))}
      </div>
      {specimen.points.length > 1 && (
        <>
          <div className="mt-1.5 flex items-center gap-1" role="group" aria-label="Axis drawn">
            {(["X", "Y", "Z"] as const).map((a) => (
              <button
                key={a}
                type="button"
                aria-pressed={a === axis}
                onClick={() => setAxis(a)}
                className={`rounded border px-2 text-[12px] ${a === axis ? "border-enamel bg-enamel text-on-enamel" : "border-rule"}`}
              >
                {a}
              </button>
            ))}
            <span className="ml-auto text-[11px] text-ink-2">off nominal, mm, against length, mm</span>
          </div>
          <FitChart
            points={specimen.points.filter((p) => p.axis === axis)}
            line={line}
            longest={specimen.longest_mm ?? 50}
          />
        </>
      )}
    </section>
  );
}

const W = 304;
const H = 112;

function FitChart({
  points,
  line,
  longest,
}: {
  points: Schemas["FitPoint"][];
  line: Schemas["FitLine"] | undefined;
  longest: number;
}) {
  const reach = Math.max(0.1, ...points.map((p) => Math.abs(p.deviation_mm) + p.expanded_mm)) * 1.1;
  const x = (mm: number) => 30 + (mm / longest) * (W - 44);
  const step = [5, 10, 20, 25, 50, 100, 200].find((s) => longest / s <= 5) ?? 500;
  const ticks = Array.from({ length: Math.floor(longest / step) }, (_, k) => (k + 1) * step);
  const y = (mm: number) => (H - 14) / 2 - (mm / reach) * ((H - 14) / 2 - 4);
  const trace = (points: Schemas["LinePoint"][], side: number) =>
    points.map((p) => `${x(p.length_mm)} ${y(p.deviation_mm + side * p.expanded_mm)}`).join("L");
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="mt-1 w-full"
      role="img"
      aria-label="Deviation against length with the fitted line"
    >
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
            <title>{`${p.code}: ${p.deviation_mm.toFixed(3)} ± ${p.expanded_mm.toFixed(3)} mm`}</title>
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

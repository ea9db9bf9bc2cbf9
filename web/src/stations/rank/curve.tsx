import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import type { Schemas } from "../../api/client";
import { Choice } from "../../parts/form/choice";
import { markColour } from "../../parts/unit-mark";
import { text } from "./text";

type Shape = Schemas["CriterionOut"]["shape"];
type Point = Schemas["Anchor"];
const SHAPES: Shape[] = ["linear", "piecewise", "thresholds", "logarithmic"];
const WIDE = 430;
const HIGH = 120;
const PAD = 34;

/** How a figure becomes points, drawn over where the machines stand; its points are dragged, or moved with the arrow keys. */
export function Curve({
  choice,
  marks,
  shape,
  points,
  change,
}: {
  choice: Schemas["Choice"];
  marks: Schemas["UnitMark"][];
  shape: Shape;
  /** Raw figures, as kept. */
  points: Point[];
  change: (shape: Shape, points: Point[]) => void;
}) {
  const drawing = useRef<SVGSVGElement>(null);
  const f = choice.factor;
  const sorted = [...points].sort((a, b) => a.raw - b.raw);
  const seen = choice.figures.flatMap((x) =>
    x.value === null ? [] : [x.value, x.low ?? x.value, x.high ?? x.value],
  );
  const raws = [...sorted.map((p) => f * p.raw), ...seen];
  const [least, most] = [Math.min(...raws), Math.max(...raws)];
  const room = 0.08 * (most - least || Math.abs(most) || 1);
  const [left, right] = [
    shape === "logarithmic" ? Math.max(least - room, least / 2) : least - room,
    most + room,
  ];
  const x = (shown: number) => PAD + ((shown - left) / (right - left)) * (WIDE - 2 * PAD);
  const y = (value: number) => 10 + (1 - value / 100) * HIGH;
  // Two points of a straight or logarithmic function are its worst and best: they keep 0 and 100.
  const fixed = shape === "linear" || shape === "logarithmic";
  const move = (at: number, raw: number, value: number) => {
    const others = sorted.filter((_, k) => k !== at);
    if (others.some((p) => p.raw === raw) || (shape === "logarithmic" && raw <= 0)) return;
    const made = { raw, value: fixed ? sorted[at]!.value : Math.max(0, Math.min(100, Math.round(value))) };
    change(
      shape,
      [...others, made].sort((a, b) => a.raw - b.raw),
    );
  };
  const drag = (at: number) => (event: PointerEvent) => {
    if (event.buttons !== 1 || !drawing.current) return;
    const box = drawing.current.getBoundingClientRect();
    const px = ((event.clientX - box.left) / box.width) * WIDE;
    const py = ((event.clientY - box.top) / box.height) * (HIGH + 44);
    const shown = left + ((px - PAD) / (WIDE - 2 * PAD)) * (right - left);
    const step = 10 ** Math.floor(Math.log10((right - left) / 200));
    move(at, (Math.round(shown / step) * step) / f, 100 * (1 - (py - 10) / HIGH));
  };
  const press = (at: number) => (event: KeyboardEvent) => {
    const p = sorted[at]!;
    const step = ((right - left) / 100) * (event.shiftKey ? 5 : 1);
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[
      event.key
    ];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    move(at, +((f * p.raw + by[0]!) / f).toPrecision(6), p.value + by[1]! * (event.shiftKey ? 5 : 1));
  };
  const reshape = (to: Shape) => {
    const [worst, best] = [
      sorted.reduce((a, b) => (b.value < a.value ? b : a)),
      sorted.reduce((a, b) => (b.value > a.value ? b : a)),
    ];
    if (to === "linear" || to === "logarithmic")
      change(to, [
        { raw: worst.raw, value: 0 },
        { raw: best.raw, value: 100 },
      ]);
    else change(to, sorted);
  };
  const add = () => {
    const wide = sorted.slice(1).map((p, k) => ({ at: k, width: p.raw - sorted[k]!.raw }));
    const at = wide.reduce((a, b) => (b.width > a.width ? b : a)).at;
    const [a, b] = [sorted[at]!, sorted[at + 1]!];
    const middle = { raw: +((a.raw + b.raw) / 2).toPrecision(6), value: Math.round((a.value + b.value) / 2) };
    change(
      shape,
      [...sorted, middle].sort((p, q) => p.raw - q.raw),
    );
  };
  const line =
    shape === "thresholds"
      ? sorted.flatMap((p, k) => [
          `${k ? "L" : "M"}${k ? x(f * p.raw) : PAD} ${y(p.value)}`,
          `H${x(f * (sorted[k + 1]?.raw ?? right / f))}`,
        ])
      : [
          `M${PAD} ${y(sorted[0]!.value)}`,
          ...path(shape, sorted).map(([raw, value]) => `L${x(f * raw)} ${y(value)}`),
          `L${WIDE - PAD} ${y(sorted.at(-1)!.value)}`,
        ];
  return (
    <div className="flex flex-wrap items-start gap-3 py-1">
      <svg ref={drawing} viewBox={`0 0 ${WIDE} ${HIGH + 44}`} className="w-[430px] max-w-full touch-none">
        <title>{text.curve.title(choice.name)}</title>
        {[0, 50, 100].map((v) => (
          <g key={v}>
            <path d={`M${PAD} ${y(v)}H${WIDE - PAD}`} stroke="var(--rule)" />
            <text x={PAD - 5} y={y(v) + 3} textAnchor="end" className="fill-ink-2 text-[9px]">
              {v}
            </text>
          </g>
        ))}
        {choice.figures.map((q, k) => {
          const mark = marks[k];
          if (q.value === null || !mark) return null;
          const at = HIGH + 16 + (k % 4) * 3.5;
          return (
            <g key={mark.unit_id} stroke={markColour(mark.mark)} strokeWidth={2}>
              <title>{`${mark.name}: ${q.words}`}</title>
              <path d={`M${x(q.low ?? q.value)} ${at}H${x(q.high ?? q.value)}`} />
              <circle cx={x(q.value)} cy={at} r={2.6} fill={markColour(mark.mark)} />
            </g>
          );
        })}
        <path d={line.join("")} fill="none" stroke="var(--ink)" strokeWidth={2} />
        {sorted.map((p, at) => (
          <g key={`${at} of ${sorted.length}`}>
            <circle
              role="slider"
              tabIndex={0}
              aria-label={text.curve.point(at + 1, sorted.length)}
              aria-valuenow={p.value}
              aria-valuemin={0}
              aria-valuemax={100}
              aria-valuetext={text.curve.at(`${+(f * p.raw).toPrecision(4)} ${choice.unit}`, p.value)}
              cx={x(f * p.raw)}
              cy={y(p.value)}
              r={7}
              fill="var(--needle)"
              stroke="var(--sheet)"
              strokeWidth={2}
              className="cursor-grab outline-offset-2"
              onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
              onPointerMove={drag(at)}
              onKeyDown={press(at)}
            />
            <text x={x(f * p.raw)} y={HIGH + 40} textAnchor="middle" className="num fill-ink text-[9px]">
              {+(f * p.raw).toPrecision(4)}
            </text>
          </g>
        ))}
      </svg>
      <div className="grid gap-2 text-small">
        <Choice
          label={text.curve.shape}
          value={shape}
          options={SHAPES.filter((s) => s !== "logarithmic" || sorted.every((p) => p.raw > 0)).map((s) => ({
            value: s,
            name: text.curve.shapes[s],
          }))}
          change={(s) => reshape(s as Shape)}
          className="input !w-[150px]"
        />
        {!fixed && (
          <span className="flex gap-2">
            <button type="button" className="button" disabled={sorted.length >= 8} onClick={add}>
              {text.curve.add}
            </button>
            <button
              type="button"
              className="button"
              disabled={sorted.length <= 2}
              onClick={() =>
                change(
                  shape,
                  sorted.filter((_, k) => k !== Math.floor(sorted.length / 2)),
                )
              }
            >
              {text.curve.drop}
            </button>
          </span>
        )}
        <p className="max-w-[190px] text-ink-2">{text.curve.hint}</p>
        <button
          type="button"
          className="justify-self-start underline"
          disabled={seen.length < 2}
          title={text.curve.fieldWarning}
          onClick={() => {
            const best = choice.better === "higher" ? Math.max(...seen) : Math.min(...seen);
            const worst = choice.better === "higher" ? Math.min(...seen) : Math.max(...seen);
            if (best !== worst)
              change("linear", [
                { raw: worst / f, value: 0 },
                { raw: best / f, value: 100 },
              ]);
          }}
        >
          {text.curve.field}
        </button>
        <p className="max-w-[190px] text-brass-ink">{text.curve.fieldWarning}</p>
      </div>
    </div>
  );
}

/** Through the points; of equal ratios giving equal points, enough places in between to look round. */
function path(shape: Shape, points: Point[]): [number, number][] {
  if (shape !== "logarithmic") return points.map((p) => [p.raw, p.value]);
  const [a, b] = [points[0]!, points.at(-1)!];
  return Array.from({ length: 25 }, (_, k) => {
    const t = k / 24;
    return [a.raw * (b.raw / a.raw) ** t, a.value + t * (b.value - a.value)];
  });
}

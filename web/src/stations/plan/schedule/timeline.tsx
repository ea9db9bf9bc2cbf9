import { useEffect, useMemo, useRef, useState } from "react";
import type { Schemas } from "../../../api/client";
import { UnitName } from "../../../parts/unit-mark";
import { text } from "../text";
import { hour, ms, when } from "./bench-time";
import { fillOf, SpoolPatterns } from "./spool-fill";

type Slot = Schemas["SlotOut"];
type View = Schemas["ScheduleView"];

const HEAD = 30;
const LOAD = 58;
const DRYER = 26;
const HOUR = 3_600_000;
const STEP = 300_000;
const BAR = 24;

/** Hours in view; null is all of them. */
const SCALES = { day: 24, days: 72, week: 168, all: null } as const;
export type Scale = keyof typeof SCALES;

/** Who prints what when: a lane for each machine, the hours of people behind, the circuits' loads below. */
export function Timeline({
  view,
  scale,
  chosen,
  choose,
  pin,
  pinnedAt,
}: {
  view: View;
  scale: Scale;
  chosen: string | null;
  choose: (job: string | null) => void;
  pin: (job: string, at: Date) => void;
  pinnedAt: ReadonlyMap<string, number>;
}) {
  const made = view.schedule!;
  const frame = useRef<HTMLDivElement>(null);
  const box = useRef<HTMLDivElement>(null);
  const [seen, setSeen] = useState({ left: 0, width: 600, height: 480 });
  const begin = ms(made.days[0]!.at);
  const end = Math.max(ms(made.finish_at), ms(view.now)) + 12 * HOUR;
  const perHour = Math.max(0.4, (seen.width - 8) / (SCALES[scale] ?? (end - begin) / HOUR));
  const x = (at: number) => ((at - begin) / HOUR) * perHour;
  const width = Math.max(seen.width, x(end));
  const dryer = made.dryings.length > 0 ? DRYER : 0;
  const below = dryer + made.circuits.length * LOAD + 6;
  const laneHeight = Math.min(
    60,
    Math.max(34, Math.floor((seen.height - HEAD - below) / Math.max(1, view.machines.length))),
  );
  const lanes = view.machines.length * laneHeight;
  const height = HEAD + lanes + below;
  const lane = new Map(view.machines.map((m, i) => [m.unit_id, i]));
  const codes = made.spools.map((s) => s.code);

  useEffect(() => {
    const [outer, element] = [frame.current!, box.current!];
    const look = () =>
      setSeen({ left: element.scrollLeft, width: element.clientWidth, height: outer.clientHeight });
    look();
    const watch = new ResizeObserver(look);
    watch.observe(element);
    watch.observe(outer);
    element.addEventListener("scroll", look, { passive: true });
    return () => {
      watch.disconnect();
      element.removeEventListener("scroll", look);
    };
  }, []);
  const started = useRef("");
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new scale or plan starts where the work is
  useEffect(() => {
    const key = `${scale} ${made.number}`;
    if (started.current === key) return;
    started.current = key;
    const first = made.slots.find((s) => s.state !== "done") ?? made.slots[0];
    box.current!.scrollLeft = Math.max(0, x(Math.min(ms(first?.start_at ?? view.now), end)) - 60);
  }, [scale, made.number]);

  // Only what is in view and a little around it is drawn.
  const from = begin + ((seen.left - 300) / perHour) * HOUR;
  const to = begin + ((seen.left + seen.width + 300) / perHour) * HOUR;
  const slots = useMemo(
    () => made.slots.filter((s) => ms(s.end_at) >= from && ms(s.start_at) <= to),
    [made.slots, from, to],
  );
  const hours = perHour > 20 ? 1 : perHour > 9 ? 3 : perHour > 4 ? 12 : 24;
  return (
    <div ref={frame} className="grid h-full min-h-0 grid-cols-[132px_minmax(0,1fr)] overflow-y-auto">
      <div aria-hidden="true" style={{ paddingTop: HEAD }}>
        {view.machines.map((m) => (
          <div key={m.unit_id} className="flex items-center text-small" style={{ height: laneHeight }}>
            <UnitName mark={m.mark} name={m.name} />
          </div>
        ))}
        {dryer > 0 && (
          <div className="flex items-center text-small text-ink-2" style={{ height: DRYER }}>
            {text.dryer}
          </div>
        )}
        {made.circuits.map((c) => (
          <div key={c.name} className="pt-2 pr-2 leading-tight" style={{ height: LOAD }}>
            <span className="block truncate text-small">{c.name}</span>
            <small className="num text-tiny text-ink-2">
              {text.peakOfW(c.peak_w.toFixed(0), c.limit_w.toFixed(0))}
            </small>
          </div>
        ))}
      </div>
      <div
        ref={box}
        className="overflow-x-auto overflow-y-hidden"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, so the keyboard must reach it
        tabIndex={0}
        role="group"
        aria-label={text.timeline}
      >
        <svg width={width} height={height} className="block select-none">
          <title>{text.printsByMachineAnd}</title>
          <SpoolPatterns />
          <rect y={HEAD} width={width} height={height - HEAD} fill="var(--track)" opacity={0.55} />
          {made.windows
            .filter((w) => ms(w.to_at) > from && ms(w.from_at) < to)
            .map((w) => (
              <rect
                key={w.from_at}
                x={x(ms(w.from_at))}
                y={HEAD}
                width={x(ms(w.to_at)) - x(ms(w.from_at))}
                height={height - HEAD}
                fill="var(--sheet)"
              />
            ))}
          {made.days
            .filter((d) => ms(d.at) > from - 24 * HOUR && ms(d.at) < to)
            .map((d, i) => (
              <g key={d.at}>
                <line x1={x(ms(d.at))} x2={x(ms(d.at))} y1={4} y2={height} stroke="var(--rule)" />
                {(perHour * 24 > 46 || i % Math.ceil(46 / (perHour * 24)) === 0) && (
                  <text x={x(ms(d.at)) + 4} y={12} fontSize={11} fontWeight={600} fill="var(--ink)">
                    {perHour * 24 > 62 ? d.words : d.words.split(" ").slice(1).join(" ")}
                  </text>
                )}
                {hours < 24 &&
                  Array.from({ length: 24 / hours }, (_, k) => k * hours).map((h) => (
                    <text
                      key={h}
                      x={x(ms(d.at) + h * HOUR) + 4}
                      y={25}
                      fontSize={9.5}
                      className="num"
                      fill="var(--ink-2)"
                    >
                      {String(h).padStart(2, "0")}
                    </text>
                  ))}
              </g>
            ))}
          {view.machines.map((m, i) => (
            <line
              key={m.unit_id}
              x2={width}
              y1={HEAD + (i + 1) * laneHeight}
              y2={HEAD + (i + 1) * laneHeight}
              stroke="var(--rule-2)"
            />
          ))}
          {slots.map((s) => (
            <Bar
              key={s.job_id}
              slot={s}
              machine={view.machines[lane.get(s.unit_id)!]!.name}
              codes={codes}
              x={x}
              y={HEAD + lane.get(s.unit_id)! * laneHeight + (laneHeight - BAR) / 2}
              chosen={chosen === s.job_id}
              moved={pinnedAt.get(s.job_id)}
              choose={choose}
              pin={(shift) => pin(s.job_id, new Date(ms(s.start_at) + shift))}
              perHour={perHour}
            />
          ))}
          {made.dryings.map((d) => (
            <g key={d.spool}>
              <title>{text.driesFromTo(d.spool, when(d.start_at), when(d.end_at))}</title>
              <rect
                x={x(ms(d.start_at))}
                y={HEAD + lanes + 6}
                width={Math.max(2, x(ms(d.end_at)) - x(ms(d.start_at)))}
                height={DRYER - 12}
                rx={7}
                fill={fillOf(codes, d.spool)}
              />
            </g>
          ))}
          {made.circuits.map((c, i) => (
            <Load key={c.name} circuit={c} x={x} y={HEAD + lanes + dryer + i * LOAD} width={width} />
          ))}
          <line
            x1={x(ms(view.now))}
            x2={x(ms(view.now))}
            y1={14}
            y2={height}
            stroke="var(--needle)"
            strokeWidth={1.5}
          />
          <circle cx={x(ms(view.now))} cy={14} r={3} fill="var(--needle)" />
        </svg>
      </div>
    </div>
  );
}

function Bar({
  slot,
  machine,
  codes,
  x,
  y,
  chosen,
  moved,
  choose,
  pin,
  perHour,
}: {
  slot: Slot;
  machine: string;
  codes: string[];
  x: (at: number) => number;
  y: number;
  chosen: boolean;
  moved: number | undefined;
  choose: (job: string | null) => void;
  pin: (shiftMs: number) => void;
  perHour: number;
}) {
  const [drag, setDrag] = useState<number | null>(null);
  const from = useRef(0);
  const free = slot.state === "planned" || slot.state === "late";
  const shift = drag ?? (moved !== undefined ? moved - ms(slot.start_at) : 0);
  const at = (iso: string) => x(ms(iso) + shift);
  const x0 = at(slot.start_at);
  const hot = at(slot.hot_at);
  const print = at(slot.print_at);
  const printed = at(slot.printed_at);
  const cool = at(slot.cool_at);
  const removal = at(slot.removal_at);
  const x1 = at(slot.end_at);
  const done = slot.state === "done";
  const label = `${slot.artifact} ${slot.copy_number} on ${machine}, ${slot.spools.join(" and ")}, ${when(slot.start_at)} to ${when(slot.end_at)}, ${slot.state}`;
  const snapped = (event: React.PointerEvent) =>
    Math.round((((event.clientX - from.current) / perHour) * HOUR) / STEP) * STEP;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={label}
      aria-pressed={chosen}
      className={free ? "cursor-grab outline-offset-1" : "cursor-pointer"}
      opacity={done ? 0.45 : 1}
      onKeyDown={(e) => {
        if (e.key === "Enter" || e.key === " ") {
          e.preventDefault();
          choose(slot.job_id);
        }
      }}
      onPointerDown={(e) => {
        from.current = e.clientX;
        choose(slot.job_id);
        if (free) e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={(e) => {
        if (
          free &&
          e.currentTarget.hasPointerCapture(e.pointerId) &&
          (drag !== null || Math.abs(e.clientX - from.current) > 4)
        )
          setDrag(snapped(e));
      }}
      onPointerUp={() => {
        if (drag !== null && drag !== 0) pin(drag);
        setDrag(null);
      }}
      onPointerCancel={() => setDrag(null)}
    >
      <title>{label}</title>
      {/* Waiting to be removed: a thread. */}
      <rect x={cool} y={y + BAR / 2 - 1} width={Math.max(0, removal - cool)} height={2} fill="var(--ink-3)" />
      <rect x={x0} y={y} width={Math.max(1, hot - x0)} height={BAR} rx={2} fill="var(--ink-2)" />
      <rect x={hot} y={y} width={Math.max(0, print - hot)} height={BAR} fill="var(--needle)" opacity={0.8} />
      {slot.spools.map((code, i) => (
        <rect
          key={code}
          x={print}
          y={y + (i * BAR) / slot.spools.length}
          width={Math.max(1, printed - print)}
          height={BAR / slot.spools.length}
          fill={fillOf(codes, code)}
        />
      ))}
      <rect
        x={printed}
        y={y + 5}
        width={Math.max(0, cool - printed)}
        height={BAR - 10}
        fill="var(--solid-2)"
      />
      <rect x={removal} y={y} width={Math.max(1, x1 - removal)} height={BAR} rx={2} fill="var(--ink-2)" />
      {printed - print > 30 && (
        <g>
          <rect
            x={print + 3}
            y={y + 5}
            width={Math.min(printed - print - 6, 13 + 9 * String(slot.copy_number).length + 8)}
            height={14}
            rx={2}
            fill="var(--sheet)"
          />
          <text x={print + 6} y={y + 16} fontSize={10.5} fontWeight={650} fill="var(--ink)">
            {slot.code}
            {printed - print > 40 && <tspan className="num"> {slot.copy_number}</tspan>}
          </text>
        </g>
      )}
      {(slot.pinned || moved !== undefined || drag !== null) && (
        <path d={`M${x0 - 4} ${y - 5}h8l-4 7z`} fill="var(--needle)" />
      )}
      <rect
        x={x0 - 1}
        y={y - 1.5}
        width={x1 - x0 + 2}
        height={BAR + 3}
        rx={3}
        fill="transparent"
        stroke={
          slot.state === "failed" || slot.state === "printing" || chosen
            ? "var(--needle)"
            : slot.state === "late"
              ? "var(--brass)"
              : "none"
        }
        strokeWidth={chosen ? 2 : 1.5}
        strokeDasharray={slot.state === "failed" ? "3 2" : undefined}
      />
      {drag !== null && (
        <text x={x0} y={y - 6} fontSize={11} fontWeight={650} fill="var(--needle-ink)">
          {hour(new Date(ms(slot.start_at) + shift + offset(slot.start_at)).toISOString())}
        </text>
      )}
    </g>
  );
}

/** Milliseconds of the bench's clock ahead of UTC, as the time itself says. */
function offset(iso: string): number {
  const found = /([+-])(\d\d):(\d\d)$/.exec(iso);
  return found ? (found[1] === "-" ? -1 : 1) * (Number(found[2]) * 60 + Number(found[3])) * 60_000 : 0;
}

function Load({
  circuit,
  x,
  y,
  width,
}: {
  circuit: Schemas["CircuitLoad"];
  x: (at: number) => number;
  y: number;
  width: number;
}) {
  const base = y + LOAD - 4;
  const most = Math.max(circuit.limit_w, circuit.peak_w) * 1.08;
  const up = (watts: number) => base - (watts / most) * (LOAD - 14);
  let path = `M0 ${base}`;
  for (const step of circuit.steps) path += `H${x(ms(step.at)).toFixed(1)}V${up(step.watts).toFixed(1)}`;
  path += `H${width}V${base}Z`;
  return (
    <g>
      <line x2={width} y1={base} y2={base} stroke="var(--rule)" />
      <path d={path} fill="var(--c5)" opacity={0.7} />
      <line
        x2={width}
        y1={up(circuit.limit_w)}
        y2={up(circuit.limit_w)}
        stroke="var(--needle)"
        strokeDasharray="4 3"
      />
    </g>
  );
}

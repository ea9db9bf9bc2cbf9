import { useState } from "react";
import type { Schemas } from "../../../api/client";
import type { Entry } from "../../../api/outbox";
import { useKeys } from "../../../app/keys";
import { Toggles } from "../../../parts/form/toggles";
import type { useKeeping } from "../keeping";
import type { Slot } from "../slots";
import { text } from "../text";
import { judgedState } from "./said";

type Line = Schemas["FeatureLine"];

/** The bed from above with its discs: arrows go from disc to disc, each shows its value and its look. */
export function BedMap({
  features,
  judged,
  active,
  go,
  judge,
  pending,
}: {
  features: Line[];
  judged: Schemas["JudgedLine"][];
  active: string | undefined;
  go: (slot: Slot) => void;
  judge: ReturnType<typeof useKeeping>["judge"];
  pending: Entry[];
}) {
  const [asking, setAsking] = useState(false);
  const discs = features.filter((f) => f.at !== null);
  const xs = discs.map((d) => d.at?.[0] ?? 0);
  const ys = discs.map((d) => d.at?.[1] ?? 0);
  const reach = Math.max(1, ...xs.map(Math.abs), ...ys.map(Math.abs));
  const x = (mm: number) => 160 + (mm / reach) * 118;
  const y = (mm: number) => 112 - (mm / reach) * 76;
  const here = discs.find((d) => d.code === active);
  const look = judged.find((j) => j.code === active);
  const move = (dx: number, dy: number) => {
    const from = here ?? discs[0];
    if (!from?.at) return;
    const [fx, fy] = from.at as [number, number];
    let best: Line | undefined;
    let least = Number.POSITIVE_INFINITY;
    for (const d of discs) {
      const [px, py] = d.at as [number, number];
      const along = (px - fx) * dx + (py - fy) * dy;
      const aside = Math.abs((px - fx) * dy) + Math.abs((py - fy) * dx);
      if (along > 1e-6 && along + 3 * aside < least) {
        best = d;
        least = along + 3 * aside;
      }
    }
    if (best)
      go({
        featureId: best.feature_id,
        code: best.code,
        repeat: Math.min(best.repeats, best.readings.length + 1),
      });
  };
  useKeys([
    { key: "ArrowLeft", does: text.map.move, run: () => move(-1, 0), typing: true },
    { key: "ArrowRight", does: "", run: () => move(1, 0), typing: true },
    { key: "ArrowUp", does: "", run: () => move(0, 1), typing: true },
    { key: "ArrowDown", does: "", run: () => move(0, -1), typing: true },
    { key: "l", does: text.map.look, run: () => setAsking(true), typing: true },
    ...(asking && look && !judgedState(look, pending)
      ? [0, 1, 2, 3, 4, 5].map((n) => ({
          key: String(n),
          does: "",
          typing: true,
          run: () => {
            setAsking(false);
            judge(look, { amount: n });
          },
        }))
      : []),
  ]);
  const said = look && judgedState(look, pending);
  return (
    <div className="grid h-full min-h-0 grid-rows-[minmax(0,1fr)_auto]">
      <svg viewBox="0 0 320 236" className="h-full w-full" role="img" aria-label={text.map.drawn}>
        <rect x={8} y={4} width={304} height={220} rx={8} fill="var(--sheet)" stroke="var(--rule)" />
        <text x={160} y={233} textAnchor="middle" fontSize={9} fill="var(--ink-2)">
          {text.front}
        </text>
        {discs.map((d) => {
          const [dx, dy] = d.at as [number, number];
          const known = d.readings.filter((r) => r.value !== null);
          const mean = known.reduce((sum, r) => sum + (r.value ?? 0), 0) / Math.max(known.length, 1);
          const mine = judged.find((j) => j.code === d.code);
          const seen = mine && judgedState(mine, pending);
          const on = d.code === active;
          return (
            // biome-ignore lint/a11y/noStaticElementInteractions: a tap on a disc is a second way to what arrows do
            <g
              key={d.code}
              onClick={() =>
                go({
                  featureId: d.feature_id,
                  code: d.code,
                  repeat: Math.min(d.repeats, d.readings.length + 1),
                })
              }
              className="cursor-pointer"
            >
              <circle
                cx={x(dx)}
                cy={y(dy)}
                r={27}
                fill={on ? "var(--needle-wash)" : known.length ? "var(--solid-3)" : "transparent"}
                stroke={on ? "var(--needle)" : "var(--rule)"}
                strokeWidth={on ? 3 : 1.2}
                strokeDasharray={known.length || on ? undefined : "3 3"}
              />
              <text x={x(dx)} y={y(dy) - 9} textAnchor="middle" fontSize={9} fill="var(--ink-2)">
                {d.code}
              </text>
              <text
                x={x(dx)}
                y={y(dy) + 5}
                textAnchor="middle"
                fontSize={13}
                fontWeight={600}
                className="num"
                fill="var(--ink)"
              >
                {known.length ? mean.toFixed(d.digits) : "·"}
              </text>
              <text x={x(dx)} y={y(dy) + 18} textAnchor="middle" fontSize={9} fill="var(--ink-2)">
                {known.length < d.repeats && known.length > 0
                  ? `${known.length}/${d.repeats}`
                  : seen
                    ? text.map.looks(seen.words)
                    : ""}
              </text>
            </g>
          );
        })}
      </svg>
      {look && (
        <div className="flex flex-wrap items-center gap-2 pt-1">
          <span className="lab">{text.lookOf(look.code)}</span>
          {said ? (
            <b className="num">{said.words}</b>
          ) : (
            <Toggles
              label={text.lookOf(look.code)}
              options={["0", "1", "2", "3", "4", "5"].map((n) => ({ value: n, name: n }))}
              change={(n) => judge(look, { amount: Number(n) })}
              item="num py-0.5"
            />
          )}
          <span className="text-small text-ink-2">{asking ? text.map.now : text.map.lookKey}</span>
        </div>
      )}
    </div>
  );
}

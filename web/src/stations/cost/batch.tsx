import { useDeferredValue, useState } from "react";
import type { Schemas } from "../../api/client";
import { useBatch } from "../../api/queries";
import { Field, Skeleton, Trouble } from "../../parts/bits";
import { Toggles } from "../../parts/form/toggles";
import { typedNumber } from "../../parts/numbers";
import { Glyph, markColour, UnitName } from "../../parts/unit-mark";
import { text } from "./text";

const KEPT = "crevlo.batch";
const START = { parts: "100", line: 0, available_h: "300", amps: "16", volts: "230", share: "80" };
type Typed = typeof START;

function kept(): Typed {
  try {
    return { ...START, ...JSON.parse(localStorage.getItem(KEPT) ?? "{}"), line: 0 };
  } catch {
    return START;
  }
}

/** So many parts of one artifact on every machine, and what one of them takes then. */
export function Batch({ studyId }: { studyId: string }) {
  const [typed, setTyped] = useState<Typed>(kept);
  const [each, setEach] = useState<"each" | "whole">("each");
  const set = (part: Partial<Typed>) => {
    const now = { ...typed, ...part };
    localStorage.setItem(KEPT, JSON.stringify(now));
    setTyped(now);
  };
  const share = typedNumber(typed.share);
  const wish = {
    parts: typedNumber(typed.parts) ?? 0,
    line: typed.line,
    available_h: typedNumber(typed.available_h) ?? -1,
    amps: typedNumber(typed.amps) ?? 0,
    volts: typedNumber(typed.volts) ?? 0,
    share: share === null ? 0 : share / 100,
  };
  const view = useBatch(studyId, useDeferredValue(wish));
  const input = (name: Exclude<keyof Typed, "line">, label: string, hint = "") => (
    <Field label={label} hint={hint}>
      <input
        className="input num !w-[110px]"
        inputMode="decimal"
        value={typed[name]}
        onChange={(e) => set({ [name]: e.target.value })}
      />
    </Field>
  );
  if (view.isLoading) return <Skeleton className="h-full" />;
  const made = view.data;
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_270px] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1">
      <section aria-label={text.batch} className="sheet min-h-0 min-w-0 overflow-auto px-4 py-3">
        <Trouble error={view.error} />
        {made && made.lines.length === 0 && <p className="text-ink-2">{text.noLine}</p>}
        {made && made.lines.length > 0 && (
          <>
            <div className="flex flex-wrap items-center gap-3">
              <h2 className="lab">{text.batchOf(wish.parts, made.lines[made.line]!.artifact)}</h2>
              <Toggles
                label={text.shown}
                value={each}
                options={[
                  { value: "each", name: text.onePart },
                  { value: "whole", name: text.wholeBatch },
                ]}
                change={setEach}
                item="py-0.5"
              />
            </div>
            <Rows made={made} of={each} />
            <ul className="mt-2 grid gap-0.5">
              {made.ratios.map((r) => (
                <li key={r}>{r}</li>
              ))}
            </ul>
            <CostCurves made={made} />
            {made.machines.some((m) => m.each) && <p className="mt-1 text-small text-ink-2">{made.basis}</p>}
          </>
        )}
      </section>
      <section
        aria-label={text.batchInputs}
        className="sheet grid min-h-0 content-start gap-2 overflow-y-auto p-3.5"
      >
        <h2 className="lab">{text.batchInputs}</h2>
        {made && made.lines.length > 1 && (
          <Field label={text.artifact}>
            <select
              className="input"
              value={typed.line}
              onChange={(e) => set({ line: Number(e.target.value) })}
            >
              {made.lines.map((l, i) => (
                <option key={`${l.artifact} ${l.spool}`} value={i}>
                  {l.artifact}, {l.spool}
                </option>
              ))}
            </select>
          </Field>
        )}
        {input("parts", text.howMany)}
        {input("available_h", text.availableH)}
        <h3 className="lab pt-2">{text.circuit}</h3>
        <div className="flex gap-2">
          {input("amps", text.amps)}
          {input("volts", text.volts)}
        </div>
        {input("share", text.shareOf)}
        {made && <p className="text-small text-ink-2">{text.limit(made.limit_w.toFixed(0))}</p>}
        <p className="border-l-3 border-brass bg-brass-wash px-2.5 py-1.5 text-small">
          {text.circuitCaution}
        </p>
      </section>
    </div>
  );
}

function Rows({ made, of }: { made: Schemas["BatchView"]; of: "each" | "whole" }) {
  const digits = (n: number | undefined, places: number) => (n === undefined ? "–" : n.toFixed(places));
  const at = of === "each" ? 1 : 0;
  return (
    <table className="table mt-1 [&_td]:!py-0.75">
      <thead>
        <tr>
          <th scope="col">{text.machine}</th>
          <th scope="col">{text.costIn(made.currency)}</th>
          <th scope="col">{text.timeH}</th>
          <th scope="col">{text.partG}</th>
          <th scope="col">{text.wasteG}</th>
          <th scope="col">{text.changes}</th>
          <th scope="col">{text.energyKwh}</th>
          <th scope="col">{text.perPlate}</th>
          <th scope="col">{text.plates}</th>
          <th scope="col">{text.aMonth}</th>
          <th scope="col">{text.atOnce}</th>
          <th scope="col">{text.inTurn}</th>
        </tr>
      </thead>
      <tbody className="num">
        {made.machines.map((m) => (
          <tr key={m.machine.unit_id}>
            <td className="!font-sans [font-stretch:100%]">
              <span className="block max-w-[168px]">
                <UnitName mark={m.machine.mark} name={m.machine.name} />
              </span>
            </td>
            {m.needs ? (
              <td colSpan={11} className="!text-left !font-sans text-small text-ink-2 [font-stretch:100%]">
                {text.notDeterminedNeeds(m.needs)}
              </td>
            ) : (
              <>
                <td className="font-semibold">{digits(m[of]?.cost, 1 + at)}</td>
                <td>{digits(m[of]?.hours, 1 + at)}</td>
                <td>{digits(m[of]?.part_g, at)}</td>
                <td>{digits(m[of]?.waste_g, at)}</td>
                <td>{digits(m[of]?.changes, at)}</td>
                <td>{digits(m[of]?.kwh, 1 + 2 * at)}</td>
                <td>{m.parts_per_plate}</td>
                <td>{m.plates}</td>
                <td>{m.parts_a_month}</td>
                {[m.all_at_once, m.one_after_another].map((n, i) => (
                  <td
                    key={i}
                    title={text.powers(m.peak_w.toFixed(0), m.peak_from, m.steady_w?.toFixed(0) ?? "–")}
                  >
                    {n ?? "–"}
                  </td>
                ))}
              </>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const W = 640;
const H = 190;

/** Cost of a part against the size of the batch: a step up where another plate begins. */
function CostCurves({ made }: { made: Schemas["BatchView"] }) {
  const points = made.curves.flatMap((c) => c.points);
  if (points.length < 2) return null;
  const most = Math.max(...points.map((p) => p.parts));
  // The first few parts pay for a whole plate: what lies above twice the middle would flatten all the rest.
  const sorted = points.map((p) => p.cost).sort((a, b) => a - b);
  const high = Math.min(sorted.at(-1)!, 2 * sorted[Math.floor(sorted.length / 2)]!);
  const low = Math.min(...sorted) * 0.92;
  const x = (n: number) => 44 + (n / most) * (W - 170);
  const y = (c: number) => 10 + ((high - Math.min(c, high)) / (high - low || 1)) * (H - 36);
  const ends = made.curves
    .filter((c) => c.points.length > 0)
    .map((c) => ({ ...c, at: y(c.points.at(-1)!.cost) }))
    .sort((a, b) => a.at - b.at);
  ends.forEach((e, i) => {
    if (i > 0) e.at = Math.max(e.at, ends[i - 1]!.at + 13);
  });
  // Names stay clear of the axis: from the last upwards, each at its distance.
  for (let i = ends.length - 1; i >= 0; i--)
    ends[i]!.at = Math.min(ends[i]!.at, (ends[i + 1]?.at ?? H - 18) - 13);
  return (
    <figure className="mt-2 max-w-[980px]">
      <svg viewBox={`0 0 ${W} ${H}`} className="w-full" role="img" aria-label={text.curve}>
        <line x1={44} x2={x(most)} y1={H - 26} y2={H - 26} stroke="var(--rule)" />
        {ends.map((c) => (
          <g key={c.machine.unit_id}>
            <path
              d={`M${c.points.map((p) => `${x(p.parts)} ${y(p.cost)}`).join("L")}`}
              fill="none"
              stroke={markColour(c.machine.mark)}
              strokeWidth={2}
            />
            <g transform={`translate(${x(most) + 6} ${c.at - 6})`}>
              <Glyph mark={c.machine.mark} />
            </g>
            <text x={x(most) + 23} y={c.at + 4} fontSize={10.5} fill="var(--ink)">
              {c.machine.name.length > 17 ? `${c.machine.name.slice(0, 16)}…` : c.machine.name}
            </text>
          </g>
        ))}
        <g fontSize={9.5} fill="var(--ink-2)" className="num">
          <text x={40} y={y(high) + 3} textAnchor="end">
            {high.toFixed(2)}
          </text>
          <text x={40} y={y(low) + 3} textAnchor="end">
            {low.toFixed(2)}
          </text>
          <text x={x(most)} y={H - 10} textAnchor="middle">
            {most}
          </text>
          <text x={x(most / 2)} y={H - 10} textAnchor="middle">
            {Math.round(most / 2)}
          </text>
        </g>
      </svg>
      <figcaption className="text-tiny text-ink-2">{text.curveSays(made.currency)}</figcaption>
    </figure>
  );
}

import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useCopies, useSpreads } from "../../api/queries";
import { Field } from "../../parts/bits";
import { text } from "./text";

/** What the draft takes, growing as it is written. */
export function EffortPanel({ effort }: { effort: Schemas["EffortView"] | undefined }) {
  if (!effort) return null;
  const most = Math.max(...effort.machines.map((m) => m.amount), 1e-9);
  return (
    <div>
      <h2 className="lab">{text.effort}</h2>
      <p className="pt-0.5 text-head font-semibold [font-stretch:92%]" aria-live="polite">
        {effort.prints === 0
          ? text.nothingToPrintYet
          : text.printsHOfPrinting(effort.prints, effort.printing_h.toFixed(0))}
      </p>
      {effort.prints > 0 && (
        <>
          <p className="text-small text-ink-2">
            {text.likelyToHAtLeast(effort.low_h.toFixed(0), effort.high_h.toFixed(0))}{" "}
            <b className="text-ink">{days(Math.max(1, Math.ceil(effort.days)))}</b>
            {text.setBy(effort.bottleneck)}
          </p>
          <dl className="mt-1.5 grid grid-cols-[1fr_auto] gap-x-3 gap-y-0.5 text-small">
            <Row name={text.atTheBench} value={`${effort.person_h.toFixed(0)} h`} />
            <Row name="Readings" value={String(effort.readings)} />
            <Row name="Energy" value={`${effort.energy_kwh.toFixed(1)} kWh`} />
            {effort.filament.map((f) => (
              <Row key={f.name} name={`Spool ${f.name}`} value={`${f.amount.toFixed(0)} g`} />
            ))}
          </dl>
          <ul className="mt-2 grid gap-0.75" aria-label={text.printingHoursByMachine}>
            {effort.machines.map((m) => (
              <li key={m.name} className="grid grid-cols-[96px_1fr_38px] items-center gap-1.5 text-small">
                <span className="truncate">{m.name}</span>
                <i
                  className="block h-[7px] rounded-full bg-[var(--c2)]"
                  style={{ width: `${(100 * m.amount) / most}%` }}
                />
                <span className="num text-right text-tiny">{m.amount.toFixed(0)} h</span>
              </li>
            ))}
          </ul>
        </>
      )}
      <p className="pt-1.5 text-small leading-tight text-ink-2">{effort.basis}</p>
    </div>
  );
}

const days = (n: number) => (n === 1 ? "1 day" : `${n} days`);

function Row({ name, value }: { name: string; value: string }) {
  return (
    <>
      <dt className="text-ink-2">{name}</dt>
      <dd className="num text-right text-small font-semibold">{value}</dd>
    </>
  );
}

/** How many copies tell a difference, from the usual spread between copies. */
export function CopiesHint({ copies }: { copies: number }) {
  const spreads = useSpreads();
  const [code, setCode] = useState("off.mean");
  const [difference, setDifference] = useState("");
  const [own, setOwn] = useState("");
  const known = spreads.data?.spreads ?? [];
  const from = known.find((s) => s.code === code) ?? known[0];
  const unit = from?.unit ?? "mm";
  const spread = Number(own) || from?.spread || 0;
  const hint = useCopies({ difference: Number(difference) || spread * 2, spread, copies });
  const digits = from?.digits ?? 3;
  return (
    <div className="border-t border-rule-2 pt-2">
      <h2 className="lab pb-1">{text.howManyCopies}</h2>
      <div className="grid grid-cols-2 gap-1.5">
        {known.length > 0 && (
          <label className="field col-span-2">
            <span>{text.figure}</span>
            <select className="input" value={from?.code} onChange={(e) => setCode(e.target.value)}>
              {known.map((s) => (
                <option key={s.code} value={s.code}>
                  {s.name}
                </option>
              ))}
            </select>
          </label>
        )}
        <Field label={text.tellApart(unit)}>
          <input
            className="input num"
            type="number"
            min={0}
            step="any"
            placeholder={spread ? (2 * spread).toFixed(digits) : ""}
            value={difference}
            onChange={(e) => setDifference(e.target.value)}
          />
        </Field>
        <Field label={text.usualSpread(unit)}>
          <input
            className="input num"
            type="number"
            min={0}
            step="any"
            placeholder={from ? from.spread.toFixed(digits + 1) : ""}
            value={own}
            onChange={(e) => setOwn(e.target.value)}
          />
        </Field>
      </div>
      <p className="pt-1.5 text-small" aria-live="polite">
        {!spread ? (
          text.typeTheSpreadYouKnow
        ) : hint.data ? (
          <>
            <b>{text.copiesOnEachMachine(hint.data.needed)}</b>{" "}
            {text.tellWithChanceOneCopy(
              (Number(difference) || 2 * spread).toFixed(digits),
              unit,
              (100 * hint.data.chance).toFixed(0),
              copies,
              hint.data.told?.toFixed(digits) ?? null,
            )}
          </>
        ) : null}
      </p>
      {from && !own && <p className="text-small leading-tight text-ink-2">{text.spreadFrom(from.source)}</p>}
    </div>
  );
}

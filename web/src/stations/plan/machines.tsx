import { useState } from "react";
import type { Schemas } from "../../api/client";
import { ModelForm } from "../../library/forms";
import { text } from "./text";

type Candidate = Schemas["Candidate"];

/** Which machines are compared, which is the control, and which look like one machine under two names. */
export function Machines({
  library,
  chosen,
  change,
  may,
}: {
  library: Schemas["Library"];
  chosen: Candidate[];
  change: (to: Candidate[]) => void;
  may: boolean;
}) {
  const [adding, setAdding] = useState(false);
  const picked = new Map(chosen.map((c) => [c.model_id, c]));
  const toggle = (id: string) =>
    change(
      picked.has(id)
        ? chosen.filter((c) => c.model_id !== id)
        : [...chosen, { model_id: id, is_control: false, unit: 1 }],
    );
  const unit = (id: string, n: number) => {
    const mine = chosen.filter((c) => c.model_id === id);
    if (!mine.some((c) => c.unit === n)) change([...chosen, { model_id: id, is_control: false, unit: n }]);
    else if (mine.length > 1) change(chosen.filter((c) => c.model_id !== id || c.unit !== n));
  };
  const control = (id: string, on: boolean) =>
    change(
      chosen.map((c) => ({ ...c, is_control: on && c.model_id === id && c.unit === picked.get(id)?.unit })),
    );
  const names = new Set(library.models.filter((m) => picked.has(m.id)).map((m) => m.name));
  const pairs = library.lookalikes.filter((p) => names.has(p.first) && names.has(p.second));
  return (
    <>
      <h2 className="lab pt-3 pb-1">
        {text.machines}, {chosen.length}
      </h2>
      <ul>
        {library.models.map((m) => {
          const c = picked.get(m.id);
          return (
            <li
              key={m.id}
              className="flex min-h-[36px] flex-wrap items-center gap-2 border-b border-rule-2 py-0.5"
            >
              <label className="flex min-w-0 flex-1 items-center gap-2">
                <input type="checkbox" checked={!!c} onChange={() => toggle(m.id)} className="size-4" />
                <span className="min-w-0">
                  <span className={`block break-words ${c ? "font-semibold" : ""}`}>{m.name}</span>
                  <small className="block text-tiny leading-tight text-ink-2">
                    {text.mmTools(
                      m.sheet.is_round
                        ? `⌀ ${m.bed_x_mm.toFixed(0)}`
                        : `${m.bed_x_mm.toFixed(0)} × ${m.bed_y_mm.toFixed(0)}`,
                      m.height_mm.toFixed(0),
                      m.tools,
                    )}
                  </small>
                </span>
              </label>
              {c && (
                <label className="flex items-center gap-1 text-small text-ink-2">
                  <input
                    type="checkbox"
                    checked={c.is_control}
                    onChange={(e) => control(m.id, e.target.checked)}
                    aria-label={text.isTheControl(m.name)}
                  />
                  {text.control}
                </label>
              )}
              {c && may && (
                <Units
                  name={m.name}
                  known={Math.max(m.units, ...chosen.filter((x) => x.model_id === m.id).map((x) => x.unit))}
                  chosen={chosen.filter((x) => x.model_id === m.id).map((x) => x.unit)}
                  press={(n) => unit(m.id, n)}
                />
              )}
            </li>
          );
        })}
      </ul>
      {pairs.map((p) => (
        <div
          key={p.first + p.second}
          role="note"
          className="mt-2 rounded border border-[var(--brass)] bg-brass-wash p-2 text-small"
        >
          <b>{text.lookalike}:</b>{" "}
          {text.andBothAgainstItNot(
            p.first,
            p.second,
            p.reasons.join(", "),
            p.against.length,
            p.against.join(", "),
            p.open.length,
            p.open.join(", "),
          )}
        </div>
      ))}
      {adding ? (
        <ModelForm
          done={(m) => {
            setAdding(false);
            if (m) toggle(m.id);
          }}
        />
      ) : (
        may && (
          <button type="button" className="button mt-3" onClick={() => setAdding(true)}>
            {text.addAMachine}
          </button>
        )
      )}
    </>
  );
}

/** Of more units than this, those that take part and the newest are shown; others are named by their number. */
const FEW_UNITS = 8;
const NEWEST = 3;

/** Which units of a model take part; one more can be opened. */
function Units({
  name,
  known,
  chosen,
  press,
}: {
  name: string;
  known: number;
  chosen: number[];
  press: (n: number) => void;
}) {
  const next = Math.max(1, known) + 1;
  const [typed, setTyped] = useState("");
  const all = Array.from({ length: next - 1 }, (_, k) => k + 1);
  const many = all.length > FEW_UNITS;
  const numbers = many ? all.filter((n) => chosen.includes(n) || n >= next - NEWEST) : all;
  const wanted = Number(typed);
  const add = () => {
    if (!all.includes(wanted) || chosen.includes(wanted)) return;
    press(wanted);
    setTyped("");
  };
  return (
    <fieldset className="flex basis-full flex-wrap items-center gap-1 pb-1 pl-6 text-small">
      <legend className="sr-only">{text.unitsOf(name)}</legend>
      {all.length > 1 &&
        numbers.map((n) => (
          <label
            key={n}
            className={`flex min-h-[26px] cursor-pointer items-center rounded border px-1.5 has-focus-visible:outline-2 has-focus-visible:outline-needle ${chosen.includes(n) ? "border-enamel bg-enamel text-on-enamel" : "border-rule"}`}
          >
            <input
              type="checkbox"
              className="sr-only"
              checked={chosen.includes(n)}
              onChange={() => press(n)}
            />
            {text.unitNo(n)}
          </label>
        ))}
      {many && (
        <>
          <input
            className="input num !min-h-[26px] w-20 !py-0"
            inputMode="numeric"
            aria-label={text.unitByNumber(name, all.length)}
            placeholder={text.unitNo(wanted || 1)}
            value={typed}
            onChange={(e) => setTyped(e.target.value.replace(/\D/g, "").slice(0, 4))}
            onKeyDown={(e) => {
              if (e.key !== "Enter") return;
              e.preventDefault();
              add();
            }}
          />
          <button
            type="button"
            className="button !min-h-[26px] !px-2"
            disabled={!all.includes(wanted) || chosen.includes(wanted)}
            onClick={add}
          >
            {text.addUnit}
          </button>
        </>
      )}
      <button type="button" className="text-ink-2 underline" onClick={() => press(next)}>
        {all.length > 1 ? text.oneMoreUnit : text.secondUnit}
      </button>
    </fieldset>
  );
}

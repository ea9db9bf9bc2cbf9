import { useRef } from "react";
import { typedNumber } from "../../parts/numbers";
import { type Row, short } from "./scheme-row";
import { text } from "./text";
import { type Proportions, spread } from "./weights";

/** The groups that rows name, each with the weight of all that stands in it. */
export function Groups({
  rows,
  may,
  change,
}: {
  rows: Record<string, Row>;
  may: boolean;
  change: (rows: Record<string, Row>) => void;
}) {
  const names = [...new Set(Object.values(rows).map((r) => r.group.trim()))].filter(Boolean).sort();
  const within = (name: string) => Object.entries(rows).filter(([, r]) => r.group.trim() === name);
  const last = useRef<Proportions>(new Map()).current;
  const weigh = (name: string, typed: string) => {
    const wanted = typedNumber(typed);
    const members = within(name);
    if (wanted === null || wanted < 0) return;
    const now = Object.fromEntries(members.map(([code, r]) => [code, typedNumber(r.weight) ?? 0]));
    const shared = spread(now, Object.keys(now), wanted, last);
    change({
      ...rows,
      ...Object.fromEntries(members.map(([code, r]) => [code, { ...r, weight: short(shared[code] ?? 0) }])),
    });
  };
  return (
    <>
      <datalist id="criterion-groups">
        {names.map((n) => (
          <option key={n} value={n} />
        ))}
      </datalist>
      {names.length > 0 && (
        <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-1 pt-2 text-small">
          <legend className="sr-only">{text.schemeGroups}</legend>
          {names.map((name) => {
            const sum = within(name).reduce((s, [, r]) => s + (typedNumber(r.weight) ?? 0), 0);
            return (
              <label key={`${name} ${sum}`} className="flex items-center gap-1.5">
                <b>{name}</b>
                <input
                  className="input num w-16 text-right"
                  inputMode="decimal"
                  disabled={!may}
                  aria-label={text.weightOfGroup(name)}
                  defaultValue={short(sum)}
                  onBlur={(e) => e.target.value !== short(sum) && weigh(name, e.target.value)}
                  onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()}
                />
              </label>
            );
          })}
          <span className="basis-full text-ink-2">{text.schemeGroupsHint}</span>
        </fieldset>
      )}
    </>
  );
}

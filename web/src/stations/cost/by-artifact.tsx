import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { api, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { Field, Skeleton, Trouble } from "../../parts/bits";
import { Toggles } from "../../parts/form/toggles";
import { typedNumber } from "../../parts/numbers";
import { UnitName } from "../../parts/unit-mark";
import { text } from "./text";

type Table = Schemas["CostTable"];
const AMOUNTS = ["cost", "without_failures", "hours", "grams", "waste_g", "kwh"] as const;
type Amount = (typeof AMOUNTS)[number];
const DIGITS: Record<Amount, number> = {
  cost: 2,
  without_failures: 2,
  hours: 2,
  grams: 1,
  waste_g: 1,
  kwh: 3,
};

/** One good part of each artifact on each machine, and what machines cost beside their parts. */
export function ByArtifact({ studyId }: { studyId: string }) {
  const [amount, setAmount] = useState<Amount>("cost");
  const [typed, setTyped] = useState("8760");
  const hours = useDeferredValue(typedNumber(typed) ?? -1);
  const view = useQuery({
    queryKey: keys.part(studyId, "cost-table", hours),
    queryFn: () =>
      unwrap(
        api.GET("/api/studies/{study_id}/cost-table", {
          params: { path: { study_id: studyId }, query: { standby_h: hours } },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  if (view.isLoading) return <Skeleton className="h-full" />;
  const made = view.data;
  return (
    <div className="grid h-full min-h-0 grid-rows-[minmax(0,1fr)_auto] gap-3 max-[1020px]:h-auto">
      <section aria-label={text.byArtifact.title} className="sheet min-h-0 min-w-0 overflow-auto px-4 py-3">
        <Trouble error={view.error} />
        <Toggles
          label={text.byArtifact.amount}
          value={amount}
          options={AMOUNTS.map((a) => ({ value: a, name: text.byArtifact.amounts[a] }))}
          change={setAmount}
          item="py-0.5"
          className="flex flex-wrap gap-1.5"
        />
        {made && made.rows.length === 0 && <p className="pt-2 text-ink-2">{text.noLine}</p>}
        {made && made.rows.length > 0 && <Rows made={made} amount={amount} />}
        {made && made.rows.length > 0 && <p className="pt-1 text-small text-ink-2">{made.basis}</p>}
      </section>
      {made && (
        <section aria-label={text.byArtifact.beside} className="sheet min-w-0 overflow-auto px-4 py-3">
          <div className="flex flex-wrap items-end justify-between gap-3">
            <h2 className="lab">{text.byArtifact.beside}</h2>
            <Field label={text.byArtifact.standbyH}>
              <input
                className="input num !w-[110px]"
                inputMode="decimal"
                value={typed}
                onChange={(e) => setTyped(e.target.value)}
              />
            </Field>
          </div>
          <Beside made={made} />
        </section>
      )}
    </div>
  );
}

function Rows({ made, amount }: { made: Table; amount: Amount }) {
  return (
    <table className="table mt-2">
      <thead>
        <tr>
          <th scope="col">{text.artifact}</th>
          {made.machines.map((m) => (
            <th key={m.machine.unit_id} scope="col">
              <UnitName mark={m.machine.mark} name={m.machine.name} />
            </th>
          ))}
        </tr>
      </thead>
      <tbody className="num">
        {made.rows.map((r) => {
          const known = r.cells.map((c) => c[amount]).filter((n) => n !== null);
          const least = known.length > 1 ? Math.min(...known) : null;
          return (
            <tr key={`${r.artifact} ${r.spool}`}>
              <td className="!font-sans [font-stretch:100%]">
                {r.artifact}
                <span className="block text-tiny text-ink-2">{r.spool}</span>
                {amount === "cost" && r.says && (
                  <span className="block max-w-[260px] text-tiny text-ink-2">{r.says}</span>
                )}
              </td>
              {r.cells.map((c) => {
                const n = c[amount];
                return (
                  <td key={c.unit_id}>
                    {n === null ? (
                      <span className="font-sans text-tiny text-ink-2">
                        {amount === "cost" || amount === "without_failures"
                          ? text.byArtifact.needs(c.needs)
                          : text.byArtifact.notKnown}
                      </span>
                    ) : (
                      <span
                        className={n === least ? "font-bold underline decoration-2 underline-offset-4" : ""}
                      >
                        {n.toFixed(DIGITS[amount])}
                      </span>
                    )}
                  </td>
                );
              })}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function Beside({ made }: { made: Table }) {
  const money = (n: number | null) => (n === null ? text.byArtifact.notStated : n.toFixed(0));
  return (
    <table className="table mt-1 [&_td]:!py-0.75">
      <thead>
        <tr>
          <th scope="col">{text.machine}</th>
          <th scope="col">{text.byArtifact.usable(made.currency)}</th>
          <th scope="col">{text.byArtifact.upgrades(made.currency)}</th>
          <th scope="col">{text.byArtifact.residual(made.currency)}</th>
          <th scope="col">{text.byArtifact.standbyW}</th>
          <th scope="col">{text.byArtifact.standbyCost(made.currency)}</th>
        </tr>
      </thead>
      <tbody className="num">
        {made.machines.map((m) => (
          <tr key={m.machine.unit_id}>
            <td className="!font-sans [font-stretch:100%]">
              <UnitName mark={m.machine.mark} name={m.machine.name} />
            </td>
            <td>{money(m.usable)}</td>
            <td>{money(m.upgrades)}</td>
            <td>{money(m.residual)}</td>
            {m.standby_w === null ? (
              <td colSpan={2} className="!font-sans text-small text-ink-2">
                {text.byArtifact.needs(m.standby_needs)}
              </td>
            ) : (
              <>
                <td>{m.standby_w.toFixed(1)}</td>
                <td>{m.standby_cost!.toFixed(1)}</td>
              </>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { api, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { Field, Skeleton, Trouble } from "../../parts/bits";
import { typedNumber } from "../../parts/numbers";
import { UnitName } from "../../parts/unit-mark";
import { LeaveOut } from "./leave-out";
import { text } from "./text";

type View = Schemas["SchoolsView"];

/** Other ways to count than weighted points, side by side, under the weights on screen. */
export function Schools({ studyId, shown }: { studyId: string; shown: Schemas["WhatIf"] }) {
  const [typed, setTyped] = useState("60");
  const enough = typedNumber(typed);
  const asked = useDeferredValue({ ...shown, enough: enough ?? -1 });
  const view = useQuery({
    queryKey: keys.part(studyId, "schools", asked),
    queryFn: () =>
      unwrap(
        api.POST("/api/studies/{study_id}/schools", { params: { path: { study_id: studyId } }, body: asked }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  const made = view.data;
  return (
    <section aria-label={text.schools.title} className="sheet min-h-0 min-w-0 overflow-y-auto px-4 py-3">
      <Trouble error={view.error} />
      {!made && !view.error && <Skeleton className="h-60" />}
      {made && (
        <>
          {made.says.map((s, at) => (
            <p key={s} className={at === 0 ? "text-head leading-snug font-bold [font-stretch:94%]" : ""}>
              {s}
            </p>
          ))}
          <Orders made={made} />
          <LeaveOut studyId={studyId} shown={shown} />
          <div className="grid grid-cols-[minmax(0,1fr)_auto] gap-4 pt-3">
            <div>
              <h2 className="lab pb-1">{text.schools.steps}</h2>
              {made.steps.length === 0 && <p className="text-small text-ink-2">{text.schools.noSteps}</p>}
              <ol>
                {made.steps.map((s) => (
                  <li key={s.machine.unit_id} className="py-0.5">
                    {s.words}
                  </li>
                ))}
              </ol>
            </div>
            <div className="self-start">
              <Field label={text.schools.enough}>
                <input
                  className="input num !w-[86px]"
                  inputMode="decimal"
                  value={typed}
                  onChange={(e) => setTyped(e.target.value)}
                />
              </Field>
            </div>
          </div>
        </>
      )}
    </section>
  );
}

function Orders({ made }: { made: View }) {
  const worked = made.schools.filter((s) => !s.needs);
  const missing = made.schools.filter((s) => s.needs);
  return (
    <>
      {worked.length > 0 && (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, so the keyboard must reach it
        <section aria-label={text.schools.orders} tabIndex={0} className="overflow-x-auto">
          <table className="table mt-2 [&_td]:!px-1 [&_th]:!px-1">
            <thead>
              <tr>
                <th scope="col">{text.schools.machine}</th>
                {worked.map((s) => (
                  <th key={s.code} scope="col" className="align-bottom">
                    {s.name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody className="num">
              {made.machines.map((m) => (
                <tr key={m.unit_id}>
                  <td className="!font-sans [font-stretch:100%]">
                    <UnitName mark={m.mark} name={m.name} />
                  </td>
                  {worked.map((s) => {
                    const c = s.cells.find((x) => x.unit_id === m.unit_id);
                    return (
                      <td key={s.code}>
                        {c?.rank ? (
                          <b
                            className={
                              c.rank === 1 ? "underline decoration-2 underline-offset-4" : "font-medium"
                            }
                          >
                            {c.rank}
                          </b>
                        ) : (
                          <span className="text-ink-2">–</span>
                        )}
                        <span className="block font-sans text-tiny text-ink-2">{c?.words}</span>
                      </td>
                    );
                  })}
                </tr>
              ))}
              <tr>
                <td className="!font-sans text-small text-ink-2">{text.schools.sure}</td>
                {worked.map((s) => (
                  <td key={s.code} className="!font-sans text-tiny">
                    {s.certainty || "–"}
                  </td>
                ))}
              </tr>
              <tr>
                <td className="!font-sans text-small text-ink-2">{text.schools.agrees}</td>
                {worked.map((s) => (
                  <td key={s.code}>{s.agrees === null ? "" : s.agrees.toFixed(2).replace("-", "−")}</td>
                ))}
              </tr>
            </tbody>
          </table>
        </section>
      )}
      <ul className="pt-1 text-small text-ink-2">
        {worked.map((s) => (
          <li key={s.code}>{text.schools.rests(s.name, s.rests)}</li>
        ))}
        {missing.map((s) => (
          <li key={s.code}>{text.schools.needs(s.name, s.needs)}</li>
        ))}
      </ul>
    </>
  );
}

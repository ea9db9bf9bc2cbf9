import type { Schemas } from "../../api/client";
import { UnitName } from "../../parts/unit-mark";
import { text } from "./text";

/** A few machines side by side: each figure as it was measured, and the points it makes. */
export function Figures({ view }: { view: Schemas["RankView"] }) {
  return (
    <section aria-label={text.figures} className="sheet min-h-0 overflow-auto px-3.5 py-2.5">
      <h2 className="lab">{text.figures}</h2>
      <table className="mt-1 w-full table-fixed border-collapse text-small">
        <thead>
          <tr className="text-left align-bottom">
            <td className="w-[27%]" />
            {view.standings.map((s) => (
              <th key={s.machine.unit_id} scope="col" className="pb-1 pl-3 font-semibold">
                <UnitName
                  whole
                  mark={s.machine.mark}
                  name={s.machine.name}
                  unit={view.by === "machine" ? s.machine.unit_id : undefined}
                />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {view.criteria.map((c, i) => (
            <tr key={c.code} className="border-t border-rule-2 align-top">
              <th scope="row" className="py-1 text-left font-normal">
                {c.name}
              </th>
              {view.standings.map((s) => {
                const cell = s.contributions[i];
                return (
                  <td key={s.machine.unit_id} className="py-1 pl-3">
                    <span className={cell?.points == null ? "text-ink-2" : "num"}>{cell?.raw.words}</span>
                    {cell?.points != null && (
                      <small className="num ml-2 text-ink-2">{cell.points.toFixed(1)}</small>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

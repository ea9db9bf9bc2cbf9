import type { View } from "./index";
import { text } from "./text";

/** Every cell that could not be read, or was read with a doubt: where, what was written, what is made of it. */
export function Doubts({ view }: { view: View }) {
  return (
    <section className="sheet min-w-0 p-3">
      <h2 className="lab pb-1">{text.doubts(view.rows_left_out)}</h2>
      <div>
        <table className="w-full text-small">
          <thead>
            <tr className="lab text-left">
              <th className="pr-3 font-normal">{text.cells}</th>
              <th className="pr-3 font-normal">{text.typed}</th>
              <th className="font-normal">{text.why}</th>
            </tr>
          </thead>
          <tbody>
            {view.problems.map((p) => (
              <tr key={`${p.sheet} ${p.typed} ${p.why}`} className="border-t border-rule-2 align-baseline">
                <td className="py-1 pr-3">
                  {p.sheet} <span className="num">{p.cells.join(", ")}</span>
                  {p.more > 0 && text.andMore(p.more)}
                </td>
                <td className="num max-w-[180px] truncate py-1 pr-3">{p.typed || "–"}</td>
                <td className="py-1">
                  {p.why}
                  {p.row_left_out && <b className="ml-1.5 text-needle-ink">{text.leftOut}</b>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

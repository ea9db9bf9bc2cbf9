import type { Schemas } from "../api/client";
import { Choice } from "../parts/form/choice";
import type { View } from "./index";
import { text } from "./text";

const NONE = "\u0000";

/** Every sheet with what it holds and which of its columns is what. */
export function Sheets({ view, wish }: { view: View; wish: (made: Schemas["SheetWish"]) => void }) {
  return view.sheets.map((sheet) => <Sheet key={sheet.name} sheet={sheet} wish={wish} />);
}

function Sheet({ sheet, wish }: { sheet: Schemas["SheetOut"]; wish: (made: Schemas["SheetWish"]) => void }) {
  const said = Object.fromEntries(sheet.parts.map((p) => [p.part, p.header]));
  const columns = sheet.headers.map((h) => ({ value: h, name: h }));
  return (
    <section aria-label={sheet.name} className="sheet min-w-0 p-3">
      <div className="flex flex-wrap items-center gap-2">
        <h2 className="text-lead font-bold">{sheet.name}</h2>
        <span className="text-small text-ink-2">{text.holds}</span>
        <Choice
          label={`${sheet.name} ${text.holds}`}
          value={sheet.holds}
          options={Object.entries(text.kinds).map(([value, name]) => ({ value, name }))}
          change={(holds) => wish({ sheet: sheet.name, holds: holds as Schemas["Holds"], columns: {} })}
          className="input !w-auto"
        />
        {sheet.sizes.length > 0 && (
          <span className="text-small text-ink-2">{text.sizesFound(sheet.sizes)}</span>
        )}
        {sheet.defects.length > 0 && (
          <span className="text-small text-ink-2">{text.defectsFound(sheet.defects)}</span>
        )}
      </div>
      {sheet.parts.length > 0 && (
        <div className="grid grid-cols-[repeat(auto-fill,minmax(132px,1fr))] gap-x-3 gap-y-1.5 pt-2">
          {sheet.parts.map((p) => (
            <div key={p.part} className="grid gap-0.5 text-small">
              <span className={p.part === sheet.lacks ? "font-semibold text-needle-ink" : "text-ink-2"}>
                {text.parts[p.part] ?? p.part}
              </span>
              <Choice
                label={text.columnOf(text.parts[p.part] ?? p.part, sheet.name)}
                value={p.header || NONE}
                options={[{ value: NONE, name: text.notThere }, ...columns]}
                change={(header) =>
                  wish({
                    sheet: sheet.name,
                    holds: sheet.holds,
                    columns: { ...said, [p.part]: header === NONE ? "" : header },
                  })
                }
                className={`input min-w-0 truncate !py-0.5 text-small ${p.header ? "" : "text-ink-2 italic"}`}
              />
            </div>
          ))}
        </div>
      )}
      {sheet.holds !== "nothing" && (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is reached by the keyboard
        <section aria-label={text.rowsOf(sheet.name)} tabIndex={0} className="overflow-x-auto pt-2">
          <table className="text-tiny whitespace-nowrap">
            <caption className="lab pb-0.5 text-left">{text.rowsFrom(sheet.first_row)}</caption>
            <tbody>
              {sheet.rows.slice(0, 4).map((row, at) => (
                <tr key={at} className="border-t border-rule-2">
                  {row.map((cell, column) => (
                    <td key={column} className="num max-w-[140px] truncate py-0.5 pr-3">
                      {cell}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
    </section>
  );
}

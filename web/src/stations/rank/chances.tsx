import type { Schemas } from "../../api/client";
import { percent } from "../../parts/bits";
import { UnitName } from "../../parts/unit-mark";
import { text } from "./text";

/** More rows than these may not fit the room beside the ranking. */
const FEW = 8;

/** Heat table: the chance of each place for each machine, of many machines by bands of places. */
export function Chances({ view }: { view: Schemas["RankView"] }) {
  if (view.standings.length < 2 || view.missing_cells === view.cells) return null;
  return (
    <section
      aria-label={text.chances(Math.round(100 * view.weight_spread))}
      // Of many machines it scrolls, so the keyboard must reach it.
      tabIndex={view.standings.length > FEW ? 0 : undefined}
      className="sheet min-h-0 overflow-y-auto px-3.5 py-2.5 max-[1020px]:mt-3"
    >
      <div className="flex justify-between gap-3">
        <h2 className="lab">{text.chances(Math.round(100 * view.weight_spread))}</h2>
        <span className="lab whitespace-nowrap">
          {text.draws(view.draws.toLocaleString("en").replaceAll(",", " "))}
        </span>
      </div>
      <table className="mt-1 w-full table-fixed border-separate border-spacing-[3px]">
        <thead>
          <tr>
            <td className="w-[34%]" />
            {view.place_bands.map((b) => (
              <th key={b.first} scope="col" className="lab text-center">
                {b.first === b.last ? b.first : text.places(b.first, b.last)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {view.standings.map((s) => (
            <tr key={s.machine.unit_id}>
              <th scope="row" className="text-left font-normal">
                <UnitName whole mark={s.machine.mark} name={s.machine.name} />
              </th>
              {s.rank_chances.map((p, i) => {
                return (
                  <td
                    key={view.place_bands[i]!.first}
                    className="num h-[23px] rounded-[4px] text-center text-tiny"
                    style={heat(p)}
                  >
                    {p > 0 ? percent(p) : "·"}
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

/** Shades jump where the ink turns, so that every figure keeps its contrast. */
function heat(p: number) {
  const dark = p >= 0.5;
  const share = dark ? 72 + 18 * (2 * p - 1) : 3 + 60 * p;
  return {
    background: `color-mix(in srgb, var(--heat) ${share.toFixed(0)}%, var(--sheet))`,
    color: dark ? "var(--heat-ink)" : "var(--ink)",
  };
}

import { Hint } from "./hint";
import type { Figure } from "./source-drawer";

export type Bead = { key: string; width: number; colour: string; title: string };

/**
 * Extruded beads side by side; widths and the whisker are shares of `full`.
 * A whisker stands over the end where the sum is uncertain.
 */
export function BeadBar({
  beads,
  full,
  whisker,
  label,
  onBead,
  figureOf,
}: {
  beads: Bead[];
  full: number;
  whisker?: { low: number; high: number } | undefined;
  label: string;
  onBead?: (key: string) => void;
  figureOf?: (key: string) => Figure;
}) {
  const percent = (x: number) => `${(100 * Math.max(0, Math.min(x, full))) / full}%`;
  return (
    <div className="relative flex h-4 gap-0.5" role="group" aria-label={label}>
      {beads.map((bead) =>
        onBead ? (
          <Hint key={bead.key} says={bead.title}>
            <button
              type="button"
              aria-label={bead.title}
              data-figure={figureOf && JSON.stringify(figureOf(bead.key))}
              onClick={() => onBead(bead.key)}
              className="block h-4 min-w-[3px] border-0 p-0 transition-[width] duration-150"
              style={{ width: percent(bead.width), background: bead.colour, borderRadius: 8 }}
            />
          </Hint>
        ) : (
          <i
            key={bead.key}
            title={bead.title}
            className="block h-4 min-w-[3px] transition-[width] duration-150"
            style={{ width: percent(bead.width), background: bead.colour, borderRadius: 8 }}
          />
        ),
      )}
      {whisker && (
        <span
          aria-hidden="true"
          className="pointer-events-none absolute -top-0.75 h-[22px] border-x-2 border-ink opacity-55"
          style={{
            left: percent(whisker.low),
            width: `calc(${percent(whisker.high)} - ${percent(whisker.low)})`,
          }}
        >
          <span className="absolute inset-x-0 top-2.25 border-t-2 border-ink" />
        </span>
      )}
    </div>
  );
}

import type { Schemas } from "../api/client";
import { UnitName } from "./unit-mark";

const STAGES = ["planned", "printed", "measured", "inspected"] as const;
const DEPTH: Record<Schemas["CellLayer"]["stage"], number> = {
  planned: 0,
  printing: 0,
  failed: 0,
  printed: 1,
  measured: 2,
  inspected: 3,
};
const LAYER = ["var(--rule)", "var(--c3)", "var(--c2)", "var(--c1)"];

/** The study's map: machines × copies, each cell a stack of layers from planned to inspected. */
export function CoverageSheet({
  rows,
  artifact,
  open,
}: {
  rows: Schemas["CoverageRow"][];
  artifact: string;
  open?: (jobId: string) => void;
}) {
  const most = Math.max(1, ...rows.map((r) => r.layers.length));
  return (
    <div>
      <table className="w-full border-separate border-spacing-x-2 border-spacing-y-1.5">
        <thead>
          <tr>
            <th scope="col" className="lab w-[200px] text-left">
              Machine
            </th>
            <th scope="colgroup" colSpan={most} className="lab text-left">
              {artifact}, copies side by side
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.machine.unit_id}>
              <th scope="row" className="text-left text-[14px] font-semibold">
                <UnitName mark={row.machine.mark} name={row.machine.name} />
                {row.machine.is_control && <span className="lab ml-2">control</span>}
              </th>
              {row.layers.map((layer) => (
                <td key={layer.job_id}>
                  <button
                    type="button"
                    disabled={!open}
                    onClick={() => open?.(layer.job_id)}
                    aria-label={`${row.machine.name}, copy ${layer.copy_number}: ${describe(layer)}`}
                    title={describe(layer)}
                    className="relative flex h-[34px] w-full min-w-[64px] max-w-[150px] flex-col-reverse justify-start gap-[2px] rounded border border-rule-2 p-[3px] hover:border-ink-3"
                  >
                    {[0, 1, 2].map((k) => (
                      <i
                        key={k}
                        className="block h-[7px] w-full rounded-full"
                        style={{
                          background:
                            layer.stage === "printing" && k === 0
                              ? "var(--needle)"
                              : k < DEPTH[layer.stage]
                                ? LAYER[k + 1]
                                : "var(--rule-2)",
                        }}
                      />
                    ))}
                    {layer.failed_tries > 0 && (
                      <span className="absolute -top-2 -right-1.5 rounded bg-[#c23a15] px-1 text-[10px] font-bold text-white">
                        {layer.failed_tries} failed
                      </span>
                    )}
                    {layer.deviations > 0 && (
                      <span className="absolute -bottom-1.5 -right-1.5 rounded bg-brass-wash px-1 text-[10px] font-bold text-brass-ink">
                        deviation
                      </span>
                    )}
                  </button>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 flex flex-wrap gap-4 text-[12px] text-ink-2">
        {STAGES.slice(1).map((s, i) => (
          <span key={s} className="inline-flex items-center gap-1.5">
            <i className="block h-[7px] w-6 rounded-full" style={{ background: LAYER[i + 1] }} />
            {s}
          </span>
        ))}
        <span className="inline-flex items-center gap-1.5">
          <i className="block h-[7px] w-6 rounded-full bg-needle" />
          printing
        </span>
      </p>
    </div>
  );
}

function describe(layer: Schemas["CellLayer"]): string {
  const failed = layer.failed_tries
    ? `, ${layer.failed_tries} failed ${layer.failed_tries === 1 ? "try" : "tries"}`
    : "";
  return `${layer.stage}${failed}${layer.deviations ? ", deviation from the protocol" : ""}`;
}

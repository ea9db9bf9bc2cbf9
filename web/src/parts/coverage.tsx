import { ArrowBendUpRight } from "@phosphor-icons/react/dist/csr/ArrowBendUpRight";
import type { Schemas } from "../api/client";
import { MoreColumns, useCut } from "./cut";
import { text } from "./text";
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
// Beyond so many columns their names no longer fit over them.
const NAMED_COLUMNS = 5;
// More machines than this scroll under the names of what they print.
const TALL = 14;

type Arm = Schemas["ArmOut"];

/** The study's map: machines × what they print, each copy a stack of layers from planned to inspected. */
export function CoverageSheet({
  rows,
  arms,
  open,
  stopsAtPrinted,
}: {
  rows: Schemas["CoverageRow"][];
  arms: Arm[];
  stopsAtPrinted: boolean;
  open?: (jobId: string) => void;
}) {
  const lines = arms.flatMap((arm) => arm.lines);
  const roomy = lines.length <= NAMED_COLUMNS;
  const [box, cut] = useCut();
  return (
    <div>
      <div
        ref={box}
        className={`overflow-x-auto pt-2 pr-2 pb-1 ${rows.length > TALL ? "max-h-[70vh] overflow-y-auto" : ""}`}
        tabIndex={cut ? 0 : undefined}
        role="group"
        aria-label={text.machinesAndWhatThey}
      >
        <table className="w-full border-separate border-spacing-x-1.5 border-spacing-y-1.5">
          <thead className="sticky top-0 z-[2] bg-sheet">
            {arms.length > 1 && (
              <tr>
                <td />
                {arms.map((arm) => (
                  <th
                    key={arm.id}
                    scope="colgroup"
                    colSpan={Math.max(1, arm.lines.length)}
                    className="lab border-b border-rule text-left"
                  >
                    {arm.name}
                  </th>
                ))}
              </tr>
            )}
            <tr>
              <th scope="col" className="lab w-[176px] text-left align-bottom">
                {text.machine}
              </th>
              {lines.map((line, i) => (
                <th
                  key={i}
                  scope="col"
                  title={`${line.name}, ${line.spool}`}
                  className="min-w-[44px] text-left align-bottom text-small leading-tight font-semibold"
                >
                  {roomy ? line.name : <span className="num text-tiny">{line.code}</span>}
                  <small className="num block text-tiny font-normal text-ink-2">
                    {line.spool.split(" · ")[0]}
                    {roomy && ` × ${line.copies}`}
                  </small>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.machine.unit_id}>
                <th scope="row" className="sticky left-0 z-[1] bg-sheet text-left text-body font-semibold">
                  <UnitName mark={row.machine.mark} name={row.machine.name} />
                  {row.machine.is_control && <span className="lab ml-2">{text.control}</span>}
                </th>
                {row.cells.map((cell, i) => (
                  <td key={i} className="h-[36px]">
                    {cell.layers.length > 0 ? (
                      <div className="flex h-full gap-1">
                        {cell.layers.map((layer) => (
                          <Copy
                            key={layer.job_id}
                            layer={layer}
                            name={`${row.machine.name}, ${lines.length > 1 ? `${lines[i]?.name} ` : ""}copy ${layer.copy_number}`}
                            open={open}
                          />
                        ))}
                      </div>
                    ) : (
                      cell.left_out && (
                        <span
                          title={cell.left_out}
                          className="grid h-full place-items-center rounded border border-dashed border-rule px-1 text-center text-tiny leading-tight text-ink-2"
                        >
                          {roomy ? cell.left_out : "–"}
                          {!roomy && <span className="sr-only">{cell.left_out}</span>}
                        </span>
                      )
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <MoreColumns cut={cut} />
      <p className="mt-2 flex flex-wrap gap-4 text-small text-ink-2">
        {STAGES.slice(1).map((s, i) => (
          <span key={s} className="inline-flex items-center gap-1.5">
            <i className="block h-[7px] w-6 rounded-full" style={{ background: LAYER[i + 1] }} />
            {s}
          </span>
        ))}
        <span className="inline-flex items-center gap-1.5">
          <i className="block h-[7px] w-6 rounded-full bg-needle" />
          {text.printing}
        </span>
        {stopsAtPrinted && <span>{text.hidden.coverage}</span>}
      </p>
    </div>
  );
}

function Copy({
  layer,
  name,
  open,
}: {
  layer: Schemas["CellLayer"];
  name: string;
  open: ((jobId: string) => void) | undefined;
}) {
  return (
    <button
      type="button"
      disabled={!open}
      onClick={() => open?.(layer.job_id)}
      aria-label={`${name}: ${describe(layer)}`}
      title={describe(layer)}
      className="relative flex h-[34px] min-w-[13px] max-w-[130px] flex-1 flex-col-reverse justify-start gap-0.5 rounded border border-rule-2 p-0.75 hover:border-ink-3"
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
        <span
          aria-hidden="true"
          className="absolute -top-2 -right-1.5 rounded bg-[#c23a15] px-1 text-tiny font-bold text-white"
        >
          {layer.failed_tries}
        </span>
      )}
      {layer.deviations > 0 && (
        <span
          aria-hidden="true"
          className="absolute -right-1.5 -bottom-1.5 rounded bg-brass-wash p-px text-brass-ink"
        >
          <ArrowBendUpRight size={12} weight="bold" />
        </span>
      )}
    </button>
  );
}

function describe(layer: Schemas["CellLayer"]): string {
  const failed = layer.failed_tries
    ? `, ${layer.failed_tries} failed ${layer.failed_tries === 1 ? "try" : "tries"}`
    : "";
  return `${layer.stage}${failed}${layer.deviations ? text.deviationFromTheProtocol : ""}`;
}

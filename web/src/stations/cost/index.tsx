import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useCost, useMe } from "../../api/queries";
import { Top } from "../../app/shell";
import { BeadBar } from "../../parts/bead-bar";
import { Empty, Skeleton, Trouble } from "../../parts/bits";
import { Departures } from "../../parts/departures";
import { Toggles } from "../../parts/form/toggles";
import { Sourced, useSource } from "../../parts/source-drawer";
import { UnitName } from "../../parts/unit-mark";
import { Warnings } from "../../parts/warnings";
import { Basis } from "./basis";
import { Batch } from "./batch";
import { ByArtifact } from "./by-artifact";
import { text } from "./text";

const COLOUR: Record<string, string> = {
  material: "var(--c1)",
  energy: "var(--c5)",
  machine: "var(--c3)",
  labour: "var(--c6)",
  failures: "var(--c4)",
};

export default function Cost({ studyId }: { studyId: string }) {
  const [by, setBy] = useState<Schemas["By"]>("machine");
  const view = useCost(studyId, by);
  const me = useMe();
  const [shown, setShown] = useState<"part" | "artifacts" | "batch">("part");
  if (view.isError) return <Trouble error={view.error} />;
  if (!view.data) return <Skeleton className="h-full" />;
  if (view.data.machines.length === 0)
    return (
      <Empty title={text.empty}>
        <p>{text.emptyWhy}</p>
      </Empty>
    );
  const may = me.data?.role === "owner" || me.data?.role === "reviewer";
  const views = (
    <Top>
      <Toggles
        label={text.views}
        value={shown}
        options={[
          { value: "part", name: text.aPart },
          { value: "artifacts", name: text.everyArtifact },
          { value: "batch", name: text.aBatch },
        ]}
        change={setShown}
        item="min-h-7"
      />
      {shown === "part" && view.data.sides.length > 1 && (
        <Toggles
          label={text.sideBySide}
          value={by}
          options={view.data.sides.map((s) => ({ value: s, name: text.sides[s] }))}
          change={setBy}
          item="min-h-7 whitespace-nowrap"
        />
      )}
    </Top>
  );
  if (shown === "artifacts")
    return (
      <>
        {views}
        <ByArtifact studyId={studyId} />
      </>
    );
  if (shown === "batch")
    return (
      <>
        {views}
        <Batch studyId={studyId} />
      </>
    );
  return (
    <>
      {views}
      <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_270px] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1">
        <div className="grid min-h-0 min-w-0 grid-rows-[fit-content(60%)_minmax(0,1fr)] gap-3">
          <MakeUp view={view.data} studyId={studyId} />
          <Inputs view={view.data} studyId={studyId} />
        </div>
        <Basis key={studyId} studyId={studyId} view={view.data} may={may} />
      </div>
    </>
  );
}

function MakeUp({ view, studyId }: { view: Schemas["CostView"]; studyId: string }) {
  const open = useSource();
  const most = Math.max(...view.machines.map((m) => m.total.high ?? 0), 0.01);
  return (
    <section aria-label={text.makeUp} className="sheet min-h-0 overflow-y-auto px-4 py-3">
      <h2 className="lab">
        {text.makeUp}, {view.currency}
      </h2>
      {view.sentence && (
        <p className="mt-0.5 text-head leading-snug font-bold [font-stretch:94%]">{view.sentence}</p>
      )}
      {view.certainty && <p className="text-ink-2">{view.certainty}</p>}
      {view.apart.map((words) => (
        <p key={words} className="text-small text-ink-2">
          {words}
        </p>
      ))}
      <p className="mt-1.5 flex flex-wrap gap-x-4 gap-y-1 text-small text-ink-2">
        {Object.entries(text.parts).map(([part, name]) => (
          <span key={part} className="inline-flex items-center gap-1.5">
            <i className="block h-2.5 w-5 rounded-full" style={{ background: COLOUR[part] }} />
            {name}
          </span>
        ))}
      </p>
      <ol className="mt-2">
        {view.machines.map((m) => (
          <li
            key={m.machine.unit_id}
            className="grid grid-cols-[168px_minmax(0,1fr)_140px] items-center gap-x-3 border-t border-rule-2 py-1.25 max-[640px]:grid-cols-[1fr_140px]"
          >
            <span className="font-semibold">
              <UnitName
                mark={m.machine.mark}
                name={m.machine.name}
                // Of one machine in several states it is the end of the name that tells them apart.
                {...(view.by === "machine" ? { unit: m.machine.unit_id } : { whole: true })}
              />
              {m.machine.is_control && <span className="lab ml-2">{text.control}</span>}{" "}
              <Departures list={m.departures} />
            </span>
            {m.total.value === null ? (
              <span className="text-small text-ink-2 max-[640px]:col-span-2 max-[640px]:row-start-2">
                {text.notDeterminedNeeds(m.total.needs ?? "")}
              </span>
            ) : (
              <div className="max-[640px]:col-span-2 max-[640px]:row-start-2">
                <BeadBar
                  label={text.costByWhatItGoes(m.machine.name)}
                  full={most}
                  beads={m.parts.map((p) => ({
                    key: p.name,
                    width: p.amount,
                    colour: COLOUR[p.name]!,
                    title: `${text.parts[p.name]}: ${p.amount.toFixed(3)} ${view.currency}, source`,
                  }))}
                  figureOf={(part) => ({
                    station: "cost",
                    study: studyId,
                    unit: m.machine.unit_id,
                    part,
                    by: view.by,
                  })}
                  whisker={{ low: m.total.low ?? m.total.value, high: m.total.high ?? m.total.value }}
                  onBead={(part) =>
                    open({ station: "cost", study: studyId, unit: m.machine.unit_id, part, by: view.by })
                  }
                />
              </div>
            )}
            <span className="num text-right text-lead font-semibold whitespace-nowrap">
              {m.total.value !== null && (
                <>
                  <Sourced
                    figure={{
                      station: "cost",
                      study: studyId,
                      unit: m.machine.unit_id,
                      part: "total",
                      by: view.by,
                    }}
                    label={text.perGoodPartSource(m.machine.name, m.total.value.toFixed(2), view.currency)}
                  >
                    {m.total.value.toFixed(2)}
                  </Sourced>
                  <small className="ml-1.5 text-tiny font-normal text-ink-2">
                    {text.between(
                      (m.total.low ?? m.total.value).toFixed(2),
                      (m.total.high ?? m.total.value).toFixed(2),
                    )}
                  </small>
                </>
              )}
            </span>
            <div className="col-span-full empty:hidden">
              <Warnings notRecommended={m.not_recommended} safety={m.safety} />
            </div>
          </li>
        ))}
      </ol>
      {view.cheaper.length > 0 && (
        <details className="border-t border-rule-2 pt-1.5">
          <summary className="cursor-pointer text-small font-semibold">{text.cheaper}</summary>
          <ul className="grid gap-0.5 py-1">
            {view.cheaper.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
          <p className="text-small text-ink-2">{text.cheaperWhat}</p>
        </details>
      )}
    </section>
  );
}

function Inputs({ view, studyId }: { view: Schemas["CostView"]; studyId: string }) {
  const cell = (m: Schemas["MachineCost"], part: string, shown: string | null, unit: string) =>
    shown === null ? (
      <span className="text-ink-2">–</span>
    ) : (
      <Sourced
        figure={{ station: "cost", study: studyId, unit: m.machine.unit_id, part, by: view.by }}
        label={text.source(m.machine.name, shown, unit)}
      >
        {shown}
      </Sourced>
    );
  return (
    <section aria-label={text.inputs} className="sheet min-h-0 overflow-auto px-4 py-3">
      <h2 className="lab pb-1">{text.inputs}</h2>
      <table className="table [&_td]:!py-0.75">
        <thead>
          <tr>
            <th scope="col">{text.machine}</th>
            <th scope="col">{text.filamentG}</th>
            <th scope="col">{text.energyKwh}</th>
            <th scope="col">{text.timeH}</th>
            <th scope="col">{text.allIn(view.currency)}</th>
            <th scope="col">{text.goodOfTried}</th>
          </tr>
        </thead>
        <tbody className="num">
          {view.machines.map((m) => (
            <tr key={m.machine.unit_id}>
              <td className="!font-sans [font-stretch:100%]">
                <UnitName mark={m.machine.mark} name={m.machine.name} />
              </td>
              <td>{cell(m, "material", m.part_g?.toFixed(2) ?? null, "g")}</td>
              <td>{cell(m, "energy", m.energy_kwh?.toFixed(3) ?? null, "kWh")}</td>
              <td>{cell(m, "machine", m.hours?.toFixed(2) ?? null, "h")}</td>
              <td>{cell(m, "machine", m.all_in.value?.toFixed(0) ?? null, view.currency)}</td>
              <td>{cell(m, "failures", m.tries ? `${m.good}/${m.tries}` : null, "attempts")}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="pt-2 text-small text-ink-2">{text.perPart}</p>
    </section>
  );
}

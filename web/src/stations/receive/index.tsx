import { Check } from "@phosphor-icons/react/dist/csr/Check";
import { X } from "@phosphor-icons/react/dist/csr/X";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useMe, useReceive } from "../../api/queries";
import { useKeys } from "../../app/keys";
import { Top } from "../../app/shell";
import { Empty, Skeleton, Trouble } from "../../parts/bits";
import { UnitName } from "../../parts/unit-mark";
import { CheckCard } from "./check";
import { Intake } from "./intake";
import { text } from "./text";

type Unit = Schemas["UnitOut"];

export default function Receive({ studyId }: { studyId: string }) {
  const view = useReceive(studyId);
  const me = useMe();
  const [chosen, setChosen] = useState<string | null>(null);
  const [taken, setTaken] = useState(0);
  const units = view.data?.units ?? [];
  const unit = units.find((u) => u.machine.unit_id === chosen) ?? units.find(unfinished) ?? units[0];
  const step = (by: number) => {
    const at = unit ? units.indexOf(unit) : -1;
    const next = units[Math.max(0, Math.min(units.length - 1, at + by))];
    if (next) setChosen(next.machine.unit_id);
  };
  useKeys([
    { key: "ArrowDown", does: "next unit", run: () => step(1) },
    { key: "ArrowUp", does: "previous unit", run: () => step(-1) },
  ]);
  if (view.isError) return <Trouble error={view.error} />;
  if (!view.data) return <Skeleton className="h-full" />;
  if (!unit)
    return (
      <Empty title={text.empty}>
        <p>{text.emptyWhy}</p>
      </Empty>
    );
  const may = me.data?.role === "owner" || me.data?.role === "reviewer";
  return (
    <div className="grid h-full min-h-0 grid-cols-[214px_minmax(0,1fr)_minmax(0,1.25fr)] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1">
      <Top>
        <span className="chip max-[700px]:hidden">
          <UnitName mark={unit.machine.mark} name={unit.machine.name} />
        </span>
      </Top>
      <section aria-label="Units" className="sheet min-h-0 overflow-y-auto">
        <h2 className="lab px-3 pt-2 pb-1">{text.units(units.length)}</h2>
        <ul>
          {units.map((u) => (
            <li key={u.machine.unit_id}>
              <button
                type="button"
                onClick={() => setChosen(u.machine.unit_id)}
                aria-current={u === unit ? "true" : undefined}
                className={`grid min-h-[44px] w-full gap-0.5 border-b border-rule-2 px-3 py-1.5 text-left ${u === unit ? "bg-station-on shadow-[inset_4px_0_var(--needle)]" : "hover:bg-station-on"}`}
              >
                <span className="font-semibold">
                  <UnitName mark={u.machine.mark} name={u.machine.name} />
                </span>
                <Standing unit={u} />
              </button>
            </li>
          ))}
        </ul>
      </section>
      <Intake
        key={unit.machine.unit_id + taken}
        studyId={studyId}
        unit={unit}
        currency={view.data.currency}
        may={may}
        takeTheirs={() => setTaken((n) => n + 1)}
      />
      <section aria-label={text.checks} className="sheet min-h-0 overflow-y-auto px-4 py-3">
        <h2 className="lab">{text.checks}</h2>
        <Gate unit={unit} />
        <div className="mt-2 grid gap-2">
          {view.data.checks.map((c) => (
            <CheckCard
              key={unit.machine.unit_id + c.kind}
              studyId={studyId}
              unitId={unit.machine.unit_id}
              words={c}
              last={unit.checks.find((k) => k.kind === c.kind)!}
              may={may}
            />
          ))}
        </div>
        <p className="caution mt-2 !py-1 !text-[12px]">{text.lift}</p>
      </section>
    </div>
  );
}

function unfinished(unit: Unit): boolean {
  return unit.obtained === null || unit.price_paid === null || unit.checks.some((c) => c.result !== "pass");
}

function Standing({ unit }: { unit: Unit }) {
  const failed = unit.checks.some((c) => c.result === "fail");
  const open = unit.checks.filter((c) => c.result === null).length;
  return (
    <span className="flex items-center gap-1 text-[12px] text-ink-2">
      {failed ? (
        <X size={12} weight="bold" className="text-needle-ink" />
      ) : (
        open === 0 && <Check size={12} weight="bold" className="text-ok-ink" />
      )}
      {failed ? "a check failed" : open ? `${3 - open} of 3 checks` : "checks passed"}
      {unit.price_paid === null && " · no price"}
    </span>
  );
}

function Gate({ unit }: { unit: Unit }) {
  const failed = unit.checks.some((c) => c.result === "fail");
  const open = unit.checks.filter((c) => c.result === null).length;
  const words = failed ? text.closed : open ? text.waiting(open) : text.open;
  const colour = failed ? "text-needle-ink" : open ? "text-brass-ink" : "text-ok-ink";
  return (
    <p aria-live="polite" className={`mt-1 text-[16px] leading-snug font-semibold ${colour}`}>
      {words}
    </p>
  );
}

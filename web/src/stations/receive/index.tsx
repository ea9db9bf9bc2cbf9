import { Check } from "@phosphor-icons/react/dist/csr/Check";
import { X } from "@phosphor-icons/react/dist/csr/X";
import { Link } from "@tanstack/react-router";
import { useState } from "react";
import { api, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange, useMe, useReceive } from "../../api/queries";
import { useKeys } from "../../app/keys";
import { Top } from "../../app/shell";
import { Empty, Field, Skeleton, Trouble } from "../../parts/bits";
import { UnitName } from "../../parts/unit-mark";
import { CheckCard } from "./check";
import { Intake } from "./intake";
import { UnitRecord } from "./record";
import { CheckRound } from "./round";
import { text } from "./text";

export type Step = keyof typeof text.steps;

type Unit = Schemas["UnitOut"];

export default function Receive({ studyId }: { studyId: string }) {
  const view = useReceive(studyId);
  const me = useMe();
  const [chosen, setChosen] = useState<string | null>(null);
  const [taken, setTaken] = useState(0);
  const [step, setStep] = useState<Step>("box");
  const units = view.data?.units ?? [];
  const unit = units.find((u) => u.machine.unit_id === chosen) ?? units.find(unfinished) ?? units[0];
  const walk = (by: number) => {
    const at = unit ? units.indexOf(unit) : -1;
    const next = units[Math.max(0, Math.min(units.length - 1, at + by))];
    if (next) setChosen(next.machine.unit_id);
  };
  useKeys([
    { key: "ArrowDown", does: text.nextUnit, run: () => walk(1) },
    { key: "ArrowUp", does: text.previousUnit, run: () => walk(-1) },
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
    <div className="grid h-full min-h-0 grid-cols-[214px_minmax(0,1fr)] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1">
      <Top>
        <span className="chip max-[700px]:hidden">
          <UnitName mark={unit.machine.mark} name={unit.machine.name} />
        </span>
        <Link to="/machine/$unitId" params={{ unitId: unit.machine.unit_id }} className="chip">
          {text.wholeLife}
        </Link>
      </Top>
      <section aria-label={text.units2} className="sheet min-h-0 overflow-y-auto">
        <h2 className="lab px-3 pt-2 pb-1">{text.units(units.length)}</h2>
        <ul>
          {units.map((u) => (
            <li key={u.machine.unit_id}>
              <button
                type="button"
                onClick={() => setChosen(u.machine.unit_id)}
                aria-current={u === unit ? "true" : undefined}
                className={`grid min-h-[44px] w-full min-w-0 grid-cols-[minmax(0,1fr)] gap-0.5 border-b border-rule-2 px-3 py-1.5 text-left ${u === unit ? "bg-station-on shadow-[inset_4px_0_var(--needle)]" : "hover:bg-station-on"}`}
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
      <div className="flex min-h-0 min-w-0 flex-col gap-3">
        <nav aria-label={text.stepsOfReceiving} className="flex flex-wrap gap-1">
          {(Object.keys(text.steps) as Step[]).map((s) => (
            <button
              key={s}
              type="button"
              onClick={() => setStep(s)}
              aria-current={step === s ? "step" : undefined}
              className={`min-h-[36px] rounded-full border px-3 text-body font-semibold max-[1020px]:min-h-[44px] ${step === s ? "border-enamel bg-enamel text-on-enamel" : "border-rule bg-sheet hover:bg-station-on"}`}
            >
              {text.steps[s]}
              {s === "checks" && unit.checks.some((c) => c.result !== "pass") && (
                <span className={step === s ? "" : "text-brass-ink"}>
                  {" "}
                  {text.ofWord2(unit.checks.filter((c) => c.result === "pass").length, unit.checks.length)}
                </span>
              )}
            </button>
          ))}
        </nav>
        {step === "checks" ? (
          <section aria-label={text.checks} className="sheet min-h-0 flex-1 overflow-y-auto px-4 py-3">
            <h2 className="lab">{text.checks}</h2>
            <Gate unit={unit} />
            <OnRecord unit={unit} />
            {may && (
              <CheckRound
                key={unit.machine.unit_id}
                studyId={studyId}
                unitId={unit.machine.unit_id}
                checks={view.data.checks}
              />
            )}
            <div className="mt-2 grid grid-cols-2 gap-2 max-[900px]:grid-cols-1">
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
            <p className="caution mt-2 !py-1 !text-small">{text.lift(unit.weight_kg)}</p>
            <NotRecommended key={unit.machine.unit_id} studyId={studyId} unit={unit} may={may} />
          </section>
        ) : (
          <div
            className={`grid min-h-0 flex-1 gap-3 max-[1020px]:grid-cols-1 ${step === "box" ? "grid-cols-2" : ""}`}
          >
            {step === "box" && (
              <Intake
                key={unit.machine.unit_id + taken}
                studyId={studyId}
                unit={unit}
                currency={view.data.currency}
                may={may}
                takeTheirs={() => setTaken((n) => n + 1)}
              />
            )}
            <UnitRecord key={unit.machine.unit_id} studyId={studyId} unit={unit} step={step} may={may} />
          </div>
        )}
      </div>
    </div>
  );
}

function unfinished(unit: Unit): boolean {
  return unit.obtained === null || unit.price_paid === null || unit.checks.some((c) => c.result !== "pass");
}

function Standing({ unit }: { unit: Unit }) {
  const failed = !unit.may_run || unit.checks.some((c) => c.result === "fail");
  const open = unit.checks.filter((c) => c.result === null).length;
  return (
    <span className="flex flex-wrap items-center gap-x-1 text-small text-ink-2">
      {failed ? (
        <X size={12} weight="bold" className="text-needle-ink" />
      ) : (
        open === 0 && <Check size={12} weight="bold" className="text-ok-ink" />
      )}
      {!unit.may_run
        ? text.testingHasEnded
        : failed
          ? text.aCheckFailed
          : open
            ? text.ofChecks(unit.checks.length - open, unit.checks.length)
            : text.checksPassed}
      {unit.price_paid === null && <span>{text.noPrice}</span>}
      {unit.replaced && <b>{text.replacedShort}</b>}
      {unit.not_recommended && <b className="text-needle-ink">{text.notRecommended2}</b>}
    </span>
  );
}

function Gate({ unit }: { unit: Unit }) {
  const failed = !unit.may_run || unit.checks.some((c) => c.result === "fail");
  const open = unit.checks.filter((c) => c.result === null).length;
  const words = !unit.may_run
    ? (unit.may_not_run_because ?? text.ended)
    : failed
      ? text.closed
      : open
        ? text.waiting(open, unit.checks.length)
        : text.open;
  const colour = failed ? "text-needle-ink" : open ? "text-brass-ink" : "text-ok-ink";
  return (
    <p aria-live="polite" className={`mt-1 text-lead leading-snug font-semibold ${colour}`}>
      {words}
    </p>
  );
}

/** What happened to the unit and stays beside its rank, whatever came after. */
function OnRecord({ unit }: { unit: Unit }) {
  if (unit.on_record.length === 0) return null;
  return (
    <div className="mt-2 border-l-3 border-needle pl-3 text-body">
      <h3 className="font-semibold">{text.onRecord}</h3>
      <ul>
        {unit.on_record.map((w) => (
          <li key={w}>{w}</li>
        ))}
      </ul>
    </div>
  );
}

function NotRecommended({ studyId, unit, may }: { studyId: string; unit: Unit; may: boolean }) {
  const set = useChange(studyId, keys.receive(studyId), (reason: string) =>
    unwrap(
      api.PUT("/api/studies/{study_id}/units/{unit_id}/not-recommended", {
        params: { path: { study_id: studyId, unit_id: unit.machine.unit_id } },
        body: { reason },
      }),
    ),
  );
  const [reason, setReason] = useState(unit.not_recommended);
  if (!may)
    return unit.not_recommended ? (
      <p className="mt-2 text-needle-ink">
        {text.notRecommended}: {unit.not_recommended}
      </p>
    ) : null;
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        set.mutate(reason.trim());
      }}
    >
      <Field label={text.notRecommendedWhy}>
        <input
          className="input !w-[min(460px,80vw)]"
          maxLength={500}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
      </Field>
      <button
        type="submit"
        className="button"
        disabled={set.isPending || reason.trim() === unit.not_recommended}
      >
        {reason.trim() || !unit.not_recommended ? text.notRecommendedSet : text.notRecommendedBack}
      </button>
      <Trouble error={set.error} />
    </form>
  );
}

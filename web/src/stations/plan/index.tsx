import { useNavigate } from "@tanstack/react-router";
import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { useChange, useMe, usePlan } from "../../api/queries";
import { Top } from "../../app/shell";
import { day, Field, Skeleton, Trouble } from "../../parts/bits";
import { CoverageSheet } from "../../parts/coverage";
import { ArtifactDrawing, drawn } from "../../parts/drawing";
import { Draft } from "./draft";
import { CONDITIONS, text } from "./text";

export default function Plan({ studyId }: { studyId: string }) {
  const plan = usePlan(studyId);
  if (plan.isError) return <Trouble error={plan.error} />;
  if (!plan.data) return <Skeleton className="h-full" />;
  return plan.data.frozen_at ? <Frozen plan={plan.data} /> : <Draft plan={plan.data} />;
}

function Frozen({ plan }: { plan: Schemas["PlanView"] }) {
  const navigate = useNavigate();
  const [adding, setAdding] = useState(false);
  const key = ["study", plan.id, "plan"];
  const deviate = useChange(plan.id, key, (body: Schemas["NewDeviation"]) =>
    unwrap(api.POST("/api/studies/{study_id}/deviations", { params: { path: { study_id: plan.id } }, body })),
  );
  const me = useMe();
  const may = me.data?.role === "owner" || me.data?.role === "reviewer";
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    deviate.mutate(
      { id: newId(), what: String(form.get("what")), reason: String(form.get("reason")) },
      { onSuccess: () => setAdding(false) },
    );
  };
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_320px] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1">
      <Top>
        <span className="chip">
          Protocol <b>v{plan.protocol_number}</b> · frozen {day(plan.frozen_at!)}
        </span>
      </Top>
      <section aria-label="Coverage" className="sheet min-h-0 overflow-y-auto p-4">
        <p className="text-[16px] font-semibold">{plan.question}</p>
        <div className="mt-4">
          <CoverageSheet
            rows={plan.coverage}
            artifact={plan.artifact.name}
            open={(job) =>
              void navigate({
                to: "/study/$studyId/$station",
                params: { studyId: plan.id, station: "print" },
                hash: job,
              })
            }
          />
        </div>
        <h2 className="lab pt-5 pb-1">Departures from the protocol, {plan.deviations.length}</h2>
        <ul>
          {plan.deviations.map((d) => (
            <li key={d.id} className="border-b border-rule-2 py-1.5">
              <b>{d.what}</b>{" "}
              <span className="text-ink-2">
                {d.reason} · {day(d.recorded_at)}
              </span>
            </li>
          ))}
        </ul>
        {may && !adding && (
          <button type="button" className="button mt-3" onClick={() => setAdding(true)}>
            Record a deviation
          </button>
        )}
        {adding && (
          <form onSubmit={submit} className="mt-3 grid max-w-[520px] gap-2">
            <Field label="What is different">
              <input className="input" name="what" required maxLength={300} />
            </Field>
            <Field label="Reason">
              <input className="input" name="reason" required maxLength={500} />
            </Field>
            <div className="flex gap-2">
              <button type="submit" className="button primary">
                Record it
              </button>
              <button type="button" className="button" onClick={() => setAdding(false)}>
                Back
              </button>
            </div>
            <Trouble error={deviate.error} />
          </form>
        )}
      </section>
      <section aria-label="Protocol" className="sheet min-h-0 overflow-y-auto p-4">
        <h2 className="lab">Protocol</h2>
        <div className="h-[190px] py-2">
          <ArtifactDrawing artifact={drawn(plan.artifact)} bare />
        </div>
        <p className="pb-2 text-[12.5px] text-ink-2">
          {plan.artifact.name}, version {plan.artifact.number}: {plan.artifact.isolates.toLowerCase()}
        </p>
        <dl className="grid grid-cols-[1fr_auto] gap-x-3 gap-y-1 border-t border-rule-2 pt-2 text-[12.5px]">
          {conditionLines(plan.conditions).map(([name, value]) => (
            <Pair key={name} name={name} value={value} />
          ))}
          <Pair
            name="Spool"
            value={plan.spool ? `${plan.spool.code} · ${plan.spool.colour} ${plan.spool.material}` : "none"}
          />
          <Pair name="Readings of a face" value={String(plan.repeats)} />
          <Pair name="Attempts at most" value={String(plan.policies.most_attempts)} />
          <Pair name="Order shuffled with seed" value={String(plan.seed)} />
        </dl>
        <p className="pt-3 text-[12.5px]">
          <b>{text.slicing[plan.policies.slicing][0]}.</b>{" "}
          <span className="text-ink-2">{text.slicing[plan.policies.slicing][1]}</span>
        </p>
        <p className="pt-2 text-[12.5px]">
          <b>{text.unattended[plan.policies.unattended][0]}.</b>{" "}
          <span className="text-ink-2">{text.unattended[plan.policies.unattended][1]}</span>
        </p>
        <p className="pt-2 text-[12.5px]">
          <b>{text.causes}:</b> {plan.policies.counted_causes.join(", ")}.{" "}
          <span className="text-ink-2">{text.causesWhy}</span>
        </p>
        <p className="pt-3 text-[12px] text-ink-2">{text.frozenNote}</p>
      </section>
    </div>
  );
}

function Pair({ name, value }: { name: string; value: string }) {
  return (
    <>
      <dt className="text-ink-2">{name}</dt>
      <dd className="num text-right text-[11.5px] font-semibold">{value}</dd>
    </>
  );
}

function conditionLines(c: Schemas["Conditions"]): [string, string][] {
  return CONDITIONS.map(([key, name, unit]) => [
    name,
    c[key] == null ? "maker's own" : `${c[key]} ${unit}`.trim(),
  ]);
}

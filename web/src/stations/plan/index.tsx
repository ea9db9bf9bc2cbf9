import { DownloadSimple } from "@phosphor-icons/react/dist/csr/DownloadSimple";
import { Link, useLocation, useNavigate } from "@tanstack/react-router";
import { type FormEvent, lazy, Suspense, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { useChange, useMe, usePlan } from "../../api/queries";
import { Top } from "../../app/shell";
import { day, Field, Skeleton, Trouble } from "../../parts/bits";
import { CoverageSheet } from "../../parts/coverage";
import { Explained } from "../../parts/hint";
import { Draft } from "./draft";
import { Small } from "./picker";
import { text } from "./text";

const Schedule = lazy(() => import("./schedule"));
const Day = lazy(() => import("./schedule/day"));

export default function Plan({ studyId }: { studyId: string }) {
  const plan = usePlan(studyId);
  const hash = useLocation({ select: (l) => l.hash });
  if (plan.isError) return <Trouble error={plan.error} />;
  if (!plan.data) return <Skeleton className="h-full" />;
  if (!plan.data.frozen_at) return <Draft plan={plan.data} />;
  return (
    <>
      <Top>
        <Views studyId={studyId} view={hash} />
        {hash === "" && !plan.data.entered_from && (
          <span className="chip max-[1180px]:hidden">
            {text.protocol} <b>v{plan.data.protocol_number}</b> {text.frozen(day(plan.data.frozen_at))}
          </span>
        )}
      </Top>
      <Suspense fallback={<Skeleton className="h-full" />}>
        {hash === "schedule" ? (
          <Schedule studyId={studyId} />
        ) : hash === "bench" ? (
          <Day studyId={studyId} />
        ) : (
          <Frozen plan={plan.data} />
        )}
      </Suspense>
    </>
  );
}

const VIEWS = [
  ["", "Coverage"],
  ["schedule", "Schedule"],
  ["bench", text.atTheBench],
] as const;

/** A frozen plan from three sides: how far it is, when what prints, and what to do now. */
function Views({ studyId, view }: { studyId: string; view: string }) {
  return (
    <nav aria-label={text.viewsOfThePlan} className="flex shrink-0 rounded-[4px] border border-rule bg-sheet">
      {VIEWS.map(([id, name]) => (
        <Link
          key={id}
          to="/study/$studyId/$station"
          params={{ studyId, station: "plan" }}
          hash={id}
          activeOptions={{ includeHash: true, exact: true }}
          className={`px-2.5 py-1 text-small font-semibold first:rounded-l-[3px] last:rounded-r-[3px] ${view === id ? "bg-enamel text-on-enamel" : "text-ink-2"}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
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
      <section aria-label={text.coverage} className="sheet min-h-0 overflow-y-auto p-4">
        <p className="text-lead font-semibold">{plan.question}</p>
        <div className="mt-4">
          <CoverageSheet
            rows={plan.coverage}
            arms={plan.arms}
            stopsAtPrinted={plan.stops_at_printed}
            open={(job) =>
              void navigate({
                to: "/study/$studyId/$station",
                params: { studyId: plan.id, station: "print" },
                hash: job,
              })
            }
          />
        </div>
        <h2 className="lab pt-5 pb-1">{text.departuresFromTheProtocol(plan.deviations.length)}</h2>
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
            {text.recordADeviation}
          </button>
        )}
        {adding && (
          <form onSubmit={submit} className="mt-3 grid max-w-[520px] gap-2">
            <Field label={text.whatIsDifferent}>
              <input className="input" name="what" required maxLength={300} />
            </Field>
            <Field label={text.reason}>
              <input className="input" name="reason" required maxLength={500} />
            </Field>
            <div className="flex gap-2">
              <button type="submit" className="button primary">
                {text.recordIt}
              </button>
              <button type="button" className="button" onClick={() => setAdding(false)}>
                {text.back}
              </button>
            </div>
            <Trouble error={deviate.error} />
          </form>
        )}
      </section>
      <section aria-label={text.protocol} className="sheet min-h-0 overflow-y-auto p-4">
        <h2 className="lab">{text.protocol}</h2>
        {plan.arms.map((arm) => (
          <div key={arm.id} className="border-b border-rule-2 pb-2.5">
            {plan.arms.length > 1 && <h3 className="pt-1.5 text-body font-semibold">{arm.name}</h3>}
            <ul>
              {arm.lines.map((line, i) => (
                <li key={i} className="grid grid-cols-[52px_1fr_auto] items-center gap-2 py-0.5">
                  <span className="block h-[40px]">
                    <Small refName={line.artifact} name={line.name} />
                  </span>
                  <Explained className="leading-tight" says={line.isolates}>
                    <b className="font-semibold">{line.name}</b>{" "}
                    <small className="text-ink-2">v{line.number}</small>
                    <small className="block text-small text-ink-2">
                      {line.spool}
                      {line.second_spool && text.andWord(line.second_spool)}
                    </small>
                  </Explained>
                  <span className="num text-small font-semibold">
                    × {line.copies}
                    {line.parts !== 1 && (
                      <small className="block text-ink-2">{text.plateOf(line.parts)}</small>
                    )}
                  </span>
                </li>
              ))}
            </ul>
            {!plan.entered_from && (
              <p className="pt-1 text-small text-ink-2">
                {text.slicing[arm.slicing][0]}
                {arm.tuning === "tuned" && `, ${text.tuning.tuned[0].toLowerCase()}`}. {arm.fixed}
              </p>
            )}
          </div>
        ))}
        {plan.entered_from ? (
          <p className="pt-2 text-small text-ink-2">{text.notOnRecord(plan.entered_from)}</p>
        ) : (
          <>
            <dl className="grid grid-cols-[1fr_auto] gap-x-3 gap-y-1 pt-2 text-small">
              <Pair name={text.readingsOfAFace} value={String(plan.repeats)} />
              <Pair name={text.attemptsAtMost} value={String(plan.policies.most_attempts)} />
              <Pair name={text.liftLimit} value={String(plan.policies.lift_mm)} />
              <Pair name={text.stainLimit} value={String(plan.policies.stain_mm)} />
              <Pair name={text.orderShuffledWithSeed} value={String(plan.seed)} />
            </dl>
            {[
              text.pieces[plan.policies.pieces],
              text.material[plan.policies.material],
              text.drying[plan.policies.drying],
              text.unattended[plan.policies.unattended],
            ].map((words) => (
              <p key={words[0]} className="pt-1.5 text-small">
                <b>{words[0]}.</b> <span className="text-ink-2">{words[1]}</span>
              </p>
            ))}
          </>
        )}
        <p className="pt-2 text-small">
          <b>{text.causes}:</b> {plan.policies.counted_causes.join(", ")}.{" "}
          <span className="text-ink-2">{text.causesWhy}</span>
        </p>
        {!plan.entered_from && <p className="pt-3 text-small text-ink-2">{text.frozenNote}</p>}
        <a className="button mt-2" href={`/api/studies/${plan.id}/protocol.json`} download="protocol.json">
          <DownloadSimple size={14} /> {text.protocolAsJson}
        </a>
      </section>
    </div>
  );
}

function Pair({ name, value }: { name: string; value: string }) {
  return (
    <>
      <dt className="text-ink-2">{name}</dt>
      <dd className="num text-right text-small font-semibold">{value}</dd>
    </>
  );
}

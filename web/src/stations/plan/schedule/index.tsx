import { CalendarBlank } from "@phosphor-icons/react/dist/csr/CalendarBlank";
import { useEffect, useMemo, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../../api/client";
import { isOpen, useChange, useMe, useSchedule, useWork } from "../../../api/queries";
import { Top } from "../../../app/shell";
import { Empty, Skeleton, Trouble } from "../../../parts/bits";
import { Toggles } from "../../../parts/form/toggles";
import { Working } from "../../../parts/working";
import { text } from "../text";
import { ms, weekday, when } from "./bench-time";
import { BenchRules } from "./rules";
import { Side } from "./side";
import { Swatch } from "./spool-fill";
import { type Scale, Timeline } from "./timeline";

export default function Schedule({ studyId }: { studyId: string }) {
  const view = useSchedule(studyId);
  const me = useMe();
  const may = me.data?.role === "owner" || me.data?.role === "reviewer";
  const [asked, setAsked] = useState<string | null>(null);
  const [chosen, choose] = useState<string | null>(null);
  const [rules, setRules] = useState(false);
  const [scale, setScale] = useState<Scale>("days");
  const work = useWork(studyId, asked ?? view.data?.work?.id ?? null);
  const running = work.data && isOpen(work.data) ? work.data : null;
  useEffect(() => {
    if (work.data && !isOpen(work.data)) setAsked(null);
  }, [work.data]);
  const ask = useChange(studyId, ["asked"], async () => {
    const made = await unwrap(
      api.POST("/api/studies/{study_id}/schedule", {
        params: { path: { study_id: studyId } },
        body: { id: newId() },
      }),
    );
    setAsked(made.id);
    return made;
  });
  const pin = useChange(studyId, ["pins"], ({ job, at }: { job: string; at: string | null }) =>
    at
      ? unwrap(
          api.PUT("/api/jobs/{job_id}/pin", { params: { path: { job_id: job } }, body: { start_at: at } }),
        )
      : unwrap(api.DELETE("/api/jobs/{job_id}/pin", { params: { path: { job_id: job } } })),
  );
  const pinnedAt = useMemo(() => {
    const starts = new Map(view.data?.schedule?.slots.map((s) => [s.job_id, ms(s.start_at)]));
    return new Map(
      (view.data?.pins ?? [])
        .map((p) => [p.job_id, ms(p.start_at)] as const)
        .filter(([job, at]) => starts.get(job) !== at),
    );
  }, [view.data]);
  if (view.isError) return <Trouble error={view.error} />;
  if (!view.data) return <Skeleton className="h-full" />;
  const made = view.data.schedule;
  const failed = view.data.work?.state === "failed" && !running ? view.data.work.message : null;
  const again = (
    <button
      type="button"
      className={`button ${made && view.data.stale.length === 0 ? "" : "primary"}`}
      disabled={!!running || ask.isPending || view.data.open_prints === 0}
      onClick={() => ask.mutate(undefined)}
    >
      {made ? text.planAgain : text.makeTheSchedule}
    </button>
  );
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_300px] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1">
      <Top>
        {made && (
          <a className="chip max-[1180px]:hidden" href={`/api/studies/${studyId}/schedule.ics`} download>
            <CalendarBlank size={15} /> {text.calendarFile}
          </a>
        )}
      </Top>
      <section aria-label={text.schedule} className="sheet flex min-h-0 flex-col p-4 pb-2">
        <div className="flex items-start gap-3">
          <div className="min-w-0 flex-1">
            {made ? <Headline made={made} openPrints={view.data.open_prints} /> : <First view={view.data} />}
          </div>
          {may && again}
        </div>
        {running && <Working work={running} label={text.makingTheSchedule} />}
        {failed && (
          <p role="alert" className="trouble mt-2">
            <b>{text.noNewSchedule}</b> {failed}
            {made && text.theOneBelowStillStands}
          </p>
        )}
        {view.data.stale.length > 0 && !running && (
          <p className="caution mt-2">
            {text.andMorePlanAgainTo(
              view.data.stale.slice(0, 2).join(" "),
              view.data.stale.length,
              view.data.stale.length - 2,
            )}
          </p>
        )}
        <Trouble error={ask.error ?? pin.error} />
        {made ? (
          <>
            <div className="flex flex-wrap items-center gap-x-4 gap-y-1 pt-3 pb-1.5">
              <Toggles
                label={text.scale}
                value={scale}
                options={[
                  { value: "day", name: text.aDay },
                  { value: "days", name: text.threeDays },
                  { value: "week", name: text.aWeek },
                  { value: "all", name: text.allOfIt },
                ]}
                change={setScale}
                item="py-0.5"
              />
              {made.spools.map((s) => (
                <span key={s.code} className="inline-flex items-center gap-1.5 text-small">
                  <Swatch spools={made.spools.map((o) => o.code)} code={s.code} /> {s.code}{" "}
                  <span className="text-ink-2">{s.words}</span>
                </span>
              ))}
            </div>
            <div className="min-h-0 flex-1 max-[1020px]:h-[520px] max-[1020px]:flex-none">
              <Timeline
                view={view.data}
                scale={scale}
                chosen={chosen}
                choose={choose}
                pin={(job, at) => may && pin.mutate({ job, at: at.toISOString() })}
                pinnedAt={pinnedAt}
              />
            </div>
          </>
        ) : (
          !running && (
            <Empty title={view.data.open_prints === 0 ? text.nothingToSchedule : text.nothingHasATimeYet}>
              <p>
                {view.data.open_prints === 0
                  ? nothingOpen(view.data)
                  : text.n1PrintWaitsPrintsWait(view.data.open_prints)}
              </p>
            </Empty>
          )
        )}
      </section>
      <section aria-label={text.detailsOfTheSchedule} className="sheet min-h-0 overflow-y-auto p-4">
        {rules ? (
          <BenchRules
            studyId={studyId}
            machines={view.data.machines}
            spools={view.data.spools}
            may={may}
            close={() => setRules(false)}
          />
        ) : (
          <>
            {made && (
              <Side
                made={made}
                machines={view.data.machines}
                chosen={chosen}
                choose={choose}
                finishBy={view.data.finish_by}
                pinnedAt={pinnedAt}
                may={may}
                busy={pin.isPending}
                pin={(job, at) => pin.mutate({ job, at })}
              />
            )}
            <button type="button" className="button mt-3 w-full" onClick={() => setRules(true)}>
              {text.hoursCircuitsHandling}
            </button>
          </>
        )}
      </section>
    </div>
  );
}

/** Why there is nothing to schedule. */
function nothingOpen(view: Schemas["ScheduleView"]): string {
  return view.frozen
    ? "No print waits for a time: all are printed, or out of tries."
    : "Freeze the protocol first: only then is it known what is printed.";
}

function First({ view }: { view: Schemas["ScheduleView"] }) {
  return (
    <p className="text-lead font-semibold">
      {view.open_prints === 0
        ? nothingOpen(view)
        : text.n1PrintHasPrintsOn(view.open_prints, view.machines.length)}
    </p>
  );
}

function Headline({ made, openPrints }: { made: Schemas["Made"]; openPrints: number }) {
  const late = made.chances.find((c) => c.chance >= 0.9);
  return (
    <>
      <p className="text-head font-semibold [font-stretch:92%]">
        {openPrints === 0
          ? text.noPrintWaitsForA
          : text.throughOnIfNothingFails(weekday(made.finish_at), late ? weekday(late.at) : null)}
      </p>
      <p className="pt-0.5 text-small text-ink-2">
        {text.planNothingCouldBeThrough(
          made.number,
          made.best || made.gap < 0.005,
          when(made.bound_at),
          (100 * made.gap).toFixed(0),
          made.bound_by,
          made.moves,
          made.seed,
        )}
      </p>
    </>
  );
}

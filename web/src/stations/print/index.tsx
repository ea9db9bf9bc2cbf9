import { useLocation, useNavigate } from "@tanstack/react-router";
import { lazy, Suspense, useEffect, useState } from "react";
import type { Schemas } from "../../api/client";
import { useJob, useMe, usePrint } from "../../api/queries";
import { useKeys } from "../../app/keys";
import { Top } from "../../app/shell";
import { duration, Empty, Skeleton, Trouble } from "../../parts/bits";
import { UnitName } from "../../parts/unit-mark";
import { Windowed } from "../../parts/windowed";
import { Attempts } from "./attempts";
import { BenchNow } from "./bench";
import { SlicedFile } from "./file";
import { Meters } from "./meters";
import { More } from "./more";
import { FileStudy } from "./motion";
import { text } from "./text";
import { type Following, Timer } from "./timer";

const RunPower = lazy(() => import("./power"));

export default function Print({ studyId }: { studyId: string }) {
  const view = usePrint(studyId);
  const hash = useLocation({ select: (l) => l.hash });
  const navigate = useNavigate();
  // The address says which print is shown, so that what is shown and what is sent are one thing.
  const chosen = hash || null;
  const setChosen = (id: string) => void navigate({ to: ".", hash: id, replace: true });
  // First the whole bench, where anything is under way; a print once it is chosen.
  const [whole, setWhole] = useState<boolean | null>(hash ? false : null);
  useEffect(() => {
    if (hash) setWhole(false);
  }, [hash]);
  const jobs = view.data?.jobs ?? [];
  const most = view.data?.most_attempts ?? 1;
  const open = (j: Schemas["JobLine"]) =>
    j.state === "planned" || ((j.state === "failed" || j.state === "stopped") && j.tries_used < most);
  const current =
    jobs.find((j) => j.id === chosen) ??
    jobs.find((j) => j.state === "printing") ??
    jobs.find((j) => j.state === "failed" && open(j)) ??
    jobs.find(open) ??
    jobs[0];
  const following = jobs.find((j) => j !== current && open(j));
  const bench = whole ?? jobs.some((j) => j.state === "printing");
  // Decided once: starting a print must not take its timer off the screen.
  useEffect(() => {
    if (view.data && whole === null) setWhole(view.data.jobs.some((j) => j.state === "printing"));
  }, [view.data, whole]);
  const choose = (job: string) => {
    setChosen(job);
    setWhole(false);
  };
  // What is on the screen stays there until the person goes on: the bag's code must be seen.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only where nothing is chosen yet
  useEffect(() => {
    if (!chosen && current && whole === false) setChosen(current.id);
  }, [chosen, current?.id, whole]);
  const step = (by: number) => {
    const at = current ? jobs.indexOf(current) : -1;
    const next = jobs[Math.max(0, Math.min(jobs.length - 1, at + by))];
    if (next) choose(next.id);
  };
  useKeys([
    { key: "ArrowDown", does: text.nextPrintInTheOrder, run: () => step(1) },
    { key: "ArrowUp", does: text.previousPrint, run: () => step(-1) },
  ]);
  if (view.isError) return <Trouble error={view.error} />;
  if (!view.data) return <Skeleton className="h-full" />;
  if (!current)
    return (
      <Empty title={text.empty}>
        <p>{text.emptyWhy}</p>
      </Empty>
    );
  const several = new Set(jobs.map((j) => j.artifact + j.arm + j.spool)).size > 1;
  return (
    <div
      className={`grid h-full min-h-0 gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1 ${bench ? "grid-cols-[minmax(0,1fr)_292px] max-[1180px]:grid-cols-[minmax(0,1fr)_222px]" : "grid-cols-[228px_minmax(0,1fr)_292px] max-[1180px]:grid-cols-[176px_minmax(0,1fr)_222px]"}`}
    >
      <section
        aria-label={text.prints}
        data-scrolls
        hidden={bench}
        className="sheet min-h-0 overflow-y-auto max-[1020px]:order-last max-[1020px]:max-h-72"
      >
        <h2 className="lab px-3 pt-2 pb-1">
          {text.jobs(
            jobs.filter((j) => j.state === "done").length,
            jobs.filter((j) => j.state !== "cannot").length,
          )}
        </h2>
        <button
          type="button"
          onClick={() => setWhole(true)}
          className="sticky top-0 z-[1] min-h-[40px] w-full border-b border-rule bg-sheet px-3 py-1 text-left text-body font-semibold hover:bg-station-on"
        >
          {text.theWholeBench}
        </button>
        <Windowed rows={jobs} height={41} under={40} chosen={bench ? undefined : current} id={(j) => j.id}>
          {(j) => (
            <button
              type="button"
              onClick={() => choose(j.id)}
              aria-current={!bench && j === current ? "true" : undefined}
              className={`grid min-h-[40px] w-full grid-cols-[22px_1fr_auto] items-center gap-x-1.5 border-b border-rule-2 px-2.5 py-1 text-left text-small ${!bench && j === current ? "bg-station-on shadow-[inset_4px_0_var(--needle)]" : "hover:bg-station-on"}`}
            >
              <span className="num text-tiny text-ink-2">{j.position + 1}</span>
              <span className="truncate">
                <UnitName mark={j.machine.mark} name={j.machine.name} />
                {several && (
                  <small className="block truncate pl-4.75 text-tiny leading-tight text-ink-2">
                    {j.artifact}, {j.spool}
                    {j.arm && `, ${j.arm}`}
                  </small>
                )}
                {j.added && (
                  <small className="block truncate pl-4.75 text-tiny leading-tight text-brass-ink">
                    {j.added}
                  </small>
                )}
              </span>
              <JobState job={j} />
            </button>
          )}
        </Windowed>
      </section>
      {bench ? (
        <BenchNow studyId={studyId} open={choose} all={() => setWhole(false)} />
      ) : (
        <Job
          key={current.id}
          studyId={studyId}
          jobId={current.id}
          jobs={jobs}
          following={following && { name: following.machine.name, go: () => choose(following.id) }}
        />
      )}
    </div>
  );
}

function JobState({ job }: { job: Schemas["JobLine"] }) {
  if (job.state === "printing") return <b className="text-small text-needle-ink">{text.printing}</b>;
  if (job.state === "cannot") return <span className="text-small text-brass-ink">{text.cannot}</span>;
  if (job.state === "failed" || job.state === "stopped")
    return <b className="text-small text-needle-ink">{job.state}</b>;
  if (job.state === "done")
    return (
      <span className="text-small text-ok-ink">
        {job.attempts > 1 ? text.goodTry(job.attempts) : text.good}
      </span>
    );
  return (
    <span className="text-small text-ink-2">
      {job.has_file ? (job.estimate_s ? duration(job.estimate_s) : text.sliced) : text.copy(job.copy_number)}
    </span>
  );
}

function Job({
  studyId,
  jobId,
  jobs,
  following,
}: {
  studyId: string;
  jobId: string;
  jobs: Schemas["JobLine"][];
  following: Following | undefined;
}) {
  const job = useJob(studyId, jobId);
  const me = useMe();
  const [looks, setLooks] = useState(false);
  if (job.isError) return <Trouble error={job.error} />;
  if (!job.data) return <Skeleton className="col-span-2 h-full" />;
  const may = me.data?.role === "owner" || me.data?.role === "reviewer";
  // The server's clock counts: two screens show the same time whatever their own clocks say.
  const ahead = Date.parse(job.data.now) - job.dataUpdatedAt;
  const run = job.data.runs.at(-1);
  return (
    <>
      <Top>
        <span className="chip max-[760px]:hidden">
          <UnitName
            mark={job.data.machine.mark}
            name={job.data.machine.name}
            unit={job.data.machine.unit_id}
          />
          <span className="text-ink-2">
            {job.data.added
              ? text.more.mark(job.data.copy_number, job.data.added)
              : text.copy(job.data.copy_number)}
          </span>
        </span>
        <span className="chip max-[1100px]:hidden">
          {job.data.artifact}
          {job.data.arm && <span className="text-ink-2"> {job.data.arm}</span>}
        </span>
        <span className="chip max-[1180px]:hidden">{job.data.spool}</span>
      </Top>
      <div className="flex min-h-0 min-w-0 flex-col gap-3 overflow-y-auto">
        {looks && job.data.file ? (
          <FileStudy studyId={studyId} job={job.data} jobs={jobs} may={may} back={() => setLooks(false)} />
        ) : (
          <>
            <Timer studyId={studyId} job={job.data} ahead={ahead} may={may} following={following} />
            {run && (
              <Suspense fallback={null}>
                <RunPower key={run.id} studyId={studyId} runId={run.id} live={run.outcome === null} />
              </Suspense>
            )}
            {run && (
              <Meters
                key={run.id}
                studyId={studyId}
                jobId={jobId}
                run={run}
                meters={job.data.meters}
                may={may}
              />
            )}
            <p className="caution mt-auto max-[1020px]:mt-0">{text.caution}</p>
          </>
        )}
      </div>
      <section aria-label={text.slicedFileAndAttempts} className="sheet min-h-0 overflow-y-auto p-3.5">
        <SlicedFile studyId={studyId} job={job.data} may={may} look={() => setLooks(!looks)} />
        {job.data.added && (
          <p className="pt-2 text-small text-brass-ink">{text.more.is(job.data.added, job.data.counts)}</p>
        )}
        <Attempts studyId={studyId} job={job.data} may={may} />
        {may && !job.data.cannot && <More studyId={studyId} job={job.data} />}
      </section>
    </>
  );
}

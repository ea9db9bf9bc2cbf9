import { api, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { day, duration, Trouble } from "../../parts/bits";
import { Photos } from "../../parts/photos";
import { FaultSheet } from "./fault";
import { FileDrop } from "./file";
import { Timeline } from "./happened";
import { PlateLook } from "./plate-look";
import { Reject } from "./reject";
import { text } from "./text";
import { Weigh } from "./weigh";

/** Every try at this print, failed ones too, newest first. */
export function Attempts({ studyId, job, may }: { studyId: string; job: Schemas["JobView"]; may: boolean }) {
  if (job.runs.length === 0) return null;
  return (
    <>
      <h2 className="lab pt-4 pb-1">{text.attemptsOfAllowed(job.tries_used, job.most_attempts)}</h2>
      <ol>
        {[...job.runs].reverse().map((run) => (
          <li key={run.id} className="border-b border-rule-2 py-1.5 text-small">
            <p className="flex justify-between gap-2">
              <b>
                {run.attempt}.{" "}
                {run.outcome === null ? (
                  text.printing
                ) : run.outcome === "failed" ? (
                  <span className="text-needle-ink">
                    {text.failedAtLayer(
                      run.failed_at_percent?.toFixed(0) ?? null,
                      run.failed_at_layer,
                      text.causes[run.cause!],
                    )}
                  </span>
                ) : (
                  text.outcomes[run.outcome].toLowerCase()
                )}
              </b>
              <span className="num text-small">{run.took_s !== null && duration(run.took_s)}</span>
            </p>
            <p className="text-ink-2">
              {day(run.started_at)}
              {run.attempt > 1 && run.until_s !== null && text.untilThen(duration(run.until_s))}
              {run.paused_s > 0 && text.paper.paused(duration(run.paused_s))}
              {run.parts > 1 && text.partsOn(run.parts)}
              {run.unattended && text.unattended2}
              {run.of_estimate !== null &&
                run.outcome === "done" &&
                text.ofTheEstimate((100 * run.of_estimate).toFixed(0))}
            </p>
            {run.from_paper && <p className="text-ink-2">{text.paper.typed(day(run.recorded_at))}</p>}
            {!run.has_file && <NoFile studyId={studyId} job={job} run={run} may={may} />}
            {run.changed && <p className="text-ink-2">{text.changed2(run.changed)}</p>}
            {run.note && <p className="text-ink-2">{run.note}</p>}
            {run.rejected && <p className="text-needle-ink">{text.rejected(run.rejected)}</p>}
            {run.plate && <PlateLook studyId={studyId} jobId={job.id} run={run} look={run.plate} may={may} />}
            {may && run.outcome === "done" && <Reject studyId={studyId} jobId={job.id} run={run} />}
            {run.outcome === "done" && <Weigh studyId={studyId} jobId={job.id} run={run} may={may} />}
            <Timeline studyId={studyId} jobId={job.id} run={run} may={may} />
            <FaultSheet studyId={studyId} jobId={job.id} run={run} may={may} />
            <div className="pt-1">
              <Photos
                subjectId={run.id}
                photos={run.photos}
                may={may}
                label={text.attempt(run.attempt)}
                studyId={studyId}
              />
            </div>
          </li>
        ))}
      </ol>
    </>
  );
}

/** A run without its sliced file; one that was dropped since can be said to be it. */
function NoFile({
  studyId,
  job,
  run,
  may,
}: {
  studyId: string;
  job: Schemas["JobView"];
  run: Schemas["RunOut"];
  may: boolean;
}) {
  const attach = useChange(studyId, keys.job(studyId, job.id), (file_id: string) =>
    unwrap(api.PUT("/api/runs/{run_id}/file", { params: { path: { run_id: run.id } }, body: { file_id } })),
  );
  const file = job.file;
  return (
    <div className="text-ink-2">
      <p>{text.paper.without}</p>
      {may && !file && run.ended_at && (
        <FileDrop studyId={studyId} jobId={job.id} small label={text.paper.drop} />
      )}
      {may && file && (
        <button
          type="button"
          className="underline"
          disabled={attach.isPending}
          onClick={() => attach.mutate(file.id)}
        >
          {text.paper.attach(file.name)}
        </button>
      )}
      <Trouble error={attach.error} />
    </div>
  );
}

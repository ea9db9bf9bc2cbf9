import { Stop } from "@phosphor-icons/react/dist/csr/Stop";
import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { type Entry, momentOf, useOutbox } from "../../api/outbox";
import { useBench, useLine } from "../../api/queries";
import { inField, useKeys } from "../../app/keys";
import { clock, duration } from "../../parts/bits";
import { Noting } from "./happened";
import { Marks } from "./marks";
import { Outcome, stopKey } from "./outcome";
import { Ready } from "./ready";
import { text } from "./text";

type Job = Schemas["JobView"];
type Run = Schemas["RunOut"];
/** The print to go on with after this one. */
export type Following = { name: string; go: () => void };

/** The run's clock: from a dropped file to start, stop and outcome. `ahead` is the server's clock less this one, ms. */
export function Timer({
  studyId,
  job,
  ahead,
  may,
  following,
}: {
  studyId: string;
  job: Job;
  ahead: number;
  may: boolean;
  following: Following | undefined;
}) {
  const outbox = useOutbox();
  const last = job.runs.at(-1);
  // A start that is pressed runs from that moment, whether the server has heard of it or not.
  const pressed = outbox.find((e) => e.path === `/api/jobs/${job.id}/runs` && !e.refused);
  const starting =
    pressed && !job.runs.some((r) => r.id === pressed.body?.id) ? unsent(pressed, job) : undefined;
  const ending = outbox.find((e) => last && e.path === `/api/runs/${last.id}/end` && !e.refused);
  const live = starting ?? (last?.outcome === null && !ending ? last : undefined);
  return (
    <section
      aria-label={text.timer}
      className="sheet flex min-h-[250px] shrink-0 grow basis-auto flex-col p-5 max-[560px]:p-3.5"
    >
      {live ? (
        <Running studyId={studyId} job={job} run={live} ahead={ahead} may={may} />
      ) : ending ? (
        <p className="m-auto text-head font-semibold">{text.ending}</p>
      ) : last?.outcome === "done" ? (
        <Done studyId={studyId} run={last} estimate={job.file?.time_s ?? null} following={following} />
      ) : (
        <Ready studyId={studyId} job={job} may={may} />
      )}
    </section>
  );
}

/** The run that a press of the start has begun, before the server knows of it. */
function unsent(entry: Entry, job: Job): Run {
  return {
    id: String(entry.body?.id),
    version: 1,
    attempt: job.runs.length + 1,
    parts: Number(entry.body?.parts ?? job.parts),
    unattended: entry.body?.unattended === true,
    changed: "",
    started_at: momentOf(entry).toISOString(),
    ended_at: null,
    took_s: null,
    paused_s: 0,
    until_s: null,
    recorded_at: momentOf(entry).toISOString(),
    from_paper: false,
    has_file: job.file !== null,
    of_estimate: null,
    outcome: null,
    cause: null,
    failed_at_percent: null,
    failed_at_layer: null,
    uses_attempt: true,
    note: "",
    model_g: null,
    waste_g: null,
    energy_kwh: null,
    energy_low_kwh: null,
    energy_high_kwh: null,
    energy_from: null,
    noise: [],
    events: [],
    photos: [],
    hypotheses: [],
    rejected: null,
    timeline: [],
    plate: null,
    bag_code: null,
  };
}

function Running({
  studyId,
  job,
  run,
  ahead,
  may,
}: {
  studyId: string;
  job: Job;
  run: Run;
  ahead: number;
  may: boolean;
}) {
  const [now, setNow] = useState(() => Date.now() + ahead);
  // The moment of stopping is kept on this device while the outcome is being written.
  const [stopped, setStopped] = useState<string | null>(() => localStorage.getItem(stopKey(run)));
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now() + ahead), 250);
    return () => clearInterval(timer);
  }, [ahead]);
  useEffect(() => {
    if (!stopped && !inField()) button.current?.focus();
  }, [stopped]);
  const halt = (at: string | null) => {
    if (at) localStorage.setItem(stopKey(run), at);
    else localStorage.removeItem(stopKey(run));
    setStopped(at);
  };
  const stopNow = () => may && !stopped && halt(new Date(Date.now() + ahead).toISOString());
  useKeys([{ key: " ", does: text.stopTheTimer, run: stopNow }]);
  const bench = useBench(studyId);
  const unit = bench.data?.units.find((u) => u.run?.id === run.id);
  const known = job.runs.some((r) => r.id === run.id);
  const elapsed = ((stopped ? Date.parse(stopped) : now) - Date.parse(run.started_at)) / 1000;
  const estimate = job.file?.time_s ?? null;
  return (
    <div className="flex flex-1 flex-col justify-center gap-2.5">
      <p className="lab">
        {stopped ? text.stoppedHowDidItEnd : text.printingAttempt(run.attempt)}
        {run.unattended && text.unattended2}
        {!known && text.notSentYet}
      </p>
      <p
        role="timer"
        aria-label={text.sinceTheStart(duration(elapsed))}
        className={`num leading-none font-medium ${stopped ? "text-gauge" : "text-display max-[1180px]:text-display max-[560px]:text-display"}`}
      >
        {clock(elapsed)}
      </p>
      {estimate === null ? (
        <p className="text-ink-2">{text.noEstimate}</p>
      ) : (
        <Progress
          elapsed={elapsed}
          estimate={estimate}
          reported={unit?.percent ?? null}
          left={unit?.run?.left_s ?? null}
        />
      )}
      {unit?.reported_at && (
        <p className="text-body">
          {text.itReports} <b>{unit.phase}</b>
          {unit.layer !== null && text.layerOf(unit.layer, unit.run?.layers ?? null)}
          {unit.nozzle_c !== null && text.nozzleCBedC(unit.nozzle_c.toFixed(0), unit.bed_c?.toFixed(0) ?? "")}
          .{unit.needs && <b className="block text-needle-ink">{unit.needs}</b>}
        </p>
      )}
      {may && !stopped && (
        <button ref={button} type="button" className="button now big self-start" onClick={stopNow}>
          <Stop size={18} weight="fill" /> {text.stop}
        </button>
      )}
      {may && !stopped && (run.events.length > 0 || !unit?.reported_at) && (
        <Marks studyId={studyId} job={job} run={run} />
      )}
      {may && !stopped && <Noting studyId={studyId} jobId={job.id} run={run} />}
      {stopped && (
        <Outcome
          studyId={studyId}
          jobId={job.id}
          run={run}
          stopped={stopped}
          reported={unit?.run?.printed_at ?? null}
          leave={() => halt(null)}
        />
      )}
    </div>
  );
}

function Progress({
  elapsed,
  estimate,
  reported,
  left: expected,
}: {
  elapsed: number;
  estimate: number;
  reported: number | null;
  left: number | null;
}) {
  const share = reported === null ? Math.min(1, elapsed / estimate) : reported / 100;
  const left = estimate - elapsed;
  return (
    <>
      <div className="h-3.5 w-full shrink-0 rounded-full bg-[var(--track)]" aria-hidden="true">
        <i className="block h-full rounded-full bg-needle" style={{ width: `${100 * share}%` }} />
      </div>
      <p className="text-ink-2">
        {reported !== null && expected !== null
          ? text.byItsOwnCountAbout(reported.toFixed(0), duration(expected))
          : left >= 0
            ? text.leftOfTheFileS(duration(left), duration(estimate))
            : text.pastTheFileSWhich(duration(-left), duration(estimate))}
      </p>
    </>
  );
}

function Done({
  studyId,
  run,
  estimate,
  following,
}: {
  studyId: string;
  run: Run;
  estimate: number | null;
  following: Following | undefined;
}) {
  const line = useLine(studyId);
  return (
    <div className="grid flex-1 content-center gap-2">
      <p className="lab">{text.goodOnAttempt(run.attempt)}</p>
      <p className="num text-display leading-none max-[1180px]:text-display font-medium">
        {clock(run.took_s ?? 0)}
      </p>
      {run.of_estimate !== null && estimate !== null && (
        <p className="text-ink-2">
          {text.ofTheFileSThe((100 * run.of_estimate).toFixed(0), duration(estimate))}
        </p>
      )}
      {run.bag_code && (
        <p className="mt-2 flex items-center gap-3 border-l-3 border-needle pl-3 text-lead">
          <b className="num text-title">{run.bag_code}</b>
          <span>
            {text.bag(run.bag_code)}
            <span className="flex gap-4 pt-1 text-body">
              {(["roll", "sheet"] as const).map((paper) => (
                <a
                  key={paper}
                  className="underline"
                  href={`/api/studies/${studyId}/labels.pdf?code=${run.bag_code}&paper=${paper}`}
                  target="_blank"
                  rel="noreferrer"
                >
                  {text.label[paper]}
                </a>
              ))}
            </span>
          </span>
        </p>
      )}
      {!run.bag_code && line.data && !line.data.revealed && (
        <p className="text-ink-2">{text.baggedItsCodeIs}</p>
      )}
      {following && (
        <button type="button" className="button big mt-3 justify-self-start" onClick={following.go}>
          {text.following(following.name)}
        </button>
      )}
    </div>
  );
}

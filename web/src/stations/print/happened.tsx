import { useRef, useState } from "react";
import { newId, type Schemas } from "../../api/client";
import { keys } from "../../api/keys";
import { put, useOutbox } from "../../api/outbox";
import { useKeys } from "../../app/keys";
import { Trouble } from "../../parts/bits";
import { moments } from "../../parts/local-time";
import { Refused } from "../../parts/refused";
import { text } from "./text";

type Run = Schemas["RunOut"];
type Entry = Schemas["TimelineEntry"];
type Alarm = Schemas["AlarmWas"];

const ALARMS: Alarm[] = ["true", "false", "not known"];
const NOTE = "note";

const hour = (at: string) => new Date(at).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });

/** What happened in the course of a run, in the order of time. */
export function Timeline({
  studyId,
  jobId,
  run,
  may,
}: {
  studyId: string;
  jobId: string;
  run: Run;
  may: boolean;
}) {
  const [adding, setAdding] = useState(false);
  return (
    <div className="pt-1">
      {run.timeline.length > 0 && (
        <ol aria-label={text.happened.of(run.attempt)} className="border-l-2 border-rule pl-2">
          {run.timeline.map((e) => (
            <Line
              key={`${e.at} ${e.what} ${e.words}`}
              entry={e}
              judge={
                may && e.what === "alarm" ? (
                  <Judge studyId={studyId} jobId={jobId} run={run} alarm={e} />
                ) : null
              }
            />
          ))}
        </ol>
      )}
      {may &&
        run.ended_at &&
        (adding ? (
          <Noting studyId={studyId} jobId={jobId} run={run} done={() => setAdding(false)} />
        ) : (
          <button type="button" className="text-small underline" onClick={() => setAdding(true)}>
            {text.happened.add}
          </button>
        ))}
    </div>
  );
}

function Line({ entry, judge }: { entry: Entry; judge: React.ReactNode }) {
  return (
    <li className="flex gap-2 py-0.5 text-small">
      <span className="num shrink-0 text-tiny leading-[1.5] text-ink-2">{hour(entry.at)}</span>
      <span className="min-w-0">
        {entry.what === "alarm" && <b>{text.happened.alarm} </b>}
        <span className={entry.what === "start" || entry.what === "end" ? "text-ink-2" : ""}>
          {entry.words}
        </span>
        {entry.layer !== null && <span className="text-ink-2">{text.happened.atLayer(entry.layer)}</span>}
        {entry.alarm && <span className="text-ink-2"> · {text.happened.was[entry.alarm]}</span>} {judge}
      </span>
    </li>
  );
}

/** Whether an alarm that nobody could judge at once was right. */
function Judge({ studyId, jobId, run, alarm }: { studyId: string; jobId: string; run: Run; alarm: Entry }) {
  if (alarm.alarm !== "not known") return null;
  const say = (was: Alarm) =>
    void put({
      label: text.happened.judged(alarm.words, text.happened.was[was]),
      study: studyId,
      path: `/api/runs/${run.id}/notes`,
      body: {
        id: newId(),
        kind: "alarm",
        words: alarm.words,
        alarm: was,
        supersedes_id: alarm.note_id,
        reason: text.happened.judgedSince,
      },
      takes: keys.job(studyId, jobId),
    }).catch(() => {});
  return (
    <>
      {(["true", "false"] as const).map((was) => (
        <button key={was} type="button" className="mr-2 underline" onClick={() => say(was)}>
          {text.happened.itWas[was]}
        </button>
      ))}
    </>
  );
}

/** A note or an alarm, of this moment while it prints, of a typed one afterwards; kept on this device until it is sent. */
export function Noting({
  studyId,
  jobId,
  run,
  done,
}: {
  studyId: string;
  jobId: string;
  run: Run;
  done?: () => void;
}) {
  const field = useRef<HTMLInputElement>(null);
  const [words, setWords] = useState("");
  const [kind, setKind] = useState<typeof NOTE | Alarm>(NOTE);
  const [layer, setLayer] = useState("");
  const [at, setAt] = useState("");
  const [error, setError] = useState<Error | null>(null);
  const outbox = useOutbox();
  const path = `/api/runs/${run.id}/notes`;
  const waiting = outbox.filter((e) => e.path === path);
  const live = run.ended_at === null;
  useKeys(live ? [{ key: "n", does: text.happened.key, run: () => field.current?.focus() }] : []);
  const moment = moments(at)[0];
  const send = () => {
    if (words.trim() === "" || (!live && !moment)) return;
    setError(null);
    put({
      label: text.happened.label(words.trim()),
      study: studyId,
      path,
      body: {
        id: newId(),
        kind: kind === NOTE ? "note" : "alarm",
        words: words.trim(),
        alarm: kind === NOTE ? null : kind,
        layer: layer === "" ? null : Number(layer),
        ...(live ? {} : { at: moment }),
      },
      takes: keys.job(studyId, jobId),
      ...(live ? { moment: "at" } : {}),
    }).catch(setError);
    setWords("");
    setLayer("");
    done?.();
  };
  return (
    <form
      aria-label={text.happened.title}
      className="grid gap-1.5 pt-1"
      onSubmit={(e) => {
        e.preventDefault();
        send();
      }}
    >
      <div className="flex flex-wrap gap-1.5">
        <input
          ref={field}
          className="input w-full"
          aria-label={text.happened.words}
          placeholder={live ? text.happened.hint : text.happened.words}
          value={words}
          maxLength={500}
          onChange={(e) => setWords(e.target.value)}
          onKeyDown={(e) => e.key === "Escape" && field.current?.blur()}
        />
        <select
          className="input !w-auto"
          aria-label={text.happened.kind}
          value={kind}
          onChange={(e) => setKind(e.target.value as typeof NOTE | Alarm)}
        >
          <option value={NOTE}>{text.happened.note}</option>
          {ALARMS.map((a) => (
            <option key={a} value={a}>
              {text.happened.alarms[a]}
            </option>
          ))}
        </select>
        <input
          className="input num !w-[84px]"
          aria-label={text.happened.layer}
          placeholder={text.happened.layer}
          inputMode="numeric"
          pattern="\d{0,6}"
          value={layer}
          onChange={(e) => setLayer(e.target.value.replace(/\D/g, ""))}
        />
        {!live && (
          <input
            className="input num !w-auto"
            type="datetime-local"
            aria-label={text.happened.when}
            required
            value={at}
            onChange={(e) => setAt(e.target.value)}
          />
        )}
        <button type="submit" className="button" disabled={words.trim() === "" || (!live && !moment)}>
          {text.keep}
        </button>
        {done && (
          <button type="button" className="button" onClick={done}>
            {text.back}
          </button>
        )}
      </div>
      <Trouble error={error} />
      <Refused entries={waiting} />
    </form>
  );
}

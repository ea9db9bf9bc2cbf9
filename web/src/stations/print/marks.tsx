import { useState } from "react";
import { newId, type Schemas } from "../../api/client";
import { keys } from "../../api/keys";
import { put, useOutbox } from "../../api/outbox";
import { Field, Trouble } from "../../parts/bits";
import { Hint } from "../../parts/hint";
import { Refused } from "../../parts/refused";
import { text } from "./text";

type Kind = Schemas["RunEventKind"];

const KINDS: Kind[] = ["levelling", "warm-up", "printing", "paused", "filament change", "cooling", "removal"];

/** The phase that begins now, marked by hand where the machine does not report it itself. */
export function Marks({
  studyId,
  job,
  run,
}: {
  studyId: string;
  job: Schemas["JobView"];
  run: Schemas["RunOut"];
}) {
  const [correcting, setCorrecting] = useState<Schemas["EventOut"] | null>(null);
  const outbox = useOutbox();
  const [error, setError] = useState<Error | null>(null);
  const path = `/api/runs/${run.id}/events`;
  const waiting = outbox.filter((e) => e.path === path);
  const send = (kind: Kind, body: Record<string, unknown>, moment?: string) => {
    setError(null);
    put({
      label: text.markLabel(kind),
      study: studyId,
      path,
      body: { id: newId(), kind, ...body },
      takes: keys.job(studyId, job.id),
      ...(moment ? { moment } : {}),
    }).catch(setError);
  };
  const unsent = waiting.filter((e) => !e.refused && !e.body?.supersedes_id).at(-1);
  const now = (unsent?.body?.kind as Kind | undefined) ?? run.events.at(-1)?.kind;
  return (
    <div className="pt-1">
      <div className="flex flex-wrap gap-1.5" role="group" aria-label={text.whatBeginsNow}>
        {KINDS.map((kind) => (
          <button
            key={kind}
            type="button"
            aria-pressed={now === kind}
            disabled={now === kind}
            className={`min-h-[34px] rounded-full border px-3 text-body max-[760px]:min-h-[44px] ${now === kind ? "border-enamel bg-enamel text-on-enamel" : "border-rule bg-sheet hover:bg-station-on"}`}
            onClick={() => send(kind, {}, "at")}
          >
            {kind}
          </button>
        ))}
      </div>
      {run.events.length > 0 && (
        <p className="pt-1 text-small text-ink-2">
          {run.events.slice(-4).map((e) => (
            <Hint key={e.id} says={text.correctThisMark}>
              <button type="button" className="mr-3 underline" onClick={() => setCorrecting(e)}>
                {e.kind} {new Date(e.at).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" })}
              </button>
            </Hint>
          ))}
        </p>
      )}
      {correcting && (
        <form
          className="flex flex-wrap items-end gap-2 pt-1"
          onSubmit={(event) => {
            event.preventDefault();
            const form = new FormData(event.currentTarget);
            const [hours, minutes] = String(form.get("at")).split(":").map(Number);
            const at = new Date(correcting.at);
            at.setHours(hours ?? 0, minutes ?? 0, 0, 0);
            send(correcting.kind, {
              at: at.toISOString(),
              supersedes_id: correcting.id,
              reason: String(form.get("reason")),
            });
            setCorrecting(null);
          }}
        >
          <Field label={text.beganAt(correcting.kind)}>
            <input
              className="input num"
              name="at"
              type="time"
              required
              defaultValue={new Date(correcting.at).toTimeString().slice(0, 5)}
            />
          </Field>
          <Field label={text.whyItIsCorrected}>
            <input className="input" name="reason" required maxLength={300} />
          </Field>
          <button type="submit" className="button">
            {text.correctIt}
          </button>
          <button type="button" className="button" onClick={() => setCorrecting(null)}>
            {text.back}
          </button>
        </form>
      )}
      <Trouble error={error} />
      <Refused entries={waiting} />
    </div>
  );
}

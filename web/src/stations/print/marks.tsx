import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { useChange } from "../../api/queries";
import { Field, Trouble } from "../../parts/bits";

type Kind = Schemas["RunEventKind"];

const KINDS: Kind[] = ["levelling", "warm-up", "printing", "paused", "filament change", "cooling", "removal"];

/** The phase that begins now, marked by hand where the machine does not report it itself. */
export function Marks({
  studyId,
  job,
  run,
  ahead,
}: {
  studyId: string;
  job: Schemas["JobView"];
  run: Schemas["RunOut"];
  ahead: number;
}) {
  const [correcting, setCorrecting] = useState<Schemas["EventOut"] | null>(null);
  const mark = useChange(studyId, ["job", job.id], (body: Schemas["NewEvent"]) =>
    unwrap(api.POST("/api/runs/{run_id}/events", { params: { path: { run_id: run.id } }, body })),
  );
  const now = run.events.at(-1)?.kind;
  return (
    <div className="pt-1">
      <div className="flex flex-wrap gap-1.5" role="group" aria-label="What begins now">
        {KINDS.map((kind) => (
          <button
            key={kind}
            type="button"
            aria-pressed={now === kind}
            disabled={mark.isPending || now === kind}
            className={`min-h-[34px] rounded-full border px-3 text-[13px] max-[760px]:min-h-[44px] ${now === kind ? "border-enamel bg-enamel text-on-enamel" : "border-rule bg-sheet hover:bg-station-on"}`}
            onClick={() => mark.mutate({ id: newId(), kind, at: new Date(Date.now() + ahead).toISOString() })}
          >
            {kind}
          </button>
        ))}
      </div>
      {run.events.length > 0 && (
        <p className="pt-1 text-[12px] text-ink-2">
          {run.events.slice(-4).map((e) => (
            <button
              key={e.id}
              type="button"
              className="mr-3 underline"
              title="Correct this mark"
              onClick={() => setCorrecting(e)}
            >
              {e.kind} {new Date(e.at).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" })}
            </button>
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
            mark.mutate(
              {
                id: newId(),
                kind: correcting.kind,
                at: at.toISOString(),
                supersedes_id: correcting.id,
                reason: String(form.get("reason")),
              },
              { onSuccess: () => setCorrecting(null) },
            );
          }}
        >
          <Field label={`${correcting.kind} began at`}>
            <input
              className="input num"
              name="at"
              type="time"
              required
              defaultValue={new Date(correcting.at).toTimeString().slice(0, 5)}
            />
          </Field>
          <Field label="Why it is corrected">
            <input className="input" name="reason" required maxLength={300} />
          </Field>
          <button type="submit" className="button" disabled={mark.isPending}>
            Correct it
          </button>
          <button type="button" className="button" onClick={() => setCorrecting(null)}>
            Back
          </button>
        </form>
      )}
      <Trouble error={mark.error} />
    </div>
  );
}

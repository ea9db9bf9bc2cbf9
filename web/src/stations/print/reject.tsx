import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { Field, Trouble } from "../../parts/bits";
import { CauseField } from "./cause";
import { text } from "./text";

/** A print that came off whole and still cannot be used: it counts as a failed one, with its cause. */
export function Reject({ studyId, jobId, run }: { studyId: string; jobId: string; run: Schemas["RunOut"] }) {
  const [open, setOpen] = useState(false);
  const reject = useChange(studyId, keys.job(studyId, jobId), (body: Schemas["NewRejection"]) =>
    unwrap(api.POST("/api/runs/{run_id}/rejection", { params: { path: { run_id: run.id } }, body })),
  );
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const reason = String(form.get("reason") ?? "").trim();
    reject.mutate(
      {
        id: newId(),
        cause: String(form.get("cause")) as Schemas["Cause"],
        words: String(form.get("words")),
        reason: reason || null,
      },
      { onSuccess: () => setOpen(false) },
    );
  };
  if (!open)
    return (
      <button type="button" className="text-small underline" onClick={() => setOpen(true)}>
        {run.rejected ? text.rejectAgain : text.reject}
      </button>
    );
  return (
    <form onSubmit={submit} className="grid gap-1.5 pt-1">
      <Field label={text.rejectWhy}>
        <input className="input" name="words" required maxLength={300} autoFocus />
      </Field>
      <CauseField />
      {(run.rejected || reject.error) && (
        <Field label={text.rejectReason}>
          <input className="input" name="reason" maxLength={300} />
        </Field>
      )}
      <Trouble error={reject.error} />
      <div className="flex gap-2">
        <button type="submit" className="button" disabled={reject.isPending}>
          {text.rejectIt}
        </button>
        <button type="button" className="button" onClick={() => setOpen(false)}>
          {text.back}
        </button>
      </div>
    </form>
  );
}

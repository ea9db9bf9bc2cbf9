import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/client";
import { keys } from "../../api/keys";
import { put, useOutbox } from "../../api/outbox";
import { Field, Trouble } from "../../parts/bits";
import { typedNumber } from "../../parts/numbers";
import { Refused } from "../../parts/refused";
import { text } from "./text";

/** What came off the plate, on a scale: the parts, and what was purged. */
export function Weigh({
  studyId,
  jobId,
  run,
  may,
}: {
  studyId: string;
  jobId: string;
  run: Schemas["RunOut"];
  may: boolean;
}) {
  const [open, setOpen] = useState(false);
  const [error, setError] = useState<Error | null>(null);
  const outbox = useOutbox();
  const path = `/api/runs/${run.id}/weight`;
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const model = typedNumber(String(form.get("model")));
    const typed = String(form.get("waste")).trim();
    const waste = typed === "" ? null : typedNumber(typed);
    if (model === null || model <= 0 || (typed !== "" && (waste === null || waste < 0))) {
      setError(new Error(text.weigh.wrong));
      return;
    }
    setError(null);
    put({
      label: text.weigh.label(model),
      study: studyId,
      method: "PUT",
      path,
      body: { version: run.version, model_g: model, waste_g: waste },
      takes: keys.job(studyId, jobId),
    }).catch(setError);
    setOpen(false);
  };
  return (
    <div>
      {run.model_g !== null && <p className="text-ink-2">{text.weigh.is(run.model_g, run.waste_g)}</p>}
      {may && !open && (
        <button type="button" className="text-small underline" onClick={() => setOpen(true)}>
          {run.model_g === null ? text.weigh.open : text.weigh.again}
        </button>
      )}
      {open && (
        <form
          onSubmit={submit}
          aria-label={text.weigh.title}
          className="mt-1 grid grid-cols-2 gap-1.5 rounded border border-rule p-2"
        >
          <Field label={text.weigh.model}>
            <input
              className="input num"
              name="model"
              inputMode="decimal"
              required
              defaultValue={run.model_g ?? ""}
            />
          </Field>
          <Field label={text.weigh.waste}>
            <input className="input num" name="waste" inputMode="decimal" defaultValue={run.waste_g ?? ""} />
          </Field>
          <p className="col-span-2 text-tiny text-ink-2">{text.weigh.how}</p>
          <div className="col-span-2 flex gap-2">
            <button type="submit" className="button">
              {text.keep}
            </button>
            <button type="button" className="button" onClick={() => setOpen(false)}>
              {text.back}
            </button>
          </div>
        </form>
      )}
      <Trouble error={error} />
      <Refused entries={outbox.filter((e) => e.path === path)} />
    </div>
  );
}

import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { Field, Trouble } from "../../parts/bits";
import { text } from "./text";

/** That this machine cannot print this piece, or anything of its material; and that it can after all. */
export function Ability({ studyId, job }: { studyId: string; job: Schemas["JobView"] }) {
  const [open, setOpen] = useState(false);
  const say = useChange(studyId, keys.job(studyId, job.id), (body: Schemas["NewAbility"]) =>
    unwrap(api.POST("/api/jobs/{job_id}/ability", { params: { path: { job_id: job.id } }, body })),
  );
  const able = job.cannot !== "";
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    say.mutate(
      {
        id: newId(),
        able,
        because: able ? "other" : (String(form.get("because")) as Schemas["Because"]),
        words: String(form.get("words") ?? "").trim(),
        of_material: form.get("of_material") === "on",
      },
      { onSuccess: () => setOpen(false) },
    );
  };
  if (!open)
    return (
      <button
        type="button"
        className={able ? "button justify-self-start" : "self-start text-small underline"}
        onClick={() => setOpen(true)}
      >
        {able ? text.ability.able : text.ability.cannot}
      </button>
    );
  return (
    <form
      onSubmit={submit}
      className="grid gap-2 rounded border border-rule p-3"
      aria-label={text.ability.title}
    >
      {!able && (
        <Field label={text.ability.because}>
          <select className="input" name="because" defaultValue="maker">
            {Object.entries(text.ability.reasons).map(([code, words]) => (
              <option key={code} value={code}>
                {words}
              </option>
            ))}
          </select>
        </Field>
      )}
      <Field label={able ? text.ability.whyAble : text.ability.words}>
        <input className="input" name="words" maxLength={300} required={able} />
      </Field>
      <label className="flex items-baseline gap-2">
        <input type="checkbox" name="of_material" />
        <span>{text.ability.ofMaterial}</span>
      </label>
      <Trouble error={say.error} />
      <div className="flex gap-2">
        <button type="submit" className="button" disabled={say.isPending}>
          {able ? text.ability.sayAble : text.ability.say}
        </button>
        <button type="button" className="button" onClick={() => setOpen(false)}>
          {text.back}
        </button>
      </div>
    </form>
  );
}

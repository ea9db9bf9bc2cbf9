import { useNavigate } from "@tanstack/react-router";
import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { Field, Trouble } from "../../parts/bits";
import { text } from "./text";

type Kind = Schemas["NewPrint"]["kind"];

/** One more print like this one, outside the plan: said to count or not, with its reason. */
export function More({ studyId, job }: { studyId: string; job: Schemas["JobView"] }) {
  const navigate = useNavigate();
  const [open, setOpen] = useState(false);
  const [kind, setKind] = useState<Kind>("an extra copy");
  const [id, setId] = useState(newId);
  const add = useChange(studyId, keys.job(studyId, id), (body: Schemas["NewPrint"]) =>
    unwrap(api.POST("/api/jobs/{job_id}/more", { params: { path: { job_id: job.id } }, body })),
  );
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    add.mutate(
      { id, kind, counts: form.get("counts") === "on", reason: String(form.get("reason") ?? "").trim() },
      {
        onSuccess: () => {
          setOpen(false);
          setId(newId());
          void navigate({ to: "/study/$studyId/$station", params: { studyId, station: "print" }, hash: id });
        },
      },
    );
  };
  if (!open)
    return (
      <button type="button" className="mt-3 text-small underline" onClick={() => setOpen(true)}>
        {text.more.open}
      </button>
    );
  return (
    <form onSubmit={submit} className="mt-3 grid gap-1.5" aria-label={text.more.title}>
      <Field label={text.more.kind}>
        <select className="input" value={kind} onChange={(e) => setKind(e.target.value as Kind)}>
          {text.more.kinds.map((k) => (
            <option key={k} value={k}>
              {k}
            </option>
          ))}
        </select>
      </Field>
      <Field label={text.more.why}>
        <input className="input" name="reason" required maxLength={500} />
      </Field>
      <label key={kind} className="flex items-baseline gap-2 text-small">
        <input type="checkbox" name="counts" defaultChecked={kind === "an extra copy"} />
        <span>{text.more.counts}</span>
      </label>
      <Trouble error={add.error} />
      <div className="flex gap-2">
        <button type="submit" className="button" disabled={add.isPending}>
          {text.more.add}
        </button>
        <button type="button" className="button" onClick={() => setOpen(false)}>
          {text.back}
        </button>
      </div>
    </form>
  );
}

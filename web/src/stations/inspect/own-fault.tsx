import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { Field, Trouble } from "../../parts/bits";
import { typedNumber } from "../../parts/numbers";
import { text } from "./text";

/** A fault that this study looks for beside the built-in ones, with its six anchors in words. */
export function OwnFault({ studyId }: { studyId: string }) {
  const [open, setOpen] = useState(false);
  const [wrong, setWrong] = useState<Error | null>(null);
  const add = useChange(studyId, keys.inspect(studyId), (body: Schemas["NewDefect"]) =>
    unwrap(api.POST("/api/studies/{study_id}/defects", { params: { path: { study_id: studyId } }, body })),
  );
  if (!open)
    return (
      <button type="button" className="mt-2 self-start text-small underline" onClick={() => setOpen(true)}>
        {text.own.add}
      </button>
    );
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const word = (name: string) => String(form.get(name) ?? "").trim();
    const weight = typedNumber(word("weight"));
    if (weight === null) {
      setWrong(new Error(text.own.weightWrong));
      return;
    }
    setWrong(null);
    add.mutate(
      {
        id: newId(),
        name: word("name"),
        weight,
        structural: form.get("structural") === "on",
        look: word("look"),
        anchors: [0, 1, 2, 3, 4, 5].map((n) => word(`anchor${n}`)),
      },
      { onSuccess: () => setOpen(false) },
    );
  };
  return (
    <form onSubmit={submit} className="mt-2 grid gap-1.5 border-t border-rule pt-2">
      <h3 className="lab">{text.own.title}</h3>
      <Field label={text.own.name}>
        <input className="input" name="name" required minLength={2} maxLength={40} autoFocus />
      </Field>
      <Field label={text.own.look}>
        <input className="input" name="look" required minLength={2} maxLength={160} />
      </Field>
      {[0, 1, 2, 3, 4, 5].map((n) => (
        <Field key={n} label={text.own.anchor(n)}>
          <input className="input" name={`anchor${n}`} required minLength={2} maxLength={160} />
        </Field>
      ))}
      <Field label={text.own.weight}>
        <input className="input num w-24" name="weight" inputMode="decimal" defaultValue="1" required />
      </Field>
      <label className="flex items-baseline gap-2 text-small">
        <input type="checkbox" name="structural" /> {text.own.structural}
      </label>
      <Trouble error={wrong ?? add.error} />
      <div className="flex gap-2">
        <button type="submit" className="button primary" disabled={add.isPending}>
          {text.own.keep}
        </button>
        <button type="button" className="button" onClick={() => setOpen(false)}>
          {text.leaveIt}
        </button>
      </div>
      <p className="text-small text-ink-2">{text.own.hint}</p>
    </form>
  );
}

import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { put } from "../../api/outbox";
import { useChange, useMe } from "../../api/queries";
import { Field, Trouble } from "../../parts/bits";
import { text } from "./text";

/** All checks of a unit at one go: each is ticked as it is looked at, one photo goes with them. */
export function CheckRound({
  studyId,
  unitId,
  checks,
}: {
  studyId: string;
  unitId: string;
  checks: Schemas["CheckText"][];
}) {
  const me = useMe();
  const [open, setOpen] = useState(false);
  const [lost, setLost] = useState<Error | null>(null);
  const record = useChange(studyId, keys.receive(studyId), (body: Schemas["CheckRound"]) =>
    unwrap(
      api.POST("/api/studies/{study_id}/units/{unit_id}/check-round", {
        params: { path: { study_id: studyId, unit_id: unitId } },
        body,
      }),
    ),
  );
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const made = checks.map((c) => ({ id: newId(), kind: c.kind }));
    const photo = form.get("photo");
    record.mutate(
      {
        checks: made,
        done_by: String(form.get("done_by")).trim(),
        earth_by: String(form.get("earth_by")).trim(),
        note: String(form.get("note")).trim(),
      },
      {
        onSuccess: () => {
          if (!(photo instanceof File) || photo.size === 0) return setOpen(false);
          put({
            label: text.roundPhoto,
            study: studyId,
            method: "PUT",
            path: `/api/photos/${made[0]!.id}?id=${newId()}`,
            file: photo,
          }).then(() => setOpen(false), setLost);
        },
      },
    );
  };
  if (!open)
    return (
      <button type="button" className="button mt-2" onClick={() => setOpen(true)}>
        {text.round}
      </button>
    );
  return (
    <form
      onSubmit={submit}
      className="mt-2 grid gap-2 rounded border border-rule p-3"
      aria-label={text.round}
    >
      <p className="text-small text-ink-2">{text.roundHow}</p>
      <ul className="grid gap-1">
        {checks.map((c) => (
          <li key={c.kind}>
            <label className="flex items-baseline gap-2 text-body">
              <input type="checkbox" required />
              <span>
                <b>{c.title}.</b> {c.look} <span className="text-brass-ink">{c.caution}</span>
              </span>
            </label>
          </li>
        ))}
      </ul>
      <div className="grid grid-cols-2 gap-2 max-[760px]:grid-cols-1">
        <Field label={text.doneBy}>
          <input
            className="input"
            name="done_by"
            required
            maxLength={120}
            defaultValue={me.data?.name ?? ""}
          />
        </Field>
        <Field label={text.earthBy}>
          <input className="input" name="earth_by" required maxLength={120} />
        </Field>
        <Field label={text.passNote}>
          <input className="input" name="note" maxLength={500} />
        </Field>
        <Field label={text.roundPhoto}>
          <input className="input" type="file" name="photo" accept="image/*" capture="environment" />
        </Field>
      </div>
      <Trouble error={record.error ?? lost} />
      <div className="flex gap-2">
        <button type="submit" className="button primary" disabled={record.isPending}>
          {text.roundRecord(checks.length)}
        </button>
        <button type="button" className="button" onClick={() => setOpen(false)}>
          {text.back}
        </button>
      </div>
    </form>
  );
}

import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { Field, Trouble } from "../../parts/bits";
import { text } from "./text";

/** Another unit of the model takes the place of this one and prints all of its plan. */
export function Replacement({
  studyId,
  unit,
  may,
}: {
  studyId: string;
  unit: Schemas["UnitOut"];
  may: boolean;
}) {
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState("");
  const send = useChange(studyId, keys.receive(studyId), (why: string) =>
    unwrap(
      api.POST("/api/studies/{study_id}/units/{unit_id}/replacement", {
        params: { path: { study_id: studyId, unit_id: unit.machine.unit_id } },
        body: { id: newId(), reason: why },
      }),
    ),
  );
  if (unit.replaced) return <p className="pt-3 font-semibold">{text.replacedBy(unit.replaced)}</p>;
  if (!may) return null;
  if (!open)
    return (
      <button type="button" className="button mt-3" onClick={() => setOpen(true)}>
        {text.replaceIt}
      </button>
    );
  return (
    <form
      className="mt-3 grid justify-items-start gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate(reason.trim(), { onSuccess: () => setOpen(false) });
      }}
    >
      <p className="caution">{text.whatReplacingDoes(unit.machine.name)}</p>
      <div className="flex flex-wrap items-end gap-2">
        <Field label={text.whyReplaced}>
          <input
            className="input !w-[min(420px,80vw)]"
            required
            maxLength={300}
            value={reason}
            onChange={(e) => setReason(e.target.value)}
          />
        </Field>
        <button type="submit" className="button primary" disabled={send.isPending || !reason.trim()}>
          {text.replaceNow}
        </button>
        <button type="button" className="button" onClick={() => setOpen(false)}>
          {text.keepIt}
        </button>
      </div>
      <Trouble error={send.error} />
    </form>
  );
}

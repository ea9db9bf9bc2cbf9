import { useState } from "react";
import { newId, type Schemas } from "../../api/client";
import { keys } from "../../api/keys";
import { put, useOutbox } from "../../api/outbox";
import { Trouble } from "../../parts/bits";
import { Refused } from "../../parts/refused";
import { type Found, LookForm } from "../look-form";
import { CauseField } from "./cause";
import { text } from "./text";

/** The first look, as the part lies on the plate: obvious faults, one key each; a rejected part opens a reprint. */
export function PlateLook({
  studyId,
  jobId,
  run,
  look,
  may,
}: {
  studyId: string;
  jobId: string;
  run: Schemas["RunOut"];
  look: Schemas["LookOut"];
  may: boolean;
}) {
  const outbox = useOutbox();
  const [error, setError] = useState<Error | null>(null);
  const path = `/api/runs/${run.id}/look`;
  const waiting = outbox.filter((e) => e.path === path);
  const keep = (found: Found, form: FormData) => {
    setError(null);
    put({
      label: text.plateLabel(run.attempt, found.result),
      study: studyId,
      path,
      body: {
        id: newId(),
        stage: "plate",
        ...found,
        ...(found.result === "reject" ? { cause: String(form.get("cause") || "unknown") } : {}),
        ...(look.id ? { supersedes_id: look.id } : {}),
      },
      moment: "looked_at",
      takes: keys.job(studyId, jobId),
    }).catch(setError);
  };
  return (
    <section aria-label={text.plateLook} className="py-1">
      <h3 className="lab">{text.plateLook}</h3>
      {waiting.some((e) => !e.refused) ? (
        <p className="text-small text-ink-2">{text.plateWaiting}</p>
      ) : (
        <LookForm look={look} keep={keep} mayKeep={may} cause={<CauseField />} />
      )}
      <Trouble error={error} />
      <Refused entries={waiting} />
    </section>
  );
}

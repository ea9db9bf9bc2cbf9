import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, unwrap } from "../api/client";
import { keys } from "../api/keys";
import { Trouble } from "./bits";
import { text } from "./text";

/** What is hidden by printer while parts are blind, and the way to look at it all the same, on record. */
export function HiddenFigures({
  studyId,
  blinding,
  may,
}: {
  studyId: string;
  blinding: Schemas["Blinding"];
  may: boolean;
}) {
  const [asked, ask] = useState(false);
  const client = useQueryClient();
  const look = useMutation({
    mutationFn: () =>
      unwrap(api.POST("/api/studies/{study_id}/unblinding", { params: { path: { study_id: studyId } } })),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.study(studyId) }),
  });
  if (!blinding.withheld) return null;
  return (
    <section
      aria-label={text.hidden.title}
      className="sheet border-l-3 border-l-brass px-3 py-2 print:hidden"
    >
      <div className="flex flex-wrap items-baseline justify-between gap-x-4 gap-y-1">
        <p>
          <b>{text.hidden.title}</b> {text.hidden.why}
        </p>
        {may && !asked && (
          <button type="button" className="button" onClick={() => ask(true)}>
            {text.hidden.look}
          </button>
        )}
      </div>
      {asked && (
        <div className="grid gap-2 pt-2">
          <p>{text.hidden.becomes}</p>
          <p className="text-ink-2">{text.hidden.stays}</p>
          <p className="flex gap-2">
            <button type="button" className="button" disabled={look.isPending} onClick={() => look.mutate()}>
              {text.hidden.lookNow}
            </button>
            <button type="button" className="button" onClick={() => ask(false)}>
              {text.cancel}
            </button>
          </p>
          <Trouble error={look.error} />
        </div>
      )}
    </section>
  );
}

import { useMutation, useQuery } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { Field, Trouble } from "../../parts/bits";
import { text } from "./text";

/** Whether what was published still holds: by the prices, the record and the re-tests since. */
export function Holds({ studyId, may }: { studyId: string; may: boolean }) {
  const view = useQuery({
    queryKey: keys.part(studyId, "holds"),
    queryFn: () =>
      unwrap(api.GET("/api/studies/{study_id}/holds", { params: { path: { study_id: studyId } } })),
  });
  if (view.isError) return <Trouble error={view.error} />;
  if (!view.data || view.data.revisions.length === 0) return null;
  return (
    <section aria-label={text.holds} className="grid gap-2 border-b border-rule py-3">
      <h2 className="lab">{text.holds}</h2>
      {view.data.revisions.map((r) => (
        <Revision key={r.revision_id} held={r} may={may} />
      ))}
    </section>
  );
}

function Revision({ held, may }: { held: Schemas["RevisionHeld"]; may: boolean }) {
  return (
    <details open={!held.holds} className="text-small">
      <summary className={`cursor-pointer font-semibold ${held.holds ? "text-ok-ink" : "text-needle-ink"}`}>
        {held.says}
      </summary>
      <ul className="grid gap-1 pt-1.5">
        {held.buyers.map((b) => (
          <li key={b.buyer} className={b.holds ? "text-ink-2" : "font-semibold"}>
            {b.says}
          </li>
        ))}
      </ul>
      {held.beside.length > 0 && (
        <ul className="list-disc pt-1.5 pl-4 text-brass-ink">
          {held.beside.map((w) => (
            <li key={w}>{w}</li>
          ))}
        </ul>
      )}
      {held.drift.map((d) => (
        <DriftOf key={d.study_id} drift={d} />
      ))}
      {may && <Retest held={held} />}
    </details>
  );
}

function DriftOf({ drift }: { drift: Schemas["Drift"] }) {
  return (
    <div className="pt-2">
      <p className="font-semibold">{text.driftIn(drift.title)}</p>
      {drift.needs && <p className="text-ink-2">{text.driftNeeds(drift.needs)}</p>}
      {drift.units.map((u) => (
        <details key={u.unit_id}>
          <summary className="cursor-pointer">{u.says}</summary>
          <ul className="grid gap-0.5 pl-3">
            {u.rows.map((r) => (
              <li key={r.code} className={r.drifted ? "font-semibold" : "text-ink-2"}>
                {text.driftRow(r.name, r.before, r.now, r.says)}
              </li>
            ))}
          </ul>
        </details>
      ))}
    </div>
  );
}

function Retest({ held }: { held: Schemas["RevisionHeld"] }) {
  const navigate = useNavigate();
  const [open, setOpen] = useState(false);
  const plan = useMutation({
    mutationFn: (title: string) =>
      unwrap(
        api.POST("/api/revisions/{revision_id}/retest", {
          params: { path: { revision_id: held.revision_id } },
          body: { id: newId(), title },
        }),
      ),
    onSuccess: (made) =>
      navigate({ to: "/study/$studyId/$station", params: { studyId: made.study_id, station: "plan" } }),
  });
  if (!open)
    return (
      <button type="button" className="pt-2 underline" onClick={() => setOpen(true)}>
        {text.retest}
      </button>
    );
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    plan.mutate(String(new FormData(event.currentTarget).get("title")));
  };
  return (
    <form onSubmit={submit} className="grid gap-2 pt-2">
      <Field label={text.retestTitle} hint={text.retestHint}>
        <input className="input" name="title" maxLength={120} required />
      </Field>
      <button type="submit" className="button" disabled={plan.isPending}>
        {text.retestPlan}
      </button>
      <Trouble error={plan.error} />
    </form>
  );
}

import { useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate } from "@tanstack/react-router";
import { type FormEvent, useState } from "react";
import { api, newId, unwrap } from "../api/client";
import { keys } from "../api/keys";
import { useMe, useStudies } from "../api/queries";
import { Reminders } from "../life/reminders";
import { Field, Skeleton, Trouble } from "../parts/bits";
import { CurrencyField } from "../parts/form/currency";
import { Shell } from "./shell";
import { text } from "./text";

/** All studies, and the one action of an empty bench: start one. */
export function StudiesPage() {
  const studies = useStudies();
  const me = useMe();
  const may = me.data?.role === "owner" || me.data?.role === "reviewer";
  return (
    <Shell studyId={null} active="" title={text.studies}>
      <div className="mx-auto grid max-w-[900px] items-start gap-4 md:grid-cols-[1fr_320px]">
        <section className="sheet overflow-hidden">
          {studies.isPending && <Skeleton className="h-40" />}
          {studies.data?.studies.map((s) => (
            <Link
              key={s.id}
              to="/study/$studyId/$station"
              params={{
                studyId: s.id,
                station: me.data?.role === "rater" ? "measure" : s.frozen ? "rank" : "plan",
              }}
              className="grid gap-0.5 border-b border-rule-2 px-4 py-3 hover:bg-station-on"
            >
              <b className="text-lead">{s.title}</b>
              <span className="text-ink-2">{s.question || text.noQuestionWrittenYet}</span>
              <span className="lab">
                {text.machinesProtocolFrozenDraft(s.machines, s.frozen, s.entered_from)}
              </span>
            </Link>
          ))}
          {studies.data?.studies.length === 0 && <p className="p-5 text-ink-2">{text.noStudyYetA}</p>}
        </section>
        {may && (
          <div className="grid gap-3">
            <NewStudy />
            <Link to="/old-bench" className="button w-full justify-center text-center">
              {text.fromASpreadsheet}
            </Link>
            <Link to="/packages" className="button w-full justify-center text-center">
              {text.otherBenches}
            </Link>
            <Reminders />
          </div>
        )}
      </div>
    </Shell>
  );
}

function NewStudy() {
  const navigate = useNavigate();
  const client = useQueryClient();
  const [error, setError] = useState<Error | null>(null);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const id = newId();
    try {
      await unwrap(
        api.POST("/api/studies", {
          body: {
            id,
            title: String(form.get("title")).trim(),
            question: String(form.get("question")),
            currency: String(form.get("currency")).toUpperCase(),
          },
        }),
      );
      await client.invalidateQueries({ queryKey: keys.studies });
      await navigate({ to: "/study/$studyId/$station", params: { studyId: id, station: "plan" } });
    } catch (e) {
      setError(e as Error);
    }
  };
  return (
    <form onSubmit={(e) => void submit(e)} className="sheet grid gap-3 p-4">
      <h2 className="text-lead font-bold">{text.newStudy}</h2>
      <Field label={text.title}>
        <input className="input" name="title" required maxLength={120} />
      </Field>
      <Field label={text.questionItAnswers}>
        <textarea className="input" name="question" rows={2} maxLength={500} />
      </Field>
      <CurrencyField label={text.currency} value="EUR" />
      <Trouble error={error} />
      <button type="submit" className="button primary">
        {text.startPlanning}
      </button>
    </form>
  );
}

import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange, useMe } from "../../api/queries";
import { day, Field, Trouble } from "../../parts/bits";
import { Photos } from "../../parts/photos";
import { text } from "./text";

/** One safety check: what to look for, its caution, what was found last, and recording a new result. */
export function CheckCard({
  studyId,
  unitId,
  words,
  last,
  may,
}: {
  studyId: string;
  unitId: string;
  words: Schemas["CheckText"];
  last: Schemas["CheckOut"];
  may: boolean;
}) {
  const me = useMe();
  const [giving, setGiving] = useState<"pass" | "fail" | null>(null);
  const record = useChange(studyId, keys.receive(studyId), (body: Schemas["NewCheck"]) =>
    unwrap(
      api.POST("/api/studies/{study_id}/units/{unit_id}/checks", {
        params: { path: { study_id: studyId, unit_id: unitId } },
        body,
      }),
    ),
  );
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    record.mutate(
      {
        id: newId(),
        kind: words.kind,
        result: giving!,
        done_by: String(form.get("done_by")).trim(),
        note: String(form.get("note")).trim(),
      },
      { onSuccess: () => setGiving(null) },
    );
  };
  return (
    <article aria-label={words.title} className="rounded border border-rule px-3 py-2">
      <div className="flex items-baseline justify-between gap-3">
        <h3 className="text-lead font-bold">{words.title}</h3>
        <b
          className={
            last.result === "pass"
              ? "text-ok-ink"
              : last.result === "fail"
                ? "text-needle-ink"
                : "text-brass-ink"
          }
        >
          {last.result === "pass" ? text.passed : last.result === "fail" ? text.failed : text.notDone}
        </b>
      </div>
      <p className="text-small">
        {words.look} <span className="text-ink-2">{words.fails}</span>
      </p>
      <p className="caution mt-1.5 !py-1 !text-small">{words.caution}</p>
      {!giving && (
        <div className="mt-1.5 flex flex-wrap items-center gap-2">
          <p className="min-w-0 flex-1 text-small text-ink-2">
            {last.result &&
              `${last.done_by}, ${day(last.done_at!)}${last.times_done > 1 ? text.timesOnRecord(last.times_done) : ""}${last.note && ` · ${last.note}`}`}
          </p>
          {may && (
            <>
              <button type="button" className="button" onClick={() => setGiving("pass")}>
                {last.result ? text.reCheckPassed : text.passed}
              </button>
              <button type="button" className="button" onClick={() => setGiving("fail")}>
                {last.result ? text.reCheckFailed : text.failed}
              </button>
            </>
          )}
        </div>
      )}
      {last.result && last.id && (
        <div className="pt-1.5">
          <Photos subjectId={last.id} photos={last.photos} may={may} label={words.title} studyId={studyId} />
        </div>
      )}
      {last.history.length > 0 && (
        <details className="pt-1 text-small text-ink-2">
          <summary>{text.earlierResults}</summary>
          <ul>
            {last.history.map((h) => (
              <li key={h.done_at}>
                {h.result === "pass" ? text.passed : text.failed}, {h.done_by}, {day(h.done_at)}
                {h.note && ` · ${h.note}`}
              </li>
            ))}
          </ul>
        </details>
      )}
      {giving && (
        <form onSubmit={submit} className="mt-2 grid gap-2">
          <div className="grid grid-cols-2 gap-2">
            <Field label={text.doneBy}>
              <input
                className="input"
                name="done_by"
                required
                maxLength={120}
                defaultValue={words.kind === "earth" ? "" : (me.data?.name ?? "")}
                placeholder={words.kind === "earth" ? text.aQualifiedPerson : ""}
              />
            </Field>
            <Field label={giving === "fail" ? text.failNote : text.passNote}>
              <input className="input" name="note" required={giving === "fail"} maxLength={500} autoFocus />
            </Field>
          </div>
          <Trouble error={record.error} />
          <div className="flex gap-2">
            <button
              type="submit"
              className={`button ${giving === "fail" ? "now" : "primary"}`}
              disabled={record.isPending}
            >
              {text.recordItAsFailedPassed(giving === "fail")}
            </button>
            <button type="button" className="button" onClick={() => setGiving(null)}>
              {text.back}
            </button>
          </div>
        </form>
      )}
    </article>
  );
}

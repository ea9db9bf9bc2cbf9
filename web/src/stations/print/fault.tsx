import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { Field, Trouble } from "../../parts/bits";
import { text } from "./text";

type Run = Schemas["RunOut"];
type Entry = Schemas["HypothesisOut"];

const RULINGS: Record<Schemas["Ruling"], string> = {
  open: "open",
  "ruled out": text.ruledOut,
  found: text.thisWasIt,
};

/** What may have made a run fail, or was odd about it, how each was tested, and what that ruled out; the end may stay open. */
export function FaultSheet({
  studyId,
  jobId,
  run,
  may,
}: {
  studyId: string;
  jobId: string;
  run: Run;
  may: boolean;
}) {
  const [at, setAt] = useState<string | null>(null);
  if (run.outcome === null) return null;
  return (
    <div className="pt-1">
      {run.hypotheses.length > 0 && (
        <ul className="grid gap-1">
          {run.hypotheses.map((h) => (
            <li key={h.id} className="text-small">
              {at === h.id ? (
                <Sheet studyId={studyId} jobId={jobId} run={run} entry={h} done={() => setAt(null)} />
              ) : (
                <button
                  type="button"
                  className="w-full text-left"
                  disabled={!may}
                  onClick={() => setAt(h.id)}
                  aria-label={text.change(h.claim, RULINGS[h.ruling])}
                >
                  <b className={h.ruling === "ruled out" ? "font-normal line-through" : ""}>{h.claim}</b>{" "}
                  <span className={h.ruling === "found" ? "font-semibold text-ok-ink" : "text-ink-2"}>
                    {RULINGS[h.ruling]}
                  </span>
                  {h.test && <span className="block text-ink-2">{text.test(h.test)}</span>}
                  {h.result && <span className="block text-ink-2">{h.result}</span>}
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      {at === "new" ? (
        <Sheet studyId={studyId} jobId={jobId} run={run} entry={null} done={() => setAt(null)} />
      ) : (
        may && (
          <button type="button" className="text-small underline" onClick={() => setAt("new")}>
            {run.hypotheses.length > 0
              ? text.anotherPossibleCause
              : run.outcome === "failed"
                ? text.findTheFaultWhatMay
                : text.wasAnythingOdd}
          </button>
        )
      )}
    </div>
  );
}

function Sheet({
  studyId,
  jobId,
  run,
  entry,
  done,
}: {
  studyId: string;
  jobId: string;
  run: Run;
  entry: Entry | null;
  done: () => void;
}) {
  const send = useChange(studyId, keys.job(studyId, jobId), (body: Omit<Schemas["NewHypothesis"], "id">) =>
    entry
      ? unwrap(
          api.PUT("/api/hypotheses/{hypothesis_id}", {
            params: { path: { hypothesis_id: entry.id } },
            body: { ...body, version: entry.version },
          }),
        )
      : unwrap(
          api.POST("/api/runs/{run_id}/hypotheses", {
            params: { path: { run_id: run.id } },
            body: { ...body, id: newId() },
          }),
        ),
  );
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const words = (name: string) => String(form.get(name) ?? "").trim();
    send.mutate(
      {
        claim: words("claim"),
        test: words("test"),
        result: words("result"),
        ruling: words("ruling") as Schemas["Ruling"],
      },
      { onSuccess: done },
    );
  };
  return (
    <form
      onSubmit={submit}
      aria-label={text.possibleCause}
      className="mt-1 grid gap-1.5 rounded border border-rule p-2"
    >
      <Field label={text.itMayHaveBeen}>
        <input className="input" name="claim" required maxLength={300} defaultValue={entry?.claim} />
      </Field>
      <Field label={text.howItIsTested}>
        <input className="input" name="test" maxLength={500} defaultValue={entry?.test} />
      </Field>
      <Field label={text.whatTheTestShowed}>
        <input className="input" name="result" maxLength={500} defaultValue={entry?.result} />
      </Field>
      <Field label={text.soItIs}>
        <select className="input" name="ruling" defaultValue={entry?.ruling ?? "open"}>
          {Object.entries(RULINGS).map(([value, name]) => (
            <option key={value} value={value}>
              {name}
            </option>
          ))}
        </select>
      </Field>
      <Trouble error={send.error} />
      <div className="flex gap-2">
        <button type="submit" className="button" disabled={send.isPending}>
          {text.keep}
        </button>
        <button type="button" className="button" onClick={done}>
          {text.back}
        </button>
      </div>
    </form>
  );
}

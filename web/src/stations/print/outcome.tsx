import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/client";
import { keys } from "../../api/keys";
import { put, useOutbox } from "../../api/outbox";
import { Field, Trouble } from "../../parts/bits";
import { Refused } from "../../parts/refused";
import { CauseField } from "./cause";
import { text } from "./text";

type Run = Schemas["RunOut"];

/** Where the moment of a stop stands on this device while its outcome is being written. */
export function stopKey(run: Run): string {
  return `crevlo.stopped.${run.id}`;
}

/** How a stopped run ended, and when: as the machine reported it, or as typed. */
export function Outcome({
  studyId,
  jobId,
  run,
  stopped,
  reported,
  leave,
}: {
  studyId: string;
  jobId: string;
  run: Run;
  stopped: string;
  /** When the machine said that it was through. */
  reported: string | null;
  leave: () => void;
}) {
  const [outcome, setOutcome] = useState<Schemas["EndRun"]["outcome"]>("done");
  const outbox = useOutbox();
  const [error, setError] = useState<Error | null>(null);
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const failed = outcome === "failed";
    put({
      label: text.endLabel(text.outcomes[outcome].toLowerCase()),
      study: studyId,
      path: `/api/runs/${run.id}/end`,
      body: {
        outcome,
        ended_at: endOf(String(form.get("ended") ?? ""), reported ?? stopped),
        note: String(form.get("note") ?? "").trim(),
        cause: failed ? String(form.get("cause")) : null,
        failed_at_percent: failed && form.get("percent") ? Number(form.get("percent")) : null,
        failed_at_layer: failed && form.get("layer") ? Number(form.get("layer")) : null,
        uses_attempt: outcome === "stopped" && form.get("counts") === "on",
      },
      takes: keys.job(studyId, jobId),
    })
      .then(() => localStorage.removeItem(stopKey(run)))
      .catch(setError);
  };
  return (
    <form onSubmit={submit} className="grid gap-2.5">
      <fieldset className="grid grid-cols-3 gap-2">
        <legend className="sr-only">{text.outcome}</legend>
        {(["done", "failed", "stopped"] as const).map((o, i) => (
          <label
            key={o}
            className={`grid min-h-[56px] cursor-pointer content-center rounded border px-3 has-focus-visible:outline-2 has-focus-visible:outline-needle ${outcome === o ? "border-enamel bg-enamel text-on-enamel" : "border-rule"}`}
          >
            <input
              type="radio"
              name="outcome"
              autoFocus={i === 0}
              checked={outcome === o}
              onChange={() => setOutcome(o)}
              className="sr-only"
            />
            <b className="text-lead">{text.outcomes[o]}</b>
            <small className={outcome === o ? "" : "text-ink-2"}>{text.outcomeHints[o]}</small>
          </label>
        ))}
      </fieldset>
      {outcome === "failed" && (
        <div className="grid grid-cols-[1.2fr_1fr_1fr] gap-2 max-[560px]:grid-cols-2">
          <CauseField />
          <Field label={text.atPercentIfKnown}>
            <input className="input num" name="percent" type="number" min={0} max={100} step="any" />
          </Field>
          <Field label={text.atLayerIfKnown}>
            <input className="input num" name="layer" type="number" min={0} max={100000} step={1} />
          </Field>
        </div>
      )}
      <Field label={reported ? text.endedReported : text.endedTyped}>
        <input
          className="input num !w-[230px]"
          type="datetime-local"
          name="ended"
          step={1}
          required
          min={local(run.started_at)}
          defaultValue={local(reported ?? stopped)}
        />
      </Field>
      <Field label={outcome === "failed" ? text.howItWasSeen : text.remarkIfAny}>
        <input className="input" name="note" maxLength={1000} />
      </Field>
      {outcome === "stopped" && (
        <label className="flex items-baseline gap-2">
          <input type="checkbox" name="counts" /> {text.counts}
        </label>
      )}
      <Trouble error={error} />
      <Refused entries={outbox.filter((e) => e.path === `/api/runs/${run.id}/end`)} />
      <div className="flex gap-2">
        <button type="submit" className="button now big">
          {text.recordTheOutcome}
        </button>
        <button type="button" className="button" onClick={leave}>
          {text.notStoppedGoOn}
        </button>
      </div>
    </form>
  );
}

/** A moment as the field for local times shows it, to the second. */
function local(iso: string): string {
  const at = new Date(iso);
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 19);
}

/** What was typed, or the exact moment where nobody changed it. */
function endOf(typed: string, exact: string): string {
  const shown = local(exact);
  // Browsers leave out seconds that are zero.
  return typed === shown || typed === shown.replace(/:00$/, "") ? exact : new Date(typed).toISOString();
}

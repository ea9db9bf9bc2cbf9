import { Plus } from "@phosphor-icons/react/dist/csr/Plus";
import { X } from "@phosphor-icons/react/dist/csr/X";
import { type FormEvent, useRef, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { duration, Field, Trouble } from "../../parts/bits";
import { Toggles } from "../../parts/form/toggles";
import { moments } from "../../parts/local-time";
import { CauseField } from "./cause";
import { text } from "./text";

type Span = { begin: string; end: string };

/** A whole try as a sheet of paper has it: start, end, pauses, outcome. */
export function Paper({
  studyId,
  job,
  leave,
}: {
  studyId: string;
  job: Schemas["JobView"];
  leave: () => void;
}) {
  const id = useRef(newId());
  const [whole, setWhole] = useState<Span>({ begin: "", end: "" });
  const [pauses, setPauses] = useState<Span[]>([]);
  const [outcome, setOutcome] = useState<Schemas["PaperRun"]["outcome"]>("done");
  const onPlate = job.file?.parts ?? job.parts;
  const [parts, setParts] = useState(String(onPlate));
  const enter = useChange(studyId, keys.job(studyId, job.id), (body: Schemas["PaperRun"]) =>
    unwrap(api.POST("/api/jobs/{job_id}/paper-run", { params: { path: { job_id: job.id } }, body })),
  );
  // In the hour that a clock set back has twice, which of the two: by the label of its field.
  const [second, setSecond] = useState<Record<string, boolean>>({});
  const at = (label: string, local: string) => {
    const found = moments(local);
    return found[second[label] ? found.length - 1 : 0] ?? "";
  };
  const pausedFrom = (i: number) => at(text.paper.pausedFrom(i + 1), pauses[i]!.begin);
  const pausedTo = (i: number) => at(text.paper.pausedTo(i + 1), pauses[i]!.end);
  const began = at(text.paper.started, whole.begin);
  const ended = at(text.paper.ended, whole.end);
  const seconds = (from: string, to: string) => (from && to ? (Date.parse(to) - Date.parse(from)) / 1000 : 0);
  const several = job.parts > 1 || onPlate > 1;
  const again = job.runs.length > 0;
  const deviates =
    !job.file ||
    (job.file.deviations.length > 0 && !job.file.accepted) ||
    (several && Number(parts) !== job.parts);
  const printed =
    seconds(began, ended) - pauses.reduce((sum, _, i) => sum + seconds(pausedFrom(i), pausedTo(i)), 0);
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const said = (name: string) => String(form.get(name) ?? "").trim();
    enter.mutate(
      {
        id: id.current,
        started_at: began,
        ended_at: ended,
        pauses: pauses.map((_, i) => ({ begin: pausedFrom(i), end: pausedTo(i) })),
        outcome,
        cause: outcome === "failed" ? (said("cause") as Schemas["Cause"]) : null,
        uses_attempt: outcome === "stopped" && form.get("counts") === "on",
        changed: said("changed"),
        deviation_reason: said("reason"),
        without_file: !job.file,
        note: said("note"),
        ...(several ? { parts: Number(parts) } : {}),
      },
      { onSuccess: leave },
    );
  };
  const moment = (label: string, value: string, change: (value: string) => void) => (
    <div>
      <Field label={label}>
        <input
          className="input num"
          type="datetime-local"
          step={60}
          required
          value={value}
          onChange={(e) => change(e.target.value)}
        />
      </Field>
      {moments(value).length > 1 && (
        <label className="flex items-baseline gap-2 text-small">
          <input
            type="checkbox"
            checked={second[label] ?? false}
            onChange={(e) => setSecond({ ...second, [label]: e.target.checked })}
          />
          <span>{text.paper.twice(label)}</span>
        </label>
      )}
    </div>
  );
  return (
    <form
      onSubmit={submit}
      className="grid grid-cols-[minmax(0,1fr)] content-start gap-2.5 p-0.5"
      aria-label={text.paper.title}
    >
      <p className="lab">{text.paper.title}</p>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-2 max-[560px]:grid-cols-1">
        {moment(text.paper.started, whole.begin, (begin) => setWhole({ ...whole, begin }))}
        {moment(text.paper.ended, whole.end, (end) => setWhole({ ...whole, end }))}
      </div>
      {pauses.map((p, at) => {
        const edit = (part: Partial<Span>) =>
          setPauses(pauses.map((old, i) => (i === at ? { ...old, ...part } : old)));
        return (
          <div
            key={at}
            className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_auto] items-end gap-2 max-[560px]:grid-cols-[minmax(0,1fr)_auto]"
          >
            {moment(text.paper.pausedFrom(at + 1), p.begin, (begin) => edit({ begin }))}
            {moment(text.paper.pausedTo(at + 1), p.end, (end) => edit({ end }))}
            <button
              type="button"
              className="button"
              aria-label={text.paper.noPause(at + 1)}
              onClick={() => setPauses(pauses.filter((_, i) => i !== at))}
            >
              <X size={13} />
            </button>
          </div>
        );
      })}
      <div className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="button"
          onClick={() => setPauses([...pauses, { begin: whole.begin, end: "" }])}
        >
          <Plus size={13} /> {text.paper.addPause}
        </button>
        {printed > 0 && <span className="text-ink-2">{text.paper.printed(duration(printed))}</span>}
      </div>
      <Toggles
        label={text.outcome}
        value={outcome}
        options={(["done", "failed", "stopped"] as const).map((o) => ({ value: o, name: text.outcomes[o] }))}
        change={setOutcome}
        item="min-h-9 px-4"
      />
      {outcome === "failed" && <CauseField />}
      {outcome === "stopped" && (
        <label className="flex items-baseline gap-2">
          <input type="checkbox" name="counts" /> {text.counts}
        </label>
      )}
      {several && (
        <Field label={text.partsOnThePlate}>
          <input
            className="input num !w-[86px]"
            type="number"
            min={1}
            max={200}
            required
            value={parts}
            onChange={(e) => setParts(e.target.value)}
          />
        </Field>
      )}
      {again && (
        <Field label={text.changed}>
          <input className="input" name="changed" required maxLength={500} />
        </Field>
      )}
      {deviates && (
        <Field
          label={job.file ? text.reason : text.paper.whyNoFile}
          hint={job.file ? text.recordedAsADeviation : text.paper.noFile}
        >
          <input className="input" name="reason" required maxLength={500} />
        </Field>
      )}
      <Field label={outcome === "failed" ? text.howItWasSeen : text.remarkIfAny}>
        <input className="input" name="note" maxLength={1000} />
      </Field>
      <Trouble error={enter.error} />
      <div className="flex gap-2">
        <button type="submit" className="button now" disabled={enter.isPending}>
          {text.paper.keep}
        </button>
        <button type="button" className="button" onClick={leave}>
          {text.back}
        </button>
      </div>
    </form>
  );
}

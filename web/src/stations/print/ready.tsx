import { Play } from "@phosphor-icons/react/dist/csr/Play";
import { type FormEvent, useEffect, useRef, useState } from "react";
import { newId, type Schemas } from "../../api/client";
import { keys } from "../../api/keys";
import { put, useOutbox } from "../../api/outbox";
import { inField, useKeys } from "../../app/keys";
import { duration, Field, Trouble } from "../../parts/bits";
import { Refused } from "../../parts/refused";
import { Ability } from "./ability";
import { FileDrop } from "./file";
import { Paper } from "./paper";
import { Room, useRoom } from "./room";
import { text } from "./text";

type Job = Schemas["JobView"];

/** A print before its start: its file, what departs from the plan, and the press that starts its clock. */
export function Ready({ studyId, job, may }: { studyId: string; job: Job; may: boolean }) {
  const button = useRef<HTMLButtonElement>(null);
  const [unattended, setUnattended] = useState(false);
  const [changed, setChanged] = useState("");
  const [reason, setReason] = useState("");
  const outbox = useOutbox();
  const [error, setError] = useState<Error | null>(null);
  const failed = job.runs.length > 0;
  const onPlate = job.file?.parts ?? job.parts;
  const [typed, setTyped] = useState<string | null>(null);
  const parts = typed === null ? onPlate : Number(typed);
  const several = job.parts > 1 || onPlate > 1;
  const [paper, setPaper] = useState(false);
  const used = job.tries_used >= job.most_attempts;
  // The same departure was given its reason at an earlier try.
  const deviates =
    ((job.file?.deviations.length ?? 0) > 0 && !job.file?.accepted) || (several && parts !== job.parts);
  const seen = useRoom(unattended);
  const ready =
    (!unattended || seen) &&
    !!job.file &&
    (!failed || changed.trim() !== "") &&
    (!deviates || reason.trim() !== "") &&
    parts >= 1;
  const go = () => {
    if (!may || !ready || used) return;
    setError(null);
    put({
      label: text.startLabel(job.machine.name, job.artifact, job.copy_number),
      study: studyId,
      path: `/api/jobs/${job.id}/runs`,
      body: {
        id: newId(),
        unattended,
        changed,
        deviation_reason: reason,
        ...(several ? { parts } : {}),
      },
      moment: "started_at",
      takes: keys.job(studyId, job.id),
    }).catch(setError);
  };
  useKeys([{ key: " ", does: text.startThePrint, run: go }]);
  useEffect(() => {
    if (ready && !inField()) button.current?.focus();
  }, [ready]);
  if (job.cannot)
    return (
      <div className="grid flex-1 content-center gap-3">
        <p className="text-title leading-tight font-bold [font-stretch:92%]">
          {text.ability.outcome(job.cannot)}
        </p>
        <p className="text-ink-2">{text.ability.what}</p>
        {may && <Ability studyId={studyId} job={job} />}
      </div>
    );
  if (used) return <p className="m-auto text-head font-semibold">{text.used(job.most_attempts)}</p>;
  if (paper)
    return (
      <div className="min-h-0 flex-1 overflow-y-auto">
        <Paper studyId={studyId} job={job} leave={() => setPaper(false)} />
      </div>
    );
  const printedAlready = may && (
    <button type="button" className="self-start text-small underline" onClick={() => setPaper(true)}>
      {text.paper.open}
    </button>
  );
  if (!job.file)
    return (
      <div className="grid flex-1 content-center gap-4">
        <p className="text-title leading-tight font-bold [font-stretch:92%]">
          {text.sliceForThenDropThe(job.artifact.toLowerCase(), job.machine.name)}
        </p>
        {may && <FileDrop studyId={studyId} jobId={job.id} />}
        {printedAlready}
        {may && <Ability studyId={studyId} job={job} />}
      </div>
    );
  return (
    <div className="flex flex-1 flex-col justify-center gap-3">
      <form
        className="flex flex-col gap-3"
        onSubmit={(e: FormEvent) => {
          e.preventDefault();
          go();
        }}
      >
        <p className="lab">{failed ? text.attempt2(job.runs.length + 1) : text.ready}</p>
        <p className="num text-display leading-none max-[1180px]:text-display font-medium text-ink-2 max-[560px]:text-gauge">
          0:00:00
        </p>
        <p className="text-ink-2">
          {job.file.time_s === null
            ? text.noEstimate
            : text.theFileExpectsWithoutHeat(duration(job.file.time_s))}
        </p>
        {several && (
          <Field
            label={text.partsOnThePlate}
            hint={
              job.file.parts === null
                ? text.partsPlanned(job.parts)
                : text.partsNamed(job.file.parts, job.parts)
            }
          >
            <input
              className="input num !w-[86px]"
              type="number"
              min={1}
              max={200}
              required
              value={typed ?? String(onPlate)}
              onChange={(e) => setTyped(e.target.value)}
            />
          </Field>
        )}
        {failed && (
          <Field label={text.changed}>
            <input
              className="input"
              value={changed}
              required
              maxLength={500}
              onChange={(e) => setChanged(e.target.value)}
            />
          </Field>
        )}
        {deviates && (
          <Field label={text.reason} hint={text.recordedAsADeviation}>
            <input
              className="input"
              value={reason}
              required
              maxLength={500}
              onChange={(e) => setReason(e.target.value)}
            />
          </Field>
        )}
        <label className="flex items-baseline gap-2">
          <input
            type="checkbox"
            checked={unattended}
            disabled={!may || !job.may_run_unattended}
            onChange={(e) => setUnattended(e.target.checked)}
          />
          <span>
            {text.unattended}
            <small className="block text-small text-ink-2">
              {job.may_run_unattended ? text.unattendedCaution : job.unattended_refusal}
            </small>
          </span>
        </label>
        {job.doubt && <p className="caution !text-small">{text.doubt(job.machine.name, job.doubt)}</p>}
        {unattended && !seen && <Room />}
        <Trouble error={error} />
        <Refused entries={outbox.filter((e) => e.path === `/api/jobs/${job.id}/runs`)} />
        {may && (
          <button ref={button} type="submit" className="button now big self-start" disabled={!ready}>
            <Play size={18} weight="fill" /> {text.start}
          </button>
        )}
        {printedAlready}
      </form>
      {may && <Ability studyId={studyId} job={job} />}
    </div>
  );
}

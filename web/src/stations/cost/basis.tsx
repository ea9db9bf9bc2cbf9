import { type FormEvent, useState } from "react";
import { api, type Schemas, seenVersion, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { Field, Trouble } from "../../parts/bits";
import { Conflict } from "../../parts/conflict";
import { Rates } from "./rates";
import { text } from "./text";

type BasisField = keyof typeof text.fields;
const FIELDS = Object.keys(text.fields) as BasisField[];

type Values = Omit<Schemas["CostBasis"], "version">;

function typedFrom(basis: Schemas["CostBasis"]): Record<BasisField, string> {
  return Object.fromEntries(FIELDS.map((f) => [f, String(basis[f])])) as Record<BasisField, string>;
}

/** What the whole study's costs rest on; a change recomputes every machine. */
export function Basis({ studyId, view, may }: { studyId: string; view: Schemas["CostView"]; may: boolean }) {
  const [typed, setTyped] = useState(() => typedFrom(view.basis));
  const [undo, setUndo] = useState<Schemas["CostBasis"] | null>(null);
  const [fromLog, setFromLog] = useState(view.basis.upkeep_from_log);
  const changed =
    FIELDS.some((f) => Number(typed[f]) !== view.basis[f]) || fromLog !== view.basis.upkeep_from_log;
  const save = useChange(studyId, keys.part(studyId, "cost"), (body: Schemas["CostBasis"]) =>
    unwrap(api.PUT("/api/studies/{study_id}/cost", { params: { path: { study_id: studyId } }, body })),
  );
  const send = (values: Values, version: number) =>
    save.mutate(
      { ...values, version },
      {
        onSuccess: (next) => {
          setUndo(view.basis);
          setTyped(typedFrom(next.basis));
          setFromLog(next.basis.upkeep_from_log);
        },
      },
    );
  const mine = (): Values => ({
    ...(Object.fromEntries(FIELDS.map((f) => [f, Number(typed[f])])) as Record<BasisField, number>),
    upkeep_from_log: fromLog,
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (changed) send(mine(), view.basis.version);
  };
  const conflict = save.error && "theirs" in save.error && save.error.theirs;
  const unit = (words: string) => (words.startsWith("per") ? `${view.currency} ${words}` : words);
  return (
    <section aria-label={text.basis} className="sheet min-h-0 overflow-y-auto p-4">
      <h2 className="lab">{text.basis}</h2>
      <form onSubmit={submit} className="mt-2 grid gap-2.5">
        {FIELDS.map((f) => (
          <Field key={f} label={`${text.fields[f][0]}, ${unit(text.fields[f][1])}`}>
            <input
              className="input num"
              type="number"
              step="any"
              min={0}
              max={f === "loss_fraction" ? 1 : undefined}
              required
              disabled={!may}
              value={typed[f]}
              onChange={(e) => setTyped({ ...typed, [f]: e.target.value })}
            />
          </Field>
        ))}
        <label className="flex items-start gap-2 text-small">
          <input
            type="checkbox"
            className="mt-0.5"
            disabled={!may}
            checked={fromLog}
            onChange={(e) => setFromLog(e.target.checked)}
          />
          {text.fromLog}
        </label>
        {conflict ? (
          <Conflict
            error={save.error}
            labels={Object.fromEntries(FIELDS.map((f) => [f, text.fields[f][0]]))}
            mine={mine()}
            keepMine={() => send(mine(), seenVersion(view.basis.version, save.error))}
            takeTheirs={() => {
              setTyped(typedFrom(view.basis));
              setFromLog(view.basis.upkeep_from_log);
              save.reset();
            }}
          />
        ) : (
          <Trouble error={save.error} />
        )}
        {may && (
          <button type="submit" className="button primary" disabled={!changed || save.isPending}>
            {text.recomputeWithThese}
          </button>
        )}
        {undo && !changed && (
          <button
            type="button"
            className="button"
            onClick={() => {
              const { version: _, ...before } = undo;
              send(before, view.basis.version);
              setUndo(null);
            }}
          >
            {text.undoTheChange}
          </button>
        )}
      </form>
      <Rates currency={view.currency} may={may} />
      {view.materials.length > 0 && (
        <p className="pt-4 text-small text-ink-2">
          {view.materials.map((m) => text.spool(m.spool, `${m.per_kg.toFixed(2)} ${m.currency}`)).join(" ")}
        </p>
      )}
    </section>
  );
}

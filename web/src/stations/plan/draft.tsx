import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, seenVersion, unwrap } from "../../api/client";
import { useChange, useLibrary, useMe } from "../../api/queries";
import { Top } from "../../app/shell";
import { ModelForm, SpoolForm } from "../../library/forms";
import { Field, Trouble } from "../../parts/bits";
import { Conflict } from "../../parts/conflict";
import { ArtifactDrawing, drawn } from "../../parts/drawing";
import { CONDITIONS, text } from "./text";

type Form = Omit<Schemas["Draft"], "version">;

function formOf(plan: Schemas["PlanView"]): Form {
  return {
    question: plan.question,
    candidates: plan.candidates,
    spool_id: plan.spool?.id ?? null,
    repeats: plan.repeats,
    conditions: plan.conditions,
    policies: plan.policies,
  };
}

/** A draft with names for ids, as two people can compare it. */
function readable(
  raw: Record<string, unknown>,
  library: Schemas["Library"] | undefined,
): Record<string, unknown> {
  const spool = (raw.spool as Schemas["SpoolOut"] | null)?.id ?? raw.spool_id;
  return {
    ...raw,
    spool: library?.spools.find((s) => s.id === spool)?.code,
    candidates: (raw.candidates as Schemas["Candidate"][]).map((c) => {
      const name = library?.models.find((m) => m.id === c.model_id)?.name ?? "a machine";
      return `${name} × ${c.copies}${c.is_control ? " (control)" : ""}`;
    }),
  };
}

export function Draft({ plan }: { plan: Schemas["PlanView"] }) {
  const library = useLibrary();
  const me = useMe();
  const client = useQueryClient();
  const key = ["study", plan.id, "plan"];
  const [form, setForm] = useState<Form>(() => formOf(plan));
  const [adding, setAdding] = useState<"model" | "spool" | null>(null);
  const path = { params: { path: { study_id: plan.id } } };
  // After a conflict the newest version is read, so that saving again is a choice and not a surprise.
  const put = (version: number) =>
    unwrap(
      api.PUT("/api/studies/{study_id}/plan", {
        ...path,
        body: { ...form, version },
      }),
    );
  const save = useChange(plan.id, key, put);
  const freeze = useChange(plan.id, key, async () => {
    client.setQueryData(key, await put(plan.version));
    return unwrap(api.POST("/api/studies/{study_id}/freeze", { ...path, body: {} }));
  });
  const conflict = save.error && "theirs" in save.error && save.error.theirs;
  const set = (part: Partial<Form>) => setForm((f) => ({ ...f, ...part }));
  const picked = new Map(form.candidates.map((c) => [c.model_id, c]));
  const jobs = form.candidates.reduce((n, c) => n + c.copies, 0);
  const readings = jobs * plan.artifact.features.length * form.repeats;
  const may = me.data?.role === "owner" || me.data?.role === "reviewer";
  const toggle = (id: string) =>
    set({
      candidates: picked.has(id)
        ? form.candidates.filter((c) => c.model_id !== id)
        : [...form.candidates, { model_id: id, copies: 3, is_control: false }],
    });
  const edit = (id: string, part: Partial<Schemas["Candidate"]>) =>
    set({
      candidates: form.candidates.map((c) =>
        c.model_id === id ? { ...c, ...part } : part.is_control ? { ...c, is_control: false } : c,
      ),
    });
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_minmax(0,1fr)_272px] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1">
      <Top>
        <span className="chip border-[var(--brass)] bg-brass-wash">Draft, not frozen</span>
      </Top>
      <section aria-label={text.machines} className="sheet min-h-0 overflow-y-auto p-4">
        <Field label="Question">
          <textarea
            className="input"
            rows={2}
            maxLength={500}
            value={form.question}
            onChange={(e) => set({ question: e.target.value })}
          />
        </Field>
        <h2 className="lab pt-3 pb-1">{text.machines}</h2>
        <ul>
          {library.data?.models.map((m) => {
            const c = picked.get(m.id);
            return (
              <li key={m.id} className="flex min-h-[38px] items-center gap-2 border-b border-rule-2 py-1">
                <label className="flex flex-1 items-center gap-2">
                  <input
                    type="checkbox"
                    checked={!!c}
                    onChange={() => toggle(m.id)}
                    className="size-4 accent-[var(--enamel-2)]"
                  />
                  <span className={c ? "font-semibold" : ""}>{m.name}</span>
                  <small className="text-ink-2">
                    {m.bed_x_mm.toFixed(0)} × {m.bed_y_mm.toFixed(0)} × {m.height_mm.toFixed(0)} mm
                  </small>
                </label>
                {c && (
                  <>
                    <label className="flex items-center gap-1 text-[12px] text-ink-2">
                      copies
                      <input
                        className="input num !w-14"
                        type="number"
                        min={1}
                        max={20}
                        aria-label={`Copies of ${m.name}`}
                        value={c.copies}
                        onChange={(e) => edit(m.id, { copies: Number(e.target.value) })}
                      />
                    </label>
                    <label className="flex items-center gap-1 text-[12px] text-ink-2">
                      <input
                        type="checkbox"
                        checked={c.is_control}
                        onChange={(e) => edit(m.id, { is_control: e.target.checked })}
                        aria-label={`${m.name} is the control`}
                      />
                      control
                    </label>
                  </>
                )}
              </li>
            );
          })}
        </ul>
        {adding === "model" ? (
          <ModelForm
            done={(m) => {
              setAdding(null);
              if (m) toggle(m.id);
            }}
          />
        ) : (
          may && (
            <button type="button" className="button mt-3" onClick={() => setAdding("model")}>
              Add a machine
            </button>
          )
        )}
        <h2 className="lab pt-5 pb-1">Spool</h2>
        <select
          className="input"
          aria-label="Spool"
          value={form.spool_id ?? ""}
          onChange={(e) => set({ spool_id: e.target.value || null })}
        >
          <option value="">Choose the spool</option>
          {library.data?.spools.map((s) => (
            <option key={s.id} value={s.id}>
              {s.code} · {s.colour} {s.material}, {s.maker}
            </option>
          ))}
        </select>
        {adding === "spool" ? (
          <SpoolForm
            done={(s) => {
              setAdding(null);
              if (s) set({ spool_id: s.id });
            }}
          />
        ) : (
          may && (
            <button type="button" className="button mt-2" onClick={() => setAdding("spool")}>
              Add a spool
            </button>
          )
        )}
      </section>
      <section aria-label={text.conditions} className="sheet min-h-0 overflow-y-auto p-4">
        <h2 className="lab pb-1">{text.conditions}</h2>
        <p className="pb-2 text-[12px] text-ink-2">Empty leaves it to the maker's profile.</p>
        <div className="grid grid-cols-2 gap-2">
          {CONDITIONS.map(([name, title, unit]) => (
            <Field key={name} label={unit ? `${title}, ${unit}` : title}>
              <input
                className="input num"
                type="number"
                step="any"
                min={0}
                value={form.conditions[name] ?? ""}
                onChange={(e) =>
                  set({
                    conditions: {
                      ...form.conditions,
                      [name]: e.target.value === "" ? null : Number(e.target.value),
                    },
                  })
                }
              />
            </Field>
          ))}
          <Field label="Readings of a face">
            <input
              className="input num"
              type="number"
              min={1}
              max={10}
              value={form.repeats}
              onChange={(e) => set({ repeats: Number(e.target.value) })}
            />
          </Field>
          <Field label="Attempts at most">
            <input
              className="input num"
              type="number"
              min={1}
              max={10}
              value={form.policies.most_attempts}
              onChange={(e) => set({ policies: { ...form.policies, most_attempts: Number(e.target.value) } })}
            />
          </Field>
        </div>
        <h2 className="lab pt-4 pb-1">{text.policies}</h2>
        <fieldset className="grid gap-1.5">
          <legend className="sr-only">Slicing</legend>
          {(["common", "own"] as const).map((value) => (
            <Option
              key={value}
              name="slicing"
              words={text.slicing[value]}
              on={form.policies.slicing === value}
              pick={() => set({ policies: { ...form.policies, slicing: value } })}
            />
          ))}
        </fieldset>
        <fieldset className="mt-3 grid gap-1.5">
          <legend className="sr-only">Unattended printing</legend>
          {(["after checks", "never"] as const).map((value) => (
            <Option
              key={value}
              name="unattended"
              words={text.unattended[value]}
              on={form.policies.unattended === value}
              pick={() => set({ policies: { ...form.policies, unattended: value } })}
            />
          ))}
        </fieldset>
        <fieldset className="mt-3">
          <legend className="font-semibold">{text.causes}</legend>
          <p className="pb-1 text-[12px] text-ink-2">{text.causesWhy}</p>
          <div className="flex flex-wrap gap-x-4 gap-y-1">
            {(["machine", "profile", "material", "operator", "power", "unknown"] as const).map((cause) => (
              <label key={cause} className="flex items-center gap-1.5">
                <input
                  type="checkbox"
                  checked={form.policies.counted_causes.includes(cause)}
                  onChange={(e) =>
                    set({
                      policies: {
                        ...form.policies,
                        counted_causes: e.target.checked
                          ? [...form.policies.counted_causes, cause]
                          : form.policies.counted_causes.filter((c) => c !== cause),
                      },
                    })
                  }
                />
                {cause}
              </label>
            ))}
          </div>
        </fieldset>
      </section>
      <section aria-label="Freeze" className="sheet flex min-h-0 flex-col overflow-y-auto p-4">
        <h2 className="lab">Artifact</h2>
        <div className="h-[170px] py-2">
          <ArtifactDrawing artifact={drawn(plan.artifact)} bare />
        </div>
        <p className="text-[12.5px] text-ink-2">
          {plan.artifact.name}: {plan.artifact.isolates.toLowerCase()}
        </p>
        <h2 className="lab pt-4">Effort</h2>
        <p className="pt-1">
          <b className="num">{jobs}</b> prints · <b className="num">{readings}</b> readings
        </p>
        <p className="text-[12px] text-ink-2">
          {form.candidates.length < 2
            ? text.noMachines
            : `${form.candidates.length} machines; each copy measured on ${plan.artifact.features.length} faces, ${form.repeats} readings each.`}
        </p>
        <div className="mt-auto grid gap-2 pt-4">
          {conflict ? (
            <Conflict
              error={save.error}
              labels={text.fields}
              mine={form}
              readable={(raw) => readable(raw, library.data)}
              keepMine={() => save.mutate(seenVersion(plan.version, save.error))}
              takeTheirs={() => {
                setForm(formOf(plan));
                save.reset();
              }}
            />
          ) : (
            <Trouble error={save.error ?? freeze.error} />
          )}
          {may && (
            <>
              <button
                type="button"
                className="button"
                disabled={save.isPending}
                onClick={() => save.mutate(seenVersion(plan.version, save.error))}
              >
                Save the draft
              </button>
              <button
                type="button"
                className="button now"
                disabled={form.candidates.length < 2 || !form.spool_id || freeze.isPending}
                onClick={() => freeze.mutate(undefined)}
              >
                {text.freeze}
              </button>
              <p className="text-[12px] text-ink-2">
                Jobs are made and shuffled within each round of copies. After that, a change is a deviation.
              </p>
            </>
          )}
        </div>
      </section>
    </div>
  );
}

function Option({
  name,
  words,
  on,
  pick,
}: {
  name: string;
  words: readonly [string, string] | readonly string[];
  on: boolean;
  pick: () => void;
}) {
  return (
    <label className={`flex items-start gap-2 rounded border p-2 ${on ? "border-enamel" : "border-rule"}`}>
      <input type="radio" name={name} checked={on} onChange={pick} className="mt-0.5" />
      <span>
        <b className="font-semibold">{words[0]}</b>
        <span className="block text-[12px] text-ink-2">{words[1]}</span>
      </span>
    </label>
  );
}

import { Plus } from "@phosphor-icons/react/dist/csr/Plus";
import { useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useRef, useState } from "react";
import { api, type Schemas, seenVersion, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange, useEffort, useLibrary, useMe } from "../../api/queries";
import { Top } from "../../app/shell";
import { Field, Skeleton, Trouble } from "../../parts/bits";
import { Conflict } from "../../parts/conflict";
import { ArmEditor } from "./arm";
import { CopiesHint, EffortPanel } from "./effort";
import { Machines } from "./machines";
import { Policies } from "./policies";
import { keptDraft, useSavedAsTyped } from "./saved";
import { Start } from "./start";
import { LEFT_OPEN, text } from "./text";

export type Form = Omit<Schemas["Draft"], "version">;
type ArmIn = Schemas["ArmIn"];

export function formOf(plan: Schemas["PlanView"]): Form {
  return {
    question: plan.question,
    candidates: plan.candidates,
    arms: plan.arms.map((arm) => ({
      name: arm.name,
      slicing: arm.slicing,
      tuning: arm.tuning,
      conditions: arm.conditions,
      lines: arm.lines.map((l) => ({
        artifact: l.artifact,
        spool_id: l.spool_id,
        second_spool_id: l.second_spool_id,
        more_spool_ids: l.more_spool_ids,
        own_spools: l.own_spools,
        copies: l.copies,
        parts: l.parts,
      })),
    })),
    repeats: plan.repeats,
    policies: plan.policies,
  };
}

/** A draft with names for ids, as two people can compare it. */
function readable(
  raw: Record<string, unknown>,
  library: Schemas["Library"] | undefined,
): Record<string, unknown> {
  const spool = (id: unknown) => library?.spools.find((s) => s.id === id)?.code ?? text.noSpool2;
  return {
    ...raw,
    arms: (raw.arms as ArmIn[]).map(
      (a) =>
        `${a.name}: ${a.lines.map((l) => `${l.copies} × ${l.artifact.length > 8 ? "own" : l.artifact} from ${spool(l.spool_id)}`).join(", ")}`,
    ),
    candidates: (raw.candidates as Schemas["Candidate"][]).map((c) => {
      const name = library?.models.find((m) => m.id === c.model_id)?.name ?? text.aMachine;
      return `${name}${c.is_control ? " (control)" : ""}`;
    }),
  };
}

export function Draft({ plan }: { plan: Schemas["PlanView"] }) {
  const library = useLibrary();
  const me = useMe();
  const client = useQueryClient();
  const may = me.data?.role === "owner" || me.data?.role === "reviewer";
  const key = keys.part(plan.id, "plan");
  const [form, setForm] = useState<Form>(() => keptDraft(plan) ?? formOf(plan));
  const [tab, setTab] = useState(0);
  const [notes, setNotes] = useState<string[]>([]);
  const path = { params: { path: { study_id: plan.id } } };
  const effort = useEffort(plan.id, useDeferredValue({ ...form, version: plan.version }));
  // After a conflict the newest version is read, so that saving again is a choice and not a surprise.
  const saving = useRef<Promise<Schemas["PlanView"]> | null>(null);
  const put = (version: number) => {
    saving.current = unwrap(api.PUT("/api/studies/{study_id}/plan", { ...path, body: { ...form, version } }));
    return saving.current;
  };
  const save = useChange(plan.id, key, put);
  // Pressed while what was typed is on its way, it goes on from there; two at once would contradict each other.
  const freeze = useChange(plan.id, key, async (pressedAt: number) => {
    const taken = await saving.current?.catch(() => null);
    client.setQueryData(key, await put(Math.max(pressedAt, taken?.version ?? 0)));
    return unwrap(api.POST("/api/studies/{study_id}/freeze", { ...path, body: {} }));
  });
  const { asSent, saved } = useSavedAsTyped(plan, form, may && !freeze.isPending, save);
  const conflict = save.error && "theirs" in save.error && save.error.theirs;
  const set = (part: Partial<Form>) => setForm((f) => ({ ...f, ...part }));
  const setArm = (at: number, to: ArmIn) => set({ arms: form.arms.map((a, i) => (i === at ? to : a)) });
  const lines = form.arms.flatMap((a) => a.lines);
  // Until the server has looked at what was just typed, the button waits with it.
  const missing = effort.data?.freeze_needs ?? text.looking;
  const addArm = () => {
    const stock = form.arms[0]!;
    const own = !form.arms.some((a) => a.slicing === "own");
    const name = own ? text.makersOwnProfiles : `Arm ${form.arms.length + 1}`;
    set({
      arms: [
        ...form.arms,
        {
          ...stock,
          name,
          slicing: own ? "own" : "common",
          tuning: own ? "stock" : "tuned",
          conditions: own ? LEFT_OPEN : (stock.conditions ?? LEFT_OPEN),
        },
      ],
    });
    setTab(form.arms.length);
  };
  if (!library.data) return <Skeleton className="h-full" />;
  const arm = form.arms[tab];
  const before = form.arms.slice(0, tab).reduce((n, a) => n + a.lines.length, 0);
  return (
    <div className="grid h-full min-h-0 grid-cols-[240px_minmax(0,1fr)_240px] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1">
      <Top>
        <span className="chip border-[var(--brass)] bg-brass-wash">{text.draftNotFrozen}</span>
      </Top>
      <section aria-label={text.machines} className="sheet min-h-0 overflow-y-auto p-3.5">
        <Field label={text.question}>
          <textarea
            className="input"
            rows={3}
            maxLength={500}
            value={form.question}
            onChange={(e) => set({ question: e.target.value })}
          />
        </Field>
        <Machines
          library={library.data}
          chosen={form.candidates}
          change={(candidates) => set({ candidates })}
          may={may}
        />
      </section>
      <section aria-label={text.printsAndPolicies} className="sheet flex min-h-0 flex-col">
        <div className="grid gap-2 border-b border-rule p-3 pb-0">
          <Start
            studyId={plan.id}
            draft={form}
            may={may}
            take={(read) => {
              const { notes: said, ...rest } = read;
              setForm((f) => ({
                ...f,
                ...rest,
                question: rest.question || f.question,
                candidates: rest.candidates.length ? rest.candidates : f.candidates,
              }));
              setNotes(said);
              setTab(0);
            }}
          />
          {notes.map((n) => (
            <p key={n} className="text-small text-brass-ink">
              {n}
            </p>
          ))}
          <div className="flex items-end gap-1">
            <div role="tablist" aria-label={text.armsAndPolicies} className="flex min-w-0 items-end gap-1">
              {form.arms.map((a, i) => (
                <Tab key={i} on={tab === i} pick={() => setTab(i)}>
                  {a.name || text.armWithoutAName}
                </Tab>
              ))}
              <Tab on={tab === -1} pick={() => setTab(-1)}>
                {text.policies}
              </Tab>
            </div>
            {form.arms.length < plan.most_arms && (
              <button
                type="button"
                className="mb-1 ml-auto inline-flex shrink-0 items-center gap-1 rounded px-2 py-1 text-small text-ink-2 hover:bg-station-on"
                onClick={addArm}
              >
                <Plus size={12} /> {text.addArm}
              </button>
            )}
          </div>
        </div>
        <div
          role="tabpanel"
          aria-label={arm?.name ?? text.policies}
          className="min-h-0 flex-1 overflow-y-auto p-3.5"
        >
          {arm ? (
            <ArmEditor
              key={tab}
              arm={arm}
              first={tab === 0}
              set={(to) => setArm(tab, to)}
              remove={
                tab === 0
                  ? null
                  : () => {
                      set({ arms: form.arms.filter((_, i) => i !== tab) });
                      setTab(0);
                    }
              }
              library={library.data}
              stock={form.arms[0]?.conditions}
              lines={effort.data?.lines.slice(before, before + arm.lines.length) ?? []}
              mostSpools={plan.most_spools}
              machines={form.candidates.map((c) => ({
                ...c,
                unit: c.unit ?? 1,
                name: machineName(library.data!, c),
              }))}
              several={{
                room: plan.most_arms - form.arms.length + 1,
                put: (arms) => set({ arms: form.arms.flatMap((a, i) => (i === tab ? arms : [a])) }),
              }}
              may={may}
            />
          ) : (
            <Policies
              value={form.policies}
              set={(policies) => set({ policies })}
              repeats={form.repeats}
              setRepeats={(repeats) => set({ repeats })}
            />
          )}
        </div>
      </section>
      <section aria-label={text.freeze2} className="sheet flex min-h-0 flex-col">
        <div className="grid min-h-0 flex-1 content-start gap-2.5 overflow-y-auto p-3.5">
          <EffortPanel effort={effort.data} />
          <Trouble error={effort.error} />
          <CopiesHint copies={Math.min(20, ...lines.map((l) => l.copies ?? 3))} />
        </div>
        <div className="grid gap-2 border-t border-rule p-3.5 pt-3">
          {conflict ? (
            <Conflict
              error={save.error}
              labels={text.fields}
              mine={form}
              readable={(raw) => readable(raw, library.data)}
              keepMine={() => asSent(seenVersion(plan.version, save.error))}
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
                disabled={save.isPending || saved}
                onClick={() => asSent(seenVersion(plan.version, save.error))}
              >
                {saved ? text.saved : save.error ? text.saveNow : text.saving}
              </button>
              <button
                type="button"
                className="button now"
                disabled={!!missing || freeze.isPending}
                onClick={() => freeze.mutate(plan.version)}
              >
                {text.freeze}
              </button>
              <p className="text-small leading-tight text-ink-2">{missing || text.freezeNote}</p>
            </>
          )}
        </div>
      </section>
    </div>
  );
}

function Tab({ on, pick, children }: { on: boolean; pick: () => void; children: string }) {
  return (
    <button
      type="button"
      role="tab"
      aria-selected={on}
      onClick={pick}
      className={`max-w-[200px] truncate rounded-t border border-b-0 px-3 py-1.5 text-body ${on ? "border-rule bg-station-on font-semibold shadow-[inset_0_2px_var(--needle)]" : "border-transparent text-ink-2 hover:bg-station-on"}`}
    >
      {children}
    </button>
  );
}

function machineName(library: Schemas["Library"], c: Schemas["Candidate"]): string {
  const name = library.models.find((m) => m.id === c.model_id)?.name ?? text.aMachine;
  return (c.unit ?? 1) > 1 ? `${name} ${text.unitNo(c.unit ?? 1)}` : name;
}

import { Check } from "@phosphor-icons/react/dist/csr/Check";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/client";
import { Field, Trouble } from "../../parts/bits";
import { text } from "./text";
import { useBuyer } from "./use-buyer";

type MustHave = Schemas["MustHave"];
type Choice = Schemas["MustHaveChoice"];
type Editing = { choice: Choice; given?: Schemas["MustHaveOut"] };

const identity = (m: MustHave) => `${m.kind} ${m.what} ${m.at_least}`;

/** The buyer's must-haves: each with its limit, changed or dropped in place. */
export function MustHaves({
  studyId,
  view,
  may,
}: {
  studyId: string;
  view: Schemas["RankView"];
  may: boolean;
}) {
  const [editing, setEditing] = useState<Editing | null>(null);
  const change = useBuyer(studyId, view.profile);
  const set = (list: MustHave[]) =>
    change.mutate({ must_haves: list }, { onSuccess: () => setEditing(null) });
  const present: MustHave[] = view.must_haves.map(({ kind, limit, what, at_least }) => ({
    kind,
    limit,
    what,
    at_least,
  }));
  const choiceOf = (kind: MustHave["kind"]) => view.must_have_choices.find((c) => c.kind === kind);
  // What is edited is known by what it is about, not by its place: somebody else may have changed the list meanwhile.
  const edited = editing?.given && identity(editing.given);
  const there = present.some((p) => identity(p) === edited);
  const keep = (next: MustHave) =>
    set(there ? present.map((p) => (identity(p) === edited ? next : p)) : [...present, next]);
  const offered = view.must_have_choices.filter((c) => c.wants || !present.some((m) => m.kind === c.kind));
  return (
    <section aria-label={text.mustHave}>
      <h2 className="lab pt-3">{text.mustHave}</h2>
      {present.length === 0 && <p className="text-small text-ink-2">{text.noMustHave}</p>}
      <ul className="grid gap-0.5 pt-1 text-small">
        {view.must_haves.map((m) => {
          const choice = choiceOf(m.kind);
          return (
            <li key={identity(m)}>
              {edited === identity(m) && choice ? (
                <Limit
                  choice={choice}
                  given={m}
                  set={keep}
                  drop={() => set(present.filter((p) => identity(p) !== edited))}
                  leave={() => setEditing(null)}
                />
              ) : (
                <div className="flex items-baseline gap-1.5">
                  <Check size={12} weight="bold" aria-hidden="true" className="shrink-0 translate-y-[2px]" />
                  <span className="min-w-0 flex-1">
                    {m.text}
                    {m.failing > 0 && <span className="text-ink-2"> {text.out(m.failing)}</span>}
                    {m.open > 0 && <span className="text-brass-ink"> {text.open(m.open)}</span>}
                    {m.unsure > 0 && <span className="text-brass-ink"> {text.tooClose(m.unsure)}</span>}
                  </span>
                  {may && (
                    <button
                      type="button"
                      className="text-small underline"
                      aria-label={text.change2(m.text)}
                      onClick={() => choice && setEditing({ choice, given: m })}
                    >
                      {text.change}
                    </button>
                  )}
                </div>
              )}
            </li>
          );
        })}
        {editing && !there && (
          <li>
            <Limit
              choice={editing.choice}
              {...(editing.given ? { given: editing.given } : {})}
              set={keep}
              leave={() => setEditing(null)}
            />
          </li>
        )}
      </ul>
      {may && editing === null && (
        <select
          aria-label={text.addAMustHave}
          className="mt-1 max-w-full bg-transparent text-small text-ink-2 underline"
          value=""
          onChange={(e) => {
            const choice = offered.find((c) => c.kind === e.target.value);
            setEditing(choice ? { choice } : null);
          }}
        >
          <option value="" disabled>
            {text.addAMustHave}
          </option>
          {offered.map((c) => (
            <option key={c.kind} value={c.kind}>
              {c.name}
            </option>
          ))}
        </select>
      )}
      <Trouble error={change.error} />
    </section>
  );
}

function Limit({
  choice,
  given,
  set,
  drop,
  leave,
}: {
  choice: Choice;
  given?: Schemas["MustHaveOut"];
  set: (next: MustHave) => void;
  drop?: () => void;
  leave: () => void;
}) {
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const typed = new FormData(event.currentTarget);
    set({
      kind: choice.kind,
      limit: Number(typed.get("limit") ?? 0) / choice.factor,
      what: String(typed.get("what") ?? "").trim(),
      at_least: typed.get("side") === "least",
    });
  };
  return (
    <form
      onSubmit={submit}
      onKeyDown={(e) => e.key === "Escape" && leave()}
      className="my-1 grid gap-1.5 rounded border border-rule p-2"
    >
      <p className="font-semibold">{choice.name}</p>
      {choice.wants && (
        <Field label={choice.wants}>
          {choice.options.length > 0 ? (
            <select className="input" name="what" defaultValue={given?.what || choice.options[0]}>
              {choice.options.map((o, i) => (
                <option key={o} value={o}>
                  {choice.option_names[i]}
                </option>
              ))}
            </select>
          ) : (
            <input className="input" name="what" maxLength={60} defaultValue={given?.what} />
          )}
        </Field>
      )}
      {choice.kind === "figure" && (
        <label className="field">
          <span>{text.side}</span>
          <select className="input" name="side" defaultValue={given?.at_least ? "least" : "most"}>
            <option value="most">{text.atMost}</option>
            <option value="least">{text.atLeast}</option>
          </select>
        </label>
      )}
      {choice.unit && (
        <label className="field">
          <span>{text.limit(choice.unit)}</span>
          <input
            className="input num"
            name="limit"
            type="number"
            min={0}
            step="any"
            required
            autoFocus
            defaultValue={given ? +(given.limit * choice.factor).toFixed(3) : undefined}
          />
        </label>
      )}
      <div className="flex flex-wrap gap-1.5">
        {(choice.unit || choice.wants || !given) && (
          <button type="submit" className="button !min-h-7 !px-2">
            {text.set}
          </button>
        )}
        {drop && (
          <button type="button" className="button !min-h-7 !px-2" onClick={drop}>
            {text.dropIt}
          </button>
        )}
        <button type="button" className="button !min-h-7 !px-2" onClick={leave}>
          {text.back}
        </button>
      </div>
    </form>
  );
}

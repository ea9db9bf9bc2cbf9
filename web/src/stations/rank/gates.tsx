import { Check } from "@phosphor-icons/react/dist/csr/Check";
import { type FormEvent, useState } from "react";
import { api, type Schemas, unwrap } from "../../api/client";
import { useChange } from "../../api/queries";
import { Trouble } from "../../parts/bits";
import { text } from "./text";

type Kind = Schemas["GateKind"];
/** Limits are typed in the unit a buyer says; a share of good prints is typed in percent. */
const IN_PERCENT: Kind = "success";

/** The buyer's must-haves: each with its limit, changed or dropped in place. */
export function Gates({ studyId, view, may }: { studyId: string; view: Schemas["RankView"]; may: boolean }) {
  const [editing, setEditing] = useState<Kind | null>(null);
  const path = { params: { path: { study_id: studyId, profile_id: view.profile.id } } };
  const change = useChange(
    studyId,
    ["study", studyId, "rank", { profile_id: view.profile.id, weights: null, show_gated: false }],
    (given: { kind: Kind; limit: number | null }) =>
      unwrap(
        api.PUT("/api/studies/{study_id}/profiles/{profile_id}/gate", {
          ...path,
          body: { version: view.profile.version, ...given },
        }),
      ),
  );
  const set = (kind: Kind, limit: number | null) =>
    change.mutate({ kind, limit }, { onSuccess: () => setEditing(null) });
  const present = view.gates.map((g) => g.kind);
  const absent = (Object.keys(text.gates) as Kind[]).filter((k) => !present.includes(k));
  return (
    <section aria-label={text.mustHave}>
      <h2 className="lab pt-3">{text.mustHave}</h2>
      <ul className="grid gap-0.5 pt-1 text-[12.5px]">
        {view.gates.map((g) => (
          <li key={g.kind}>
            {editing === g.kind ? (
              <Limit
                kind={g.kind}
                limit={g.limit}
                currency={view.currency}
                set={(limit) => set(g.kind, limit)}
                leave={() => setEditing(null)}
              />
            ) : (
              <div className="flex items-baseline gap-1.5">
                <Check size={12} weight="bold" aria-hidden="true" className="shrink-0 translate-y-[2px]" />
                <span className="min-w-0 flex-1">
                  {g.text}
                  {g.failing > 0 && <span className="text-ink-2"> · {g.failing} out</span>}
                  {g.open > 0 && <span className="text-brass-ink"> · {g.open} open</span>}
                </span>
                {may && (
                  <button
                    type="button"
                    className="text-[12px] underline"
                    aria-label={`Change: ${g.text}`}
                    onClick={() => setEditing(g.kind)}
                  >
                    change
                  </button>
                )}
              </div>
            )}
          </li>
        ))}
        {editing && !present.includes(editing) && (
          <li>
            <Limit
              kind={editing}
              limit={text.gates[editing].usual}
              currency={view.currency}
              set={(limit) => set(editing, limit)}
              leave={() => setEditing(null)}
              fresh
            />
          </li>
        )}
      </ul>
      {may && !editing && absent.length > 0 && (
        <select
          aria-label="Add a must-have"
          className="mt-1 max-w-full bg-transparent text-[12px] text-ink-2 underline"
          value=""
          onChange={(e) => setEditing(e.target.value as Kind)}
        >
          <option value="" disabled>
            Add a must-have
          </option>
          {absent.map((k) => (
            <option key={k} value={k}>
              {text.gates[k].name}
            </option>
          ))}
        </select>
      )}
      <Trouble error={change.error} />
    </section>
  );
}

function Limit({
  kind,
  limit,
  currency,
  set,
  leave,
  fresh = false,
}: {
  kind: Kind;
  limit: number;
  currency: string;
  set: (limit: number | null) => void;
  leave: () => void;
  fresh?: boolean;
}) {
  const words = text.gates[kind];
  const factor = kind === IN_PERCENT ? 100 : 1;
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const typed = new FormData(event.currentTarget).get("limit");
    set(typed === null ? 0 : Number(typed) / factor);
  };
  return (
    <form
      onSubmit={submit}
      onKeyDown={(e) => e.key === "Escape" && leave()}
      className="my-1 grid gap-1.5 rounded border border-rule p-2"
    >
      {words.unit === null ? (
        <p>{words.name}</p>
      ) : (
        <label className="field">
          <span>
            {words.name}, {words.unit || currency}
          </span>
          <input
            className="input num"
            name="limit"
            type="number"
            min={0}
            max={kind === IN_PERCENT ? 100 : 1e6}
            step="any"
            required
            autoFocus
            defaultValue={+(limit * factor).toFixed(3)}
          />
        </label>
      )}
      <div className="flex flex-wrap gap-1.5">
        {(words.unit !== null || fresh) && (
          <button type="submit" className="button !min-h-7 !px-2">
            Set
          </button>
        )}
        {!fresh && (
          <button type="button" className="button !min-h-7 !px-2" onClick={() => set(null)}>
            Drop it
          </button>
        )}
        <button type="button" className="button !min-h-7 !px-2" onClick={leave}>
          Back
        </button>
      </div>
    </form>
  );
}

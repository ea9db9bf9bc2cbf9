import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { Field, Skeleton, Trouble } from "../../parts/bits";
import { Choice } from "../../parts/form/choice";
import { typedNumber } from "../../parts/numbers";
import { Glyph, UnitName } from "../../parts/unit-mark";
import { text } from "./text";

type Kind = Schemas["FinalWordOut"]["kind"];
const KINDS: Kind[] = ["like", "dislike", "fix", "must", "nice", "for", "not for", "buy"];
const isUpgrade = (kind: Kind) => kind === "must" || kind === "nice";

/** What is said of each machine at the end; fixes begin with what its findings say. */
export function FinalWords({
  studyId,
  profileId,
  may,
}: {
  studyId: string;
  profileId: string;
  may: boolean;
}) {
  const [at, setAt] = useState(0);
  const key = keys.part(studyId, "final-words", profileId);
  const view = useQuery({
    queryKey: key,
    queryFn: () =>
      unwrap(
        api.GET("/api/studies/{study_id}/final-words", {
          params: { path: { study_id: studyId }, query: { profile_id: profileId } },
        }),
      ),
  });
  const made = view.data;
  if (!made) return view.isError ? <Trouble error={view.error} /> : <Skeleton className="h-full" />;
  const of = made.machines[at] ?? made.machines[0];
  if (!of) return <p className="text-ink-2">{text.words.none}</p>;
  return (
    <div className="grid min-h-0 grid-cols-[220px_minmax(0,1fr)] gap-3 max-[900px]:grid-cols-1">
      <nav aria-label={text.words.machines} className="sheet min-h-0 overflow-y-auto py-1">
        {made.machines.map((m, k) => (
          <button
            key={m.machine.unit_id}
            type="button"
            onClick={() => setAt(k)}
            aria-current={m === of ? "true" : undefined}
            className={`grid min-h-[44px] w-full gap-0.5 border-b border-rule-2 px-3 py-1.5 text-left ${m === of ? "bg-station-on shadow-[inset_4px_0_var(--needle)]" : "hover:bg-station-on"}`}
          >
            <span className="font-semibold">
              <UnitName mark={m.machine.mark} name={m.machine.name} />
            </span>
            <span className="text-small text-ink-2">{text.words.said(m.words.length)}</span>
          </button>
        ))}
      </nav>
      <section aria-label={text.words.title} className="sheet min-h-0 overflow-y-auto px-4 py-3">
        <h2 className="flex items-center gap-2 text-head font-bold">
          <Glyph mark={of.machine.mark} /> {of.machine.name}
        </h2>
        {of.not_recommended && (
          <p className="font-semibold text-needle-ink">{text.words.notRecommended(of.not_recommended)}</p>
        )}
        {of.upgrades !== null && of.words.some((w) => w.kind === "must") && (
          <p className="text-small">{text.words.upgrades(of.upgrades.toFixed(0), made.currency)}</p>
        )}
        <Said
          key={of.machine.unit_id}
          studyId={studyId}
          profileId={profileId}
          of={of}
          made={made}
          may={may}
        />
      </section>
    </div>
  );
}

type Typed = {
  kind: Kind;
  words: string;
  price: string;
  source: string;
  on: string;
  change: Schemas["FinalWordOut"] | null;
};
const NOTHING: Typed = { kind: "like", words: "", price: "", source: "", on: "", change: null };

function Said({
  studyId,
  profileId,
  of,
  made,
  may,
}: {
  studyId: string;
  profileId: string;
  of: Schemas["WordsOf"];
  made: Schemas["FinalWords"];
  may: boolean;
}) {
  const key = keys.part(studyId, "final-words", profileId);
  const [typed, setTyped] = useState<Typed>(NOTHING);
  const query = { profile_id: profileId };
  const save = useChange(studyId, key, (t: Typed) => {
    const price = isUpgrade(t.kind) ? typedNumber(t.price) : null;
    const body = {
      unit_id: of.machine.unit_id,
      kind: t.kind,
      words: t.words.trim(),
      price,
      currency: price === null ? null : made.currency,
      source: price === null ? "" : t.source.trim(),
      priced_on: price === null ? null : t.on || null,
    };
    return unwrap(
      t.change
        ? api.PUT("/api/studies/{study_id}/final-words/{item_id}", {
            params: { path: { study_id: studyId, item_id: t.change.id }, query },
            body: { ...body, version: t.change.version },
          })
        : api.POST("/api/studies/{study_id}/final-words", {
            params: { path: { study_id: studyId }, query },
            body: { ...body, id: newId() },
          }),
    );
  });
  const remove = useChange(studyId, keys.part(studyId, "final-words", null), (w: Schemas["FinalWordOut"]) =>
    unwrap(
      api.DELETE("/api/studies/{study_id}/final-words/{item_id}", {
        params: { path: { study_id: studyId, item_id: w.id }, query: { version: w.version } },
      }),
    ),
  );
  const keep = (t: Typed) => save.mutate(t, { onSuccess: () => setTyped({ ...NOTHING, kind: t.kind }) });
  return (
    <>
      {KINDS.map((kind) => {
        const said = of.words.filter((w) => w.kind === kind);
        const suggested = may ? of.suggested.filter((s) => s.kind === kind) : [];
        if (said.length === 0 && suggested.length === 0) return null;
        return (
          <section key={kind} aria-label={text.words.kinds[kind]} className="pt-3">
            <h3 className="lab">{text.words.kinds[kind]}</h3>
            <ul>
              {said.map((w) => (
                <li key={w.id} className="flex items-baseline gap-2 border-b border-rule-2 py-1">
                  <span className="min-w-0 flex-1">
                    {w.words}
                    {w.price !== null && (
                      <small className="block text-ink-2">
                        {text.words.priced(`${w.price} ${w.currency}`, w.source, w.priced_on ?? "")}
                      </small>
                    )}
                  </span>
                  {may && (
                    <>
                      <button
                        type="button"
                        className="text-small text-ink-2 underline"
                        onClick={() =>
                          setTyped({
                            kind: w.kind,
                            words: w.words,
                            price: w.price === null ? "" : String(w.price),
                            source: w.source,
                            on: w.priced_on ?? "",
                            change: w,
                          })
                        }
                      >
                        {text.words.change}
                      </button>
                      <button
                        type="button"
                        className="text-small text-ink-2 underline"
                        disabled={remove.isPending}
                        aria-label={text.words.dropIt(w.words)}
                        onClick={() => remove.mutate(w)}
                      >
                        {text.words.drop}
                      </button>
                    </>
                  )}
                </li>
              ))}
              {suggested.map((s) => (
                <li
                  key={s.words}
                  className="flex items-baseline gap-2 border-b border-dashed border-rule-2 py-1 text-ink-2"
                >
                  <span className="min-w-0 flex-1">
                    {s.words}
                    {s.points > 0 && (
                      <small className="ml-2 whitespace-nowrap">{text.words.lost(s.points.toFixed(1))}</small>
                    )}
                  </span>
                  <button
                    type="button"
                    className="text-small underline"
                    aria-label={text.words.takeIt(s.words)}
                    onClick={() => setTyped({ ...NOTHING, kind: s.kind, words: s.words })}
                  >
                    {text.words.take}
                  </button>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
      <Trouble error={remove.error} />
      {may && (
        <form
          className="mt-4 grid gap-2 border-t border-rule pt-3"
          onSubmit={(e) => {
            e.preventDefault();
            keep(typed);
          }}
        >
          <div className="flex flex-wrap items-end gap-2">
            <Choice
              label={text.words.kind}
              value={typed.kind}
              options={KINDS.map((k) => ({ value: k, name: text.words.kinds[k] }))}
              change={(kind) => setTyped({ ...typed, kind: kind as Kind })}
              className="input !w-auto"
            />
            {isUpgrade(typed.kind) && (
              <>
                <Field label={text.words.price(made.currency)}>
                  <input
                    className="input num !w-[90px]"
                    inputMode="decimal"
                    value={typed.price}
                    onChange={(e) => setTyped({ ...typed, price: e.target.value })}
                  />
                </Field>
                <Field label={text.words.source}>
                  <input
                    className="input !w-[180px]"
                    maxLength={200}
                    value={typed.source}
                    onChange={(e) => setTyped({ ...typed, source: e.target.value })}
                  />
                </Field>
                <Field label={text.words.on}>
                  <input
                    className="input"
                    type="date"
                    value={typed.on}
                    onChange={(e) => setTyped({ ...typed, on: e.target.value })}
                  />
                </Field>
              </>
            )}
          </div>
          <Field label={text.words.asks[typed.kind]}>
            <textarea
              className="input !h-auto"
              rows={2}
              required
              maxLength={600}
              value={typed.words}
              onChange={(e) => setTyped({ ...typed, words: e.target.value })}
            />
          </Field>
          <Trouble error={save.error} />
          <div className="flex gap-2">
            <button type="submit" className="button primary" disabled={save.isPending || !typed.words.trim()}>
              {typed.change ? text.words.keepChange : text.words.keep}
            </button>
            {typed.change && (
              <button type="button" className="button" onClick={() => setTyped(NOTHING)}>
                {text.back}
              </button>
            )}
          </div>
          <p className="text-small text-ink-2">{text.words.hint(made.profile)}</p>
        </form>
      )}
    </>
  );
}

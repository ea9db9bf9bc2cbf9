import { type FormEvent, useState } from "react";
import type { Schemas } from "../api/client";
import { Field, Trouble } from "../parts/bits";
import { faultText as text } from "./fault-text";

type Entry = Schemas["HypothesisOut"];
type Given = Omit<Schemas["NewHypothesis"], "id">;
type Send = {
  mutate: (given: { entry: Entry | null; body: Given }, then: { onSuccess: () => void }) => void;
  isPending: boolean;
  error: Error | null;
};

const RULINGS: Record<Schemas["Ruling"], string> = {
  open: "open",
  "ruled out": text.ruledOut,
  found: text.thisWasIt,
};

/** Possible causes, how each was tested, and what that ruled out; the end may stay open. */
export function FaultEntries({
  entries,
  begin,
  send,
  may,
}: {
  entries: Entry[];
  /** What the first entry is asked by. */
  begin: string;
  send: Send;
  may: boolean;
}) {
  const [at, setAt] = useState<string | null>(null);
  return (
    <div className="pt-1">
      {entries.length > 0 && (
        <ul className="grid gap-1">
          {entries.map((h) => (
            <li key={h.id} className="text-small">
              {at === h.id ? (
                <Sheet entry={h} send={send} done={() => setAt(null)} />
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
        <Sheet entry={null} send={send} done={() => setAt(null)} />
      ) : (
        may && (
          <button type="button" className="text-small underline" onClick={() => setAt("new")}>
            {entries.length > 0 ? text.anotherPossibleCause : begin}
          </button>
        )
      )}
    </div>
  );
}

function Sheet({ entry, send, done }: { entry: Entry | null; send: Send; done: () => void }) {
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const words = (name: string) => String(form.get(name) ?? "").trim();
    const body = {
      claim: words("claim"),
      test: words("test"),
      result: words("result"),
      ruling: words("ruling") as Schemas["Ruling"],
    };
    send.mutate({ entry, body }, { onSuccess: done });
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

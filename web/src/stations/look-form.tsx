import { type FormEvent, type ReactNode, useState } from "react";
import type { Schemas } from "../api/client";
import { useKeys } from "../app/keys";
import { Field, Key } from "../parts/bits";
import { text } from "../parts/text";

type Look = Schemas["LookOut"];
export type Found = { result: Schemas["Result"]; wrong: string[]; words: string; reason?: string };

/** The list of one look: what is wrong is ticked; nothing ticked is one key. What is kept changes only with a reason. */
export function LookForm({
  look,
  keep,
  mayKeep = true,
  cause,
}: {
  look: Look;
  keep: (found: Found, form: FormData) => void;
  mayKeep?: boolean;
  /** Asked of a part that is rejected, where the cause may be known. */
  cause?: ReactNode;
}) {
  const [wrong, setWrong] = useState<string[]>([]);
  const [words, setWords] = useState("");
  const [changing, setChanging] = useState(false);
  const [rejecting, setRejecting] = useState(false);
  const asked = mayKeep && (look.id === null || changing);
  const fatal = look.items.some((i) => i.rejects && wrong.includes(i.code));
  const flip = (code: string) =>
    setWrong((known) => (known.includes(code) ? known.filter((c) => c !== code) : [...known, code]));
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const pressed = (event.nativeEvent as SubmitEvent).submitter?.getAttribute("value");
    if (pressed === "reject" && cause && !rejecting) {
      setRejecting(true);
      return;
    }
    const reason = String(form.get("reason") ?? "").trim();
    keep(
      { result: pressed as Schemas["Result"], wrong, words: words.trim(), ...(reason ? { reason } : {}) },
      form,
    );
    setWrong([]);
    setWords("");
    setChanging(false);
    setRejecting(false);
  };
  useKeys(
    asked
      ? look.items.map((item, k) => ({ key: String(k + 1), does: item.asks, run: () => flip(item.code) }))
      : [],
  );
  if (!asked)
    return (
      <p className="flex flex-wrap items-baseline gap-2 text-small">
        <b>{look.result ? text.lookResults[look.result] : text.notLookedYet}</b>
        {look.words && <span className="text-ink-2">{look.words}</span>}
        {look.result && mayKeep && (
          <button type="button" className="underline" onClick={() => setChanging(true)}>
            {text.lookAgain}
          </button>
        )}
      </p>
    );
  return (
    <form onSubmit={submit} className="grid gap-1.5">
      {look.items.map((item, k) => (
        <label key={item.code} className="flex min-h-[36px] items-center gap-2 max-[860px]:min-h-[44px]">
          <input type="checkbox" checked={wrong.includes(item.code)} onChange={() => flip(item.code)} />
          <Key>{k + 1}</Key>
          <span>{item.asks}</span>
        </label>
      ))}
      <Field label={text.lookWords}>
        <input className="input" maxLength={300} value={words} onChange={(e) => setWords(e.target.value)} />
      </Field>
      {look.id !== null && (
        <Field label={text.lookReason}>
          <input className="input" name="reason" required maxLength={300} />
        </Field>
      )}
      {rejecting && cause}
      <div className="flex flex-wrap gap-2">
        {!rejecting && (
          <>
            <button
              type="submit"
              value="fine"
              className="button primary"
              disabled={wrong.length > 0 || words.trim() !== ""}
            >
              {text.lookFine}
            </button>
            <button
              type="submit"
              value="check"
              className="button"
              disabled={wrong.length === 0 && words.trim() === ""}
            >
              {text.lookCheck}
            </button>
          </>
        )}
        <button
          type="submit"
          value="reject"
          className={`button ${fatal || rejecting ? "now" : ""}`}
          disabled={wrong.length === 0 && words.trim() === ""}
        >
          {rejecting ? text.lookRejectNow : text.lookReject}
        </button>
      </div>
    </form>
  );
}

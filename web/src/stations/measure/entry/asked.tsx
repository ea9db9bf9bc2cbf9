import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../../../api/client";
import type { Entry } from "../../../api/outbox";
import { useKeys } from "../../../app/keys";
import { ArtifactDrawing, type Drawn } from "../../../parts/drawing";
import type { useKeeping } from "../keeping";
import { text } from "../text";
import { Press } from "./ladder";
import { judgedState } from "./said";

type Line = Schemas["JudgedLine"];
type Said = { amount?: number; verdict?: Schemas["Verdict"]; word?: string };

/** What one person judges, one after the other, each by a key: a word, a look of 0 to 5, a count, passes or fails. */
export function Asked({
  lines,
  artifact,
  judge,
  pending,
  done,
}: {
  lines: Line[];
  artifact: Drawn;
  judge: ReturnType<typeof useKeeping>["judge"];
  pending: Entry[];
  done: React.ReactNode;
}) {
  const open = lines.filter((l) => judgedState(l, pending) === null);
  const [skipped, setSkipped] = useState<string[]>([]);
  const line = open.find((l) => !skipped.includes(l.code)) ?? open[0];
  const [count, setCount] = useState("");
  const input = useRef<HTMLInputElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a count is typed at once
  useEffect(() => {
    input.current?.focus();
  }, [line?.code]);
  const say = (said: Said) => {
    if (line && judge(line, said)) setCount("");
  };
  const answers = line ? answersOf(line) : [];
  const later = () => line && setSkipped((known) => [...known.filter((c) => c !== line.code), line.code]);
  useKeys([
    ...answers.map((a) => ({ key: a.key, does: a.says, run: () => say(a.said) })),
    { key: "x", does: text.asked.later, run: later, typing: true },
  ]);
  const at = line ? lines.indexOf(line) + 1 : lines.length;
  return (
    <section
      aria-label={text.toJudge}
      className="sheet row-span-2 flex min-h-0 flex-col overflow-hidden px-4 pt-3 pb-3"
    >
      <h2 className="lab">{line ? text.asked.place(line.code, at, lines.length) : text.toJudge}</h2>
      <p className="pt-1 text-lead">{line?.method ?? text.asked.all}</p>
      <div className="min-h-0 flex-1">
        <ArtifactDrawing artifact={artifact} active={line?.code} />
      </div>
      {!line && done}
      {line?.takes === "look" && <p className="pb-1.5 text-small text-ink-2">{text.asked.look}</p>}
      {line?.takes === "count" && (
        <form
          className="flex items-end gap-2 pb-2"
          onSubmit={(e) => {
            e.preventDefault();
            if (/^\d{1,4}$/.test(count)) say({ amount: Number(count) });
          }}
        >
          <label className="grid gap-0.5">
            <span className="lab">{text.countOf(line.code)}</span>
            <input
              ref={input}
              className="num w-28 border-0 border-b-3 border-[var(--needle)] bg-transparent text-gauge leading-[1.15] font-medium outline-none"
              inputMode="numeric"
              autoComplete="off"
              value={count}
              onChange={(e) => setCount(e.target.value.replace(/\D/g, ""))}
            />
          </label>
          <button type="submit" className="button primary" disabled={count === ""}>
            {text.keepCount}
          </button>
        </form>
      )}
      {line && (
        <div className="flex flex-wrap gap-x-2 gap-y-1.5">
          {answers.map((a) => (
            <Press
              key={a.says}
              of={a.key}
              says={a.says}
              run={() => say(a.said)}
              primary={a.key === "Enter"}
            />
          ))}
          <Press of="X" says={text.asked.later} run={later} />
        </div>
      )}
    </section>
  );
}

/** The keys of a question. */
function answersOf(line: Line): { key: string; says: string; said: Said }[] {
  switch (line.takes) {
    case "look":
      return [0, 1, 2, 3, 4, 5].map((n) => ({
        key: String(n),
        says: text.asked.looks[n] ?? "",
        said: { amount: n },
      }));
    case "word":
      return line.words.map((w, k) => ({
        key: String(k + 1),
        says: w.word,
        said: { amount: k, word: w.word },
      }));
    case "verdict":
      return [
        { key: "Enter", says: text.verdicts.pass, said: { verdict: "pass" } },
        { key: "F", says: text.verdicts.fail, said: { verdict: "fail" } },
        ...line.words.map((w, k) => ({
          key: String(k + 1),
          says: w.word,
          said: { verdict: w.verdict, word: w.word },
        })),
      ];
    default:
      return [];
  }
}

import { useState } from "react";
import type { Schemas } from "../../../api/client";
import type { Entry } from "../../../api/outbox";
import { Toggles } from "../../../parts/form/toggles";
import type { useKeeping } from "../keeping";
import { text } from "../text";
import { judgedState, saying } from "./said";

type Judge = ReturnType<typeof useKeeping>["judge"];
type Line = Schemas["JudgedLine"];

/** Features that no instrument reads: each with its verdict, count or look, as this person says it. */
export function Judging({
  specimen,
  judge,
  pending,
  asked = [],
}: {
  specimen: Schemas["SpecimenView"];
  judge: Judge;
  /** What waits on this device of this specimen. */
  pending: Entry[];
  /** What is asked beside it already. */
  asked?: Line[];
}) {
  const [changing, setChanging] = useState<string | null>(null);
  const open = new Set(asked.filter((a) => !a.said).map((a) => a.code));
  const lines = specimen.judged.filter((j) => !open.has(j.code));
  if (lines.length === 0) return null;
  return (
    <section aria-label={text.toJudge} className="pt-2">
      <h2 className="lab">{asked.length > 0 ? text.judgedSoFar : text.toJudge}</h2>
      <ul>
        {lines.map((line) => (
          <li key={line.feature_id + line.takes} className="border-b border-rule-2 py-1" title={line.method}>
            <div className="flex flex-wrap items-center gap-x-2">
              <b className="num min-w-12">{line.code}</b>
              {!line.said && judgedState(line, pending) ? (
                <i>{judgedState(line, pending)?.words}</i>
              ) : line.said && changing !== line.feature_id + line.takes ? (
                <button
                  type="button"
                  className="text-left hover:underline"
                  aria-label={text.changeJudged(line.code, saidOf(line.said))}
                  onClick={() => setChanging(line.feature_id + line.takes)}
                >
                  {saidOf(line.said)}
                </button>
              ) : (
                <Ask
                  line={line}
                  judge={(said, reason) => {
                    if (judge(line, said, reason)) setChanging(null);
                  }}
                />
              )}
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}

function saidOf(said: Schemas["JudgementOut"]): string {
  const words = saying(said.verdict, said.word, said.amount);
  return said.corrected ? `${words}, ${text.wasCorrected}` : words;
}

function Ask({ line, judge }: { line: Line; judge: (said: Parameters<Judge>[1], reason?: string) => void }) {
  const [partly, setPartly] = useState<Schemas["Verdict"] | null>(null);
  const [reason, setReason] = useState("");
  const [count, setCount] = useState("");
  const changed = line.said ? reason.trim() : undefined;
  const say = (said: Parameters<Judge>[1]) => {
    if (!line.said || changed) judge(said, changed);
  };
  return (
    <>
      {line.said && (
        <input
          className="input min-w-40 flex-1"
          aria-label={text.judgedReason(line.code)}
          placeholder={text.judgedReason(line.code)}
          maxLength={300}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
      )}
      {line.takes === "verdict" && (
        <Toggles
          label={text.verdictOf(line.code)}
          value={partly}
          options={(["pass", "partly", "fail"] as const).map((v) => ({ value: v, name: text.verdicts[v] }))}
          change={(verdict) => (verdict === "pass" ? say({ verdict }) : setPartly(verdict))}
          item="py-0.5"
        />
      )}
      {partly && (
        <Toggles
          label={text.whyOf(line.code)}
          options={[
            ...line.words.map((w) => ({ value: w.word, name: w.word })),
            ...(partly === "fail" ? [{ value: "-", name: text.noWord }] : []),
          ]}
          change={(word) => say({ verdict: partly, word: word === "-" ? "" : word })}
          className="flex flex-wrap gap-1"
          item="py-0.5"
        />
      )}
      {line.takes === "word" && (
        <Toggles
          label={text.whyOf(line.code)}
          options={line.words.map((w) => ({ value: w.word, name: w.word }))}
          change={(word) => say({ amount: line.words.findIndex((w) => w.word === word), word })}
          className="flex flex-wrap gap-1"
          item="py-0.5"
        />
      )}
      {line.takes === "look" && (
        <Toggles
          label={text.lookOf(line.code)}
          options={["0", "1", "2", "3", "4", "5"].map((n) => ({ value: n, name: n }))}
          change={(n) => say({ amount: Number(n) })}
          item="num py-0.5"
        />
      )}
      {line.takes === "count" && (
        <form
          className="flex gap-1"
          onSubmit={(e) => {
            e.preventDefault();
            if (/^\d{1,4}$/.test(count)) say({ amount: Number(count) });
          }}
        >
          <input
            className="input num w-20"
            inputMode="numeric"
            aria-label={text.countOf(line.code)}
            value={count}
            onChange={(e) => setCount(e.target.value.replace(/\D/g, ""))}
          />
          <button type="submit" className="button" disabled={count === ""}>
            {text.keepCount}
          </button>
        </form>
      )}
    </>
  );
}

import { ToggleGroup } from "radix-ui";
import { useState } from "react";
import type { Schemas } from "../../../api/client";
import type { Entry } from "../../../api/outbox";
import type { useKeeping } from "../keeping";
import { text } from "../text";

type Judge = ReturnType<typeof useKeeping>["judge"];
type Line = Schemas["JudgedLine"];
const ITEM =
  "rounded border border-rule px-1.5 py-0.5 text-small data-[state=on]:border-enamel data-[state=on]:bg-enamel data-[state=on]:text-on-enamel";

/** Features that no instrument reads: each with its verdict, count or look, as this person says it. */
export function Judging({
  specimen,
  judge,
  pending,
}: {
  specimen: Schemas["SpecimenView"];
  judge: Judge;
  /** What waits on this device of this specimen. */
  pending: Entry[];
}) {
  const [changing, setChanging] = useState<string | null>(null);
  if (specimen.judged.length === 0) return null;
  return (
    <section aria-label={text.toJudge} className="pt-2">
      <h2 className="lab">{text.toJudge}</h2>
      <ul>
        {specimen.judged.map((line) => (
          <li key={line.feature_id + line.takes} className="border-b border-rule-2 py-1" title={line.method}>
            <div className="flex flex-wrap items-center gap-x-2">
              <b className="num min-w-12">{line.code}</b>
              {waitingFor(pending, line) ? (
                <i title={text.notSent}>{waitingFor(pending, line)}</i>
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

/** What was said of a feature and is not sent yet. */
function waitingFor(pending: Entry[], line: Line): string | undefined {
  const entry = pending.find(
    (e) => !e.refused && e.body?.feature_id === line.feature_id && e.body?.takes === line.takes,
  );
  return entry && text.unsent(entry.label.split(": ").slice(1).join(": "));
}

function saidOf(said: Schemas["JudgementOut"]): string {
  const verdict = said.verdict === null ? String(said.amount) : text.verdicts[said.verdict];
  return [verdict, said.word, said.corrected ? text.wasCorrected : ""].filter((w) => w !== "").join(", ");
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
        <ToggleGroup.Root
          type="single"
          className="flex gap-1"
          aria-label={text.verdictOf(line.code)}
          value={partly ?? ""}
          onValueChange={(v) => {
            const verdict = v as Schemas["Verdict"];
            if (verdict === "pass") say({ verdict });
            else if (verdict) setPartly(verdict);
          }}
        >
          {(["pass", "partly", "fail"] as const).map((v) => (
            <ToggleGroup.Item key={v} value={v} className={ITEM}>
              {text.verdicts[v]}
            </ToggleGroup.Item>
          ))}
        </ToggleGroup.Root>
      )}
      {partly && (
        <ToggleGroup.Root
          type="single"
          className="flex flex-wrap gap-1"
          aria-label={text.whyOf(line.code)}
          onValueChange={(word) => word && say({ verdict: partly, word: word === "-" ? "" : word })}
        >
          {line.words.map((w) => (
            <ToggleGroup.Item key={w} value={w} className={ITEM}>
              {w}
            </ToggleGroup.Item>
          ))}
          {partly === "fail" && (
            <ToggleGroup.Item value="-" className={ITEM}>
              {text.noWord}
            </ToggleGroup.Item>
          )}
        </ToggleGroup.Root>
      )}
      {line.takes === "look" && (
        <ToggleGroup.Root
          type="single"
          className="flex gap-1"
          aria-label={text.lookOf(line.code)}
          onValueChange={(v) => v && say({ amount: Number(v) })}
        >
          {[0, 1, 2, 3, 4, 5].map((n) => (
            <ToggleGroup.Item key={n} value={String(n)} className={`${ITEM} num`}>
              {n}
            </ToggleGroup.Item>
          ))}
        </ToggleGroup.Root>
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

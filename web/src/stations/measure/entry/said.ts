import type { Schemas } from "../../../api/client";
import type { Entry } from "../../../api/outbox";
import { text } from "../text";

type Line = Schemas["JudgedLine"];

/** What stands of a feature in words and whether it passed, sent or still waiting; null before anything was said. */
export function judgedState(line: Line, pending: Entry[]): { words: string; passed: boolean } | null {
  const waiting = pending.find(
    (e) => !e.refused && e.body?.feature_id === line.feature_id && e.body?.takes === line.takes,
  );
  if (waiting?.body) {
    const body = waiting.body as { verdict?: Schemas["Verdict"]; word?: string; amount?: number };
    return {
      words: text.unsent(saying(body.verdict ?? null, body.word ?? "", body.amount ?? null)),
      passed: body.verdict === "pass",
    };
  }
  if (!line.said) return null;
  return {
    words: saying(line.said.verdict, line.said.word, line.said.amount),
    passed: line.said.verdict === "pass",
  };
}

/** A verdict with its word, a word, or a number. */
export function saying(verdict: Schemas["Verdict"] | null, word: string, amount: number | null): string {
  if (word) return verdict && verdict !== "pass" ? `${text.verdicts[verdict]}, ${word}` : word;
  if (verdict) return text.verdicts[verdict];
  return String(amount ?? "");
}

import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../../../api/client";
import type { Entry } from "../../../api/outbox";
import { useKeys } from "../../../app/keys";
import { Key } from "../../../parts/bits";
import type { useKeeping } from "../keeping";
import { text } from "../text";
import { RungDrawing } from "./rung";
import { judgedState } from "./said";

type Line = Schemas["JudgedLine"];
type Said = { verdict: Schemas["Verdict"]; word?: string };

/** Rungs easiest first: Enter passes and goes on, one key says all up to here; the limit forms where they stop passing. */
export function Ladder({
  lines,
  kind,
  judge,
  pending,
  done,
}: {
  lines: Line[];
  kind: string;
  judge: ReturnType<typeof useKeeping>["judge"];
  pending: Entry[];
  /** What to do once every rung is judged. */
  done: React.ReactNode;
}) {
  const larger = lines[0]?.easier === "larger";
  const rungs = [...lines].sort((a, b) => (larger ? b.nominal - a.nominal : a.nominal - b.nominal));
  const states = rungs.map((r) => judgedState(r, pending));
  const next = states.indexOf(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const [change, setChange] = useState<Said | null>(null);
  const [reason, setReason] = useState("");
  const at = chosen ? rungs.findIndex((r) => r.code === chosen) : next;
  const line = rungs[at];
  const current = useRef<HTMLLIElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the rung that is asked for now is kept in sight
  useEffect(() => {
    current.current?.scrollIntoView({ block: "nearest" });
  }, [at]);

  const say = (said: Said) => {
    if (!line) return;
    if (line.said) {
      setChange(said);
      return;
    }
    if (judge(line, said)) setChosen(null);
  };
  const correct = () => {
    if (line && change && reason.trim() && judge(line, change, reason.trim())) {
      setChange(null);
      setReason("");
      setChosen(null);
    }
  };
  const allUpTo = () => {
    for (const [k, rung] of rungs.entries())
      if (k <= at && states[k] === null && !judge(rung, { verdict: "pass" })) return;
    setChosen(null);
  };
  const go = (by: number) => {
    const to = rungs[Math.max(0, Math.min(rungs.length - 1, (at < 0 ? rungs.length : at) + by))];
    if (to) setChosen(to.code);
    setChange(null);
  };
  const words = line?.words ?? [];
  const asking = line !== undefined && change === null;
  useKeys([
    { key: "Enter", does: text.ladder.pass, run: () => asking && say({ verdict: "pass" }) },
    { key: "f", does: text.ladder.fail, run: () => asking && say({ verdict: "fail" }) },
    { key: "a", does: text.ladder.all, run: () => asking && allUpTo() },
    { key: "ArrowUp", does: text.keys.back, run: () => go(-1) },
    { key: "ArrowDown", does: "", run: () => go(1) },
    { key: "x", does: text.ladder.skip, run: () => asking && go(1) },
    ...words.map((w, k) => ({
      key: String(k + 1),
      does: w.word,
      run: () => asking && say({ verdict: w.verdict, word: w.word }),
    })),
  ]);
  return (
    <section
      aria-label={text.ladder.title(kind)}
      className="sheet row-span-2 flex min-h-0 flex-col overflow-hidden"
    >
      <div className="px-4 pt-3">
        <h2 className="lab">{text.ladder.order(kind, lines[0]?.unit ?? "")}</h2>
        <p className="pt-1 text-lead">{line?.method ?? text.ladder.allJudged}</p>
      </div>
      <ol className="mt-2 min-h-0 flex-1 overflow-y-auto border-t border-rule-2" data-scrolls>
        {rungs.map((r, k) => {
          const active = k === at;
          const state = states[k];
          return (
            <li key={r.code} ref={active ? current : undefined}>
              <button
                type="button"
                aria-current={active ? "step" : undefined}
                onClick={() => {
                  setChosen(r.code);
                  setChange(null);
                }}
                className={`grid w-full grid-cols-[4.5rem_minmax(0,1fr)_9rem_1.5rem] items-center gap-3 border-b border-rule-2 px-4 py-1 text-left ${active ? "bg-needle-wash shadow-[inset_3px_0_var(--needle),inset_-3px_0_var(--needle)]" : "hover:bg-station-on"}`}
              >
                <b className="num text-head">
                  {r.nominal.toFixed(r.unit === "°" || r.nominal >= 10 ? 0 : 2)}
                  <span className="sr-only"> {r.unit}</span>
                </b>
                <RungDrawing kind={kind} level={r.nominal} active={active} known={state != null} />
                <span className={active ? "font-semibold" : "text-ink-2"}>
                  {state ? state.words : active ? text.ladder.ask(kind) : ""}
                </span>
                <span aria-hidden="true" className={state?.passed ? "text-ok" : "text-needle-ink"}>
                  {state ? (state.passed ? "✓" : "✕") : active ? "●" : ""}
                </span>
              </button>
            </li>
          );
        })}
      </ol>
      <div className="grid gap-2 border-t border-rule-2 px-4 py-3">
        {change && line ? (
          <form
            className="grid gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              correct();
            }}
            onKeyDown={(e) => e.key === "Escape" && setChange(null)}
          >
            <label className="field">
              <span>{text.judgedReason(line.code)}</span>
              <input
                className="input"
                autoFocus
                required
                maxLength={300}
                value={reason}
                onChange={(e) => setReason(e.target.value)}
              />
            </label>
            <div className="flex gap-2">
              <button type="submit" className="button primary">
                {text.ladder.correctTo(change.word ?? text.verdicts[change.verdict])}
              </button>
              <button type="button" className="button" onClick={() => setChange(null)}>
                {text.panel.back}
              </button>
            </div>
          </form>
        ) : line ? (
          <div className="flex flex-wrap gap-x-3 gap-y-1.5">
            <Press of="Enter" says={text.ladder.pass} run={() => say({ verdict: "pass" })} primary />
            <Press of="F" says={text.ladder.fail} run={() => say({ verdict: "fail" })} />
            {words.map((w, k) => (
              <Press
                key={w.word}
                of={String(k + 1)}
                says={w.word}
                run={() => say({ verdict: w.verdict, word: w.word })}
              />
            ))}
            <Press of="A" says={text.ladder.all} run={allUpTo} />
            <Press of="↑" says={text.keys.backShort} run={() => go(-1)} />
            <Press of="X" says={text.ladder.skip} run={() => go(1)} />
          </div>
        ) : (
          done
        )}
      </div>
    </section>
  );
}

/** A key that is also a button, for those who touch the screen. */
export function Press({
  of,
  says,
  run,
  primary = false,
}: {
  of: string;
  says: string;
  run: () => void;
  primary?: boolean;
}) {
  return (
    <button type="button" className={`button ${primary ? "primary" : ""}`} onClick={run}>
      <Key>{of}</Key> {says}
    </button>
  );
}

import type { Schemas } from "../../api/client";
import { signed } from "../../parts/bits";
import { markColour, UnitName } from "../../parts/unit-mark";
import { NextBest } from "./next-best";
import { text } from "./text";

/** The sentence first, then what would flip it and what it rests on. */
export function Verdict({
  view,
  studyId,
  shown,
  may,
}: {
  view: Schemas["RankView"];
  studyId: string;
  /** What the ranking was asked for. */
  shown: Schemas["WhatIf"];
  may: boolean;
}) {
  const [first, second] = view.standings;
  const most = Math.max(1, ...view.reasons.map((r) => Math.abs(r.points)));
  return (
    <section
      aria-label={text.verdict}
      className="sheet min-h-0 overflow-y-auto p-3.5 max-[1020px]:order-first"
    >
      <p className="lab">
        {text.verdictFor} {view.profile.name}
      </p>
      <h2 aria-live="polite" className="mt-0.5 mb-1.5 text-title leading-[1.12] font-bold [font-stretch:92%]">
        {view.verdict.headline}
      </h2>
      <p className="text-ink-2">{view.verdict.evidence}</p>
      {view.budget_words.map((words) => (
        <p key={words} className="pt-1 text-small">
          {words}
        </p>
      ))}
      {view.prints_words && <p className="pt-1 text-small text-ink-2">{view.prints_words}</p>}
      {view.apart.map((words) => (
        <p key={words} className="pt-1 text-small text-ink-2">
          {words}
        </p>
      ))}
      {(view.flips.length > 0 || view.flips_words) && (
        <>
          <h3 className="lab pt-3 pb-1">{text.flip}</h3>
          <ul>
            {view.flips.map((f) => (
              <li key={f.words} className="border-t border-rule-2 py-1.5 text-small leading-snug">
                {f.words} <span className="text-ink-2">→</span>{" "}
                <b className="font-semibold">
                  <UnitName whole mark={f.becomes.mark} name={f.becomes.name} />
                </b>
              </li>
            ))}
          </ul>
          {view.flips_words && <p className="text-small text-ink-2">{view.flips_words}</p>}
        </>
      )}
      {view.standings.length > 1 && <NextBest studyId={studyId} shown={shown} may={may} />}
      {first && second && view.reasons.some((r) => r.points !== 0) && (
        <>
          <h3 className="lab pt-3 pb-1.5">{text.why(first.machine.name, second.machine.name)}</h3>
          <ul className="grid gap-1">
            {view.reasons.map((r) => {
              const share = (46 * Math.abs(r.points)) / most;
              const ahead = r.points >= 0;
              return (
                <li
                  key={r.code}
                  className="grid grid-cols-[84px_1fr_34px] items-center text-small text-ink-2"
                >
                  <span>{r.name}</span>
                  <span className="relative h-3 border-rule before:absolute before:inset-y-0 before:left-1/2 before:border-l before:border-rule">
                    <i
                      className="absolute top-px h-2.5 rounded-full"
                      style={{
                        left: ahead ? "50%" : `${50 - share}%`,
                        width: `${share}%`,
                        background: markColour((ahead ? first : second).machine.mark),
                      }}
                    />
                  </span>
                  <span className="num text-right text-tiny">{signed(r.points, 1)}</span>
                </li>
              );
            })}
          </ul>
        </>
      )}
      {view.cells_words && (
        <p className="mt-3 border-t border-rule-2 pt-2 text-small text-ink-2">{view.cells_words}</p>
      )}
      <ul className="grid gap-1 pt-1 text-small text-ink-2">
        {lacking(view).map(([need, names]) => (
          <li key={need}>
            {names.length === view.standings.length && names.length > 1 ? text.all : names.join(", ")}: {need}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What figures still need, each need once with the machines that lack it. */
function lacking(view: Schemas["RankView"]): [string, string[]][] {
  const found = new Map<string, string[]>();
  for (const s of view.standings)
    for (const [i, c] of s.contributions.entries())
      if (c.raw.needs) {
        const need = `${view.criteria[i]?.name.toLowerCase()} needs ${c.raw.needs}.`;
        found.set(need, [...(found.get(need) ?? []), s.machine.name]);
      }
  return [...found];
}

import { Slider } from "radix-ui";
import { type ReactNode, useRef } from "react";
import type { Schemas } from "../../api/client";
import { Key, Trouble } from "../../parts/bits";
import { Conflict } from "../../parts/conflict";
import { criterionColour } from "../../parts/criterion-colour";
import { MustHaves } from "./must-haves";
import { text } from "./text";
import { useBuyer } from "./use-buyer";
import { type Proportions, sumOf, toHundred, trade, tradeGroup } from "./weights";

/** The buyer's weights, traded by sliders and kept on request; below them the must-haves. */
export function Weighting({
  studyId,
  view,
  weights,
  pair,
  asked,
  change,
  restore,
  may,
}: {
  studyId: string;
  view: Schemas["RankView"];
  weights: Record<string, number>;
  pair: readonly string[];
  asked: boolean;
  change: (weights: Record<string, number>) => void;
  restore: () => void;
  may: boolean;
}) {
  const save = useBuyer(studyId, view.profile);
  const last = useRef<Proportions>(new Map()).current;
  const keep = () => save.mutate({ weights }, { onSuccess: restore });
  const conflict = save.error && "theirs" in save.error && save.error.theirs;
  const scheme = Object.fromEntries(view.criteria.map((c) => [c.code, c.scheme_weight]));
  const readable = (raw: Record<string, unknown>) => {
    const saved = "weights" in raw ? { ...scheme, ...(raw.weights as Record<string, number>) } : raw;
    const shares = toHundred(saved as Record<string, number>);
    return Object.fromEntries(Object.entries(shares).map(([code, share]) => [code, share.toFixed(0)]));
  };
  return (
    <section aria-label={text.weights} className="sheet flex min-h-0 flex-col overflow-y-auto p-3">
      <div className="flex justify-between pb-1">
        <h2 className="lab">{text.weights}</h2>
        <span className="lab">{text.of100Points}</span>
      </div>
      {view.counted_twice && <p className="pb-1 text-small text-ink-2">{view.counted_twice}</p>}
      {grouped(view.criteria).map(({ name, members }) => {
        const codes = members.map((m) => m.code);
        const whole = sumOf(weights, codes);
        const bars = members.map((c) => (
          <Weight
            key={c.code}
            code={c.code}
            name={c.name}
            note={
              pair.includes(c.code) ? (
                <span className="ml-1.5 text-tiny font-semibold text-needle-ink">{text.pair}</span>
              ) : null
            }
            share={name && whole > 0 ? text.shareOfGroup((100 * (weights[c.code] ?? 0)) / whole) : ""}
            value={weights[c.code] ?? 0}
            most={name ? Math.max(1, Math.ceil(whole)) : 100}
            colour={criterionColour(view.criteria.indexOf(c))}
            ask={(wanted) => change(trade(weights, c.code, wanted, pair, name ? codes : [], last))}
          />
        ));
        if (!name) return bars;
        return (
          <fieldset key={name} aria-label={name} className="border-b border-rule pb-1.5">
            <Weight
              name={name}
              strong
              value={whole}
              most={100}
              colour="var(--ink-2)"
              ask={(wanted) => change(tradeGroup(weights, codes, wanted, last))}
            />
            <div className="border-l-2 border-rule pl-2.5">{bars}</div>
          </fieldset>
        );
      })}
      <MustHaves studyId={studyId} view={view} may={may} />
      <div className="mt-auto grid gap-2 pt-3 text-small text-ink-2">
        {asked && may && !conflict && (
          <button type="button" className="button" onClick={keep}>
            {text.save}
          </button>
        )}
        {conflict ? (
          <Conflict
            error={save.error}
            labels={Object.fromEntries(view.criteria.map((c) => [c.code, c.name]))}
            mine={weights}
            readable={readable}
            keepMine={keep}
            takeTheirs={() => {
              save.reset();
              restore();
            }}
          />
        ) : (
          <Trouble error={save.error} />
        )}
        <p>
          {text.dragHint} <Key>U</Key> {text.unlocksAPair} <Key>0</Key> {text.putsTheSchemeBack}
        </p>
      </div>
    </section>
  );
}

type Criterion = Schemas["CriterionOut"];

/** Groups of two or more where the first of each stands; what is alone has no name. */
function grouped(criteria: Criterion[]): { name: string; members: Criterion[] }[] {
  const found: { name: string; members: Criterion[] }[] = [];
  for (const c of criteria) {
    const members = criteria.filter((m) => m.group_name && m.group_name === c.group_name);
    if (members.length < 2) found.push({ name: "", members: [c] });
    else if (members[0] === c) found.push({ name: c.group_name ?? "", members });
  }
  return found;
}

function Weight({
  code,
  name,
  note,
  share,
  strong,
  value,
  most,
  colour,
  ask,
}: {
  code?: string;
  name: string;
  note?: ReactNode;
  share?: string;
  strong?: boolean;
  value: number;
  most: number;
  colour: string;
  ask: (wanted: number) => void;
}) {
  return (
    <div
      data-criterion={code}
      className="grid grid-cols-[1fr_auto] items-center gap-y-1 border-b border-rule-2 py-1.5"
    >
      <span className={strong ? "font-semibold" : ""}>
        {name}
        {note}
        {share && <small className="ml-1.5 text-ink-2">{share}</small>}
      </span>
      <span className="num text-small font-semibold">{+value.toFixed(1)}</span>
      <Slider.Root
        className="relative col-span-2 flex h-4 touch-none items-center"
        min={0}
        max={most}
        step={1}
        value={[Math.round(value)]}
        onValueChange={([v]) => ask(v ?? 0)}
      >
        <Slider.Track className="relative h-1 w-full rounded bg-[var(--track)]">
          <Slider.Range className="absolute h-full rounded" style={{ background: colour }} />
        </Slider.Track>
        <Slider.Thumb
          aria-label={strong ? text.weightOfGroup(name) : text.weightOf(name)}
          className="block h-3.5 w-2 rounded-[2px] bg-ink"
        />
      </Slider.Root>
    </div>
  );
}

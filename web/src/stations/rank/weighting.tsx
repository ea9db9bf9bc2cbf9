import { Slider } from "radix-ui";
import type { Schemas } from "../../api/client";
import { Key, Trouble } from "../../parts/bits";
import { Conflict } from "../../parts/conflict";
import { criterionColour } from "../../parts/criterion-colour";
import { MustHaves } from "./must-haves";
import { text } from "./text";
import { useBuyer } from "./use-buyer";
import { toHundred } from "./weights";

/** The buyer's weights, traded by sliders and kept on request; below them the must-haves. */
export function Weighting({
  studyId,
  view,
  weights,
  pair,
  asked,
  ask,
  restore,
  may,
}: {
  studyId: string;
  view: Schemas["RankView"];
  weights: Record<string, number>;
  pair: readonly string[];
  asked: boolean;
  ask: (code: string, wanted: number) => void;
  restore: () => void;
  may: boolean;
}) {
  const save = useBuyer(studyId, view.profile);
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
      {view.criteria.map((c, i) => (
        <div
          key={c.code}
          data-criterion={c.code}
          className="grid grid-cols-[1fr_auto] items-center gap-y-1 border-b border-rule-2 py-1.5"
        >
          <span>
            {c.name}
            {pair.includes(c.code) && (
              <span className="ml-1.5 text-tiny font-semibold text-needle-ink">{text.pair}</span>
            )}
          </span>
          <span className="num text-small font-semibold">{+(weights[c.code] ?? 0).toFixed(1)}</span>
          <Slider.Root
            className="relative col-span-2 flex h-4 touch-none items-center"
            min={0}
            max={100}
            step={1}
            value={[Math.round(weights[c.code] ?? 0)]}
            onValueChange={([v]) => ask(c.code, v ?? 0)}
          >
            <Slider.Track className="relative h-1 w-full rounded bg-[var(--track)]">
              <Slider.Range className="absolute h-full rounded" style={{ background: criterionColour(i) }} />
            </Slider.Track>
            <Slider.Thumb
              aria-label={text.weightOf(c.name)}
              className="block h-3.5 w-2 rounded-[2px] bg-ink"
            />
          </Slider.Root>
        </div>
      ))}
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

import { Slider } from "radix-ui";
import { useState } from "react";
import { api, seenVersion, unwrap } from "../../api/client";
import { useChange, useMe, useRank } from "../../api/queries";
import { useKeys } from "../../app/keys";
import { Top } from "../../app/shell";
import { Key, Skeleton, Trouble } from "../../parts/bits";
import { Conflict } from "../../parts/conflict";
import { ProfileChip } from "../../parts/profile-chip";
import { Chances } from "./chances";
import { Gates } from "./gates";
import { Standings } from "./standings";
import { text } from "./text";
import { Verdict } from "./verdict";
import { criterionColour, toHundred, trade } from "./weights";

export default function Rank({ studyId }: { studyId: string }) {
  const [profileId, setProfileId] = useState<string | null>(null);
  const [asked, setAsked] = useState<Record<string, number> | null>(null);
  const [showGated, setShowGated] = useState(false);
  const [pair, setPair] = useState<string[]>([]);
  const whatIf = { profile_id: profileId, weights: asked, show_gated: showGated };
  const rank = useRank(studyId, whatIf);
  const me = useMe();
  const view = rank.data;
  const scheme = view
    ? toHundred(Object.fromEntries(view.criteria.map((c) => [c.code, c.scheme_weight])))
    : {};
  const weights = asked ?? scheme;
  const restore = () => {
    setAsked(null);
    setPair([]);
  };
  const unlock = () => {
    const code = (document.activeElement as HTMLElement | null)?.closest<HTMLElement>("[data-criterion]")
      ?.dataset.criterion;
    if (code) setPair((p) => (p.includes(code) ? p.filter((c) => c !== code) : [...p, code].slice(-2)));
  };
  useKeys([
    {
      key: "u",
      does: "unlock the focused weight for a pair; two unlocked trade with each other only",
      run: unlock,
    },
    { key: "0", does: "put the buyer's weights back", run: restore },
  ]);
  const save = useChange(
    studyId,
    ["study", studyId, "rank", { profile_id: profileId, weights: null, show_gated: showGated }],
    (version: number) =>
      unwrap(
        api.PUT("/api/studies/{study_id}/profiles/{profile_id}/weights", {
          params: { path: { study_id: studyId, profile_id: view!.profile.id } },
          body: { version, weights },
        }),
      ),
  );
  if (rank.isError && !view) return <Trouble error={rank.error} />;
  if (!view) return <Skeleton className="h-full" />;
  const may = me.data?.role === "owner" || me.data?.role === "reviewer";
  const conflict = save.error && "theirs" in save.error && save.error.theirs;
  const readable = (raw: Record<string, unknown>) => {
    const saved = "weights" in raw ? { ...scheme, ...(raw.weights as Record<string, number>) } : raw;
    const shares = toHundred(saved as Record<string, number>);
    return Object.fromEntries(Object.entries(shares).map(([code, share]) => [code, share.toFixed(0)]));
  };
  return (
    <div className="grid h-full min-h-0 grid-cols-[236px_minmax(0,1fr)_262px] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1">
      <Top>
        <ProfileChip
          value={view.profile.id}
          profiles={view.profiles}
          choose={(id) => {
            setProfileId(id);
            restore();
          }}
        />
        <span className="chip max-[1180px]:hidden">
          Scheme <b>v{view.scheme_number}</b> · weighted points
        </span>
      </Top>
      <section aria-label={text.weights} className="sheet flex min-h-0 flex-col overflow-y-auto p-3">
        <div className="flex justify-between pb-1">
          <h2 className="lab">{text.weights}</h2>
          <span className="lab">100 points</span>
        </div>
        {view.criteria.map((c, i) => (
          <div
            key={c.code}
            data-criterion={c.code}
            className="grid grid-cols-[1fr_auto] items-center gap-y-1 border-b border-rule-2 py-1.5"
          >
            <span>
              {c.name}
              {pair.includes(c.code) && (
                <span className="ml-1.5 text-[11px] font-semibold text-needle-ink">pair</span>
              )}
            </span>
            <span className="num text-[12px] font-semibold">{(weights[c.code] ?? 0).toFixed(0)}</span>
            <Slider.Root
              className="relative col-span-2 flex h-4 touch-none items-center"
              min={0}
              max={100}
              step={1}
              value={[Math.round(weights[c.code] ?? 0)]}
              onValueChange={([v]) => setAsked(trade(weights, c.code, v ?? 0, pair))}
            >
              <Slider.Track className="relative h-1 w-full rounded bg-[var(--track)]">
                <Slider.Range
                  className="absolute h-full rounded"
                  style={{ background: criterionColour(i) }}
                />
              </Slider.Track>
              <Slider.Thumb
                aria-label={`Weight of ${c.name}`}
                className="block h-3.5 w-2 rounded-[2px] bg-ink"
              />
            </Slider.Root>
          </div>
        ))}
        <Gates key={view.profile.id} studyId={studyId} view={view} may={may} />
        <div className="mt-auto grid gap-2 pt-3 text-[12px] text-ink-2">
          {asked && may && !conflict && (
            <button
              type="button"
              className="button"
              onClick={() =>
                save.mutate(seenVersion(view.profile.version, save.error), { onSuccess: restore })
              }
            >
              {text.save}
            </button>
          )}
          {conflict ? (
            <Conflict
              error={save.error}
              labels={Object.fromEntries(view.criteria.map((c) => [c.code, c.name]))}
              mine={weights}
              readable={readable}
              keepMine={() =>
                save.mutate(seenVersion(view.profile.version, save.error), { onSuccess: restore })
              }
              takeTheirs={() => {
                save.reset();
                restore();
              }}
            />
          ) : (
            <Trouble error={save.error} />
          )}
          <p>
            {text.dragHint} <Key>U</Key> unlocks a pair, <Key>0</Key> puts the scheme back.
          </p>
        </div>
      </section>
      <div className="grid min-h-0 min-w-0 grid-rows-[minmax(0,1fr)_auto] gap-3 max-[1020px]:block">
        <Standings
          view={view}
          studyId={studyId}
          shown={whatIf}
          showGated={showGated}
          setShowGated={setShowGated}
          stale={rank.isFetching}
        />
        <Chances view={view} />
      </div>
      <Verdict view={view} />
    </div>
  );
}

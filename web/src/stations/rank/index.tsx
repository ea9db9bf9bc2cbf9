import { Check } from "@phosphor-icons/react/dist/csr/Check";
import { Slider } from "radix-ui";
import { useState } from "react";
import { api, type Schemas, unwrap } from "../../api/client";
import { useChange, useMe, useRank } from "../../api/queries";
import { useKeys } from "../../app/keys";
import { Top } from "../../app/shell";
import { BeadBar } from "../../parts/bead-bar";
import { Empty, Key, Skeleton, signed, Trouble } from "../../parts/bits";
import { Sourced, useSource } from "../../parts/source-drawer";
import { Glyph, UnitName } from "../../parts/unit-mark";
import { text } from "./text";
import { toHundred, trade } from "./weights";

const colour = (i: number) => `var(--c${(i % 8) + 1})`;

export default function Rank({ studyId }: { studyId: string }) {
  const [profileId, setProfileId] = useState<string | null>(null);
  const [asked, setAsked] = useState<Record<string, number> | null>(null);
  const [showGated, setShowGated] = useState(false);
  const [pair, setPair] = useState<string[]>([]);
  const rank = useRank(studyId, { profile_id: profileId, weights: asked, show_gated: showGated });
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
    () =>
      unwrap(
        api.PUT("/api/studies/{study_id}/profiles/{profile_id}/weights", {
          params: { path: { study_id: studyId, profile_id: view!.profile.id } },
          body: { version: view!.profile.version, weights },
        }),
      ),
  );
  if (rank.isError && !view) return <Trouble error={rank.error} />;
  if (!view) return <Skeleton className="h-full" />;
  const may = me.data?.role === "owner" || me.data?.role === "reviewer";
  return (
    <div className="grid h-full min-h-0 grid-cols-[236px_minmax(0,1fr)_262px] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1">
      <Top>
        <label className="chip">
          <span>For</span>
          <select
            aria-label="Buyer profile"
            className="bg-transparent font-semibold"
            value={view.profile.id}
            onChange={(e) => {
              setProfileId(e.target.value);
              restore();
            }}
          >
            {view.profiles.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </select>
        </label>
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
                <Slider.Range className="absolute h-full rounded" style={{ background: colour(i) }} />
              </Slider.Track>
              <Slider.Thumb
                aria-label={`Weight of ${c.name}`}
                className="block h-3.5 w-2 rounded-[2px] bg-ink"
              />
            </Slider.Root>
          </div>
        ))}
        <h2 className="lab pt-3">{text.mustHave}</h2>
        <ul className="grid gap-1 pt-1.5 text-[12.5px]">
          {view.gates.map((g) => (
            <li key={g.kind} className="flex items-baseline gap-1.5">
              <Check size={12} weight="bold" className="shrink-0 translate-y-[2px]" />
              <span>
                {g.text}
                {g.failing > 0 && <span className="text-ink-2"> · {g.failing} out</span>}
                {g.open > 0 && <span className="text-brass-ink"> · {g.open} open</span>}
              </span>
            </li>
          ))}
        </ul>
        <div className="mt-auto grid gap-2 pt-3 text-[12px] text-ink-2">
          {asked && may && (
            <button
              type="button"
              className="button"
              onClick={() => save.mutate(undefined, { onSuccess: restore })}
            >
              {text.save}
            </button>
          )}
          <Trouble error={save.error} />
          <p>
            {text.dragHint} <Key>U</Key> unlocks a pair, <Key>0</Key> puts the scheme back.
          </p>
        </div>
      </section>
      <div className="grid min-h-0 min-w-0 grid-rows-[minmax(0,1fr)_auto] gap-3 max-[1020px]:block">
        <Standings
          view={view}
          studyId={studyId}
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

function Standings({
  view,
  studyId,
  showGated,
  setShowGated,
  stale,
}: {
  view: Schemas["RankView"];
  studyId: string;
  showGated: boolean;
  setShowGated: (b: boolean) => void;
  stale: boolean;
}) {
  const open = useSource();
  if (view.standings.length === 0)
    return (
      <section className="sheet">
        <Empty title={view.verdict.headline}>
          <p>{view.verdict.evidence}</p>
          <button type="button" className="button" onClick={() => setShowGated(true)}>
            Show the machines left out
          </button>
        </Empty>
      </section>
    );
  return (
    <section aria-label="Ranking" aria-busy={stale} className="sheet min-h-0 overflow-y-auto">
      <ol>
        {view.standings.map((s) => {
          const mid = s.total;
          return (
            <li
              key={s.machine.unit_id}
              className="grid grid-cols-[44px_1fr_96px] items-center gap-x-2.5 gap-y-1 border-b border-rule-2 px-3.5 py-2"
            >
              <span className="row-span-2 text-[30px] leading-none font-extrabold [font-stretch:70%]">
                {s.rank ?? (
                  <span className="text-[17px]" title="The missing figures leave this open">
                    {s.best_rank}–{s.worst_rank}
                  </span>
                )}
              </span>
              <span className="flex items-baseline gap-2 text-[14.5px] font-semibold">
                <UnitName mark={s.machine.mark} name={s.machine.name} />
                <small className="text-[12px] font-normal text-ink-2">
                  {s.all_in.value === null
                    ? "price not recorded"
                    : `${s.all_in.value.toFixed(0)} ${view.currency} all in`}
                </small>
              </span>
              <span className="num text-right text-[17px] font-semibold">
                <Sourced
                  figure={{ station: "rank", study: studyId, unit: s.machine.unit_id, criterion: "total" }}
                  label={`${s.machine.name}: ${mid.toFixed(1)} points, source`}
                >
                  {mid.toFixed(1)}
                </Sourced>
                <small className="block text-[10.5px] font-normal text-ink-2">
                  ± {s.expanded.toFixed(1)}
                  {s.missing > 0 && " (incomplete)"}
                </small>
              </span>
              <BeadBar
                label={`${s.machine.name}, points by criterion`}
                full={100}
                beads={s.contributions
                  .map((c, i) => ({ c, i }))
                  .filter(({ c }) => (c.points ?? 0) > 0)
                  .map(({ c, i }) => ({
                    key: c.code,
                    width: c.points ?? 0,
                    colour: colour(i),
                    title: `${view.criteria[i]?.name}: ${c.points?.toFixed(1)} points, ${c.raw.value?.toFixed(c.raw.digits)} ± ${c.raw.expanded?.toFixed(c.raw.digits)} ${c.raw.unit}`,
                  }))}
                whisker={{ low: mid - s.expanded, high: mid + s.expanded }}
                figureOf={(criterion) => ({
                  station: "rank",
                  study: studyId,
                  unit: s.machine.unit_id,
                  criterion,
                })}
                onBead={(criterion) =>
                  open({ station: "rank", study: studyId, unit: s.machine.unit_id, criterion })
                }
              />
              <span className="text-right text-[12px] text-ink-2">
                <b className="num text-[11px] text-ink">{(100 * s.first_chance).toFixed(0)} %</b> first
              </span>
            </li>
          );
        })}
      </ol>
      <div className="grid gap-1 px-3.5 py-2 text-[12.5px] text-ink-2">
        {view.left_out.map((m) => (
          <p key={m.machine.unit_id} className="flex flex-wrap items-baseline gap-x-1.5">
            <Glyph mark={m.machine.mark} muted />
            <b>{m.machine.name}</b>
            {m.is_control ? (
              <>
                is the {m.reason}
                {m.total !== null && `; ${m.total.toFixed(1)} points for reference`}.
              </>
            ) : (
              <>is left out: {m.reason}.</>
            )}
            {!m.is_control && (
              <button type="button" className="underline" onClick={() => setShowGated(true)}>
                Show anyway
              </button>
            )}
          </p>
        ))}
        {showGated && (
          <p>
            Machines that fail a must-have are shown.{" "}
            <button type="button" className="underline" onClick={() => setShowGated(false)}>
              Leave them out again
            </button>
          </p>
        )}
      </div>
    </section>
  );
}

function Chances({ view }: { view: Schemas["RankView"] }) {
  const places = view.standings.map((_, i) => i);
  return (
    <section className="sheet min-h-0 px-3.5 py-2.5 max-[1020px]:mt-3">
      <div className="flex justify-between gap-3">
        <h2 className="lab">{text.chances(Math.round(100 * view.weight_spread))}</h2>
        <span className="lab whitespace-nowrap">
          {view.draws.toLocaleString("en").replaceAll(",", " ")} draws
        </span>
      </div>
      <table className="mt-1 w-full border-separate border-spacing-[3px]">
        <thead>
          <tr>
            <td className="w-[160px]" />
            {places.map((i) => (
              <th key={i} scope="col" className="lab text-center">
                {i + 1}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {view.standings.map((s) => (
            <tr key={s.machine.unit_id}>
              <th scope="row" className="text-left font-normal">
                <UnitName mark={s.machine.mark} name={s.machine.name} />
              </th>
              {s.rank_chances.map((p, i) => {
                const share = Math.round(100 * p);
                return (
                  <td
                    key={i}
                    className="num h-[23px] rounded-[4px] text-center text-[10.5px]"
                    style={{
                      background: `color-mix(in srgb, var(--heat) ${Math.round(p * 88 + 3)}%, transparent)`,
                      color: p > 0.42 ? "var(--heat-ink)" : "var(--ink)",
                    }}
                  >
                    {share || (p > 0 ? "<1" : "·")}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Verdict({ view }: { view: Schemas["RankView"] }) {
  const [first, second] = view.standings;
  const most = Math.max(1, ...view.reasons.map((r) => Math.abs(r.points)));
  return (
    <section aria-label="Verdict" className="sheet min-h-0 overflow-y-auto p-3.5">
      <p className="lab">
        {text.verdictFor} {view.profile.name}
      </p>
      <h2
        aria-live="polite"
        className="mt-0.5 mb-1.5 text-[21px] leading-[1.12] font-bold [font-stretch:92%]"
      >
        {view.verdict.headline}
      </h2>
      <p className="text-ink-2">{view.verdict.evidence}</p>
      <h3 className="lab pt-3 pb-1">{text.flip}</h3>
      {view.flips.length === 0 && <p className="text-[12.5px] text-ink-2">{text.noFlip}</p>}
      {view.flips.map((f) => (
        <div
          key={f.criterion}
          className="grid grid-cols-[1fr_auto] gap-x-2 border-t border-rule-2 py-1.5 text-[12.5px]"
        >
          <span>
            {f.name} {f.direction}
          </span>
          <b className="num text-[12px]">
            {f.points.toFixed(0)} → {f.becomes.split(" ").at(-1)}
          </b>
        </div>
      ))}
      {first && second && (
        <>
          <h3 className="lab pt-3 pb-1.5">{text.why(short(first), short(second))}</h3>
          <ul className="grid gap-1">
            {view.reasons.map((r) => {
              const share = (46 * Math.abs(r.points)) / most;
              const ahead = r.points >= 0;
              return (
                <li
                  key={r.code}
                  className="grid grid-cols-[84px_1fr_34px] items-center text-[11.5px] text-ink-2"
                >
                  <span>{r.name}</span>
                  <span className="relative h-3 border-rule before:absolute before:inset-y-0 before:left-1/2 before:border-l before:border-rule">
                    <i
                      className="absolute top-[1px] h-2.5 rounded-full"
                      style={{
                        left: ahead ? "50%" : `${50 - share}%`,
                        width: `${share}%`,
                        background: `var(--u${(ahead ? first : second).machine.mark % 7})`,
                      }}
                    />
                  </span>
                  <span className="num text-right text-[10.5px]">{signed(r.points, 1)}</span>
                </li>
              );
            })}
          </ul>
        </>
      )}
      <p className="mt-3 border-t border-rule-2 pt-2 text-[12px] text-ink-2">
        {text.missing(view.missing_cells, view.cells)}
      </p>
      {view.standings.map((s) =>
        s.contributions
          .filter((c) => c.raw.needs)
          .map((c) => (
            <p key={s.machine.unit_id + c.code} className="text-[12px] text-ink-2">
              {s.machine.name}, {view.criteria.find((k) => k.code === c.code)?.name.toLowerCase()}: needs{" "}
              {c.raw.needs}.
            </p>
          )),
      )}
    </section>
  );
}

function short(s: Schemas["StandingLine"]): string {
  return s.machine.name.split(" ").at(-1) ?? s.machine.name;
}

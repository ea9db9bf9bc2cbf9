import type { Schemas } from "../../api/client";
import { BeadBar } from "../../parts/bead-bar";
import { percent } from "../../parts/bits";
import { criterionColour as colour } from "../../parts/criterion-colour";
import { Departures } from "../../parts/departures";
import { Explained } from "../../parts/hint";
import { Sourced, useSource } from "../../parts/source-drawer";
import { Glyph, UnitName } from "../../parts/unit-mark";
import { Warnings } from "../../parts/warnings";
import { ReferenceLines } from "./references";
import { text } from "./text";

/** Points while figures are missing: what is known, and what the missing ones could add. */
function interval(s: Schemas["StandingLine"]): string {
  return `${s.total_low.toFixed(1)}–${s.total_high.toFixed(1)}`;
}

/** Machines in order of points, each with its bead bar; below, who is left out and why. */
export function Standings({
  view,
  studyId,
  shown,
  showGated,
  setShowGated,
  stale,
}: {
  view: Schemas["RankView"];
  studyId: string;
  /** What the ranking was asked for; sources are asked for the same. */
  shown: Schemas["WhatIf"];
  showGated: boolean;
  setShowGated: (b: boolean) => void;
  stale: boolean;
}) {
  const open = useSource();
  if (view.standings.length === 0)
    return (
      <section aria-label={text.ranking} className="sheet min-h-0 overflow-y-auto">
        <LeftOut view={view} show={() => setShowGated(true)} />
        {view.left_out.some((m) => !m.is_control) && (
          <p className="px-3.5 pb-3 text-small text-ink-2">{text.allOut}</p>
        )}
      </section>
    );
  return (
    <section aria-label={text.ranking} aria-busy={stale} className="sheet min-h-0 overflow-y-auto">
      <ol>
        {view.standings.map((s) => {
          const mid = s.total;
          return (
            <li
              key={s.machine.unit_id}
              className="grid grid-cols-[44px_minmax(0,1fr)_96px] items-center gap-x-2.5 gap-y-1 border-b border-rule-2 px-3.5 py-2"
            >
              <span className="row-span-2 text-title leading-none font-extrabold [font-stretch:70%]">
                {s.rank ?? (
                  <Explained className="text-head" says={text.theMissingFiguresLeave}>
                    {s.best_rank}–{s.worst_rank}
                  </Explained>
                )}
              </span>
              <span className="flex flex-wrap items-baseline gap-x-2 text-body font-semibold">
                <UnitName whole mark={s.machine.mark} name={s.machine.name} />
                <Departures list={s.departures} />
                <small className="text-small font-normal text-ink-2">
                  {s.all_in.value === null
                    ? text.priceNotRecorded
                    : text.allIn(s.all_in.value.toFixed(0), view.currency)}
                </small>
              </span>
              <span
                className={`num text-right font-semibold whitespace-nowrap ${s.missing > 0 ? "text-body" : "text-head"}`}
              >
                <Sourced
                  figure={{
                    station: "rank",
                    study: studyId,
                    unit: s.machine.unit_id,
                    criterion: "total",
                    shown,
                  }}
                  label={text.pointsSource(s.machine.name, s.missing > 0 ? interval(s) : mid.toFixed(1))}
                >
                  {s.missing > 0 ? interval(s) : mid.toFixed(1)}
                </Sourced>
                <small className="block text-tiny font-normal text-ink-2">
                  {s.missing > 0 ? text.missing(s.missing) : `± ${s.expanded.toFixed(1)}`}
                </small>
              </span>
              <BeadBar
                label={text.pointsByCriterion(s.machine.name)}
                full={100}
                beads={s.contributions
                  .map((c, i) => ({ c, i }))
                  .filter(({ c }) => (c.points ?? 0) > 0)
                  .map(({ c, i }) => ({
                    key: c.code,
                    width: c.points ?? 0,
                    colour: colour(i),
                    title: `${view.criteria[i]?.name}: ${c.points?.toFixed(1)} points, ${c.raw.words}`,
                  }))}
                whisker={
                  s.missing > 0
                    ? { low: s.total_low, high: s.total_high }
                    : { low: mid - s.expanded, high: mid + s.expanded }
                }
                figureOf={(criterion) => ({
                  station: "rank",
                  study: studyId,
                  unit: s.machine.unit_id,
                  criterion,
                  shown,
                })}
                onBead={(criterion) =>
                  open({ station: "rank", study: studyId, unit: s.machine.unit_id, criterion, shown })
                }
              />
              <span className="text-right text-small text-ink-2">
                {s.missing < view.criteria.length ? (
                  <>
                    <b className="num text-tiny text-ink">{percent(s.first_chance)} %</b> {text.first}
                  </>
                ) : (
                  text.nothingKnown
                )}
              </span>
              <div className="col-span-2 col-start-2 empty:hidden">
                <Warnings notRecommended={s.not_recommended} safety={s.safety} />
                {s.doubts.length > 0 && (
                  <p className="text-small text-brass-ink">
                    {text.mustHave}: {s.doubts.join("; ")}
                  </p>
                )}
              </div>
            </li>
          );
        })}
      </ol>
      <LeftOut view={view} show={() => setShowGated(true)} />
      <ReferenceLines view={view} />
      <div className="px-3.5 pb-2 text-small text-ink-2">
        {showGated && (
          <p>
            {text.machinesThatFailAMust}{" "}
            <button type="button" className="underline" onClick={() => setShowGated(false)}>
              {text.leaveThemOutAgain}
            </button>
          </p>
        )}
      </div>
    </section>
  );
}

/** Who is left out of the ranking, and why. */
function LeftOut({ view, show }: { view: Schemas["RankView"]; show: () => void }) {
  if (view.left_out.length === 0) return null;
  return (
    <div className="grid gap-1 px-3.5 py-2 text-small text-ink-2">
      {view.left_out.map((m) => (
        <div key={m.machine.unit_id}>
          <Glyph mark={m.machine.mark} muted /> <b>{m.machine.name}</b>{" "}
          {m.is_control
            ? text.isThePointsForReference(m.reason, m.total?.toFixed(1) ?? null)
            : text.isLeftOut(m.reason)}
          {!m.is_control && (
            <button type="button" className="underline" onClick={show}>
              {text.showAnyway}
            </button>
          )}
          <Warnings notRecommended={m.not_recommended} safety={m.safety} />
        </div>
      ))}
    </div>
  );
}

import { useLocation, useNavigate } from "@tanstack/react-router";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useMe, useRank } from "../../api/queries";
import { useKeys } from "../../app/keys";
import { Top } from "../../app/shell";
import { Skeleton, Trouble } from "../../parts/bits";
import { Toggles } from "../../parts/form/toggles";
import { ProfileChip } from "../../parts/profile-chip";
import { Buyers } from "./buyers";
import { Chances } from "./chances";
import { Figures } from "./figures";
import { FinalWords } from "./final-words";
import { JudgedByHand } from "./judged";
import { Picks } from "./picks";
import { References } from "./references";
import { Results } from "./results";
import { Scheme } from "./scheme";
import { Schools } from "./schools";
import { Standings } from "./standings";
import { text } from "./text";
import { Two } from "./two";
import { Verdict } from "./verdict";
import { Weighting } from "./weighting";
import { toHundred } from "./weights";

export default function Rank({ studyId }: { studyId: string }) {
  const [profileId, setProfileId] = useState<string | null>(null);
  const [asked, setAsked] = useState<Record<string, number> | null>(null);
  const [showGated, setShowGated] = useState(false);
  const [pair, setPair] = useState<string[]>([]);
  const [by, setBy] = useState<Schemas["WhatIf"]["by"]>("machine");
  const [shown, show] = useShown(studyId);
  const whatIf = { profile_id: profileId, weights: asked, show_gated: showGated, by };
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
      does: text.unlockTheFocusedWeightFor,
      run: unlock,
    },
    { key: "0", does: text.putTheBuyerSWeights, run: restore },
  ]);
  if (rank.isError && !view) return <Trouble error={rank.error} />;
  if (!view) return <Skeleton className="h-full" />;
  // Of a few machines there is room to see all that counts side by side.
  const few = view.standings.length > 0 && view.standings.length <= 3;
  const may = me.data?.role === "owner" || me.data?.role === "reviewer";
  const chosen = (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 print:hidden">
      <Toggles
        label={text.shown}
        value={shown}
        options={SHOWN.filter((v) => there(v, view)).map((v) => ({ value: v, name: text.shows[v] }))}
        change={show}
        className="flex flex-wrap gap-1"
        item="min-h-7 whitespace-nowrap"
      />
      {view.sides.length > 1 && shown === "all" && (
        <Toggles
          label={text.results.columns}
          value={by}
          options={view.sides.map((s) => ({ value: s, name: text.results.sides[s] }))}
          change={setBy}
          item="min-h-7 whitespace-nowrap"
        />
      )}
    </div>
  );
  const whole = {
    results: () => <Results studyId={studyId} />,
    buyers: () => <Picks studyId={studyId} view={view} shown={whatIf} may={may} />,
    judged: () => <JudgedByHand studyId={studyId} may={may} />,
    words: () => <FinalWords studyId={studyId} profileId={view.profile.id} may={may} />,
  };
  const buyer = (id: string | null) => {
    setProfileId(id);
    restore();
  };
  return (
    <div className="grid h-full min-h-0 grid-rows-[auto_minmax(0,1fr)] gap-2 print:block max-[1020px]:h-auto">
      <Top>
        <ProfileChip value={view.profile.id} profiles={view.profiles} choose={buyer} />
        {may && <Buyers studyId={studyId} view={view} choose={buyer} />}
        <References studyId={studyId} count={view.references.length} may={may} />
        <Scheme studyId={studyId} number={view.scheme_number} may={may} />
      </Top>
      {chosen}
      {shown in whole ? (
        whole[shown as keyof typeof whole]()
      ) : (
        <div className="grid min-h-0 grid-cols-[236px_minmax(0,1fr)_262px] gap-3 max-[1180px]:grid-cols-[190px_minmax(0,1fr)_214px] max-[1020px]:grid-cols-1">
          <Weighting
            key={view.profile.id}
            studyId={studyId}
            view={view}
            weights={weights}
            pair={pair}
            asked={asked !== null}
            change={setAsked}
            restore={restore}
            may={may}
          />
          {shown === "schools" ? (
            <Schools studyId={studyId} shown={whatIf} />
          ) : shown === "two" ? (
            <Two
              studyId={studyId}
              machines={view.standings.map((s) => s.machine)}
              references={view.references}
            />
          ) : (
            <div
              className={`grid min-h-0 min-w-0 gap-3 max-[1020px]:block ${few ? "grid-rows-[auto_auto_minmax(0,1fr)]" : "grid-rows-[minmax(0,1fr)_fit-content(45%)]"}`}
            >
              <Standings
                view={view}
                studyId={studyId}
                shown={whatIf}
                showGated={showGated}
                setShowGated={setShowGated}
                stale={rank.isFetching}
              />
              <Chances view={view} />
              {few && <Figures view={view} />}
            </div>
          )}
          <Verdict view={view} studyId={studyId} shown={whatIf} may={may} />
        </div>
      )}
    </div>
  );
}

const SHOWN = ["all", "results", "two", "schools", "buyers", "judged", "words"] as const;

/** What needs two to be set side by side is not offered for one. */
function there(shown: Shown, view: Schemas["RankView"]): boolean {
  if (shown === "two") return view.standings.length > 0 && view.standings.length + view.references.length > 1;
  return shown !== "schools" || view.standings.length > 1;
}

type Shown = (typeof SHOWN)[number];

/** What is shown stands in the address, so that it can be linked to and gone back from. */
function useShown(studyId: string): [Shown, (to: Shown) => void] {
  const hash = useLocation({ select: (l) => l.hash });
  const navigate = useNavigate();
  return [
    SHOWN.find((s) => s === hash) ?? "all",
    (to) =>
      void navigate({
        to: "/study/$studyId/$station",
        params: { studyId, station: "rank" },
        ...(to === "all" ? {} : { hash: to }),
      }),
  ];
}

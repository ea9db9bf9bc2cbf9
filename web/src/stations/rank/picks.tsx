import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { percent, Skeleton, Trouble } from "../../parts/bits";
import { typedNumber } from "../../parts/numbers";
import { UnitName } from "../../parts/unit-mark";
import { text } from "./text";
import { useBuyer } from "./use-buyer";
import { WeightTriangle } from "./weight-triangle";

/** What every buyer is told, and which weights would give which winner. */
export function Picks({
  studyId,
  view,
  shown,
  may,
}: {
  studyId: string;
  view: Schemas["RankView"];
  shown: Schemas["WhatIf"];
  may: boolean;
}) {
  const picks = useQuery({
    queryKey: keys.part(studyId, "picks"),
    queryFn: () =>
      unwrap(api.GET("/api/studies/{study_id}/picks", { params: { path: { study_id: studyId } } })),
  });
  if (!picks.data) return picks.isError ? <Trouble error={picks.error} /> : <Skeleton className="h-full" />;
  return (
    <div className="grid min-h-0 grid-cols-[minmax(0,1fr)_minmax(0,400px)] gap-3 max-[1100px]:grid-cols-1">
      <section aria-label={text.picks.title} className="sheet min-h-0 overflow-y-auto px-4 py-2">
        <ul>
          {picks.data.picks.map((p) => (
            <li key={p.profile_id} className="border-b border-rule-2 py-2.5">
              <PickOf studyId={studyId} pick={p} profiles={view.profiles} may={may} />
            </li>
          ))}
        </ul>
      </section>
      <WeightTriangle studyId={studyId} view={view} shown={shown} />
    </div>
  );
}

function PickOf({
  studyId,
  pick,
  profiles,
  may,
}: {
  studyId: string;
  pick: Schemas["Pick"];
  profiles: Schemas["ProfileOut"][];
  may: boolean;
}) {
  const [open, setOpen] = useState(false);
  const buyer = profiles.find((p) => p.id === pick.profile_id);
  return (
    <>
      <p className="flex flex-wrap items-baseline gap-x-2">
        <span className="lab">{pick.name}</span>
        {may && buyer && (
          <button type="button" className="text-small text-ink-2 underline" onClick={() => setOpen(!open)}>
            {text.picks.wishes}
          </button>
        )}
      </p>
      <p className="text-head leading-snug font-bold [font-stretch:94%]">
        {pick.pick.length === 1 ? (
          <UnitName whole mark={pick.pick[0]!.mark} name={pick.headline} />
        ) : (
          pick.headline
        )}
        {pick.chance !== null && (
          <small className="ml-2 text-small font-normal text-ink-2">
            {text.picks.first(percent(pick.chance))}
          </small>
        )}
      </p>
      {pick.runner_up && (
        <p className="text-small">
          {text.picks.runnerUp} <UnitName mark={pick.runner_up.mark} name={pick.runner_up.name} />
        </p>
      )}
      {pick.why && (
        <p className="text-small">
          <b>{text.picks.why}</b> {pick.why}.
        </p>
      )}
      {pick.why_not && (
        <p className="text-small">
          <b>{text.picks.whyNot}</b> {pick.why_not}.
        </p>
      )}
      {pick.open.map((w) => (
        <p key={w} className="text-small text-brass-ink">
          {w}
        </p>
      ))}
      {pick.budget_words.map((w) => (
        <p key={w} className="text-small">
          {w}
        </p>
      ))}
      {pick.prints_words && <p className="text-small text-ink-2">{pick.prints_words}</p>}
      {pick.left_out > 0 && <p className="text-small text-ink-2">{text.picks.leftOut(pick.left_out)}</p>}
      {open && buyer && <Wishes studyId={studyId} buyer={buyer} />}
    </>
  );
}

function Wishes({ studyId, buyer }: { studyId: string; buyer: Schemas["ProfileOut"] }) {
  const set = useBuyer(studyId, buyer);
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const given = new FormData(event.currentTarget);
    const amount = (name: string) => typedNumber(String(given.get(name) ?? ""));
    set.mutate({
      wishes: { prints_month: amount("prints_month"), budget: amount("budget"), step: amount("step") },
    });
  };
  return (
    <form
      onSubmit={submit}
      className="mt-2 flex flex-wrap items-end gap-2"
      aria-label={text.picks.wishesOf(buyer.name)}
    >
      {(["prints_month", "budget", "step"] as const).map((name) => (
        <label key={name} className="field">
          <span>{text.picks.fields[name]}</span>
          <input
            className="input num !w-[110px]"
            name={name}
            inputMode="decimal"
            defaultValue={buyer[name] ?? ""}
            pattern={text.amountPattern}
            title={text.amountHint}
          />
        </label>
      ))}
      <button type="submit" className="button" disabled={set.isPending}>
        {text.picks.keep}
      </button>
      <Trouble error={set.error} />
    </form>
  );
}

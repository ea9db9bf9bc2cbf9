import { useQuery } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { percent, Trouble } from "../../parts/bits";
import { Explained } from "../../parts/hint";
import { text } from "./text";

type Work = Schemas["NextOut"];

/** The work at the bench that would tell most of first place; a copy goes into the plan at one press. */
export function NextBest({
  studyId,
  shown,
  may,
}: {
  studyId: string;
  shown: Schemas["WhatIf"];
  may: boolean;
}) {
  const view = useQuery({
    queryKey: keys.part(studyId, "next-best", shown),
    queryFn: () =>
      unwrap(
        api.POST("/api/studies/{study_id}/next-best", {
          params: { path: { study_id: studyId } },
          body: shown,
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  if (!view.data) return <Trouble error={view.error} />;
  return (
    <section aria-label={text.next.title} className="pt-3">
      <h3 className="pb-1">
        <Explained className="lab" says={view.data.how}>
          {text.next.title}
        </Explained>
      </h3>
      <p className="text-small">{view.data.says}</p>
      <ul>
        {view.data.works.map((w) => (
          <li key={w.words} className="border-t border-rule-2 py-1.5 text-small leading-snug">
            <OneWork studyId={studyId} work={w} target={view.data.target} may={may} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function OneWork({
  studyId,
  work,
  target,
  may,
}: {
  studyId: string;
  work: Work;
  target: number;
  may: boolean;
}) {
  const [planned, setPlanned] = useState(false);
  const add = useChange(studyId, keys.job(studyId, work.like_job), (like: string) =>
    unwrap(
      api.POST("/api/jobs/{job_id}/more", {
        params: { path: { job_id: like } },
        body: { id: newId(), kind: "an extra copy", counts: true, reason: text.next.reason },
      }),
    ),
  );
  return (
    <>
      <b className="font-semibold">{work.words}</b>
      <span className="block text-ink-2">
        {text.next.cost(work.bench_min.toFixed(0), work.print_h ? work.print_h.toFixed(1) : "")};{" "}
        {text.next.settles(percent(target), percent(work.settles))}.{" "}
        {work.like_job && may && (
          <button
            type="button"
            className="underline"
            disabled={add.isPending || planned}
            aria-label={text.next.addIt(work.words, planned)}
            onClick={() => work.like_job && add.mutate(work.like_job, { onSuccess: () => setPlanned(true) })}
          >
            {planned ? text.next.planned : text.next.add}
          </button>
        )}
        {!work.like_job && (
          <Link
            to="/study/$studyId/$station"
            params={{ studyId, station: text.next.station[work.kind] }}
            className="underline"
          >
            {text.next.goTo[work.kind]}
          </Link>
        )}
      </span>
      <Trouble error={add.error} />
    </>
  );
}

import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { put, useOutbox } from "../../api/outbox";
import { Skeleton, Trouble } from "../../parts/bits";
import { Refused } from "../../parts/refused";
import { type Found, LookForm } from "../look-form";
import { text } from "./text";

/** One of the two looks at the bench: after supports are off, and before packing. */
export function LookPanel({
  studyId,
  specimenId,
  code,
  stage,
  late,
}: {
  studyId: string;
  specimenId: string;
  code: string;
  stage: Schemas["Stage"];
  /** Why it is looked at although the machines are known; null while they are hidden. */
  late: string | null;
}) {
  const looks = useQuery({
    queryKey: keys.looks(studyId, specimenId),
    queryFn: () =>
      unwrap(
        api.GET("/api/specimens/{specimen_id}/looks", { params: { path: { specimen_id: specimenId } } }),
      ),
  });
  const outbox = useOutbox();
  const [error, setError] = useState<Error | null>(null);
  const path = `/api/specimens/${specimenId}/looks`;
  const waiting = outbox.filter((e) => e.path === path && e.body?.stage === stage);
  const look = looks.data?.looks.find((l) => l.stage === stage);
  const keep = (found: Found) => {
    setError(null);
    if (late !== null && !late.trim()) {
      setError(new Error(text.lateReason));
      return;
    }
    put({
      label: text.lookLabel(code, text.stages[stage]),
      study: studyId,
      path,
      body: {
        id: newId(),
        stage,
        ...found,
        ...(look?.id ? { supersedes_id: look.id } : {}),
        ...(late === null ? {} : { after_reveal: late.trim() }),
      },
      moment: "looked_at",
      takes: keys.looks(studyId, specimenId),
    }).catch(setError);
  };
  if (!look) return <Skeleton className="min-h-[216px]" />;
  return (
    <section
      aria-label={text.stages[stage]}
      className="sheet flex min-h-0 flex-col gap-3 overflow-y-auto p-5"
    >
      <h2 className="text-title leading-tight font-extrabold [font-stretch:88%]">{text.stages[stage]}</h2>
      <p className="text-ink-2">{text.stageHints[stage]}</p>
      {looks.data?.rejected && <p className="caution">{text.rejectedFor(looks.data.rejected)}</p>}
      {waiting.some((e) => !e.refused) ? (
        <p className="text-ink-2">{text.lookWaiting}</p>
      ) : (
        <LookForm key={`${specimenId}${stage}`} look={look} keep={keep} />
      )}
      {look.by_others > 0 && <p className="text-small text-ink-2">{text.lookedByOthers(look.by_others)}</p>}
      <Trouble error={error} />
      <Refused entries={waiting} />
    </section>
  );
}

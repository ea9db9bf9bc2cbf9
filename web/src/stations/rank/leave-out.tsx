import { useQuery } from "@tanstack/react-query";
import { api, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { Trouble } from "../../parts/bits";
import { text } from "./text";

/** The ranking without one artifact, one material, one person: what first place rests on. */
export function LeaveOut({ studyId, shown }: { studyId: string; shown: Schemas["WhatIf"] }) {
  const view = useQuery({
    queryKey: keys.part(studyId, "leave-out", shown),
    queryFn: () =>
      unwrap(
        api.POST("/api/studies/{study_id}/leave-out", {
          params: { path: { study_id: studyId } },
          body: shown,
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  return (
    <section aria-label={text.leaveOut.title} className="pt-3">
      <h2 className="lab pb-1">{text.leaveOut.title}</h2>
      <Trouble error={view.error} />
      {view.data && <p>{view.data.says}</p>}
      <ul>
        {view.data?.without.map((w) => (
          <li key={w.what} className={`py-0.5 text-small ${w.changes ? "font-semibold" : "text-ink-2"}`}>
            {w.words}
          </li>
        ))}
      </ul>
    </section>
  );
}

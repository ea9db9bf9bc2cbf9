import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { FaultEntries } from "../fault-entries";
import { text } from "./text";

type Given = { entry: Schemas["HypothesisOut"] | null; body: Omit<Schemas["NewHypothesis"], "id"> };

/** What may have made a run fail, or was odd about it, how each was tested, and what that ruled out. */
export function FaultSheet({
  studyId,
  jobId,
  run,
  may,
}: {
  studyId: string;
  jobId: string;
  run: Schemas["RunOut"];
  may: boolean;
}) {
  const send = useChange(studyId, keys.job(studyId, jobId), ({ entry, body }: Given) =>
    entry
      ? unwrap(
          api.PUT("/api/hypotheses/{hypothesis_id}", {
            params: { path: { hypothesis_id: entry.id } },
            body: { ...body, version: entry.version },
          }),
        )
      : unwrap(
          api.POST("/api/runs/{run_id}/hypotheses", {
            params: { path: { run_id: run.id } },
            body: { ...body, id: newId() },
          }),
        ),
  );
  if (run.outcome === null) return null;
  return (
    <FaultEntries
      entries={run.hypotheses}
      begin={run.outcome === "failed" ? text.findTheFaultWhatMay : text.wasAnythingOdd}
      send={send}
      may={may}
    />
  );
}

import { api, type Schemas, seenVersion, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";

/** Changes a buyer; over a conflict the newest version seen is the one that is saved over. */
export function useBuyer(studyId: string, buyer: Schemas["ProfileOut"]) {
  const change = useChange(
    studyId,
    keys.part(studyId, "rank", { profile_id: buyer.id, weights: null, show_gated: false }),
    (given: Omit<Schemas["BuyerChange"], "version">): Promise<Schemas["RankView"]> =>
      unwrap(
        api.PUT("/api/studies/{study_id}/buyers/{profile_id}", {
          params: { path: { study_id: studyId, profile_id: buyer.id } },
          body: { version: seenVersion(buyer.version, change.error), ...given },
        }),
      ),
  );
  return change;
}

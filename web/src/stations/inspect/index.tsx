import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useInspect, useMe } from "../../api/queries";
import { Empty, Skeleton, Trouble } from "../../parts/bits";
import { Toggles } from "../../parts/form/toggles";
import { Agreement } from "./agreement";
import { Duels } from "./duels";
import { Scores } from "./scores";
import { text } from "./text";

export default function Inspect({ studyId }: { studyId: string }) {
  const view = useInspect(studyId);
  if (view.isError) return <Trouble error={view.error} />;
  if (!view.data) return <Skeleton className="h-full" />;
  if (view.data.specimens.length === 0)
    return (
      <Empty title={text.empty}>
        <p>{text.emptyWhy}</p>
      </Empty>
    );
  return <Views studyId={studyId} view={view.data} />;
}

type Shown = "faults" | "duels" | "agreement";

function Views({ studyId, view }: { studyId: string; view: Schemas["InspectView"] }) {
  const me = useMe();
  const [shown, setShown] = useState<Shown>("faults");
  const may = me.data?.role !== "reader";
  return (
    <div className="grid h-full min-h-0 grid-rows-[auto_minmax(0,1fr)] gap-2.5 max-[1020px]:h-auto">
      <Toggles
        label={text.view}
        value={shown}
        options={(["faults", "duels", "agreement"] as const).map((v) => ({ value: v, name: text.views[v] }))}
        change={setShown}
        className="flex gap-1.5"
        item="py-1 px-3 bg-sheet"
      />
      {shown === "faults" && <Scores studyId={studyId} view={view} />}
      {shown === "duels" && <Duels studyId={studyId} may={may} />}
      {shown === "agreement" && <Agreement studyId={studyId} />}
    </div>
  );
}

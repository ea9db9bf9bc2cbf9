import { useQuery } from "@tanstack/react-query";
import { textOf } from "../../api/client";
import { keys } from "../../api/keys";
import { Skeleton, Trouble } from "../../parts/bits";
import { text } from "./text";

/** The report as readers will have it, marked as a draft. */
export function Preview({ studyId, query }: { studyId: string; query: string }) {
  const draft = useQuery({
    queryKey: keys.part(studyId, "draft", query),
    queryFn: () => textOf(`/api/studies/${studyId}/draft.html?${query}`),
    placeholderData: (before) => before,
  });
  if (draft.isError) return <Trouble error={draft.error} />;
  if (!draft.data) return <Skeleton className="h-full" />;
  return (
    // What is in it is ours, but for the words people typed, which stand as text: nothing in it may run.
    <iframe
      title={text.report}
      sandbox=""
      srcDoc={draft.data}
      className="h-full min-h-[480px] w-full rounded border border-rule bg-white"
    />
  );
}

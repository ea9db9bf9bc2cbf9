import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, Refusal, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { day, Trouble } from "../../parts/bits";
import { text } from "./text";

/** Versions of the scheme with what each changed; the scheme and its buyers as a file, out and in. */
export function SchemeFileAndHistory({ studyId, may }: { studyId: string; may: boolean }) {
  const [wrong, setWrong] = useState<Error | null>(null);
  const history = useQuery({
    queryKey: keys.part(studyId, "scheme-history"),
    queryFn: () =>
      unwrap(api.GET("/api/studies/{study_id}/scheme-history", { params: { path: { study_id: studyId } } })),
  });
  const take = useChange(studyId, keys.part(studyId, "scheme-file"), (body: Schemas["SchemeFile"]) =>
    unwrap(
      api.POST("/api/studies/{study_id}/scheme-file", { params: { path: { study_id: studyId } }, body }),
    ),
  );
  const read = async (file: File | undefined) => {
    if (!file) return;
    setWrong(null);
    try {
      take.mutate(JSON.parse(await file.text()));
    } catch {
      setWrong(new Refusal(text.schemeFile.noJson, 400));
    }
  };
  return (
    <details className="mt-2 border-t border-rule pt-2">
      <summary className="cursor-pointer text-small font-semibold">{text.schemeFile.title}</summary>
      <div className="flex flex-wrap items-center gap-3 py-1 text-small">
        <a className="underline" href={`/api/studies/${studyId}/scheme.json`} download="scheme.json">
          {text.schemeFile.save}
        </a>
        {may && (
          <label className="cursor-pointer underline has-focus-visible:outline-2 has-focus-visible:outline-needle">
            {text.schemeFile.take}
            <input
              type="file"
              accept=".json,application/json"
              className="sr-only"
              onChange={(e) => {
                void read(e.target.files?.[0]);
                e.target.value = "";
              }}
            />
          </label>
        )}
        <Trouble error={wrong ?? take.error} />
        {take.data?.notes.map((n) => (
          <span key={n} role="status">
            {n}
          </span>
        ))}
      </div>
      <ol className="max-h-[22vh] overflow-y-auto text-small">
        {history.data?.steps.map((s) => (
          <li key={s.number} className="border-t border-rule-2 py-1">
            <b>{text.schemeFile.version(s.number)}</b>{" "}
            <span className="text-ink-2">
              {day(s.at)}, {s.by}
            </span>
            {s.changes.map((c) => (
              <span key={c} className="block">
                {c}
              </span>
            ))}
            {s.moved && <span className="block text-ink-2">{s.moved}</span>}
          </li>
        ))}
      </ol>
    </details>
  );
}

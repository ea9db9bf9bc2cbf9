import { Link } from "@tanstack/react-router";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useMe, usePublish } from "../../api/queries";
import { Top } from "../../app/shell";
import { Skeleton, Trouble } from "../../parts/bits";
import { Choice } from "../../parts/form/choice";
import { Hint } from "../../parts/hint";
import { Composer } from "./composer";
import { Media } from "./media";
import { Preview } from "./preview";
import { Revisions } from "./revisions";
import { text } from "./text";

const ALL = "all";
const FORMS: Schemas["ReportForm"][] = ["html", "pdf", "md", "docx", "xlsx"];

export default function Publish({ studyId }: { studyId: string }) {
  const [profileId, setProfileId] = useState<string | null>(null);
  const [sections, setSections] = useSections(studyId);
  const [filmed, setFilmed] = useState<Schemas["RevisionOut"] | null>(null);
  const query = new URLSearchParams({
    ...(profileId ? { profile_id: profileId } : {}),
    ...(sections ? { sections: sections.join(",") } : {}),
  }).toString();
  const view = usePublish(studyId, query);
  const me = useMe();
  if (view.isError) return <Trouble error={view.error} />;
  if (!view.data) return <Skeleton className="h-full" />;
  const may = me.data?.role === "owner" || me.data?.role === "reviewer";
  return (
    <div className="grid h-full min-h-0 grid-cols-[228px_minmax(0,1fr)_322px] gap-3 max-[1120px]:h-auto max-[1120px]:grid-cols-1">
      <Top>
        <div className="flex items-center gap-1.5">
          <span className="text-small text-ink-2">{text.forReaders}</span>
          <Choice
            label={text.readers}
            className="chip font-semibold"
            value={profileId ?? ALL}
            options={view.data.audiences.map((a) => ({ value: a.id ?? ALL, name: a.name }))}
            change={(v) => setProfileId(v === ALL ? null : v)}
          />
        </div>
      </Top>
      <Composer sections={view.data.sections} chosen={sections} choose={setSections} />
      {filmed ? (
        <Media studyId={studyId} revision={filmed} close={() => setFilmed(null)} />
      ) : (
        <section aria-label={text.report} className="grid min-h-0 grid-rows-[auto_minmax(0,1fr)] gap-2">
          <div className="grid gap-1.5">
            <Missing studyId={studyId} missing={view.data.missing} />
            <div className="flex flex-wrap items-center gap-1.5 text-small">
              <span className="text-ink-2">{text.draft}</span>
              {FORMS.map((form) => (
                <Hint key={form} says={text.formHint[form]}>
                  <a className="chip" href={`/api/studies/${studyId}/draft.${form}?${query}`} download>
                    {text.forms[form]}
                  </a>
                </Hint>
              ))}
            </div>
            <div className="flex flex-wrap items-center gap-1.5 text-small">
              <span className="text-ink-2">{text.data}</span>
              <a className="chip" href={`/api/studies/${studyId}/readings.csv`} download>
                {text.readingsCsv}
              </a>
              <a className="chip" href={`/api/studies/${studyId}/readings.json`} download>
                {text.readingsJson}
              </a>
              <Link to="/packages" className="ml-auto underline">
                {text.others}
              </Link>
            </div>
            {view.data.withheld > 0 && (
              <p className="text-small text-brass-ink">{text.withheld(view.data.withheld)}</p>
            )}
          </div>
          <Preview studyId={studyId} query={query} />
        </section>
      )}
      <Revisions
        studyId={studyId}
        view={view.data}
        wish={{ profile_id: profileId, sections }}
        query={query}
        may={may}
        film={setFilmed}
      />
    </div>
  );
}

function Missing({ studyId, missing }: { studyId: string; missing: Schemas["Lacking"][] }) {
  if (missing.length === 0) return <p className="text-small text-ink-2">{text.nothingMissing}</p>;
  return (
    <details className="sheet px-3 py-2">
      <summary className="cursor-pointer font-semibold text-brass-ink">
        {text.missing(missing.length)}
      </summary>
      <ul className="grid max-h-56 gap-0.5 overflow-y-auto pt-1.5 text-small">
        {missing.map((m) => (
          <li key={m.words} className="flex items-baseline justify-between gap-3">
            <span>{m.words}</span>
            <Link
              to="/study/$studyId/$station"
              params={{ studyId, station: m.station }}
              className="shrink-0 underline"
            >
              {text.mend[m.station as keyof typeof text.mend]}
            </Link>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Which sections, remembered for the study in this browser. */
function useSections(studyId: string): [string[] | null, (chosen: string[] | null) => void] {
  const key = `crevlo.sections.${studyId}`;
  const [chosen, setChosen] = useState<string[] | null>(() => {
    const kept = localStorage.getItem(key);
    return kept ? kept.split(",") : null;
  });
  return [
    chosen,
    (next) => {
      setChosen(next);
      if (next) localStorage.setItem(key, next.join(","));
      else localStorage.removeItem(key);
    },
  ];
}

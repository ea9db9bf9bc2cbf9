import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../api/client";
import { keys } from "../api/keys";
import { Shell } from "../app/shell";
import { Trouble } from "../parts/bits";
import { DropZone } from "../parts/drop";
import { Doubts } from "./doubts";
import { Keep } from "./keep";
import { Sheets } from "./sheets";
import { text } from "./text";

export type View = Schemas["OldBenchView"];
type Wish = Schemas["SheetWish"];

const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone || "UTC";

/** A bench that was kept in a spreadsheet: shown as it would be kept, put right, then kept as a study. */
export function OldBenchPage() {
  const client = useQueryClient();
  const [view, setView] = useState<View | null>(null);
  const [zone, setZone] = useState(HERE);
  const [wishes, setWishes] = useState<Wish[]>([]);
  const [kept, setKept] = useState<Schemas["OldBenchKept"] | null>(null);
  const again = useMutation({
    mutationFn: (asked: { zone: string; wishes: Wish[] }) =>
      unwrap(
        api.POST("/api/old-benches/view", {
          body: { sha256: view!.sha256, name: view!.name, zone: asked.zone, sheets: asked.wishes },
        }),
      ),
    onSuccess: setView,
  });
  const ask = (asked: Partial<{ zone: string; wishes: Wish[] }>) => {
    const next = { zone, wishes, ...asked };
    setZone(next.zone);
    setWishes(next.wishes);
    again.mutate(next);
  };
  const wish = (made: Wish) => ask({ wishes: [...wishes.filter((w) => w.sheet !== made.sheet), made] });
  const done = async (made: Schemas["OldBenchKept"]) => {
    setKept(made);
    await client.invalidateQueries({ queryKey: keys.studies });
    await client.invalidateQueries({ queryKey: keys.library });
  };
  const drop = (
    <DropZone<View>
      label={view ? text.another : text.drop}
      hint={view ? undefined : text.dropHint}
      small={view !== null}
      accept=".xlsx,.csv,.tsv,.txt"
      path={(name) =>
        `/api/old-benches/file?name=${encodeURIComponent(name.slice(0, 300))}&zone=${encodeURIComponent(zone)}`
      }
      took={(taken) => {
        setView(taken);
        setWishes([]);
        again.reset();
      }}
    />
  );
  return (
    <Shell studyId={null} active="" title={text.title}>
      {kept ? (
        <section className="sheet mx-auto grid max-w-[640px] gap-2 p-5">
          <p className="text-head font-semibold">{text.done(kept)}</p>
          {kept.left_out.length > 0 && (
            <>
              <p>{text.notFitting}</p>
              <ul className="text-small text-ink-2">
                {kept.left_out.map((l) => (
                  <li key={l}>{l}</li>
                ))}
              </ul>
            </>
          )}
          <Link
            to="/study/$studyId/$station"
            params={{ studyId: kept.study_id, station: "rank" }}
            className="button primary justify-self-start"
          >
            {text.open}
          </Link>
        </section>
      ) : view === null ? (
        <section className="sheet mx-auto grid max-w-[640px] gap-3 p-5">
          <p className="text-ink-2">{text.intro}</p>
          {drop}
        </section>
      ) : (
        <div className="grid grid-cols-[minmax(0,1fr)_400px] items-start gap-2.5 max-[1020px]:grid-cols-1">
          <div className="grid min-w-0 gap-2.5">
            <Trouble error={again.error} />
            <Sheets view={view} wish={wish} />
            {view.problems.length > 0 && <Doubts view={view} />}
          </div>
          <div className="grid gap-2.5">
            <Keep
              key={`${view.sha256} ${view.machines.map((m) => m.name).join("|")}`}
              view={view}
              zone={zone}
              wishes={wishes}
              changeZone={(next) => ask({ zone: next })}
              done={(made) => void done(made)}
              newId={newId}
            />
            {drop}
          </div>
        </div>
      )}
    </Shell>
  );
}

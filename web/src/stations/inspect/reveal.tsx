import { useQuery } from "@tanstack/react-query";
import { api, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useMe } from "../../api/queries";
import { BlindTag, Trouble } from "../../parts/bits";
import { UnitName } from "../../parts/unit-mark";
import { text } from "./text";

export function Reveal({
  studyId,
  view,
  may,
  reveal,
  error,
}: {
  studyId: string;
  view: Schemas["InspectView"];
  may: boolean;
  reveal: () => void;
  error: Error | null;
}) {
  const me = useMe();
  const revealed = useQuery({
    queryKey: keys.revealed(studyId),
    queryFn: () =>
      unwrap(api.GET("/api/studies/{study_id}/revealed", { params: { path: { study_id: studyId } } })),
    enabled: view.revealed_at !== null && me.data?.role !== "rater",
  });
  if (view.revealed_at)
    return (
      <div className="mt-4">
        <h2 className="lab pb-1">{text.shown}</h2>
        <ul className="text-small">
          {revealed.data?.specimens.map((r) => (
            <li
              key={r.blind_code}
              className="grid grid-cols-[40px_1fr_auto] gap-2 border-b border-rule-2 py-1"
            >
              <BlindTag code={r.blind_code} />
              <UnitName mark={r.machine.mark} name={r.machine.name} />
              <span className="num">{r.quality?.toFixed(1)}</span>
            </li>
          ))}
        </ul>
        {revealed.data && (
          <details className="pt-1 text-small text-ink-2">
            <summary className="cursor-pointer underline">
              {text.follows(revealed.data.follows, revealed.data.specimens.length)}
            </summary>
            <p className="num break-all py-1">{revealed.data.secret}</p>
            <p>{revealed.data.rule}</p>
          </details>
        )}
      </div>
    );
  if (!may) return null;
  return (
    <div className="mt-4 grid gap-1.5">
      <button type="button" className="button" disabled={!view.may_reveal} onClick={reveal}>
        {text.reveal}
      </button>
      {view.reveal_needs && <p className="text-small text-ink-2">{view.reveal_needs}</p>}
      <Trouble error={error} />
    </div>
  );
}

import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { BlindTag, Skeleton, Trouble } from "../../parts/bits";
import { text } from "./text";

/** How far raters agree, where they do not, and whether one of them is milder or drifts. */
export function Agreement({ studyId }: { studyId: string }) {
  const view = useQuery({
    queryKey: keys.agreement(studyId),
    queryFn: () =>
      unwrap(api.GET("/api/studies/{study_id}/agreement", { params: { path: { study_id: studyId } } })),
  });
  if (view.isError) return <Trouble error={view.error} />;
  if (!view.data) return <Skeleton className="h-full" />;
  const made = view.data;
  const two = (value: number | null) => value?.toFixed(2) ?? text.agreement.none;
  const share = (value: number | null) =>
    value === null ? text.agreement.none : `${(100 * value).toFixed(0)} %`;
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_minmax(0,1.2fr)] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1">
      <section aria-label={text.agreement.title} className="sheet min-h-0 overflow-y-auto p-5">
        <h2 className="text-title leading-tight font-extrabold [font-stretch:88%]">{made.words}</h2>
        {made.specimens > 0 && (
          <>
            <p className="pt-1 text-ink-2">{text.agreement.over(made.specimens, made.raters)}</p>
            <dl className="grid grid-cols-[1fr_auto] gap-x-6 pt-3">
              <Line name={text.agreement.alpha} value={two(made.alpha)} />
              {made.kappa !== null && <Line name={text.agreement.kappa} value={two(made.kappa)} />}
              <Line name={text.agreement.exact} value={share(made.exact)} />
              <Line name={text.agreement.withinOne} value={share(made.within_one)} />
            </dl>
            <h3 className="lab pt-4 pb-1">{text.agreement.raters}</h3>
            <ul>
              {made.by_rater.map((r) => (
                <li key={r.rater} className="border-b border-rule-2 py-1.5">
                  <b>{r.rater}</b>{" "}
                  <span className="text-small text-ink-2">{text.agreement.scores(r.scores)}</span>
                  <p className="text-small">
                    {[r.higher, r.drift, r.revealed].filter((w) => w !== "").join("; ")}.
                  </p>
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
      <section aria-label={text.agreement.apart} className="sheet min-h-0 overflow-y-auto p-5">
        <h2 className="lab pb-1">{text.agreement.apart}</h2>
        {made.apart.length === 0 ? (
          <p className="text-ink-2">
            {made.specimens > 0 ? text.agreement.nothingApart : text.agreement.notYet}
          </p>
        ) : (
          <table className="table">
            <thead>
              <tr>
                <th scope="col">{text.agreement.specimen}</th>
                <th scope="col">{text.agreement.fault}</th>
                <th scope="col">{text.agreement.said}</th>
              </tr>
            </thead>
            <tbody>
              {made.apart.map((a) => (
                <tr key={a.blind_code + a.defect}>
                  <td>
                    <BlindTag code={a.blind_code} />
                  </td>
                  <td>{a.defect}</td>
                  <td>
                    {a.scores.map((s) => (
                      <span key={s.rater} className="mr-3 whitespace-nowrap">
                        {s.rater} <b className="num">{s.severity}</b>
                      </span>
                    ))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <p className="pt-3 text-small text-ink-2">{text.agreement.bothStay}</p>
      </section>
    </div>
  );
}

function Line({ name, value }: { name: string; value: string }) {
  return (
    <>
      <dt className="border-b border-rule-2 py-1">{name}</dt>
      <dd className="num border-b border-rule-2 py-1 text-right font-semibold">{value}</dd>
    </>
  );
}

import { DownloadSimple } from "@phosphor-icons/react/dist/csr/DownloadSimple";
import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange, useMe, usePublish, useRank } from "../../api/queries";
import { Top } from "../../app/shell";
import { BeadBar } from "../../parts/bead-bar";
import { day, Field, Skeleton, Trouble } from "../../parts/bits";
import { criterionColour } from "../../parts/criterion-colour";
import { ProfileChip } from "../../parts/profile-chip";
import { UnitName } from "../../parts/unit-mark";
import { text } from "./text";

export default function Publish({ studyId }: { studyId: string }) {
  const [profileId, setProfileId] = useState<string | null>(null);
  const view = usePublish(studyId, profileId);
  const rank = useRank(studyId, { profile_id: profileId, weights: null, show_gated: false });
  const me = useMe();
  if (view.isError) return <Trouble error={view.error} />;
  if (!view.data) return <Skeleton className="h-full" />;
  const may = me.data?.role === "owner" || me.data?.role === "reviewer";
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_340px] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1">
      <Top>
        <ProfileChip
          value={view.data.profile_id}
          profiles={rank.data?.profiles ?? [{ id: view.data.profile_id, name: view.data.profile }]}
          choose={setProfileId}
        />
      </Top>
      <section aria-label={text.asOfNow} className="sheet min-h-0 overflow-y-auto px-6 py-5">
        <p className="lab">{text.asOfNow}</p>
        <h2 className="mt-1 text-title leading-[1.08] font-extrabold [font-stretch:90%]">
          {view.data.headline}
        </h2>
        <p className="mt-1 max-w-[62ch] text-lead text-ink-2">{view.data.evidence}</p>
        {rank.data && <Standings view={rank.data} />}
        {rank.data?.left_out
          .filter((m) => !m.is_control)
          .map((m) => (
            <p key={m.machine.unit_id} className="pt-1.5 text-body text-ink-2">
              <b>{m.machine.name}</b> {text.isLeftOut(m.reason)}
            </p>
          ))}
        <div className="mt-5 grid grid-cols-2 gap-x-8 gap-y-5 max-[760px]:grid-cols-1">
          <div>
            <h3 className="lab pb-1">{text.sample}</h3>
            <dl className="grid grid-cols-[112px_1fr] gap-y-1">
              {view.data.sample.map((s) => (
                <div key={s.name} className="contents">
                  <dt className="text-ink-2">{s.name}</dt>
                  <dd className="font-semibold">{s.value}</dd>
                </div>
              ))}
            </dl>
          </div>
          <div>
            <h3 className="lab pb-1">{text.disclosure}</h3>
            <ul className="grid gap-0.5">
              {view.data.disclosures.map((d) => (
                <li key={d}>{d}</li>
              ))}
            </ul>
          </div>
          <div>
            <h3 className="lab pb-1">{text.missing(view.data.missing.length)}</h3>
            <ul className="grid gap-0.5">
              {view.data.missing.map((m) => (
                <li key={m}>{m}</li>
              ))}
            </ul>
          </div>
          <div>
            <h3 className="lab pb-1">{text.data}</h3>
            <div className="flex flex-wrap gap-2">
              <a className="button" href={`/api/studies/${studyId}/readings.csv`} download>
                <DownloadSimple size={15} /> {text.readingsCsv}
              </a>
              <a className="button" href={`/api/studies/${studyId}/readings.json`} download>
                <DownloadSimple size={15} /> {text.readingsJson}
              </a>
            </div>
            {view.data.withheld > 0 && (
              <p className="pt-2 text-small text-brass-ink">{text.withheld(view.data.withheld)}</p>
            )}
          </div>
        </div>
      </section>
      <Revisions studyId={studyId} view={view.data} queryProfile={profileId} may={may} />
    </div>
  );
}

function Standings({ view }: { view: Schemas["RankView"] }) {
  return (
    <ol aria-label={text.standings} className="mt-3 border-b border-rule-2 empty:hidden">
      {view.standings.map((s) => (
        <li
          key={s.machine.unit_id}
          className="grid grid-cols-[24px_160px_minmax(0,1fr)_110px] items-center gap-x-2.5 border-t border-rule-2 py-1.25 max-[640px]:grid-cols-[24px_1fr_110px]"
        >
          <b className="text-head [font-stretch:72%]">{s.rank ?? `${s.best_rank}–${s.worst_rank}`}</b>
          <UnitName mark={s.machine.mark} name={s.machine.name} />
          <span className="max-[640px]:hidden">
            <BeadBar
              label={text.pointsByCriterion(s.machine.name)}
              full={100}
              beads={s.contributions.flatMap((c, i) =>
                (c.points ?? 0) > 0
                  ? [
                      {
                        key: c.code,
                        width: c.points ?? 0,
                        colour: criterionColour(i),
                        title: `${view.criteria[i]?.name}: ${c.points?.toFixed(1)} points`,
                      },
                    ]
                  : [],
              )}
              whisker={
                s.missing > 0
                  ? { low: s.total_low, high: s.total_high }
                  : { low: s.total - s.expanded, high: s.total + s.expanded }
              }
            />
          </span>
          <span className="num text-right text-small">
            {s.missing > 0 ? (
              <b>
                {s.total_low.toFixed(1)}–{s.total_high.toFixed(1)}
              </b>
            ) : (
              <>
                <b>{s.total.toFixed(1)}</b> <span className="text-ink-2">± {s.expanded.toFixed(1)}</span>
              </>
            )}
          </span>
        </li>
      ))}
    </ol>
  );
}

function Revisions({
  studyId,
  view,
  queryProfile,
  may,
}: {
  studyId: string;
  view: Schemas["PublishView"];
  queryProfile: string | null;
  may: boolean;
}) {
  const publish = useChange(
    studyId,
    keys.part(studyId, "publish", queryProfile),
    (body: Schemas["NewRevision"]) =>
      unwrap(
        api.POST("/api/studies/{study_id}/revisions", { params: { path: { study_id: studyId } }, body }),
      ),
  );
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    publish.mutate(
      { id: newId(), profile_id: view.profile_id, changed: String(new FormData(form).get("changed")) },
      { onSuccess: () => form.reset() },
    );
  };
  return (
    <section aria-label={text.revisions2} className="sheet flex min-h-0 flex-col overflow-y-auto p-4">
      {may && (
        <form onSubmit={submit} className="grid gap-2 border-b border-rule pb-4">
          <Field label={text.whatChanged} hint={text.changedHint}>
            <textarea className="input" name="changed" rows={2} maxLength={1000} />
          </Field>
          <button type="submit" className="button now big" disabled={publish.isPending}>
            {publish.isPending ? text.freezing : text.publish}
          </button>
          <Trouble error={publish.error} />
          <p className="text-small text-ink-2">{text.frozen}</p>
        </form>
      )}
      <h2 className="lab pt-3 pb-1">{text.revisions(view.revisions.length)}</h2>
      {view.revisions.length === 0 && <p className="text-ink-2">{text.none}</p>}
      <ol>
        {view.revisions.map((r) => (
          <li key={r.id} className="border-b border-rule-2 py-2">
            <p className="flex items-baseline justify-between gap-2">
              <a
                className="font-semibold underline"
                href={`/api/revisions/${r.id}/report.html`}
                target="_blank"
                rel="noreferrer"
              >
                {text.revision(r.number, r.headline)}
              </a>
              <a
                className="button !min-h-[30px] !px-2"
                href={`/api/revisions/${r.id}/report.html`}
                download={`report-revision-${r.number}.html`}
                aria-label={text.downloadRevision(r.number)}
              >
                <DownloadSimple size={15} />
              </a>
            </p>
            <p className="text-small text-ink-2">{text.forWord(r.profile, r.by, day(r.published_at))}</p>
            <p className="text-small">{r.changed}</p>
          </li>
        ))}
      </ol>
    </section>
  );
}

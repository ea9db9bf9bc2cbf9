import { DownloadSimple } from "@phosphor-icons/react/dist/csr/DownloadSimple";
import { FilmStrip } from "@phosphor-icons/react/dist/csr/FilmStrip";
import { useMutation } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange, useTake } from "../../api/queries";
import { day, Field, Trouble } from "../../parts/bits";
import { Hint } from "../../parts/hint";
import { Holds } from "./holds";
import { text } from "./text";

type View = Schemas["PublishView"];

/** Publishing, and what was published. */
export function Revisions({
  studyId,
  view,
  wish,
  query,
  may,
  film,
}: {
  studyId: string;
  view: View;
  wish: { profile_id: string | null; sections: string[] | null };
  query: string;
  may: boolean;
  film: (revision: Schemas["RevisionOut"]) => void;
}) {
  return (
    <section
      aria-label={text.revisions(view.revisions.length)}
      className="sheet flex min-h-0 flex-col overflow-y-auto p-4"
    >
      {may && <NewRevision studyId={studyId} view={view} wish={wish} query={query} />}
      {view.last !== null && <Since view={view} last={view.last} />}
      <Holds studyId={studyId} may={may} />
      <h2 className="lab pt-3 pb-1">{text.revisions(view.revisions.length)}</h2>
      {view.revisions.length === 0 && <p className="text-ink-2">{text.none}</p>}
      <ol>
        {view.revisions.map((r) => (
          <Revision
            key={r.id}
            studyId={studyId}
            query={query}
            view={view}
            revision={r}
            may={may}
            film={() => film(r)}
          />
        ))}
      </ol>
    </section>
  );
}

function NewRevision({
  studyId,
  view,
  wish,
  query,
}: {
  studyId: string;
  view: View;
  wish: { profile_id: string | null; sections: string[] | null };
  query: string;
}) {
  const [erratum, setErratum] = useState(false);
  const publish = useChange(studyId, keys.part(studyId, "publish", query), (body: Schemas["NewRevision"]) =>
    unwrap(api.POST("/api/studies/{study_id}/revisions", { params: { path: { study_id: studyId } }, body })),
  );
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    publish.mutate(
      {
        id: newId(),
        ...wish,
        changed: String(new FormData(form).get("changed")),
        erratum,
        ends_blind: view.ends_blind,
      },
      {
        onSuccess: () => {
          form.reset();
          setErratum(false);
        },
      },
    );
  };
  return (
    <form onSubmit={submit} className="grid gap-2 border-b border-rule pb-4">
      <Field
        label={erratum ? text.whatWasWrong : text.whatChanged}
        hint={erratum ? undefined : text.changedHint}
      >
        <textarea className="input" name="changed" rows={2} maxLength={1000} required={erratum} />
      </Field>
      {view.last !== null && (
        <label className="flex items-center gap-2 text-small">
          <input type="checkbox" checked={erratum} onChange={(e) => setErratum(e.target.checked)} />
          {text.erratum(view.last)}
        </label>
      )}
      {view.ends_blind && <p className="border-l-3 border-l-brass pl-2">{text.endsBlind}</p>}
      <button type="submit" className="button now big" disabled={publish.isPending}>
        {publish.isPending ? text.freezing : view.ends_blind ? text.publishEndsBlind : text.publish}
      </button>
      <Trouble error={publish.error} />
      <p className="text-small text-ink-2">{text.frozen}</p>
    </form>
  );
}

function Since({ view, last }: { view: View; last: number }) {
  if (view.since.length === 0) return <p className="pt-3 text-small text-ink-2">{text.same(last)}</p>;
  return (
    <details className="border-b border-rule py-3">
      <summary className="lab cursor-pointer">
        {text.since(last)}: {view.since.map((c) => c.title).join(", ")}
      </summary>
      <dl className="grid gap-1.5 pt-2 text-small">
        {view.since.map((c) => (
          <div key={c.code}>
            <dt className="font-semibold">{c.title}</dt>
            {c.words.map((w) => (
              <dd key={w} className="text-ink-2 wrap-anywhere">
                {w}
              </dd>
            ))}
            {c.more > 0 && <dd className="text-ink-2">{text.more(c.more)}</dd>}
          </div>
        ))}
      </dl>
    </details>
  );
}

function Revision({
  studyId,
  query,
  view,
  revision: r,
  may,
  film,
}: {
  studyId: string;
  query: string;
  view: View;
  revision: Schemas["RevisionOut"];
  may: boolean;
  film: () => void;
}) {
  const composed = r.forms.length > 1;
  return (
    <li className="grid gap-1 border-b border-rule-2 py-2.5">
      <p>
        <a
          className="font-semibold underline"
          href={`/api/revisions/${r.id}/report.html`}
          target="_blank"
          rel="noreferrer"
        >
          {text.revision(r.number, r.headline)}
        </a>
        {r.erratum && <span className="chip ml-2 !min-h-0 !py-0">{text.erratumTag}</span>}
      </p>
      <p className="text-small text-ink-2">{text.by(r.audience, r.by, day(r.published_at))}</p>
      <details className="text-small">
        <summary className="line-clamp-2 cursor-pointer">{r.changed}</summary>
      </details>
      <p className="flex flex-wrap gap-1 pt-0.5">
        {r.forms.map((form) => (
          <Hint key={form} says={text.formHint[form]}>
            <a
              className="chip !min-h-7 !px-1.5 text-small"
              href={`/api/revisions/${r.id}/report.${form}`}
              download={`report-revision-${r.number}.${form}`}
              aria-label={text.as(r.number, text.forms[form])}
            >
              <DownloadSimple size={12} /> {text.forms[form]}
            </a>
          </Hint>
        ))}
        {r.packaged && view.withheld === 0 && (
          <Hint says={text.packageHint}>
            <a
              className="chip !min-h-7 !px-1.5 text-small"
              href={`/api/revisions/${r.id}/package.zip`}
              download
            >
              <DownloadSimple size={12} /> {text.package}
            </a>
          </Hint>
        )}
        {composed && (
          <Hint says={text.mediaHint}>
            <button type="button" className="chip !min-h-7 !px-1.5 text-small" onClick={film}>
              <FilmStrip size={13} /> {text.media}
            </button>
          </Hint>
        )}
      </p>
      {r.packaged && view.withheld > 0 && <p className="text-small text-ink-2">{text.packageLater}</p>}
      {r.packaged && <ReaderPage studyId={studyId} query={query} view={view} revision={r} may={may} />}
    </li>
  );
}

function ReaderPage({
  studyId,
  query,
  view,
  revision: r,
  may,
}: {
  studyId: string;
  query: string;
  view: View;
  revision: Schemas["RevisionOut"];
  may: boolean;
}) {
  const take = useTake<View>(studyId, keys.part(studyId, "publish", query));
  const path = { params: { path: { revision_id: r.id } } };
  const change = useMutation({
    mutationFn: (open: boolean) =>
      unwrap(
        open
          ? api.POST("/api/revisions/{revision_id}/reader-page", path)
          : api.DELETE("/api/revisions/{revision_id}/reader-page", path),
      ),
    onSuccess: (told) => take({ ...view, revisions: told.revisions }, true),
  });
  const address = r.reader_key ? `${window.location.origin}/read/${r.reader_key}` : null;
  return (
    <div className="text-small">
      {address ? (
        <p className="wrap-anywhere">
          {text.page}{" "}
          <a className="underline" href={address} target="_blank" rel="noreferrer">
            {address}
          </a>{" "}
          {may && (
            <Hint says={text.closeSure}>
              <button
                type="button"
                className="underline"
                disabled={change.isPending}
                onClick={() => change.mutate(false)}
              >
                {text.closePage}
              </button>
            </Hint>
          )}
        </p>
      ) : (
        may && (
          <Hint says={view.withheld > 0 ? text.pageEarly : text.pageHint}>
            <button
              type="button"
              className="underline"
              disabled={change.isPending}
              onClick={() => change.mutate(true)}
            >
              {text.openPage}
            </button>
          </Hint>
        )
      )}
      <Trouble error={change.error} />
    </div>
  );
}

import { DownloadSimple } from "@phosphor-icons/react/dist/csr/DownloadSimple";
import { X } from "@phosphor-icons/react/dist/csr/X";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { Field, Skeleton, Trouble } from "../../parts/bits";
import { Toggles } from "../../parts/form/toggles";
import { Hint } from "../../parts/hint";
import { text } from "./text";

type Format = Schemas["CardFormat"];

/** What goes with a video: picture cards and show notes of one revision. */
export function Media({
  studyId,
  revision,
  close,
}: {
  studyId: string;
  revision: Schemas["RevisionOut"];
  close: () => void;
}) {
  const [format, setFormat] = useState<Format>("wide");
  const path = { params: { path: { revision_id: revision.id } } };
  const cards = useQuery({
    queryKey: keys.part(studyId, "cards", revision.id),
    queryFn: () => unwrap(api.GET("/api/revisions/{revision_id}/cards", path)),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const of = `/api/revisions/${revision.id}`;
  return (
    <section
      aria-label={text.mediaHint}
      className="sheet grid min-h-0 content-start gap-3 overflow-y-auto p-4"
    >
      <header className="flex flex-wrap items-center gap-3">
        <h2 className="text-head font-bold">{text.revision(revision.number, revision.headline)}</h2>
        <button type="button" className="chip ml-auto" onClick={close}>
          <X size={13} /> {text.hide}
        </button>
      </header>
      <div className="flex flex-wrap items-center gap-3">
        <h3 className="lab">{text.cards}</h3>
        <Toggles<Format>
          label={text.cards}
          value={format}
          change={setFormat}
          options={[
            { value: "wide", name: text.wide },
            { value: "tall", name: text.tall },
          ]}
          item="min-h-7"
        />
        <Hint says={text.allHint}>
          <a className="button" href={`${of}/cards-${format}.zip`} download>
            <DownloadSimple size={15} /> {text.allCards}
          </a>
        </Hint>
      </div>
      <Trouble error={cards.error} />
      {!cards.data && !cards.error && <Skeleton className="h-40" />}
      <ol
        className={`grid gap-3 ${format === "wide" ? "grid-cols-[repeat(auto-fill,minmax(208px,1fr))]" : "grid-cols-[repeat(auto-fill,minmax(150px,1fr))]"}`}
      >
        {cards.data?.cards.map((c) => (
          <li key={c.name} className="grid content-start gap-1">
            <img
              src={`${of}/cards/card-${c.name}.png?format=${format}&width=480`}
              alt={text.card(c.title)}
              width={format === "wide" ? 1920 : 1080}
              height={format === "wide" ? 1080 : 1920}
              loading="lazy"
              className="h-auto w-full rounded border border-rule"
            />
            <p className="flex flex-wrap items-baseline gap-x-2 text-small">
              <span className="font-semibold">{c.title}</span>
              {(
                [
                  [text.png, `png?format=${format}`],
                  [text.clear, `png?format=${format}&clear=true`],
                  [text.svg, `svg?format=${format}&clear=true`],
                ] as const
              ).map(([kind, query]) => (
                <a
                  key={kind}
                  className="underline"
                  href={`${of}/cards/card-${c.name}.${query}`}
                  aria-label={text.cardIn(c.title, kind)}
                  download
                >
                  {kind}
                </a>
              ))}
            </p>
          </li>
        ))}
      </ol>
      {cards.data && <Notes studyId={studyId} revision={revision} first={cards.data.chapters} />}
    </section>
  );
}

function Notes({
  studyId,
  revision,
  first,
}: {
  studyId: string;
  revision: Schemas["RevisionOut"];
  first: string[];
}) {
  const kept = `crevlo.chapters.${revision.id}`;
  const [chapters, setChapters] = useState(localStorage.getItem(kept) ?? first.join("\n"));
  const [copied, setCopied] = useState<boolean | null>(null);
  const notes = useQuery({
    queryKey: keys.part(studyId, "notes", revision.id, chapters),
    queryFn: () =>
      unwrap(
        api.POST("/api/revisions/{revision_id}/show-notes", {
          params: { path: { revision_id: revision.id } },
          body: { chapters },
        }),
      ),
    placeholderData: (before) => before,
  });
  const change = (typed: string) => {
    setChapters(typed);
    setCopied(null);
    localStorage.setItem(kept, typed);
  };
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(notes.data?.words ?? "");
      setCopied(true);
    } catch {
      setCopied(false);
    }
  };
  return (
    <div className="grid grid-cols-[minmax(200px,1fr)_2fr] gap-4 max-[900px]:grid-cols-1">
      <div className="grid content-start gap-2">
        <h3 className="lab">{text.notes}</h3>
        <Field label={text.chapters} hint={text.chaptersHint}>
          <textarea
            className="input"
            rows={10}
            maxLength={4000}
            value={chapters}
            onChange={(e) => change(e.target.value)}
          />
        </Field>
        <button type="button" className="button" disabled={!notes.data} onClick={() => void copy()}>
          {text.copy}
        </button>
        <p role="status" className="text-small text-ink-2">
          {copied === null ? "" : copied ? text.copied : text.notCopied}
        </p>
        <Trouble error={notes.error} />
      </div>
      <pre
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is reached by keys
        tabIndex={0}
        className="max-h-[420px] overflow-auto rounded border border-rule bg-bench p-3 text-small whitespace-pre-wrap"
      >
        {notes.data?.words}
      </pre>
    </div>
  );
}

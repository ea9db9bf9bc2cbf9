import { Dialog } from "radix-ui";
import { useEffect, useState } from "react";
import { api, newId, type Schemas, sendFile, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange, useMe } from "../../api/queries";
import { BlindTag, Field, Trouble } from "../../parts/bits";
import { Choice } from "../../parts/form/choice";
import { rememberedInstrument } from "../../parts/instrument";
import { text } from "./text";

type View = Schemas["TableView"];
const PARTS = ["specimen", "face", "value", "repeat", "over"] as const;
const WAIT_MS = 350;
const memory = (person: string, headers: readonly string[]) =>
  `crevlo.columns.${person}.${headers.join("|")}`;

/** Whether what was pasted is a table and no single number. */
export const isTable = (pasted: string) => /[\t\n;]/.test(pasted.trim());

/** A file that was dropped or chosen, as it would have been pasted. */
export const readSheet = (file: File) =>
  sendFile<Schemas["SheetText"]>("/api/sheet-text", file, () => {}, new AbortController().signal).then(
    (read) => read.text,
  );

/** Readings kept in a spreadsheet: looked at as they would be kept, then kept whole or not at all. */
export function PasteTable({
  studyId,
  queue,
  pasted,
  change,
}: {
  studyId: string;
  queue: Schemas["MeasureQueue"];
  /** What was pasted; null while it is closed. */
  pasted: string | null;
  change: (pasted: string | null) => void;
}) {
  return (
    <Dialog.Root open={pasted !== null} onOpenChange={(open) => change(open ? "" : null)}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-10 bg-black/20" />
        <Dialog.Content
          aria-describedby={undefined}
          className="sheet fixed top-12 left-1/2 z-20 flex max-h-[86vh] w-[min(860px,96vw)] -translate-x-1/2 flex-col gap-3 overflow-y-auto p-5"
        >
          <Dialog.Title className="text-head font-bold">{text.paste.title}</Dialog.Title>
          {pasted !== null && (
            <Pasted
              studyId={studyId}
              queue={queue}
              pasted={pasted}
              change={change}
              done={() => change(null)}
            />
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Pasted({
  studyId,
  queue,
  pasted,
  change,
  done,
}: {
  studyId: string;
  queue: Schemas["MeasureQueue"];
  pasted: string;
  change: (pasted: string) => void;
  done: () => void;
}) {
  const me = useMe().data?.person_id ?? "";
  const [mapping, setMapping] = useState<Record<string, string>>({});
  const [tools, setTools] = useState<Record<string, string>>({});
  const [because, setBecause] = useState("");
  const [view, setView] = useState<View | null>(null);
  const [wrong, setWrong] = useState("");
  const [writing, setWriting] = useState(newId);
  const kinds = [...new Set(queue.instruments.map((i) => i.kind))];
  const instruments = kinds.flatMap((kind) => {
    const fitting = queue.instruments.filter((i) => i.kind === kind);
    const wanted = tools[kind] ?? rememberedInstrument(me, kind);
    const one = fitting.find((i) => i.id === wanted) ?? (fitting.length === 1 ? fitting[0] : undefined);
    return one ? [one.id] : [];
  });
  const body = {
    id: writing,
    text: pasted,
    instrument_ids: instruments,
    mapping,
    ...(queue.revealed && because.trim() ? { after_reveal: because.trim() } : {}),
  };
  const asked = JSON.stringify(body);
  // What the table would give is read again a moment after the last change.
  useEffect(() => {
    const sent = JSON.parse(asked) as typeof body;
    if (!sent.text.trim() || sent.instrument_ids.length === 0) {
      setView(null);
      return;
    }
    let over = false;
    const timer = setTimeout(() => {
      unwrap(
        api.POST("/api/studies/{study_id}/reading-table/preview", {
          params: { path: { study_id: studyId } },
          body: sent,
        }),
      ).then(
        (found) => {
          if (over) return;
          setView(found);
          setWrong("");
          const known = localStorage.getItem(memory(me, found.headers));
          if (known && found.lacks && Object.keys(sent.mapping).length === 0)
            setMapping(JSON.parse(known) as Record<string, string>);
        },
        (error: Error) => {
          if (over) return;
          setView(null);
          setWrong(error.message);
        },
      );
    }, WAIT_MS);
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [asked, studyId, me]);
  const save = useChange(studyId, keys.part(studyId, "table"), () =>
    unwrap(
      api.POST("/api/studies/{study_id}/reading-table", {
        params: { path: { study_id: studyId } },
        body,
      }),
    ),
  );
  const say = (part: string, header: string) => {
    const { [part]: _gone, ...rest } = mapping;
    const now = header ? { ...rest, [part]: header } : rest;
    setMapping(now);
    if (view) localStorage.setItem(memory(me, view.headers), JSON.stringify(now));
  };
  const keep = () =>
    save.mutate(undefined, {
      onSuccess: done,
      onError: () => setWriting(newId()),
    });
  const whole = view && !view.lacks && view.values > 0 && view.problems === 0;
  const late = queue.revealed && !because.trim();
  return (
    <>
      <p className="text-ink-2">{text.paste.hint}</p>
      <div className="grid gap-3 @container">
        <textarea
          aria-label={text.paste.table}
          className="input num min-h-36 resize-y whitespace-pre"
          wrap="off"
          spellCheck={false}
          maxLength={400_000}
          placeholder={text.paste.example}
          value={pasted}
          onChange={(e) => change(e.target.value)}
        />
        <label className="text-small">
          {text.paste.file}{" "}
          <input
            type="file"
            accept=".csv,.tsv,.txt,.xlsx"
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file) readSheet(file).then(change, (error: Error) => setWrong(error.message));
            }}
          />
        </label>
      </div>
      <div className="flex flex-wrap items-end gap-3">
        {kinds.map((kind) => {
          const fitting = queue.instruments.filter((i) => i.kind === kind);
          if (fitting.length < 2) return null;
          return (
            <Choice
              key={kind}
              label={text.kinds[kind] ?? kind}
              placeholder={text.kinds[kind] ?? kind}
              value={tools[kind] ?? rememberedInstrument(me, kind)}
              options={fitting.map((i) => ({ value: i.id, name: i.code, note: i.kind }))}
              change={(id) => setTools((known) => ({ ...known, [kind]: id }))}
            />
          );
        })}
        {view &&
          PARTS.map((part) => (
            <Field key={part} label={text.paste.parts[part]}>
              <select
                className="input"
                value={mapping[part] ?? view.mapping[part] ?? ""}
                onChange={(e) => say(part, e.target.value)}
              >
                <option value="">
                  {part === "face" || part === "value" ? text.paste.inColumns : text.none}
                </option>
                {view.headers.map((h) => (
                  <option key={h}>{h}</option>
                ))}
              </select>
            </Field>
          ))}
      </div>
      {queue.revealed && (
        <Field label={text.lateHint}>
          <input
            className="input"
            maxLength={300}
            value={because}
            onChange={(e) => setBecause(e.target.value)}
          />
        </Field>
      )}
      {instruments.length === 0 && <p className="caution">{text.whichInstrument}</p>}
      {wrong && pasted.trim() && (
        <p role="alert" className="trouble">
          {wrong}
        </p>
      )}
      {view && pasted.trim() && (
        <section aria-label={text.paste.preview} className="min-h-0">
          <p role="status" className={whole ? "" : "trouble"}>
            {view.lacks
              ? text.paste.lacks(view.lacks)
              : view.values === 0
                ? text.paste.nothing
                : view.problems
                  ? text.paste.problems(view.problems, view.values)
                  : text.paste.whole(view.values, new Set(view.lines.map((l) => l.specimen)).size)}
          </p>
          {view.lines.length > 0 && (
            <div
              className="max-h-56 overflow-y-auto"
              // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls
              tabIndex={0}
              role="region"
              aria-label={text.paste.lines}
            >
              <table className="table w-full text-small [&_td]:!text-left">
                <thead className="sticky top-0 bg-sheet">
                  <tr>
                    {text.paste.heads.map((h) => (
                      <th key={h} className="text-left">
                        {h}
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {view.lines.map((l) => (
                    <tr key={`${l.line} ${l.specimen} ${l.face} ${l.repeat}`}>
                      <td className="num">{l.line}</td>
                      <td>
                        <BlindTag code={l.specimen} />
                      </td>
                      <td>{l.face}</td>
                      <td className="num">{l.problem ? "" : l.repeat}</td>
                      <td className="num">
                        {l.typed} {l.problem ? "" : l.unit}
                      </td>
                      <td className={l.problem ? "text-needle-ink" : "text-ink-2"}>
                        {l.problem || text.paste.good}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          )}
        </section>
      )}
      {save.isError && <Trouble error={save.error} />}
      <div className="flex items-center gap-3">
        <button
          type="button"
          className="button primary"
          disabled={!whole || late || save.isPending}
          onClick={keep}
        >
          {text.paste.keep(view?.values ?? 0)}
        </button>
        <button type="button" className="button" onClick={done}>
          {text.panel.back}
        </button>
        {late && whole && <span className="text-small text-ink-2">{text.lateReason}</span>}
      </div>
    </>
  );
}

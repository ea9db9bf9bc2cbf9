import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { Skeleton, Trouble } from "../../parts/bits";
import { MoreColumns, useCut } from "../../parts/cut";
import { Choice } from "../../parts/form/choice";
import { Toggles } from "../../parts/form/toggles";
import { Near } from "../../parts/near";
import { Sourced } from "../../parts/source-drawer";
import { Glyph } from "../../parts/unit-mark";
import { SideBySide } from "./pieces";
import { asPicture, asText, keepPicture } from "./results-out";
import { text } from "./text";

export type ResultsTable = Schemas["ResultsView"];
type By = ResultsTable["by"];
const OWN = "own";
// So many cells are drawn whole: the browser's own search works best on what is there.
const SHORT = 600;
type Piece = Schemas["ResultPiece"];

/** Artifact by machine: what each piece told and took, the better one marked in each row. */
export function Results({ studyId }: { studyId: string }) {
  const [by, setBy] = useState<By>("machine");
  const [measure, setMeasure] = useState(OWN);
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set());
  const [copied, setCopied] = useState(false);
  const [box, cut] = useCut();
  const view = useQuery({
    queryKey: keys.part(studyId, "results", by),
    queryFn: () =>
      unwrap(
        api.GET("/api/studies/{study_id}/results", {
          params: { path: { study_id: studyId }, query: { by } },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  const made = view.data;
  if (view.isError && !made) return <Trouble error={view.error} />;
  if (!made) return <Skeleton className="h-full" />;
  const toggle = (id: string) =>
    setOpen((was) => {
      const next = new Set(was);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  const names = new Map(
    made.groups.flatMap((g) => g.pieces.flatMap((p) => p.rows.map((r) => [r.code, r.name]))),
  );
  const wanted = names.has(measure) ? measure : "";
  const asked = wanted || OWN;
  const seen = { table: made, open, measure: wanted };
  const nothing = made.groups.length === 0;
  const width = made.columns.length + made.references.length + 1;
  const rows = made.groups.flatMap((g) =>
    g.pieces.flatMap((p) => rowsSeen(p, open.has(pieceKey(p)), wanted)),
  );
  const short = (rows.length + made.every.length) * width <= SHORT;
  return (
    <section
      aria-label={text.results.title}
      className="sheet flex min-h-0 min-w-0 flex-col print:border-0 max-[1020px]:min-h-[70vh]"
    >
      <div className="flex flex-wrap items-center gap-2 px-4 pt-3 pb-1 print:hidden">
        {made.sides.length > 1 && (
          <Toggles
            label={text.results.columns}
            value={by}
            options={made.sides.map((s) => ({ value: s, name: text.results.sides[s] }))}
            change={setBy}
            item="min-h-7 whitespace-nowrap"
          />
        )}
        {!nothing && (
          <Choice
            label={text.results.measure}
            value={asked}
            options={[
              { value: OWN, name: text.results.ownMeasure },
              ...made.measures.map((code) => ({ value: code, name: names.get(code) ?? code })),
            ]}
            change={setMeasure}
            className="input !min-h-7 !w-auto !py-0"
          />
        )}
        <span className="text-small text-ink-2">
          <Mark place="better" /> {text.results.better} <Mark place="not told apart" /> {text.results.level}
        </span>
        <span className="ml-auto flex flex-wrap gap-1.5">
          <button
            type="button"
            className="chip"
            onClick={() => void navigator.clipboard.writeText(asText(seen)).then(() => setCopied(true))}
          >
            {copied ? text.results.copied : text.results.copy}
          </button>
          {(["csv", "xlsx"] as const).map((kind) => (
            <a
              key={kind}
              className="chip"
              href={`/api/studies/${studyId}/results.${kind}?by=${by}`}
              download={`results.${kind}`}
            >
              {kind.toUpperCase()}
            </a>
          ))}
          {(["svg", "png"] as const).map((kind) => (
            <button
              key={kind}
              type="button"
              className="chip"
              onClick={() => void keepPicture(asPicture(seen), kind)}
            >
              {kind.toUpperCase()}
            </button>
          ))}
          <button type="button" className="chip" onClick={() => window.print()}>
            {text.results.print}
          </button>
        </span>
      </div>
      {nothing && made.every.length === 0 ? (
        <p className="px-4 pb-4 text-ink-2">{text.results.nothing}</p>
      ) : (
        <section
          aria-label={text.results.table}
          // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, so the keyboard must reach it
          tabIndex={0}
          data-scrolls
          ref={box}
          className="relative min-h-0 flex-1 overflow-auto print:overflow-visible"
        >
          <table className="results w-full border-collapse text-small">
            <thead>
              <tr>
                <th scope="col" className="w-[140px]">
                  {text.results.title}
                </th>
                <th scope="col" className="w-[140px]" />
                {made.columns.map((c) => (
                  <th key={c.unit_id} scope="col" className="text-right">
                    <span className="inline-flex flex-col items-end gap-0.5 leading-tight">
                      <Glyph mark={c.mark} />
                      {c.name}
                    </span>
                  </th>
                ))}
                {made.references.map((r) => (
                  <th key={r.id} scope="col" className="text-right" title={r.age}>
                    <span className="inline-flex flex-col items-end leading-tight text-ink-2">
                      <small className="font-normal">{text.results.reference}</small>
                      {r.name}
                    </span>
                  </th>
                ))}
              </tr>
            </thead>
            {made.groups.map((g) => (
              <Group key={g.title} title={g.title} columns={made.columns.length + made.references.length}>
                {g.pieces.map((p) => (
                  <PieceRows
                    key={pieceKey(p)}
                    studyId={studyId}
                    table={made}
                    piece={p}
                    measure={wanted}
                    open={open.has(pieceKey(p))}
                    short={short}
                    toggle={() => toggle(pieceKey(p))}
                  />
                ))}
              </Group>
            ))}
            {made.every.length > 0 && (
              <Group title={text.results.everyRun} columns={made.columns.length + made.references.length}>
                <Near
                  always={short}
                  rows={made.every.length}
                  columns={width}
                  head={<b>{text.results.allPrints}</b>}
                >
                  {made.every.map((r, at) => (
                    <Row
                      key={r.code}
                      studyId={studyId}
                      table={made}
                      row={r}
                      piece={null}
                      head={at === 0 ? <b>{text.results.allPrints}</b> : null}
                    />
                  ))}
                </Near>
              </Group>
            )}
          </table>
        </section>
      )}
      <div className="px-4 py-2 text-small text-ink-2">
        {made.units.map((u) => (
          <p key={u}>{u}</p>
        ))}
        {made.apart.map((a) => (
          <p key={a}>{a}</p>
        ))}
        <MoreColumns cut={cut} />
        {!nothing && <p>{made.how}</p>}
      </div>
    </section>
  );
}

export const pieceKey = (p: Piece) => `${p.arm_id ?? ""} ${p.spool_id} ${p.artifact_id}`;

/** The rows of a piece that are seen: all where it is open, else what it stands for, or what was asked for. */
export function rowsSeen(p: Piece, open: boolean, measure: string): Schemas["ResultRow"][] {
  if (open) return p.rows;
  const asked = measure ? p.rows.find((r) => r.code === measure) : p.rows[0];
  return asked ? [asked] : p.rows.slice(0, measure ? 0 : 1);
}

function Group({ title, columns, children }: { title: string; columns: number; children: React.ReactNode }) {
  return (
    <>
      <tbody>
        <tr>
          <th scope="rowgroup" colSpan={columns + 2} className="lab !pt-3">
            {title}
          </th>
        </tr>
      </tbody>
      {children}
    </>
  );
}

function PieceRows({
  studyId,
  table,
  piece,
  measure,
  open,
  short,
  toggle,
}: {
  studyId: string;
  table: ResultsTable;
  piece: Piece;
  measure: string;
  open: boolean;
  short: boolean;
  toggle: () => void;
}) {
  const rows = rowsSeen(piece, open, measure);
  const head = (
    <button
      type="button"
      aria-expanded={open}
      onClick={toggle}
      className="text-left font-semibold hover:underline"
    >
      <span aria-hidden="true" className="mr-1 inline-block w-3 text-ink-2">
        {open ? "▾" : "▸"}
      </span>
      {piece.artifact}
    </button>
  );
  const width = table.columns.length + table.references.length + 1;
  return (
    <Near always={short} rows={Math.max(1, rows.length)} columns={width} head={head}>
      {rows.map((r, at) => (
        <Row
          key={r.code}
          studyId={studyId}
          table={table}
          row={r}
          piece={piece}
          head={at === 0 ? head : null}
        />
      ))}
      {rows.length === 0 && (
        <tr>
          <th scope="row">{head}</th>
          <td colSpan={width} className="text-ink-2">
            {text.results.doesNotTell}
          </td>
        </tr>
      )}
      {open && (
        <tr>
          <td />
          <td colSpan={width}>
            <SideBySide studyId={studyId} by={table.by} piece={piece} />
          </td>
        </tr>
      )}
    </Near>
  );
}

function Row({
  studyId,
  table,
  row,
  piece,
  head,
}: {
  studyId: string;
  table: ResultsTable;
  row: Schemas["ResultRow"];
  piece: Piece | null;
  head: React.ReactNode;
}) {
  return (
    <tr>
      <th scope="row">
        {head}
        {!head && <span className="sr-only">{row.name}</span>}
      </th>
      <td>
        {row.name} <span className="text-ink-2">{row.unit}</span>
      </td>
      {row.cells.map((c, at) => {
        const column = columnOf(table, at);
        return (
          <td
            key={column.unit_id}
            className="text-right"
            title={c.needs ? text.results.needs(c.needs) : undefined}
          >
            {c.cannot ? (
              <>
                <span className="text-needle-ink">{text.results.cannot}</span>
                <small className="block text-tiny leading-tight text-ink-2">{c.cannot}</small>
              </>
            ) : c.text ? (
              <>
                <span className="whitespace-nowrap">
                  <Mark place={c.place} />{" "}
                  <Sourced
                    label={text.results.source(row.name, column.name, c.text)}
                    figure={{
                      station: "results",
                      study: studyId,
                      unit: column.unit_id,
                      query: {
                        by: table.by,
                        code: row.code,
                        ...(piece ? { artifact: piece.artifact_id, spool: piece.spool_id } : {}),
                        ...(piece?.arm_id ? { arm: piece.arm_id } : {}),
                      },
                    }}
                  >
                    <span className={`num ${c.place === "better" ? "font-bold" : "font-medium"}`}>
                      {c.text}
                    </span>
                  </Sourced>
                </span>
                {[c.spread, c.note].filter(Boolean).map((words) => (
                  <small key={words} className="num block text-tiny leading-tight text-ink-2">
                    {words}
                  </small>
                ))}
              </>
            ) : (
              <span className={`text-ink-2 ${c.note ? "text-tiny" : ""}`}>{c.note || "–"}</span>
            )}
          </td>
        );
      })}
    </tr>
  );
}

/** A machine's column, or after those a reference's. */
function columnOf(table: ResultsTable, at: number): { unit_id: string; name: string } {
  const mark = table.columns[at];
  if (mark) return mark;
  const held = table.references[at - table.columns.length]!;
  return { unit_id: held.id, name: held.name };
}

/** Filled: better; open: nobody can tell it from the better one. Said in words for those who do not see it. */
function Mark({ place }: { place: Schemas["ResultCell"]["place"] }) {
  if (place !== "better" && place !== "not told apart") return null;
  return (
    <span
      role="img"
      aria-label={place === "better" ? text.results.better : text.results.level}
      className={`inline-block size-[9px] rounded-full border border-[var(--enamel-2)] align-baseline ${place === "better" ? "bg-[var(--enamel-2)]" : ""}`}
    />
  );
}

import { useQuery } from "@tanstack/react-query";
import { Dialog } from "radix-ui";
import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { Skeleton, Trouble } from "../../parts/bits";
import { Explained } from "../../parts/hint";
import { typedNumber } from "../../parts/numbers";
import { Glyph } from "../../parts/unit-mark";
import { Curve } from "./curve";
import { SchemeFileAndHistory } from "./scheme-file";
import { Groups } from "./scheme-groups";
import { anchors, aroundZero, criterion, type Row, short } from "./scheme-row";
import { text } from "./text";

type View = Schemas["SchemeView"];
type Choice = Schemas["Choice"];

/** What counts in this study: everything that its prints, runs and machines tell, chosen, valued and weighed. */
export function Scheme({ studyId, number, may }: { studyId: string; number: number; may: boolean }) {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="chip underline">{text.schemeChip(number)}</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-10 bg-black/20" />
        <Dialog.Content
          aria-describedby={undefined}
          className="sheet fixed top-12 left-1/2 z-20 flex max-h-[86vh] w-[min(980px,96vw)] -translate-x-1/2 flex-col p-5"
        >
          <Dialog.Title className="text-head font-bold">{text.schemeTitle}</Dialog.Title>
          <p className="pt-1 text-ink-2">{text.schemeHint}</p>
          {open && <Editor studyId={studyId} may={may} done={() => setOpen(false)} />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Editor({ studyId, may, done }: { studyId: string; may: boolean; done: () => void }) {
  const key = keys.part(studyId, "scheme");
  const scheme = useQuery({
    queryKey: key,
    queryFn: () =>
      unwrap(api.GET("/api/studies/{study_id}/scheme", { params: { path: { study_id: studyId } } })),
  });
  if (scheme.isError) return <Trouble error={scheme.error} />;
  if (!scheme.data) return <Skeleton className="mt-3 h-72" />;
  return <Table studyId={studyId} view={scheme.data} may={may} done={done} />;
}

function Table({
  studyId,
  view,
  may,
  done,
}: {
  studyId: string;
  view: View;
  may: boolean;
  done: () => void;
}) {
  const byCode = new Map(view.choices.map((c) => [c.code, c]));
  const [rows, setRows] = useState<Record<string, Row>>(() =>
    Object.fromEntries(
      view.criteria.map((c) => {
        const choice = byCode.get(c.code);
        return [
          c.code,
          {
            ...anchors(c.points, choice?.factor ?? 1),
            weight: short(c.weight),
            group: c.group_name ?? "",
            kept: c,
          },
        ];
      }),
    ),
  );
  const [wrong, setWrong] = useState("");
  const [drawn, setDrawn] = useState("");
  const save = useChange(studyId, keys.part(studyId, "scheme"), (criteria: Schemas["CriterionIn"][]) =>
    unwrap(
      api.POST("/api/studies/{study_id}/scheme", {
        params: { path: { study_id: studyId } },
        body: { id: newId(), number: view.number, criteria },
      }),
    ),
  );
  const toggle = (choice: Choice) =>
    setRows((known) => {
      const { [choice.code]: gone, ...rest } = known;
      if (gone) return rest;
      const f = choice.factor;
      return {
        ...known,
        [choice.code]: {
          weight: "10",
          group: "",
          worst: short(f * choice.worst),
          best: short(f * choice.best),
          kept: null,
        },
      };
    });
  const edit = (code: string, change: Partial<Row>) =>
    setRows((known) => {
      const row = known[code];
      return row ? { ...known, [code]: { ...row, ...change } } : known;
    });
  const keep = () => {
    const criteria = [];
    for (const choice of view.choices) {
      const row = rows[choice.code];
      if (!row) continue;
      const made = criterion(choice, row);
      if (!made) {
        setWrong(text.schemeNumber(choice.name));
        return;
      }
      criteria.push(made);
    }
    setWrong("");
    save.mutate(criteria, { onSuccess: done });
  };
  const groups = [...new Set(view.choices.map((c) => c.group))];
  const chosen = Object.keys(rows).length;
  return (
    <>
      <div className="mt-3 min-h-0 overflow-y-auto">
        <table className="table w-full [&_td]:!py-1">
          <thead className="sticky top-0 bg-sheet">
            <tr>
              <th scope="col">{text.schemeWhat}</th>
              <th scope="col" className="!text-left max-[720px]:hidden">
                {text.schemeNow}
              </th>
              <th scope="col">{text.schemeWeight}</th>
              <th scope="col">{text.schemeWorst}</th>
              <th scope="col">{text.schemeBest}</th>
              <th scope="col" className="!text-left">
                {text.schemeGroup}
              </th>
            </tr>
          </thead>
          {groups.map((group) => (
            <tbody key={group}>
              <tr>
                <th scope="rowgroup" colSpan={6} className="lab !pt-3 text-left">
                  {group}
                </th>
              </tr>
              {view.choices
                .filter((c) => c.group === group)
                .map((c) => {
                  const row = rows[c.code];
                  const straight =
                    !row?.kept || row.kept.points.length === 2 || aroundZero(c, row.kept.points);
                  return [
                    <tr key={c.code} data-code={c.code}>
                      <td className="!text-left">
                        <label className="flex items-center gap-2" title={c.rule}>
                          <input type="checkbox" checked={!!row} disabled={!may} onChange={() => toggle(c)} />
                          {c.name}
                          <small className="text-ink-2">{c.unit}</small>
                        </label>
                        {row && may && (
                          <button
                            type="button"
                            className="ml-6 text-small text-ink-2 underline"
                            aria-expanded={drawn === c.code}
                            aria-label={text.curve.open(c.name)}
                            onClick={() => setDrawn(drawn === c.code ? "" : c.code)}
                          >
                            {text.curve.show}
                          </button>
                        )}
                      </td>
                      <td className="!text-left max-[720px]:hidden">
                        <Strip choice={c} marks={view.machines} row={row} />
                      </td>
                      {(["weight", "worst", "best"] as const).map((name) => (
                        <td key={name}>
                          {row && name === "best" && c.better === "zero" && straight && (
                            <b className="num">0</b>
                          )}
                          {row &&
                            (name === "weight" ||
                              (straight && !(name === "best" && c.better === "zero"))) && (
                              <input
                                className="input num w-20 text-right max-[720px]:w-14 max-[720px]:px-1"
                                inputMode="decimal"
                                disabled={!may}
                                aria-label={text.schemeField(c.name, name)}
                                title={
                                  c.better === "zero" && name === "worst" ? text.schemeEitherWay : undefined
                                }
                                value={row[name]}
                                onChange={(e) => edit(c.code, { [name]: e.target.value })}
                              />
                            )}
                          {row && name === "worst" && !straight && (
                            <small className="text-ink-2">
                              {text.schemePoints(row.kept?.points.length ?? 0)}
                            </small>
                          )}
                        </td>
                      ))}
                      <td className="!text-left">
                        {row && (
                          <input
                            className="input w-32 max-[720px]:w-20"
                            list="criterion-groups"
                            maxLength={40}
                            disabled={!may}
                            aria-label={text.schemeGroupOf(c.name)}
                            value={row.group}
                            onChange={(e) => edit(c.code, { group: e.target.value })}
                          />
                        )}
                      </td>
                    </tr>,
                    row && drawn === c.code && (
                      <tr key={`${c.code} drawn`}>
                        <td colSpan={6} className="!text-left">
                          <Drawn choice={c} row={row} marks={view.machines} edit={(to) => edit(c.code, to)} />
                        </td>
                      </tr>
                    ),
                  ];
                })}
            </tbody>
          ))}
        </table>
      </div>
      <Groups rows={rows} may={may} change={setRows} />
      <div className="flex items-center gap-3 pt-3">
        {may && (
          <button
            type="button"
            className="button primary"
            disabled={chosen === 0 || save.isPending}
            onClick={keep}
          >
            {text.schemeKeep(view.number + 1)}
          </button>
        )}
        <span className="text-small text-ink-2">{text.schemeChosen(chosen)}</span>
        {wrong && (
          <p role="alert" className="trouble">
            {wrong}
          </p>
        )}
        <Trouble error={save.error} />
      </div>
      <SchemeFileAndHistory studyId={studyId} may={may} />
    </>
  );
}

/** The value function of a row, drawn; what is moved there stands in the row. */
function Drawn({
  choice,
  row,
  marks,
  edit,
}: {
  choice: Choice;
  row: Row;
  marks: Schemas["UnitMark"][];
  edit: (to: Partial<Row>) => void;
}) {
  const now = criterion(choice, row);
  if (!now) return <p className="text-ink-2">{text.schemeNumber(choice.name)}</p>;
  return (
    <Curve
      choice={choice}
      marks={marks}
      shape={now.shape ?? "linear"}
      points={now.points}
      change={(shape, points) => edit({ ...anchors(points, choice.factor), kept: { ...now, shape, points } })}
    />
  );
}

/** Where each machine stands now between the anchors: by mark, with the figure in words; what is missing is counted. */
function Strip({
  choice,
  marks,
  row,
}: {
  choice: Choice;
  marks: Schemas["UnitMark"][];
  row: Row | undefined;
}) {
  const known = choice.figures.flatMap((f, i) => {
    const mark = marks[i];
    return f.value === null || !mark ? [] : [{ value: f.value, words: f.words, mark }];
  });
  if (known.length === 0)
    return (
      <small className="block max-w-72 text-left text-ink-2">
        <Explained says={choice.figures[0]?.needs ?? undefined}>{text.schemeNone}</Explained>
      </small>
    );
  const worst = typedNumber(row?.worst ?? "") ?? choice.factor * choice.worst;
  const best = typedNumber(row?.best ?? "") ?? choice.factor * choice.best;
  const at = (signedValue: number) => {
    const value = choice.better === "zero" ? Math.abs(signedValue) : signedValue;
    return worst === best ? 50 : Math.max(0, Math.min(100, (100 * (value - worst)) / (best - worst)));
  };
  return (
    <span className="flex items-center gap-2">
      <span className="relative block h-5 w-44 border-b border-ink-3" aria-hidden="true">
        {known.map((k) => (
          <span
            key={k.mark.unit_id}
            title={`${k.mark.name}: ${k.words}`}
            className="absolute bottom-0 -translate-x-1/2"
            style={{ left: `${at(k.value)}%` }}
          >
            <Glyph mark={k.mark.mark} />
          </span>
        ))}
      </span>
      <span className="sr-only">{known.map((k) => `${k.mark.name}: ${k.words}`).join("; ")}</span>
      {known.length < marks.length && (
        <small className="text-ink-2">{text.schemeKnown(known.length, marks.length)}</small>
      )}
    </span>
  );
}

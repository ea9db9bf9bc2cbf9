import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { Field, Skeleton, Trouble } from "../../parts/bits";
import { Explained } from "../../parts/hint";
import { Glyph, UnitName } from "../../parts/unit-mark";
import { PointsSheet } from "./points-sheet";
import { text } from "./text";

/** What only a person can say of machines: by rubrics with written anchors, and by points a line. */
export function JudgedByHand({ studyId, may }: { studyId: string; may: boolean }) {
  return (
    <div className="grid min-h-0 grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)] gap-3 max-[1100px]:grid-cols-[minmax(0,1fr)]">
      <Rubrics studyId={studyId} may={may} />
      <PointsSheet studyId={studyId} may={may} />
    </div>
  );
}

function Rubrics({ studyId, may }: { studyId: string; may: boolean }) {
  const key = keys.part(studyId, "rubrics");
  const [at, setAt] = useState<{ rubric: string; unit: string } | null>(null);
  const view = useQuery({
    queryKey: key,
    queryFn: () =>
      unwrap(api.GET("/api/studies/{study_id}/rubrics", { params: { path: { study_id: studyId } } })),
  });
  const made = view.data;
  if (!made) return view.isError ? <Trouble error={view.error} /> : <Skeleton className="h-full" />;
  const cellOf = (rubric: string, unit: string) =>
    made.cells.find((c) => c.rubric === rubric && c.unit_id === unit)!;
  return (
    <section
      aria-label={text.judged.rubrics}
      className="sheet relative min-h-0 min-w-0 overflow-auto px-4 py-3"
    >
      <h2 className="lab">{text.judged.rubrics}</h2>
      <p className="pb-1 text-small text-ink-2">{text.judged.rubricsHint}</p>
      <table className="table [&_td:not(:first-child)]:!text-center [&_td]:!px-1 [&_th:not(:first-child)]:!text-center [&_th]:!px-1">
        <thead>
          <tr>
            <th scope="col">{text.judged.question}</th>
            {made.machines.map((m) => (
              <th key={m.unit_id} scope="col" title={m.name}>
                <Glyph mark={m.mark} />
                <span className="sr-only">{m.name}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {made.rubrics.map((r) => (
            <tr key={r.code}>
              <td>{r.name}</td>
              {made.machines.map((m) => {
                const c = cellOf(r.code, m.unit_id);
                const shown =
                  c.mine === null ? (c.hidden ? "··" : "–") : (c.mean?.value?.toFixed(1) ?? String(c.mine));
                const on = at?.rubric === r.code && at.unit === m.unit_id;
                return (
                  <td key={m.unit_id}>
                    <button
                      type="button"
                      disabled={!may}
                      aria-pressed={on}
                      aria-label={text.judged.cell(r.name, m.name, c.mine, c.hidden, shown)}
                      onClick={() => setAt(on ? null : { rubric: r.code, unit: m.unit_id })}
                      className={`num min-h-[30px] min-w-[38px] rounded border px-1 ${on ? "border-enamel bg-enamel text-on-enamel" : "border-rule enabled:hover:border-ink-3"}`}
                    >
                      {shown}
                    </button>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      {at && (
        <Give
          key={at.rubric + at.unit}
          studyId={studyId}
          rubric={made.rubrics.find((r) => r.code === at.rubric)!}
          machine={made.machines.find((m) => m.unit_id === at.unit)!}
          cell={cellOf(at.rubric, at.unit)}
        />
      )}
      {!at && may && <p className="pt-2 text-small text-ink-2">{text.judged.press}</p>}
    </section>
  );
}

function Give({
  studyId,
  rubric,
  machine,
  cell,
}: {
  studyId: string;
  rubric: Schemas["RubricOut"];
  machine: Schemas["UnitMark"];
  cell: Schemas["RubricCell"];
}) {
  const [score, setScore] = useState<number | null>(cell.mine);
  const [words, setWords] = useState(cell.words);
  const [reason, setReason] = useState("");
  const give = useChange(studyId, keys.part(studyId, "rubrics"), (body: Schemas["NewRubricScore"]) =>
    unwrap(api.POST("/api/studies/{study_id}/rubrics", { params: { path: { study_id: studyId } }, body })),
  );
  const changes = cell.mine !== null;
  return (
    <form
      aria-label={text.judged.of(rubric.name, machine.name)}
      className="mt-3 grid gap-2 border-t border-rule pt-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (score === null) return;
        give.mutate(
          { id: newId(), unit_id: machine.unit_id, rubric: rubric.code, score, words, reason },
          { onSuccess: () => setReason("") },
        );
      }}
    >
      <h3 className="flex flex-wrap items-baseline gap-x-2 font-semibold">
        {rubric.asks} <UnitName mark={machine.mark} name={machine.name} />
      </h3>
      <div className="grid gap-1">
        {rubric.anchors.map((a, n) => (
          <label
            key={a}
            className={`flex min-h-[32px] cursor-pointer items-center gap-2 rounded border px-2 has-focus-visible:outline-2 has-focus-visible:outline-needle ${score === n ? "border-enamel bg-station-on" : "border-rule"}`}
          >
            <input type="radio" name="score" checked={score === n} onChange={() => setScore(n)} />
            <b className="num">{n}</b> {a}
          </label>
        ))}
      </div>
      <div className="flex flex-wrap items-end gap-2">
        <Field label={text.judged.words}>
          <input
            className="input !w-[240px]"
            maxLength={300}
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
        </Field>
        {changes && (
          <Field label={text.judged.reason}>
            <input
              className="input !w-[200px]"
              maxLength={300}
              required
              value={reason}
              onChange={(e) => setReason(e.target.value)}
            />
          </Field>
        )}
        <button type="submit" className="button primary" disabled={give.isPending || score === null}>
          {changes ? text.judged.correct : text.judged.give}
        </button>
      </div>
      <Trouble error={give.error} />
      {cell.hidden > 0 && <p className="text-small text-ink-2">{text.judged.hidden(cell.hidden)}</p>}
      {cell.others.map((o) => (
        <p key={o.by} className="text-small">
          {o.by}: <b className="num">{o.score}</b> {o.words}
        </p>
      ))}
      {cell.mean && (
        <p className="text-small text-ink-2">
          <Explained says={text.judged.meanHint}>{text.judged.mean}</Explained> {cell.mean.words}
        </p>
      )}
    </form>
  );
}

import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { Field, Skeleton, Trouble } from "../../parts/bits";
import { typedNumber } from "../../parts/numbers";
import { Glyph, UnitName } from "../../parts/unit-mark";
import { text } from "./text";

type Line = Schemas["SheetLineIn"];

/** Lines with points each; who wins a line has them, ties share. Each press is kept at once. */
export function PointsSheet({ studyId, may }: { studyId: string; may: boolean }) {
  const key = keys.part(studyId, "points-sheet");
  const [words, setWords] = useState("");
  const [points, setPoints] = useState("10");
  const view = useQuery({
    queryKey: key,
    queryFn: () =>
      unwrap(api.GET("/api/studies/{study_id}/points-sheet", { params: { path: { study_id: studyId } } })),
  });
  const save = useChange(studyId, key, (lines: Line[]) =>
    unwrap(
      api.PUT("/api/studies/{study_id}/points-sheet", {
        params: { path: { study_id: studyId } },
        body: { version: view.data?.version ?? null, lines },
      }),
    ),
  );
  const made = view.data;
  if (!made) return view.isError ? <Trouble error={view.error} /> : <Skeleton className="h-full" />;
  const machines = made.totals.map((t) => t.machine);
  const put = (at: number, line: Line | null) =>
    save.mutate(made.lines.flatMap((l, k) => (k === at ? (line ? [line] : []) : [l])));
  const worth = typedNumber(points);
  return (
    <section aria-label={text.sheet.title} className="sheet relative min-h-0 min-w-0 overflow-auto px-4 py-3">
      <h2 className="lab">{text.sheet.title}</h2>
      <p className="text-head leading-snug font-bold [font-stretch:94%]">{made.says}</p>
      <Trouble error={save.error} />
      {made.lines.length > 0 && (
        <table className="table mt-1 [&_td]:!px-1 [&_th]:!px-1">
          <thead>
            <tr>
              <th scope="col" className="w-[34%]">
                {text.sheet.line}
              </th>
              <th scope="col">{text.sheet.points}</th>
              {machines.map((m) => (
                <th key={m.unit_id} scope="col" title={m.name}>
                  <Glyph mark={m.mark} />
                  <span className="sr-only">{m.name}</span>
                </th>
              ))}
              {may && <th scope="col" aria-label={text.sheet.drop} />}
            </tr>
          </thead>
          <tbody>
            {made.lines.map((l, at) => (
              <tr key={at}>
                <td>{l.words}</td>
                <td className="num">{l.points}</td>
                {machines.map((m) => {
                  const winners = l.winners ?? [];
                  const won = winners.includes(m.unit_id);
                  const part = won ? l.points / winners.length : 0;
                  const share = won ? part.toFixed(part % 1 ? 1 : 0) : "";
                  return (
                    <td key={m.unit_id}>
                      <button
                        type="button"
                        disabled={!may || save.isPending}
                        aria-pressed={won}
                        aria-label={text.sheet.wins(m.name, l.words, share)}
                        onClick={() =>
                          put(at, {
                            ...l,
                            winners: won ? winners.filter((w) => w !== m.unit_id) : [...winners, m.unit_id],
                          })
                        }
                        className={`num min-h-[28px] min-w-[36px] rounded border px-1 ${won ? "border-enamel bg-enamel text-on-enamel" : "border-rule enabled:hover:border-ink-3"}`}
                      >
                        {won ? share : "·"}
                      </button>
                    </td>
                  );
                })}
                {may && (
                  <td>
                    <button
                      type="button"
                      className="text-ink-2 underline"
                      disabled={save.isPending}
                      aria-label={text.sheet.dropLine(l.words)}
                      onClick={() => put(at, null)}
                    >
                      {text.sheet.drop}
                    </button>
                  </td>
                )}
              </tr>
            ))}
            <tr>
              <td className="font-semibold">{text.sheet.together}</td>
              <td className="num">{made.of}</td>
              {made.totals.map((t) => (
                <td key={t.machine.unit_id} className="num font-semibold">
                  {Number(t.points.toFixed(1))}
                </td>
              ))}
              {may && <td />}
            </tr>
          </tbody>
        </table>
      )}
      {may && (
        <form
          className="flex flex-wrap items-end gap-2 pt-3"
          onSubmit={(e) => {
            e.preventDefault();
            if (worth === null || worth < 0 || !words.trim()) return;
            save.mutate([...made.lines, { words: words.trim(), points: worth, winners: [] }], {
              onSuccess: () => setWords(""),
            });
          }}
        >
          <Field label={text.sheet.newLine}>
            <input
              className="input !w-[260px]"
              maxLength={160}
              value={words}
              placeholder={text.sheet.example}
              onChange={(e) => setWords(e.target.value)}
            />
          </Field>
          <Field label={text.sheet.points}>
            <input
              className="input num !w-[80px]"
              inputMode="decimal"
              value={points}
              onChange={(e) => setPoints(e.target.value)}
            />
          </Field>
          <button
            type="submit"
            className="button"
            disabled={save.isPending || !words.trim() || worth === null || worth < 0}
          >
            {text.sheet.add}
          </button>
        </form>
      )}
      <ul className="flex flex-wrap gap-x-3 pt-2 text-small text-ink-2">
        {machines.map((m) => (
          <li key={m.unit_id}>
            <UnitName mark={m.mark} name={m.name} />
          </li>
        ))}
      </ul>
    </section>
  );
}

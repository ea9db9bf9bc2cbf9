import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { Skeleton, Trouble } from "../../parts/bits";
import { Choice } from "../../parts/form/choice";
import { UnitName } from "../../parts/unit-mark";
import { text } from "./text";

type Mark = Schemas["UnitMark"];

/** Two machines of the study alone: every figure that is known of either, and which of them tells them apart. */
export function Two({
  studyId,
  machines,
  references,
}: {
  studyId: string;
  machines: Mark[];
  references: Schemas["ReferenceLine"][];
}) {
  const [chosen, setChosen] = useState<[string, string]>([
    machines[0]!.unit_id,
    machines[1]?.unit_id ?? references[0]!.id,
  ]);
  const [arms, setArms] = useState<[string | null, string | null]>([null, null]);
  const [onlyTold, setOnlyTold] = useState(false);
  const view = useQuery({
    queryKey: keys.part(studyId, "compare", ...chosen, ...arms),
    queryFn: () =>
      unwrap(
        api.GET("/api/studies/{study_id}/compare", {
          params: {
            path: { study_id: studyId },
            query: {
              first: chosen[0],
              second: chosen[1],
              ...(arms[0] ? { first_arm: arms[0] } : {}),
              ...(arms[1] ? { second_arm: arms[1] } : {}),
            },
          },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  const options = machines.map((m) => ({ value: m.unit_id, name: m.name }));
  const held = references.map((r) => ({ value: r.id, name: text.two.reference(r.name) }));
  const made = view.data;
  // With several arms a machine can be set against itself, stock against its own profile.
  const several = (made?.arms.length ?? 1) > 1;
  const lines = (made?.lines ?? []).filter((l) => !onlyTold || l.differs);
  return (
    <section aria-label={text.two.title} className="sheet flex min-h-0 min-w-0 flex-col px-4 py-3">
      <div className="flex flex-wrap items-center gap-2">
        {([0, 1] as const).map((k) => (
          <span key={k} className="flex gap-1">
            <Choice
              label={k === 0 ? text.two.first : text.two.second}
              value={chosen[k]}
              options={[
                ...options.filter((o) => several || o.value !== chosen[1 - k]),
                ...(k === 1 ? held : []),
              ]}
              change={(unit) => setChosen(k === 0 ? [unit, chosen[1]] : [chosen[0], unit])}
              className="input !w-auto"
            />
            {several && made && (
              <Choice
                label={k === 0 ? text.two.firstArm : text.two.secondArm}
                value={arms[k] ?? (k === 0 ? made.first_arm : made.second_arm)}
                options={made.arms.map((a) => ({ value: a.id, name: a.name }))}
                change={(arm) => setArms(k === 0 ? [arm, arms[1]] : [arms[0], arm])}
                className="input !w-auto"
              />
            )}
          </span>
        ))}
        <label className="ml-auto flex items-center gap-1.5 text-small">
          <input type="checkbox" checked={onlyTold} onChange={(e) => setOnlyTold(e.target.checked)} />
          {text.two.onlyTold}
        </label>
      </div>
      <Trouble error={view.error} />
      {!made && !view.error && <Skeleton className="mt-2 h-60" />}
      {made && (
        <>
          <p className="pt-2 text-head leading-snug font-bold [font-stretch:94%]">{made.says}</p>
          {lines.length === 0 && made.lines.length > 0 && <p className="text-ink-2">{text.two.none}</p>}
          {lines.length > 0 && (
            // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, so the keyboard must reach it
            <section aria-label={text.two.figure} tabIndex={0} className="min-h-0 flex-1 overflow-auto">
              <table className="table mt-1 [&_td]:!py-1">
                <thead>
                  <tr>
                    <th scope="col">{text.two.figure}</th>
                    {[made.first, made.second].map((m) => (
                      <th key={m.unit_id} scope="col">
                        <UnitName mark={m.mark} name={m.name} />
                      </th>
                    ))}
                    <th scope="col">{text.two.difference}</th>
                  </tr>
                </thead>
                <tbody className="num">
                  {lines.map((l) => (
                    <Line key={l.code} line={l} view={made} />
                  ))}
                </tbody>
              </table>
            </section>
          )}
          {made.how && <p className="pt-1 text-small text-ink-2">{made.how}</p>}
        </>
      )}
    </section>
  );
}

function Line({ line, view }: { line: Schemas["ComparedLine"]; view: Schemas["ComparedView"] }) {
  const ahead = line.ahead === "first" ? view.first : line.ahead === "second" ? view.second : null;
  const cell = (q: Schemas["Quantity"], wins: boolean) => (
    <td
      className={
        q.needs
          ? "!font-sans text-tiny text-ink-2"
          : wins
            ? "font-bold underline decoration-2 underline-offset-4"
            : ""
      }
      title={q.needs ?? undefined}
    >
      {q.words}
    </td>
  );
  return (
    <tr>
      <td className="!font-sans [font-stretch:100%]">{line.name}</td>
      {cell(line.first, line.ahead === "first")}
      {cell(line.second, line.ahead === "second")}
      <td>
        <span className="whitespace-nowrap">{line.difference}</span>
        {line.interval && <span className="block text-tiny whitespace-nowrap">{line.interval}</span>}
        <span className={`block font-sans text-tiny ${line.differs ? "font-semibold" : "text-ink-2"}`}>
          {ahead ? text.two.ahead2(ahead.name) : line.differs ? text.two.differs : text.two.ahead[line.ahead]}
        </span>
      </td>
    </tr>
  );
}

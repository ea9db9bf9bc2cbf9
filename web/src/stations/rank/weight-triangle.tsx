import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { percent, Trouble } from "../../parts/bits";
import { Choice } from "../../parts/form/choice";
import { markColour, UnitName } from "../../parts/unit-mark";
import { text } from "./text";

type Group = Schemas["CriterionOut"]["group"];
const GROUPS: Group[] = ["pieces", "working", "money"];
const SIDE = 320;
const HIGH = (SIDE * Math.sqrt(3)) / 2;
const PAD = 30;

/** A triangle of three groups of criteria: at each place of it who would be first by such weights. */
export function WeightTriangle({
  studyId,
  view,
  shown,
}: {
  studyId: string;
  view: Schemas["RankView"];
  shown: Schemas["WhatIf"];
}) {
  const [group, setGroup] = useState<Record<string, Group>>({});
  const of = (c: Schemas["CriterionOut"]): Group => group[c.code] ?? c.group;
  const inGroup = (g: Group) => view.criteria.filter((c) => of(c) === g).map((c) => c.code);
  const [first, second] = [inGroup("pieces"), inGroup("working")];
  const map = useQuery({
    queryKey: keys.part(studyId, "weight-map", shown, first, second),
    queryFn: () =>
      unwrap(
        api.POST("/api/studies/{study_id}/weight-map", {
          params: { path: { study_id: studyId } },
          body: { ...shown, first, second },
        }),
      ),
    enabled: first.length > 0 && second.length > 0,
    placeholderData: (before) => before,
    retry: false,
  });
  const made = first.length > 0 && second.length > 0 ? map.data : undefined;
  const marks = new Map(made?.machines.map((m) => [m.unit_id, m]));
  return (
    <section aria-label={text.triangle.title} className="sheet min-h-0 overflow-y-auto px-4 py-3">
      <h2 className="lab">{text.triangle.title}</h2>
      <Trouble error={map.error} />
      {!made && !map.error && <p className="text-small text-ink-2">{text.triangle.needsGroups}</p>}
      {made?.needs && <p className="text-small text-ink-2">{text.triangle.needs(made.needs)}</p>}
      {made && !made.needs && (
        <>
          <p className="pb-1">{made.says}</p>
          <svg
            role="img"
            aria-label={made.says}
            viewBox={`0 0 ${SIDE + 2 * PAD} ${HIGH + 2 * PAD}`}
            className="w-full max-w-[380px]"
          >
            {made.places.map((p) => {
              const [x, y] = placeOf(p.shares);
              const mark = marks.get(p.unit_id);
              return (
                <circle
                  key={p.shares.join()}
                  cx={x}
                  cy={y}
                  r={10.5}
                  fill={mark && !p.tie ? markColour(mark.mark) : "var(--sheet)"}
                  stroke={mark ? markColour(mark.mark) : "var(--rule)"}
                  strokeWidth={1.5}
                >
                  <title>{text.triangle.place(mark?.name ?? "", percent(p.chance), p.tie)}</title>
                </circle>
              );
            })}
            <Now shares={made.now} />
            {GROUPS.map((g, k) => {
              const [x, y] = placeOf([0, 1, 2].map((j) => (j === k ? 1 : 0)));
              return (
                <text
                  key={g}
                  x={x}
                  y={k === 0 ? y - 17 : y + 25}
                  textAnchor={k === 0 ? "middle" : k === 1 ? "start" : "end"}
                  className="fill-ink text-[12px] font-semibold"
                  dx={k === 1 ? -10 : k === 2 ? 10 : 0}
                >
                  {text.triangle.groups[g]}
                </text>
              );
            })}
          </svg>
          <ul className="flex flex-wrap gap-x-3 text-small">
            {made.machines.map((m) => (
              <li key={m.unit_id}>
                <UnitName mark={m.mark} name={m.name} />
              </li>
            ))}
            <li className="text-ink-2">{text.triangle.open}</li>
          </ul>
        </>
      )}
      <ul className="grid gap-1 pt-2">
        {view.criteria.map((c) => (
          <li key={c.code} className="flex items-center justify-between gap-2 text-small">
            {c.name}
            <Choice
              label={text.triangle.groupOf(c.name)}
              value={of(c)}
              options={GROUPS.map((g) => ({ value: g, name: text.triangle.groups[g] }))}
              change={(g) => setGroup({ ...group, [c.code]: g as Group })}
              className="input !min-h-7 !w-[150px] !py-0"
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Where the weights on screen lie. */
function Now({ shares }: { shares: number[] }) {
  const [x, y] = placeOf(shares);
  return (
    <g>
      <circle cx={x} cy={y} r={14} fill="none" stroke="var(--sheet)" strokeWidth={6} />
      <circle cx={x} cy={y} r={14} fill="none" stroke="var(--ink)" strokeWidth={2.5} />
      <title>{text.triangle.now}</title>
    </g>
  );
}

/** The first group's corner is at the top, the second's left below, the third's right below. */
function placeOf(shares: number[]): [number, number] {
  const [a = 0, , c = 0] = shares;
  return [PAD + SIDE * (c + a / 2), PAD + HIGH * (1 - a)];
}

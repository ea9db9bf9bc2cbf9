import type { Schemas } from "../../api/client";
import { typedNumber } from "../../parts/numbers";

type Choice = Schemas["Choice"];

/** A criterion as it is typed. */
export type Row = {
  weight: string;
  group: string;
  worst: string;
  best: string;
  kept: Schemas["CriterionIn"] | null;
};

export function anchors(points: Schemas["Anchor"][], factor: number): { worst: string; best: string } {
  // Of what is best in the middle the upper end stands for both.
  const sorted = [...points].sort((a, b) => a.value - b.value || b.raw - a.raw);
  return { worst: short(factor * (sorted[0]?.raw ?? 0)), best: short(factor * (sorted.at(-1)?.raw ?? 0)) };
}

export function criterion(choice: Choice, row: Row): Schemas["CriterionIn"] | null {
  const weight = typedNumber(row.weight);
  const group_name = row.group.trim();
  if (weight === null) return null;
  if (row.kept && row.kept.points.length > 2 && !aroundZero(choice, row.kept.points))
    return { ...row.kept, weight, group_name };
  const worst = typedNumber(row.worst);
  const best = typedNumber(row.best);
  if (worst === null || best === null) return null;
  if (choice.better === "zero") {
    // What is best at 0 is as far off on either side.
    const side = Math.abs(worst) / choice.factor;
    return {
      code: choice.code,
      weight,
      group_name,
      shape: "piecewise",
      points: [
        { raw: -side, value: 0 },
        { raw: 0, value: 100 },
        { raw: side, value: 0 },
      ],
    };
  }
  return {
    code: choice.code,
    weight,
    group_name,
    shape: row.kept?.shape ?? "linear",
    points: [
      { raw: worst / choice.factor, value: 0 },
      { raw: best / choice.factor, value: 100 },
    ],
  };
}

/** Whether points value a figure by how far it is from 0, whichever way. */
export function aroundZero(choice: Choice, points: Schemas["Anchor"][]): boolean {
  const [low, middle, high] = points;
  return (
    choice.better === "zero" &&
    points.length === 3 &&
    middle?.raw === 0 &&
    !!low &&
    !!high &&
    low.raw === -high.raw
  );
}

export function short(x: number): string {
  return String(+x.toFixed(4));
}

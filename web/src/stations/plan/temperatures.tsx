import type { Schemas } from "../../api/client";
import { Field } from "../../parts/bits";
import { LEFT_OPEN, text } from "./text";

type ArmIn = Schemas["ArmIn"];

/** Where an arm prints several materials, each has its own temperatures. */
export function Temperatures({
  arm,
  library,
  set,
}: {
  arm: ArmIn;
  library: Schemas["Library"];
  set: (to: ArmIn) => void;
}) {
  const materials = materialsOf(arm, library.spools);
  if (materials.length < 2) return null;
  const conditions = arm.conditions ?? LEFT_OPEN;
  const given = conditions.temperatures ?? [];
  const edit = (material: string, name: "nozzle_c" | "bed_c", typed: string) => {
    const before = given.find((t) => same(t.material, material)) ?? { material, nozzle_c: null, bed_c: null };
    const after = { ...before, [name]: typed === "" ? null : Number(typed) };
    set({
      ...arm,
      conditions: {
        ...conditions,
        temperatures: [...given.filter((t) => !same(t.material, material)), after],
      },
    });
  };
  return (
    <div className="pt-2" role="group" aria-label={text.perMaterial}>
      <p className="text-small text-ink-2">{text.perMaterial}</p>
      <div className="grid grid-cols-[auto_120px_120px] items-end justify-start gap-x-3 gap-y-1 pt-1">
        {materials.map((m) => {
          const t = given.find((x) => same(x.material, m));
          return (
            <div key={m} className="contents">
              <b className="pb-2">{m}</b>
              {(["nozzle_c", "bed_c"] as const).map((name) => (
                <Field key={name} label={name === "nozzle_c" ? text.nozzleC(m) : text.bedC(m)}>
                  <input
                    className="input num"
                    type="number"
                    step="any"
                    min={0}
                    value={t?.[name] ?? ""}
                    onChange={(e) => edit(m, name, e.target.value)}
                  />
                </Field>
              ))}
            </div>
          );
        })}
      </div>
    </div>
  );
}

const same = (a: string, b: string) => a.toLowerCase() === b.toLowerCase();

export function materialsOf(arm: ArmIn, spools: Schemas["SpoolOut"][]): string[] {
  const chosen = arm.lines
    .flatMap((l) => [l.spool_id, l.second_spool_id])
    .flatMap((id) => spools.find((s) => s.id === id)?.material ?? []);
  return chosen.filter((m, i) => chosen.findIndex((x) => same(x, m)) === i);
}

/** The arm with usual temperatures for materials that came with a spool, where the slicer is common and nothing is typed. */
export function warmed(arm: ArmIn, library: Schemas["Library"]): ArmIn {
  if (arm.slicing === "own") return arm;
  const conditions = arm.conditions ?? LEFT_OPEN;
  const materials = materialsOf(arm, library.spools);
  const given = conditions.temperatures ?? [];
  const temperatures = materials.map((m) => {
    const found = library.spools.find((s) => same(s.material, m))?.usual;
    return (
      given.find((t) => same(t.material, m)) ?? {
        material: m,
        nozzle_c: found?.nozzle_c ?? null,
        bed_c: found?.bed_c ?? null,
      }
    );
  });
  const [only] = temperatures;
  if (materials.length !== 1 || !only)
    return { ...arm, conditions: { ...conditions, temperatures: materials.length > 1 ? temperatures : [] } };
  const untouched = library.materials.some(
    (m) => m.nozzle_c === conditions.nozzle_c && m.bed_c === conditions.bed_c,
  );
  return {
    ...arm,
    conditions: {
      ...conditions,
      temperatures: [],
      ...(untouched ? { nozzle_c: only.nozzle_c ?? null, bed_c: only.bed_c ?? null } : {}),
    },
  };
}

import { Plus } from "@phosphor-icons/react/dist/csr/Plus";
import { X } from "@phosphor-icons/react/dist/csr/X";
import { useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { useShelf } from "../../api/queries";
import { SpoolForm } from "../../library/forms";
import { duration, Field } from "../../parts/bits";
import { Hint } from "../../parts/hint";
import { Choice } from "./option";
import { Picker, Small } from "./picker";
import { type Candidate, SpoolsOfLine, spoolWords } from "./spools-of-line";
import { Steps } from "./steps";
import { materialsOf, Temperatures, warmed } from "./temperatures";
import { CONDITIONS, LEFT_OPEN, text } from "./text";

type ArmIn = Schemas["ArmIn"];
type Line = Schemas["LineIn"];

/** One arm: what is printed from which spools, how it is sliced, and under which conditions. */
export function ArmEditor({
  arm,
  first,
  set,
  remove,
  library,
  stock,
  lines,
  machines,
  mostSpools,
  several: others,
  may,
}: {
  arm: ArmIn;
  /** What the first arm fixes: where another begins that is given to a common slicer. */
  stock: ArmIn["conditions"];
  first: boolean;
  set: (to: ArmIn) => void;
  remove: (() => void) | null;
  library: Schemas["Library"];
  lines: Schemas["LineEffort"][];
  machines: Candidate[];
  mostSpools: number;
  /** Puts several arms in the place of this one, of which so many may be there. */
  several: { room: number; put: (arms: ArmIn[]) => void };
  may: boolean;
}) {
  const shelf = useShelf();
  const spools = library.spools;
  // What was fixed before the arm was given to the makers' own slicers comes back with a common one.
  const fixed = useRef(arm.slicing === "own" ? stock : arm.conditions);
  const [picking, setPicking] = useState(false);
  const [addingSpool, setAddingSpool] = useState(false);
  const card = new Map(shelf.data?.artifacts.map((c) => [c.ref, c]));
  const edit = (at: number, part: Partial<Line>) =>
    set(warmed({ ...arm, lines: arm.lines.map((l, i) => (i === at ? { ...l, ...part } : l)) }, library));
  // One click gives every line without a spool the same one: most studies have one.
  const fill = (id: string, known = library) =>
    set(warmed({ ...arm, lines: arm.lines.map((l) => (l.spool_id ? l : { ...l, spool_id: id })) }, known));
  const several = materialsOf(arm, spools).length > 1;
  const bare = arm.lines.filter((l) => !l.spool_id).length;
  return (
    <div className="grid gap-3">
      <table className="w-full table-fixed border-collapse">
        <thead>
          <tr className="lab text-left">
            <th scope="col" className="w-[44px] pb-1">
              <span className="sr-only">{text.drawing}</span>
            </th>
            <th scope="col" className="pb-1 pl-2">
              {text.whatIsPrinted}
            </th>
            <th scope="col" className="w-[132px] pb-1">
              {text.spool}
            </th>
            <th scope="col" className="w-[54px] pb-1">
              {text.copies}
            </th>
            <th scope="col" className="w-[60px] pb-1">
              {text.onAPlate}
            </th>
            <th scope="col" className="w-[76px] pb-1 text-right">
              {text.oneTakes}
            </th>
            <th scope="col" className="w-[48px]">
              <span className="sr-only">{text.takeAway}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {arm.lines.map((line, at) => {
            const c = card.get(line.artifact);
            const told = lines[at];
            return (
              <tr key={`${line.artifact}-${at}`} className="border-t border-rule-2 align-middle">
                <td className="h-[46px] py-0.5">
                  <Small refName={line.artifact} name={c?.name ?? ""} />
                </td>
                <td className="px-2 leading-tight">
                  <b className="font-semibold">{c?.name}</b>
                  {c && c.number > 1 && <small className="text-ink-2"> v{c.number}</small>}
                  {told && told.left_out.length > 0 && (
                    <small className="block text-tiny text-brass-ink">
                      {told.on.length < told.left_out.length && told.on.length > 0
                        ? text.onlyOn(told.on.join(", "))
                        : text.notOn(told.left_out.join(", "))}
                    </small>
                  )}
                  {told?.doubts.map((d) => (
                    <small key={d} className="block text-tiny text-brass-ink">
                      {d}
                    </small>
                  ))}
                </td>
                <td className="py-1 pr-2">
                  <SpoolsOfLine
                    line={line}
                    name={c?.name ?? ""}
                    tools={c?.tools ?? 1}
                    spools={spools}
                    machines={machines}
                    most={mostSpools}
                    edit={(part) => edit(at, part)}
                  />
                </td>
                <td className="pr-2">
                  <input
                    className="input num !w-[48px]"
                    type="number"
                    min={1}
                    max={20}
                    aria-label={text.copiesOf(c?.name ?? "")}
                    value={line.copies ?? 3}
                    onChange={(e) => edit(at, { copies: Number(e.target.value) })}
                  />
                </td>
                <td className="pr-2">
                  <input
                    className="input num !w-[54px]"
                    type="number"
                    min={1}
                    max={200}
                    placeholder={text.fitting}
                    aria-label={text.partsOf(c?.name ?? "")}
                    value={line.parts ?? ""}
                    onChange={(e) =>
                      edit(at, { parts: e.target.value === "" ? null : Number(e.target.value) })
                    }
                  />
                  {line.parts === null && told && told.parts.length > 0 && (
                    <small className="block text-tiny text-ink-2">{text.held(told.parts)}</small>
                  )}
                </td>
                <td className="num pr-1 text-right text-small whitespace-nowrap text-ink-2">
                  {told && told.prints > 0 ? duration(told.hours_each * 3600) : "–"}
                </td>
                <td className="whitespace-nowrap">
                  <Hint says={text.addSpool}>
                    <button
                      type="button"
                      className="rounded p-1 text-ink-2 hover:bg-station-on"
                      aria-label={text.forWord(text.addSpool, c?.name ?? "")}
                      onClick={() =>
                        set({
                          ...arm,
                          lines: [
                            ...arm.lines.slice(0, at + 1),
                            {
                              ...line,
                              spool_id:
                                spools.find(
                                  (s) =>
                                    !arm.lines.some(
                                      (l) => l.artifact === line.artifact && l.spool_id === s.id,
                                    ),
                                )?.id ?? null,
                            },
                            ...arm.lines.slice(at + 1),
                          ],
                        })
                      }
                    >
                      <Plus size={13} />
                    </button>
                  </Hint>
                  <button
                    type="button"
                    className="rounded p-1 text-ink-2 hover:bg-station-on"
                    aria-label={text.takeOffTheList(c?.name ?? "")}
                    onClick={() => set({ ...arm, lines: arm.lines.filter((_, i) => i !== at) })}
                  >
                    <X size={13} />
                  </button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {picking ? (
        <Picker
          listed={new Set(arm.lines.map((l) => l.artifact))}
          pick={(c) =>
            set({
              ...arm,
              lines: [
                ...arm.lines,
                { artifact: c.ref, spool_id: arm.lines[0]?.spool_id ?? null, copies: 3, parts: 1 },
              ],
            })
          }
          done={() => setPicking(false)}
        />
      ) : (
        <div className="flex flex-wrap items-center gap-2">
          <button type="button" className="button" onClick={() => setPicking(true)}>
            <Plus size={14} /> {text.addArtifact}
          </button>
          {bare > 0 && spools.length > 0 && (
            <label className="flex items-center gap-2 text-small text-ink-2">
              {bare === 1 ? text.oneLineHasNoSpool : text.linesHaveNoSpool(bare)}
              <select
                className="input !w-auto"
                value=""
                onChange={(e) => fill(e.target.value)}
                aria-label={text.spoolForAllThat}
              >
                <option value="">{text.giveAllTheSame}</option>
                {spools.map((s) => (
                  <option key={s.id} value={s.id}>
                    {spoolWords(s)}
                  </option>
                ))}
              </select>
            </label>
          )}
          {may && !addingSpool && (
            <button type="button" className="button" onClick={() => setAddingSpool(true)}>
              {text.addASpool}
            </button>
          )}
        </div>
      )}
      {addingSpool && (
        <SpoolForm
          done={(s) => {
            setAddingSpool(false);
            if (s) fill(s.id, { ...library, spools: [...library.spools, s] });
          }}
        />
      )}
      <Choice
        legend={text.slicingLegend}
        name="slicing"
        options={text.slicing}
        value={arm.slicing ?? "common"}
        set={(slicing) => {
          if (slicing === (arm.slicing ?? "common")) return;
          if (slicing === "own") fixed.current = arm.conditions;
          const back = arm.slicing === "own" ? fixed.current : arm.conditions;
          set({ ...arm, slicing, conditions: slicing === "own" ? LEFT_OPEN : (back ?? LEFT_OPEN) });
        }}
      />
      {!first && (
        <Choice
          legend={text.tuningLegend}
          name="tuning"
          options={text.tuning}
          value={arm.tuning ?? "stock"}
          set={(tuning) => set({ ...arm, tuning })}
        />
      )}
      <fieldset>
        <legend className="lab">
          {text.conditions}{" "}
          <span className="font-normal normal-case">
            · {arm.slicing === "own" ? text.ownFixed : text.makersOwn}
          </span>
        </legend>
        <div className="grid grid-cols-7 items-end gap-2 pt-1 max-[1200px]:grid-cols-4">
          {CONDITIONS.filter(([name]) => !several || !name.endsWith("_c")).map(([name, title, unit]) => (
            <Field key={name} label={unit ? `${title}, ${unit}` : title}>
              <input
                className="input num"
                type="number"
                step="any"
                min={0}
                value={arm.conditions?.[name] ?? ""}
                onChange={(e) =>
                  set({
                    ...arm,
                    conditions: {
                      ...(arm.conditions ?? LEFT_OPEN),
                      [name]: e.target.value === "" ? null : Number(e.target.value),
                    },
                  })
                }
              />
            </Field>
          ))}
        </div>
        <Temperatures arm={arm} library={library} set={set} />
      </fieldset>
      <div className="flex flex-wrap items-end gap-3">
        <Field label={text.nameOfThisArm}>
          <input
            className="input"
            maxLength={60}
            value={arm.name}
            onChange={(e) => set({ ...arm, name: e.target.value })}
          />
        </Field>
        <Steps arm={arm} room={others.room} set={others.put} />
        {remove && (
          <button type="button" className="button" onClick={remove}>
            {text.takeThisArmAway}
          </button>
        )}
      </div>
    </div>
  );
}

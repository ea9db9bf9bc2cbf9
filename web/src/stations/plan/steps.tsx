import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Field } from "../../parts/bits";
import { typedNumber } from "../../parts/numbers";
import { CONDITIONS, LEFT_OPEN, text } from "./text";

type ArmIn = Schemas["ArmIn"];

/** One arm becomes several that differ in one condition: a ladder of speeds, nozzles, temperatures. */
export function Steps({ arm, room, set }: { arm: ArmIn; room: number; set: (arms: ArmIn[]) => void }) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState<(typeof CONDITIONS)[number][0]>("speed_mm_s");
  const [typed, setTyped] = useState("");
  const values = typed
    .split(/[;\s]+/)
    .filter(Boolean)
    .map(typedNumber);
  const known = values.filter((v): v is number => v !== null && v > 0);
  const condition = CONDITIONS.find(([n]) => n === name)!;
  const wrong =
    known.length !== values.length || new Set(known).size !== known.length
      ? text.steps.wrong
      : known.length > room
        ? text.steps.tooMany(room)
        : "";
  if (!open)
    return (
      <button type="button" className="button" onClick={() => setOpen(true)}>
        {text.steps.open}
      </button>
    );
  return (
    <fieldset className="flex flex-wrap items-end gap-2" aria-label={text.steps.open}>
      <Field label={text.steps.which}>
        <select className="input" value={name} onChange={(e) => setName(e.target.value as typeof name)}>
          {CONDITIONS.map(([n, title, unit]) => (
            <option key={n} value={n}>
              {unit ? `${title}, ${unit}` : title}
            </option>
          ))}
        </select>
      </Field>
      <Field label={text.steps.values}>
        <input
          className="input num"
          value={typed}
          placeholder={text.steps.example}
          onChange={(e) => setTyped(e.target.value)}
        />
      </Field>
      <button
        type="button"
        className="button now"
        disabled={!!wrong || known.length < 2}
        onClick={() => {
          const [, title, unit] = condition;
          set(
            known.map((value) => ({
              ...arm,
              name: `${title} ${value}${unit ? ` ${unit}` : ""}`.slice(0, 60),
              conditions: { ...(arm.conditions ?? LEFT_OPEN), [name]: value },
            })),
          );
          setOpen(false);
        }}
      >
        {text.steps.make}
      </button>
      {wrong && <p className="text-small text-brass-ink">{wrong}</p>}
    </fieldset>
  );
}

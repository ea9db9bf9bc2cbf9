import type { Schemas } from "../../api/client";
import { Field } from "../../parts/bits";
import { Choice } from "./option";
import { CAUSES, text } from "./text";

type P = Schemas["Policies"];

export function Policies({
  value,
  set,
  repeats,
  setRepeats,
}: {
  value: P;
  set: (to: P) => void;
  repeats: number;
  setRepeats: (to: number) => void;
}) {
  return (
    <div className="grid gap-3.5">
      <Choice
        legend={text.whatToPrint}
        name="pieces"
        options={text.pieces}
        value={value.pieces}
        set={(pieces) => set({ ...value, pieces })}
      />
      <Choice
        legend={text.materialLegend}
        name="material"
        options={text.material}
        value={value.material}
        set={(material) => set({ ...value, material })}
      />
      <Choice
        legend={text.dryingLegend}
        name="drying"
        options={text.drying}
        value={value.drying}
        set={(drying) => set({ ...value, drying })}
      />
      <Choice
        legend={text.unattendedPrinting}
        name="unattended"
        options={text.unattended}
        value={value.unattended}
        set={(unattended) => set({ ...value, unattended })}
      />
      <fieldset>
        <legend className="lab">{text.causes}</legend>
        <p className="pb-1 text-small text-ink-2">{text.causesWhy}</p>
        <div className="flex flex-wrap gap-x-4 gap-y-1">
          {CAUSES.map((cause) => (
            <label key={cause} className="flex items-center gap-1.5">
              <input
                type="checkbox"
                checked={value.counted_causes.includes(cause)}
                onChange={(e) =>
                  set({
                    ...value,
                    counted_causes: e.target.checked
                      ? [...value.counted_causes, cause]
                      : value.counted_causes.filter((c) => c !== cause),
                  })
                }
              />
              {cause}
            </label>
          ))}
        </div>
      </fieldset>
      <div className="grid max-w-[420px] grid-cols-2 items-end gap-2">
        <Field label={text.readingsOfAFace}>
          <input
            className="input num"
            type="number"
            min={1}
            max={10}
            value={repeats}
            onChange={(e) => setRepeats(Number(e.target.value))}
          />
        </Field>
        <Field label={text.attemptsAtMost}>
          <input
            className="input num"
            type="number"
            min={1}
            max={10}
            value={value.most_attempts}
            onChange={(e) => set({ ...value, most_attempts: Number(e.target.value) })}
          />
        </Field>
        <Field label={text.liftLimit}>
          <input
            className="input num"
            type="number"
            min={0.1}
            max={20}
            step={0.1}
            value={value.lift_mm}
            onChange={(e) => set({ ...value, lift_mm: Number(e.target.value) })}
          />
        </Field>
        <Field label={text.stainLimit}>
          <input
            className="input num"
            type="number"
            min={0.1}
            max={50}
            step={0.1}
            value={value.stain_mm}
            onChange={(e) => set({ ...value, stain_mm: Number(e.target.value) })}
          />
        </Field>
      </div>
    </div>
  );
}

import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, seenVersion, unwrap } from "../api/client";
import { readLibraryAgain } from "../api/keys";
import { Field, Trouble } from "../parts/bits";
import { text } from "./text";

type Model = Schemas["ModelOut"];

/** A model's whole specification sheet, as its maker states it; what it leaves out stays empty. */
export function MachineSheet({ model, done }: { model: Model | null; done: () => void }) {
  const client = useQueryClient();
  const [error, setError] = useState<Error | null>(null);
  const sheet = model?.sheet;
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const words = (name: string) => String(form.get(name) ?? "").trim();
    const amount = (name: string) => (form.get(name) ? Number(form.get(name)) : null);
    const body = {
      name: words("name"),
      bed_x_mm: amount("x") ?? 0,
      bed_y_mm: amount("y") ?? 0,
      height_mm: amount("z") ?? 0,
      list_price: amount("price"),
      currency: words("currency").toUpperCase() || "EUR",
      tools: amount("tools") ?? 1,
      enclosed: form.get("enclosed") === "on",
      sheet: {
        is_round: form.get("round") === "on",
        top_share: (amount("top") ?? 100) / 100,
        motion: words("motion"),
        board: words("board"),
        hotend: words("hotend"),
        extruder: words("extruder"),
        nozzle_max_c: amount("nozzle"),
        bed_max_c: amount("bed"),
        weight_kg: amount("weight"),
        peak_w: amount("peak"),
        top_speed_mm_s: amount("speed"),
        acceleration_mm_s2: amount("acceleration"),
        corner_mm_s: amount("corner"),
        flow_mm3_s: amount("flow"),
        screw_lead_mm: amount("lead"),
        belt_pitch_mm: amount("belt"),
        pulley_teeth: amount("teeth"),
        gear_pitch_mm: amount("gear"),
        rules_out: words("rules_out")
          .split(/[,;]/)
          .map((m) => m.trim())
          .filter(Boolean),
        keep_outs: words("free")
          .split(";")
          .filter((part) => part.trim())
          .map((part) => {
            const [x = 0, y = 0, width = 0, depth = 0] = part.split(",").map(Number);
            return { x_mm: x, y_mm: y, width_mm: width, depth_mm: depth };
          }),
      },
    };
    try {
      if (model)
        await unwrap(
          api.PUT("/api/models/{model_id}", {
            params: { path: { model_id: model.id } },
            body: { ...body, id: model.id, version: seenVersion(model.version, error) },
          }),
        );
      else await unwrap(api.POST("/api/models", { body: { ...body, id: newId() } }));
      await readLibraryAgain(client);
      done();
    } catch (e) {
      setError(e as Error);
    }
  };
  const written = (name: string, label: string, value: string | undefined, required = false) => (
    <Field label={label}>
      <input className="input" name={name} defaultValue={value ?? ""} maxLength={80} required={required} />
    </Field>
  );
  const number = (name: string, label: string, value: number | null | undefined, required = false) => (
    <Field label={label}>
      <input
        className="input num"
        name={name}
        type="number"
        min={0}
        step="any"
        defaultValue={value ?? ""}
        required={required}
      />
    </Field>
  );
  const tick = (name: string, label: string, value: boolean | undefined) => (
    <label className="flex items-center gap-2 self-end pb-1.5">
      <input type="checkbox" name={name} defaultChecked={value} /> {label}
    </label>
  );
  const free = (sheet?.keep_outs ?? [])
    .map((k) => [k.x_mm, k.y_mm, k.width_mm, k.depth_mm].join(","))
    .join("; ");
  return (
    <form
      onSubmit={(e) => void submit(e)}
      aria-label={model ? text.sheetOf(model.name) : text.sheetOfANewMachine}
      className="mt-4 grid gap-3 border-t border-rule pt-3"
    >
      <h2 className="text-lead font-bold">{model ? model.name : text.aNewMachine}</h2>
      <div className="grid grid-cols-4 gap-2 max-[760px]:grid-cols-2">
        {written("name", "Name", model?.name, true)}
        {number("price", text.listPrice, model?.list_price)}
        {written("currency", text.itsCurrency, model?.currency ?? "EUR", true)}
        {number("tools", "Tools", model?.tools ?? 1, true)}
        {tick("enclosed", "Enclosed", model?.enclosed)}
        {number("x", text.bedXMm, model?.bed_x_mm ?? 220, true)}
        {number("y", text.bedYMm, model?.bed_y_mm ?? 220, true)}
        {number("z", "Height, mm", model?.height_mm ?? 250, true)}
        {tick("round", text.roundBed, sheet?.is_round)}
        {written("motion", "Motion", sheet?.motion)}
        {written("board", "Board", sheet?.board)}
        {written("hotend", "Hotend", sheet?.hotend)}
        {written("extruder", "Extruder", sheet?.extruder)}
        {number("nozzle", text.nozzleUpToC, sheet?.nozzle_max_c)}
        {number("bed", text.bedUpToC, sheet?.bed_max_c)}
        {number("weight", "Weight, kg", sheet?.weight_kg)}
        {number("peak", text.peakLoadW, sheet?.peak_w)}
        {number("speed", text.topSpeedMmS, sheet?.top_speed_mm_s)}
        {number("acceleration", "Acceleration, mm/s²", sheet?.acceleration_mm_s2)}
        {number("corner", text.jumpAtCornersMmS, sheet?.corner_mm_s)}
        {number("flow", text.meltsAtMostMmS, sheet?.flow_mm3_s)}
        {number("lead", text.leadOfTheScrew, sheet?.screw_lead_mm)}
        {number("belt", text.pitchOfTheBelt, sheet?.belt_pitch_mm)}
        {number("teeth", text.teethOfThePulley, sheet?.pulley_teeth)}
        {number("gear", text.pitchOfTheGear, sheet?.gear_pitch_mm)}
        {number("top", text.widthLeftAtFullHeight, sheet ? 100 * (sheet.top_share ?? 1) : 100)}
        <Field label={text.rulesOut}>
          <input
            className="input"
            name="rules_out"
            defaultValue={(sheet?.rules_out ?? []).join(", ")}
            placeholder={text.suchMaterials}
          />
        </Field>
        <div className="col-span-3 max-[760px]:col-span-1">
          <Field label={text.keptFreeOnTheBed}>
            <input
              className="input num"
              name="free"
              defaultValue={free}
              placeholder="0,0,220,12; 200,0,20,220"
            />
          </Field>
        </div>
      </div>
      {(sheet?.weight_kg ?? 0) > 25 && <p className="caution">{text.over25KgLiftIt}</p>}
      <Trouble error={error} />
      <div className="flex gap-2">
        <button type="submit" className="button primary">
          {model ? text.keepTheSheet : text.addTheMachine}
        </button>
        <button type="button" className="button" onClick={done}>
          {text.back}
        </button>
      </div>
    </form>
  );
}

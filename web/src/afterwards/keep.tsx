import { useMutation } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, type Schemas, unwrap } from "../api/client";
import { useLibrary } from "../api/queries";
import { Field, Trouble } from "../parts/bits";
import { Choice } from "../parts/form/choice";
import { typedNumber } from "../parts/numbers";
import type { View } from "./index";
import { text } from "./text";

const NONE = "\u0000";
const ZONES = Intl.supportedValuesOf("timeZone");

/** What would be kept, what the spreadsheet does not say, and the one key that keeps it. */
export function Keep({
  view,
  zone,
  wishes,
  changeZone,
  done,
  newId,
}: {
  view: View;
  zone: string;
  wishes: Schemas["SheetWish"][];
  changeZone: (zone: string) => void;
  done: (kept: Schemas["OldBenchKept"]) => void;
  newId: () => string;
}) {
  const library = useLibrary();
  const calipers = (library.data?.instruments ?? []).filter((i) => i.kind === "caliper");
  const [title, setTitle] = useState(view.name.replace(/\.[^.]+$/, "").replaceAll(/[-_]+/g, " "));
  const [currency, setCurrency] = useState("EUR");
  const [price, setPrice] = useState("");
  const [noiseAt, setNoiseAt] = useState("");
  const [beds, setBeds] = useState<Record<string, string[]>>({});
  const [causes, setCauses] = useState<Record<string, string>>({});
  const [measured, setMeasured] = useState(NONE);
  const [caliper, setCaliper] = useState<string | null>(null);
  const [mix, setMix] = useState(view.shared.length === 0 && view.shared_pieces.length > 0);
  const [wrong, setWrong] = useState(false);
  // Pressed twice is kept once.
  const id = useRef(newId());
  const keep = useMutation({
    mutationFn: (body: Schemas["NewOldBench"]) => unwrap(api.POST("/api/old-benches", { body })),
    onSuccess: done,
  });
  const asksBed = view.machines.filter((m) => !m.known && !m.bed_mm);
  const asksNoise = view.noise > 0 && view.noise_at_m === null;
  const chosenCaliper = caliper ?? (calipers.length === 1 ? calipers[0]!.id : null);
  const submit = () => {
    const sizes = asksBed.map((m) => ({
      machine: m.name,
      size_mm: [0, 1, 2].map((k) => typedNumber(beds[m.name]?.[k] ?? "")),
    }));
    const perKg = typedNumber(price);
    const metres = asksNoise ? typedNumber(noiseAt) : null;
    const bad =
      perKg === null || (asksNoise && metres === null) || sizes.some((b) => b.size_mm.includes(null));
    setWrong(bad);
    if (bad) return;
    keep.mutate({
      id: id.current,
      sha256: view.sha256,
      name: view.name,
      zone,
      sheets: wishes,
      title: title.trim(),
      question: "",
      currency: currency.toUpperCase(),
      price_per_kg: perKg,
      beds: sizes.map((b) => ({ machine: b.machine, size_mm: b.size_mm as number[] })),
      causes: Object.entries(causes).map(([words, cause]) => ({ words, cause: cause as Schemas["Cause"] })),
      measured_piece: measured === NONE ? null : measured,
      instrument_id: measured === NONE ? null : chosenCaliper,
      noise_at_m: metres,
      mix_materials: mix,
    });
  };
  const day = (iso: string) =>
    new Date(iso).toLocaleDateString("en-GB", {
      day: "numeric",
      month: "short",
      year: "numeric",
      timeZone: zone,
    });
  return (
    <section aria-label={text.kept} className="sheet grid gap-2 p-4">
      <h2 className="lab">{text.kept}</h2>
      {view.lacks && <p className="font-semibold text-needle-ink">{view.lacks}</p>}
      {!view.lacks && view.prints === 0 && <p className="text-needle-ink">{text.noPrints}</p>}
      {view.prints > 0 && view.began && view.ended && (
        <p>
          <b>{text.counts(view)}</b> {text.between(day(view.began), day(view.ended))}.
        </p>
      )}
      {view.machines.length > 0 && (
        <table className="text-small">
          <thead>
            <tr className="lab text-left">
              <th className="font-normal">{text.machine}</th>
              <th className="text-right font-normal">{text.goodOf}</th>
            </tr>
          </thead>
          <tbody>
            {view.machines.map((m) => (
              <tr key={m.name} className="border-t border-rule-2 align-baseline">
                <td className="py-1">
                  {m.name}
                  <span className="block text-tiny text-ink-2">
                    {m.known ? text.inLibrary : m.bed_mm ? text.bedIs(m.bed_mm) : ""}
                  </span>
                </td>
                <td className="num text-right">
                  {m.good}/{m.prints}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {view.pieces.length > 0 && <p className="text-small text-ink-2">{text.pieces(view.pieces)}</p>}
      {view.prints > 0 && view.machines.length > 1 && (
        <div className="text-small">
          <p className={view.shared.length ? "" : "text-needle-ink"}>{text.shared(view.shared)}</p>
          {view.shared_pieces.length > view.shared.length && view.materials.length > 1 && (
            <label className="flex items-baseline gap-1.5 pt-1">
              <input type="checkbox" checked={mix} onChange={(e) => setMix(e.target.checked)} />
              {text.mix(view.shared_pieces)}
            </label>
          )}
        </div>
      )}
      {view.causes.length > 0 && (
        <>
          <h2 className="lab pt-1">{text.causes}</h2>
          {view.causes.map((c) => (
            <div key={c.name} className="grid grid-cols-[1fr_auto_130px] items-center gap-2 text-small">
              <span className="truncate" title={c.name}>
                {c.name || text.noCause}
              </span>
              <span className="num text-ink-2">{text.times(c.prints)}</span>
              <Choice
                label={text.causeOf(c.name)}
                value={causes[c.name] ?? "unknown"}
                options={Object.entries(text.causeNames).map(([value, name]) => ({ value, name }))}
                change={(value) => setCauses({ ...causes, [c.name]: value })}
                className="input !py-0.5"
              />
            </div>
          ))}
          <p className="text-tiny text-ink-2">{text.causesHow}</p>
        </>
      )}
      <h2 className="lab pt-1">{text.more}</h2>
      <Field label={text.studyTitle}>
        <input className="input" value={title} maxLength={120} onChange={(e) => setTitle(e.target.value)} />
      </Field>
      <div className="grid grid-cols-[1fr_84px] gap-2">
        <Field label={text.price}>
          <input
            className="input num"
            inputMode="decimal"
            value={price}
            onChange={(e) => setPrice(e.target.value)}
          />
        </Field>
        <Field label={text.currency}>
          <input
            className="input num"
            value={currency}
            maxLength={3}
            onChange={(e) => setCurrency(e.target.value)}
          />
        </Field>
      </div>
      <Field label={text.zone}>
        <select className="input" value={zone} onChange={(e) => changeZone(e.target.value)}>
          {(ZONES.includes(zone) ? ZONES : [zone, ...ZONES]).map((z) => (
            <option key={z} value={z}>
              {z.replaceAll("_", " ")}
            </option>
          ))}
        </select>
      </Field>
      {asksBed.length > 0 && <h2 className="lab pt-1">{text.bed}</h2>}
      {asksBed.map((m) => (
        <div key={m.name} className="grid grid-cols-[1fr_repeat(3,62px)] items-center gap-1.5 text-small">
          <span className="truncate">{m.name}</span>
          {text.axes.map((axis, k) => (
            <input
              key={axis}
              className="input num"
              inputMode="decimal"
              aria-label={text.bedOf(m.name, axis)}
              value={beds[m.name]?.[k] ?? ""}
              onChange={(e) => {
                const row = [...(beds[m.name] ?? ["", "", ""])];
                row[k] = e.target.value;
                setBeds({ ...beds, [m.name]: row });
              }}
            />
          ))}
        </div>
      ))}
      {asksNoise && (
        <Field label={text.noiseAt}>
          <input
            className="input num"
            inputMode="decimal"
            value={noiseAt}
            onChange={(e) => setNoiseAt(e.target.value)}
          />
        </Field>
      )}
      {view.sizes > 0 && (
        <>
          <div className="field">
            <span>{text.measured}</span>
            <Choice
              label={text.measured}
              value={measured}
              options={[
                { value: NONE, name: text.sizesOfNone },
                ...view.pieces.map((p) => ({ value: p.name, name: p.name })),
              ]}
              change={setMeasured}
            />
          </div>
          {measured !== NONE && calipers.length > 0 && (
            <div className="field">
              <span>{text.caliper}</span>
              <Choice
                label={text.caliper}
                value={chosenCaliper}
                options={calipers.map((c) => ({ value: c.id, name: c.code }))}
                change={setCaliper}
              />
            </div>
          )}
          {measured !== NONE && (
            <p className="text-tiny text-ink-2">{calipers.length ? text.copiesHow : text.noCaliper}</p>
          )}
        </>
      )}
      {wrong && (
        <p role="alert" className="trouble">
          {text.wrongNumber}
        </p>
      )}
      <Trouble error={keep.error} />
      <button
        type="button"
        className="button primary big"
        disabled={view.prints === 0 || keep.isPending || title.trim() === ""}
        onClick={submit}
      >
        {text.keep(view.prints)}
      </button>
      <p className="text-tiny text-ink-2">{text.marked}</p>
    </section>
  );
}

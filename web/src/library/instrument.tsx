import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../api/client";
import { readLibraryAgain } from "../api/keys";
import { Field, Trouble } from "../parts/bits";
import { AddForm, Amount, amount, Text } from "./forms";
import { text } from "./text";

type Instrument = Schemas["InstrumentOut"];
const KINDS = ["caliper", "gauge", "scale", "power meter", "sound meter", "thermometer"] as const;

/** A new instrument, or one that is there: corrected, or calibrated again. */
export function InstrumentForm({
  instrument = null,
  done,
}: {
  instrument?: Instrument | null;
  done: (made: Instrument | null) => void;
}) {
  // A later day is most often that of a new calibration: what Enter sends is what was meant.
  const [later, setLater] = useState(false);
  const [action, other] = later
    ? [text.itWasCalibratedAgain, text.saveAsCorrection]
    : [text.saveAsCorrection, text.itWasCalibratedAgain];
  const send = (f: FormData, pressed: string): Promise<Instrument> => {
    const body = {
      code: String(f.get("code")).trim(),
      unit: String(f.get("unit")),
      resolution: amount(f, "resolution"),
      u_calibration: amount(f, "u"),
      repeatability: amount(f, "repeatability"),
      calibrated_on: String(f.get("calibrated")) || null,
      certificate: String(f.get("certificate")).trim(),
      valid_days: amount(f, "valid"),
    };
    if (!instrument) {
      const kind = String(f.get("kind")) as (typeof KINDS)[number];
      return unwrap(api.POST("/api/instruments", { body: { id: newId(), kind, ...body } }));
    }
    const { id, kind, version } = instrument;
    return unwrap(
      api.PUT("/api/instruments/{instrument_id}", {
        params: { path: { instrument_id: id } },
        body: { id, kind, version, calibrated_again: pressed === text.itWasCalibratedAgain, ...body },
      }),
    );
  };
  return (
    <AddForm
      action={instrument ? action : text.addTheInstrument}
      other={instrument ? other : undefined}
      done={done}
      send={send}
    >
      <Text label={text.code} name="code" value={instrument?.code} />
      <Field label={text.kind}>
        <select className="input" name="kind" defaultValue={instrument?.kind} disabled={instrument !== null}>
          {(instrument ? [instrument.kind] : KINDS).map((k) => (
            <option key={k}>{k}</option>
          ))}
        </select>
      </Field>
      <Text label={text.unit} name="unit" value={instrument?.unit ?? "mm"} />
      <Amount label={text.resolution} name="resolution" value={instrument?.resolution ?? 0.01} />
      <Amount label={text.calibrationUStandard} name="u" value={instrument?.u_calibration ?? 0.015} />
      <Amount label={text.repeatabilityS} name="repeatability" value={instrument?.repeatability ?? 0.01} />
      <Field label={text.calibratedOn}>
        <input
          className="input"
          type="date"
          name="calibrated"
          defaultValue={instrument?.calibrated_on ?? ""}
          onChange={(e) => setLater(e.currentTarget.value > (instrument?.calibrated_on ?? ""))}
        />
      </Field>
      <Amount label={text.holdsForDays} name="valid" value={instrument?.valid_days ?? 365} />
      <Field label={text.certificate}>
        <input className="input" name="certificate" maxLength={80} defaultValue={instrument?.certificate} />
      </Field>
    </AddForm>
  );
}

/** One instrument: what is known of it now, and how it was calibrated before. */
export function InstrumentSheet({ instrument, done }: { instrument: Instrument; done: () => void }) {
  const client = useQueryClient();
  const [error, setError] = useState<Error | null>(null);
  const takeBack = async () => {
    try {
      await unwrap(
        api.DELETE("/api/instruments/{instrument_id}/calibration", {
          params: { path: { instrument_id: instrument.id }, query: { version: instrument.version } },
        }),
      );
      await readLibraryAgain(client);
      setError(null);
    } catch (e) {
      setError(e as Error);
    }
  };
  return (
    <section className="mt-4" aria-label={text.instrumentNamed(instrument.kind, instrument.code)}>
      <h2 className="text-md font-semibold">{text.instrumentNamed(instrument.kind, instrument.code)}</h2>
      <p className="mt-1 max-w-[80ch] text-sm text-ink-2">{text.whatTheyDo}</p>
      <InstrumentForm key={instrument.version} instrument={instrument} done={done} />
      {instrument.earlier.length > 0 && (
        <>
          <h3 className="mt-3 text-sm font-semibold">{text.calibrationsBefore}</h3>
          <ul className="mt-1 grid gap-1 text-sm">
            {instrument.earlier.map((c) => (
              <li key={c.until}>
                {text.calibrationBefore(
                  c.calibrated_on,
                  c.until,
                  c.u_calibration,
                  instrument.unit,
                  c.certificate,
                )}
              </li>
            ))}
          </ul>
          <button type="button" className="button mt-2" onClick={() => void takeBack()}>
            {text.takeBackTheLast}
          </button>
        </>
      )}
      <Trouble error={error} />
    </section>
  );
}

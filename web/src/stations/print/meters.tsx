import { type FormEvent, useRef, useState } from "react";
import { newId, type Schemas } from "../../api/client";
import { keys } from "../../api/keys";
import { put, useOutbox } from "../../api/outbox";
import { useTake } from "../../api/queries";
import { Field, Trouble } from "../../parts/bits";
import { InstrumentChoice, useInstrument } from "../../parts/instrument";
import { typedNumber } from "../../parts/numbers";
import { Refused } from "../../parts/refused";
import { fillIn, SentValue } from "../../parts/sent-value";
import { PowerLog } from "./power-log";
import { text } from "./text";

const STATES: Schemas["NoiseState"][] = ["printing", "printing at its fastest", "heating", "standby"];

type Props = {
  studyId: string;
  jobId: string;
  run: Schemas["RunOut"];
  meters: Schemas["MeterOut"][];
  may: boolean;
};

/** Energy and noise of the run at hand. */
export function Meters(props: Props) {
  return (
    <div className="grid grid-cols-2 gap-3 max-[560px]:grid-cols-1">
      <EnergyPanel {...props} />
      <NoisePanel {...props} />
    </div>
  );
}

function EnergyPanel({ studyId, jobId, run, meters, may }: Props) {
  const use = useInstrument(
    text.powerMeter2,
    meters.filter((m) => m.kind === "power meter"),
  );
  const took = useTake(studyId, keys.job(studyId, jobId));
  const outbox = useOutbox();
  const path = `/api/runs/${run.id}/energy`;
  const [error, setError] = useState<Error | null>(null);
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const energy_wh = typedNumber(String(new FormData(form).get("wh")));
    if (energy_wh === null || energy_wh < 0) {
      setError(new Error(text.energyWrong));
      return;
    }
    if (use.fitting.length > 1 && !use.instrument) {
      setError(new Error(text.whichMeter));
      return;
    }
    setError(null);
    put({
      label: text.energyLabel(energy_wh),
      study: studyId,
      method: "PUT",
      path,
      body: { version: run.version, energy_wh, instrument_id: use.instrument?.id ?? null },
      takes: keys.job(studyId, jobId),
    })
      .then(() => form.reset())
      .catch(setError);
  };
  const gap =
    run.energy_from !== "meter" && run.energy_low_kwh !== null && run.energy_high_kwh !== run.energy_low_kwh;
  return (
    <section aria-label={text.energy} className="sheet p-3.5">
      <h2 className="lab">{text.energy}</h2>
      <p className="mt-0.5 min-h-[42px]">
        {run.energy_kwh === null ? (
          <span className="text-ink-2">{text.notReadYet}</span>
        ) : (
          <>
            <b className="num text-head">{text.wh((1000 * run.energy_kwh).toFixed(0))}</b>{" "}
            <span className="text-ink-2">{text.energyFrom[run.energy_from!]}</span>
            {gap && (
              <small className="block text-small text-brass-ink">
                {text.theLogHasGapsBetween(
                  (1000 * run.energy_low_kwh!).toFixed(1),
                  (1000 * run.energy_high_kwh!).toFixed(1),
                )}
              </small>
            )}
          </>
        )}
      </p>
      {may && (
        <>
          <form onSubmit={submit} className="flex items-end gap-2">
            <Field label={run.energy_kwh === null ? text.meterWh : text.meterAgainWh}>
              <input className="input num" name="wh" inputMode="decimal" required />
            </Field>
            <button type="submit" className="button">
              {text.keep}
            </button>
          </form>
          <Overdue meter={use.instrument} />
          <InstrumentChoice use={use} label={text.powerMeter} className="input mt-2 w-full" />
          <PowerLog run={run} meter={use.instrument?.id} took={took} />
          <Trouble error={error} />
          <Refused entries={outbox.filter((e) => e.path === path)} />
        </>
      )}
    </section>
  );
}

type SetUp = Pick<
  Schemas["NoiseOut"],
  "background_db" | "distance_m" | "door_shut" | "state" | "fan_percent"
>;
let lastSetUp: SetUp = {
  background_db: null,
  distance_m: 1,
  door_shut: true,
  state: "printing",
  fan_percent: null,
};

/** What is to be said of a meter whose calibration has run out. */
function Overdue({ meter }: { meter: Schemas["MeterOut"] | undefined }) {
  return meter?.overdue ? <p className="caution mt-2">{meter.overdue}</p> : null;
}

function NoisePanel({ studyId, jobId, run, meters, may }: Props) {
  const use = useInstrument(
    text.soundMeter2,
    meters.filter((m) => m.kind === "sound meter"),
  );
  const [correcting, setCorrecting] = useState<Schemas["NoiseOut"] | null>(null);
  const form = useRef<HTMLFormElement>(null);
  const outbox = useOutbox();
  const path = `/api/runs/${run.id}/noise`;
  const waiting = outbox.filter((e) => e.path === path);
  const [error, setError] = useState<Error | null>(null);
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const given = new FormData(form);
    const level_db = Number(given.get("level"));
    if (use.fitting.length > 1 && !use.instrument) {
      setError(new Error(text.whichMeter));
      return;
    }
    setError(null);
    put({
      label: text.noiseLabel(level_db),
      study: studyId,
      path,
      body: {
        id: newId(),
        level_db,
        background_db: given.get("background") ? Number(given.get("background")) : null,
        distance_m: Number(given.get("distance")),
        door_shut: given.get("door") === "on",
        state: String(given.get("state")),
        instrument_id: use.instrument?.id ?? null,
        fan_percent: given.get("fan") ? Number(given.get("fan")) : null,
        ...(correcting ? { supersedes_id: correcting.id, reason: String(given.get("reason")) } : {}),
      },
      moment: "taken_at",
      takes: keys.job(studyId, jobId),
    })
      .then(() => {
        // Distance, state, door and background stay: the next reading is of the same set-up, at the next print too.
        lastSetUp = {
          background_db: given.get("background") ? Number(given.get("background")) : null,
          distance_m: Number(given.get("distance")),
          door_shut: given.get("door") === "on",
          state: String(given.get("state")) as Schemas["NoiseState"],
          fan_percent: given.get("fan") ? Number(given.get("fan")) : null,
        };
        const level = form.elements.namedItem("level");
        if (level instanceof HTMLInputElement) level.value = "";
        setCorrecting(null);
      })
      .catch(setError);
  };
  return (
    <section aria-label={text.noise} className="sheet p-3.5">
      <h2 className="lab">{text.noise}</h2>
      <ul className="mt-0.5 min-h-[42px]">
        {run.noise.length + waiting.length === 0 && <li className="text-ink-2">{text.notReadYet}</li>}
        {waiting
          .filter((e) => !e.refused)
          .map((e) => (
            <li key={e.id} className="text-ink-2">
              <b className="num text-head">{text.db(Number(e.body?.level_db).toFixed(1))}</b>{" "}
              {text.readNotSentYet}
            </li>
          ))}
        {run.noise.map((n) => (
          <li key={n.id} className="flex flex-wrap items-baseline gap-x-2">
            {n.at_1_m_db === null ? (
              <span className="text-small text-brass-ink">
                {text.dbReadNotDeterminedNeeds(n.level_db.toFixed(1), n.needs ?? "")}
              </span>
            ) : (
              <>
                <b className="num text-head">{text.db2(n.at_1_m_db.toFixed(1))}</b>
                <span className="text-small text-ink-2">
                  {text.at1MFreeField(
                    n.distance_m,
                    n.level_db.toFixed(1),
                    n.state,
                    n.door_shut,
                    n.fan_percent,
                    n.background_db?.toFixed(1) ?? null,
                    n.corrected,
                  )}
                </span>
              </>
            )}
            {may && (
              <button type="button" className="text-small underline" onClick={() => setCorrecting(n)}>
                {text.correct}
              </button>
            )}
          </li>
        ))}
      </ul>
      {may && (
        <form ref={form} key={correcting?.id ?? "new"} onSubmit={submit} className="grid gap-2">
          <div className="grid grid-cols-[1fr_1.35fr_1fr] items-end gap-2">
            <Field label={text.levelDb}>
              <input
                className="input num"
                name="level"
                type="number"
                min={0}
                max={198}
                step="any"
                required
                defaultValue={correcting?.level_db}
              />
            </Field>
            <Field label={text.backgroundDb}>
              <input
                className="input num"
                name="background"
                type="number"
                min={0}
                max={198}
                step="any"
                defaultValue={(correcting ?? lastSetUp).background_db ?? undefined}
              />
            </Field>
            <Field label={text.distanceM}>
              <input
                className="input num"
                name="distance"
                type="number"
                min={0.01}
                max={100}
                step="any"
                required
                defaultValue={(correcting ?? lastSetUp).distance_m}
              />
            </Field>
          </div>
          <div className="grid grid-cols-[1.6fr_1fr] gap-2">
            <Field label={text.whileItIs}>
              <select className="input" name="state" defaultValue={(correcting ?? lastSetUp).state}>
                {STATES.map((s) => (
                  <option key={s}>{s}</option>
                ))}
              </select>
            </Field>
            <Field label={text.fan}>
              <input
                className="input num"
                name="fan"
                type="number"
                min={0}
                max={100}
                step="any"
                defaultValue={(correcting ?? lastSetUp).fan_percent ?? undefined}
              />
            </Field>
          </div>
          <Overdue meter={use.instrument} />
          <InstrumentChoice use={use} label={text.soundMeter} />
          <SentValue kind="sound meter" take={(value) => fillIn(form.current, "level", value)} />
          {correcting && (
            <Field label={text.whyItIsCorrected2}>
              <input className="input" name="reason" required maxLength={300} />
            </Field>
          )}
          <div className="flex items-center gap-3">
            <label className="flex items-center gap-1.5">
              <input type="checkbox" name="door" defaultChecked={(correcting ?? lastSetUp).door_shut} />{" "}
              {text.doorShut}
            </label>
            <button type="submit" className="button ml-auto">
              {correcting ? text.correctIt : text.keep}
            </button>
            {correcting && (
              <button type="button" className="button" onClick={() => setCorrecting(null)}>
                {text.back}
              </button>
            )}
          </div>
          <Trouble error={error} />
          <Refused entries={waiting} />
        </form>
      )}
    </section>
  );
}

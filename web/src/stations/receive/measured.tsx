import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { useLibrary } from "../../api/queries";
import { clock, Field } from "../../parts/bits";
import { InstrumentChoice, useInstrument } from "../../parts/instrument";
import { amount, Line, type Props, type Rec } from "./line";
import { PlateMap } from "./plate-map";
import { text } from "./text";

export function Measured({ unit, rec, path, may, busy, send }: Props) {
  const library = useLibrary();
  const [kind, setKind] = useState<Schemas["MeasureKind"]>("left edge not reached");
  const [correcting, setCorrecting] = useState<Schemas["MeasureOut"] | null>(null);
  const chosen = correcting?.kind ?? kind;
  const warm = chosen.startsWith("warm-up");
  const kinds = rec.measure_kinds;
  const groups = [...new Set(kinds.map((m) => m.group))];
  const shortBy = rec.printable.width_mm !== null;
  return (
    <div className="grid grid-cols-[1fr_230px] gap-6 max-[900px]:grid-cols-1">
      <div>
        <p className="pt-1 text-lead font-semibold">{rec.printable.words}</p>
        {groups.map((group) => {
          const rows = rec.measures.filter((m) => kinds.find((k) => k.kind === m.kind)?.group === group);
          return (
            rows.length > 0 && (
              <div key={group}>
                <h3 className="lab pt-3">{group}</h3>
                <ul>
                  {rows.map((m) => (
                    <li
                      key={m.id}
                      className="flex items-baseline gap-3 border-t border-rule-2 py-1 text-body"
                    >
                      <span className="flex-1">
                        {m.kind}
                        {m.to_c !== null && text.toC(m.from_c ?? "", m.to_c)}
                        <small className="text-ink-2">
                          {" "}
                          {text.byHandConfigurationCorrected(
                            m.instrument,
                            m.configuration,
                            m.corrected,
                            m.note && ` · ${m.note}`,
                          )}
                        </small>
                      </span>
                      <b className="num">
                        {m.value} {m.unit}
                      </b>
                      {may && (
                        <button
                          type="button"
                          className="text-small underline"
                          onClick={() => setCorrecting(m)}
                        >
                          {text.correct}
                        </button>
                      )}
                    </li>
                  ))}
                </ul>
              </div>
            )
          );
        })}
        {may && (
          <Line
            key={correcting?.id ?? "new"}
            label={text.aMeasurement}
            action={correcting ? text.correctIt : "Keep"}
            busy={busy}
            keep={(words, done) =>
              send(
                () =>
                  unwrap(
                    api.POST("/api/studies/{study_id}/units/{unit_id}/measures", {
                      params: { path },
                      body: {
                        id: newId(),
                        kind: chosen,
                        value: Number(words("value")),
                        from_c: amount(words("from")),
                        to_c: amount(words("to")),
                        instrument_id: words("instrument") || null,
                        note: words("note"),
                        ...(correcting && { supersedes_id: correcting.id, reason: words("reason") }),
                      },
                    }),
                  ),
                () => {
                  done();
                  setCorrecting(null);
                },
              )
            }
          >
            <Field label={text.whatIsMeasured}>
              <select
                className="input"
                value={chosen}
                disabled={!!correcting}
                onChange={(e) => setKind(e.target.value as Schemas["MeasureKind"])}
              >
                {groups.map((g) => (
                  <optgroup key={g} label={g}>
                    {kinds
                      .filter((m) => m.group === g)
                      .map((m) => (
                        <option key={m.kind}>{m.kind}</option>
                      ))}
                  </optgroup>
                ))}
              </select>
            </Field>
            <Field label={text.value(kinds.find((m) => m.kind === chosen)!.unit)}>
              <input
                className="input num !w-[110px]"
                name="value"
                type="number"
                step="any"
                required
                defaultValue={correcting?.value}
              />
            </Field>
            {warm && (
              <>
                <Field label={text.fromC}>
                  <input
                    className="input num !w-[84px]"
                    name="from"
                    type="number"
                    step="any"
                    required
                    defaultValue={correcting?.from_c ?? 21}
                  />
                </Field>
                <Field label={text.toC2}>
                  <input
                    className="input num !w-[84px]"
                    name="to"
                    type="number"
                    step="any"
                    required
                    defaultValue={correcting?.to_c ?? 215}
                  />
                </Field>
              </>
            )}
            <Field label={text.withWord}>
              <select className="input" name="instrument" defaultValue="">
                <option value="">{text.byHand}</option>
                {(library.data?.instruments ?? []).map((i) => (
                  <option key={i.id} value={i.id}>
                    {i.code}, {i.kind}
                  </option>
                ))}
              </select>
            </Field>
            {correcting && (
              <Field label={text.whyItIsCorrected}>
                <input className="input" name="reason" required maxLength={300} />
              </Field>
            )}
          </Line>
        )}
        <StandbyNoise rec={rec} path={path} may={may} busy={busy} send={send} />
        <p className="caution mt-3">{text.nozzleAndBedBurn}</p>
      </div>
      <div className="grid content-start gap-4">
        <PlateMap unit={unit} rec={rec} known={shortBy} />
        <HowItPrints rec={rec} />
      </div>
    </div>
  );
}

/** A machine that stands by or heats is heard too, without a print; a wrong reading is corrected with its reason. */
function StandbyNoise({ rec, path, may, busy, send }: Pick<Props, "rec" | "path" | "may" | "busy" | "send">) {
  const [correcting, setCorrecting] = useState<Schemas["NoiseOut"] | null>(null);
  const use = useInstrument(text.soundMeter2, rec.meters);
  return (
    <div>
      {rec.standby_noise.length > 0 && <h3 className="lab pt-3">{text.noiseWithoutAPrint}</h3>}
      <ul>
        {rec.standby_noise.map((n) => (
          <li key={n.id} className="flex items-baseline gap-3 border-t border-rule-2 py-1 text-body">
            <span className="flex-1">
              {text.doorShutOpen(n.state, n.door_shut)}
              <small className="text-ink-2">
                {" "}
                {n.needs
                  ? text.readDbNeeds(n.level_db.toFixed(1), n.needs)
                  : text.at1MReadDb(n.level_db.toFixed(1), n.distance_m)}
                {n.corrected && text.corrected2}
              </small>
            </span>
            <b className="num">{n.at_1_m_db === null ? "–" : text.db(n.at_1_m_db.toFixed(1))}</b>
            {may && (
              <button type="button" className="text-small underline" onClick={() => setCorrecting(n)}>
                {text.correct}
              </button>
            )}
          </li>
        ))}
      </ul>
      {may && (
        <Line
          key={correcting?.id ?? "new"}
          label={text.noiseWithoutAPrint}
          action={correcting ? text.correctIt : "Keep"}
          busy={busy}
          keep={(words, done) =>
            send(
              () =>
                unwrap(
                  api.POST("/api/studies/{study_id}/units/{unit_id}/noise", {
                    params: { path },
                    body: {
                      id: newId(),
                      level_db: Number(words("level")),
                      background_db: amount(words("background")),
                      distance_m: Number(words("distance")),
                      door_shut: words("door") === "on",
                      state: words("state") as Schemas["NoiseState"],
                      instrument_id: use.instrument?.id ?? null,
                      ...(correcting && { supersedes_id: correcting.id, reason: words("reason") }),
                    },
                  }),
                ),
              () => {
                done();
                setCorrecting(null);
              },
            )
          }
        >
          <InstrumentChoice use={use} label={text.soundMeter} className="input self-end" />
          <Field label={text.noiseWhileItIs}>
            <select className="input" name="state" defaultValue={correcting?.state ?? "standby"}>
              <option>{text.standby}</option>
              <option>{text.heating}</option>
            </select>
          </Field>
          <Level label={text.levelDb} name="level" value={correcting?.level_db} required />
          <Level label={text.backgroundDb} name="background" value={correcting?.background_db ?? undefined} />
          <Level label={text.distanceM} name="distance" value={correcting?.distance_m ?? 1} required />
          <label className="flex items-center gap-1.5 pb-2">
            <input type="checkbox" name="door" defaultChecked={correcting?.door_shut ?? true} />{" "}
            {text.doorShut}
          </label>
          {correcting && (
            <Field label={text.whyItIsCorrected}>
              <input className="input" name="reason" required maxLength={300} />
            </Field>
          )}
        </Line>
      )}
    </div>
  );
}

function Level({
  label,
  name,
  value,
  required = false,
}: {
  label: string;
  name: string;
  value: number | undefined;
  required?: boolean;
}) {
  return (
    <Field label={label}>
      <input
        className="input num !w-[84px]"
        name={name}
        type="number"
        min={0}
        max={198}
        step="any"
        required={required}
        defaultValue={value}
      />
    </Field>
  );
}

/** What its prints and readings have shown so far, without anybody entering it again. */
function HowItPrints({ rec }: { rec: Rec }) {
  const p = rec.printing;
  return (
    <div className="text-small">
      <h3 className="lab">{text.howItPrints}</h3>
      {p.words.length === 0 && <p className="text-ink-2">{text.nothingIsPrintedYet}</p>}
      {p.words.map((w) => (
        <p key={w}>{w}</p>
      ))}
      {p.ratio !== null && (
        <p>{text.takesTimesItsFilesEstimates(p.ratio.toFixed(2), p.ratio_spread?.toFixed(2) ?? null)}</p>
      )}
      {p.first_tries > 0 && (
        <p className="text-ink-2">
          {text.firstTriesToComeOut((100 * p.first_low).toFixed(0), (100 * p.first_high).toFixed(0))}
        </p>
      )}
      {p.phases.length > 0 && (
        <ul className="pt-1">
          {p.phases.map((x) => (
            <li key={x.phase} className="flex justify-between">
              <span>{text.mean(x.phase)}</span>
              <span className="num">{clock(x.seconds)}</span>
            </li>
          ))}
        </ul>
      )}
      <h3 className="lab pt-3">{text.noiseAt1M}</h3>
      {rec.noise.length === 0 && <p className="text-ink-2">{text.noReadingCountsYet}</p>}
      <ul>
        {rec.noise.map((n) => (
          <li key={`${n.state} ${n.door_shut} ${n.fan_percent}`} className="flex justify-between gap-2">
            <span>{text.doorShutOpenFan(n.state, n.door_shut, n.fan_percent)}</span>
            <span className="whitespace-nowrap">
              <b className="num">{text.db2(n.level_db.toFixed(1))}</b>{" "}
              <small className="text-ink-2">{text.ofWord3(n.readings)}</small>
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}

import { useState } from "react";
import { api, newId, unwrap } from "../../api/client";
import { clockAhead } from "../../api/clock";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { day, Field, Trouble } from "../../parts/bits";
import { Line, type Props } from "./line";
import { Replacement } from "./replacement";
import { text } from "./text";

export function Changes({ studyId, unit, rec, path, may, busy, send }: Props) {
  const [opening, setOpening] = useState(false);
  const now = rec.configurations.at(-1)!;
  const words = useChange(studyId, keys.receive(studyId), (at: string | null) =>
    unwrap(
      api.PUT("/api/studies/{study_id}/units/{unit_id}", {
        params: { path },
        body: {
          version: unit.version,
          serial: unit.serial,
          price_paid: unit.price_paid,
          upgrades: unit.upgrades,
          residual: unit.residual,
          obtained: unit.obtained,
          obtained_from: unit.obtained_from,
          received_on: unit.received_on,
          disclosure: unit.disclosure_more,
          day_price: unit.day_price,
          day_price_on: unit.day_price_on,
          first_power_on: at,
        },
      }),
    ),
  );
  return (
    <>
      <p className="pt-1 text-lead font-semibold">
        {unit.first_power_on ? text.firstPoweredOn(day(unit.first_power_on)) : text.notPoweredOnYet}{" "}
        {may && !unit.first_power_on && (
          <button
            type="button"
            className="button ml-2"
            disabled={words.isPending}
            onClick={() => words.mutate(new Date(Date.now() + clockAhead()).toISOString())}
          >
            {text.itIsPoweredOn}
          </button>
        )}
      </p>
      <Trouble error={words.error} />
      <table className="table mt-2 [&_td]:!text-left [&_th]:!text-left">
        <thead>
          <tr>
            {[
              "No.",
              "Nozzle, mm",
              "Firmware",
              "Plate",
              "Profiles",
              "Parts, accessories",
              "Why",
              "Since",
              text.goodOf,
            ].map((h) => (
              <th key={h} scope="col">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...rec.configurations].reverse().map((c) => (
            <tr key={c.id}>
              <td className="num">{c.number}</td>
              <td className="num">{c.nozzle_mm}</td>
              <td>{c.firmware}</td>
              <td>{c.plate}</td>
              <td>{c.profile_set}</td>
              <td>{[c.parts, c.accessories].filter(Boolean).join("; ") || "–"}</td>
              <td>{c.reason}</td>
              <td>{day(c.opened_at)}</td>
              <td className="num">{text.ofWord(c.good, c.attempts)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {rec.comparison && (
        <div className="pt-3">
          <h3 className="lab">{text.configurationAgainst(rec.comparison.after, rec.comparison.before)}</h3>
          {rec.comparison.words.map((w) => (
            <p key={w} className="text-body">
              {w}
            </p>
          ))}
        </div>
      )}
      {may && !opening && (
        <button type="button" className="button mt-3" onClick={() => setOpening(true)}>
          {text.somethingIsChangedOn}
        </button>
      )}
      {may && opening && (
        <Line
          label={text.theNewConfiguration}
          action={text.openTheNewConfiguration}
          busy={busy}
          keep={(words, done) =>
            send(
              () =>
                unwrap(
                  api.POST("/api/studies/{study_id}/units/{unit_id}/configurations", {
                    params: { path },
                    body: {
                      id: newId(),
                      nozzle_mm: Number(words("nozzle")),
                      firmware: words("firmware"),
                      plate: words("plate"),
                      profile_set: words("profiles"),
                      parts: words("parts"),
                      accessories: words("accessories"),
                      reason: words("reason"),
                    },
                  }),
                ),
              () => {
                done();
                setOpening(false);
              },
            )
          }
        >
          <Field label={text.nozzleMm}>
            <input
              className="input num !w-[90px]"
              name="nozzle"
              type="number"
              step="any"
              min={0.05}
              defaultValue={now.nozzle_mm}
              required
            />
          </Field>
          {(
            [
              ["firmware", "Firmware", now.firmware],
              ["plate", "Plate", now.plate],
              ["profiles", text.profileSet, now.profile_set],
              ["parts", text.partsReplaced, now.parts],
              ["accessories", text.accessoriesOn, now.accessories],
            ] as const
          ).map(([name, label, value]) => (
            <Field key={name} label={label}>
              <input
                className="input"
                name={name}
                defaultValue={value}
                maxLength={80}
                required={name !== "parts" && name !== "accessories"}
              />
            </Field>
          ))}
          <Field label={text.why}>
            <input className="input" name="reason" required maxLength={300} />
          </Field>
        </Line>
      )}
      <p className="pt-2 text-small text-ink-2">{text.whatIsPrintedAnd}</p>
      <Replacement studyId={studyId} unit={unit} may={may} />
    </>
  );
}

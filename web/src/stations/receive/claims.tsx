import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { Field } from "../../parts/bits";
import { Line, type Props } from "./line";
import { text } from "./text";

const CLAIMS: Schemas["ClaimKind"][] = [
  "top speed",
  "flow",
  "noise",
  "printable width",
  "printable depth",
  "printable height",
  "nozzle temperature",
  "bed temperature",
  "warm-up time",
  "weight",
  "accuracy",
  "warranty",
  "other",
];
const STATES: Schemas["NoiseState"][] = ["printing", "printing at its fastest", "heating", "standby"];

export function Claims({ rec, path, may, busy, send }: Props) {
  // Of noise one claim a state can be made, of anything else not listed as many as there are.
  const open = CLAIMS.filter((k) => k === "noise" || k === "other" || !rec.claims.some((c) => c.kind === k));
  const [kind, setKind] = useState<Schemas["ClaimKind"]>("top speed");
  const chosen = open.includes(kind) ? kind : open[0]!;
  const short = rec.claims.filter((c) => c.holds === false).length;
  const judged = rec.claims.filter((c) => c.holds !== null).length;
  return (
    <>
      <p className="pt-1 text-lead font-semibold">
        {rec.claims.length === 0 ? text.writeDownWhatTheMaker : text.claims(rec.claims.length, judged, short)}
      </p>
      <ul className="mt-2">
        {rec.claims.map((c) => (
          <li key={c.id} className="border-t border-rule-2 py-1.5 text-body">
            <b className="mr-2 inline-block first-letter:uppercase">
              {c.kind === "other" ? c.name : c.kind}
              {c.state && `, ${c.state}`}
            </b>
            <span className={c.holds === false ? "text-needle-ink" : c.holds ? "text-ok-ink" : "text-ink-2"}>
              {c.words}
            </span>
            {c.said && <small className="block text-small text-ink-2">{c.said}</small>}
            {may && c.kind === "other" && (
              <Line
                label={text.aMeasurementOf(c.name)}
                action={text.keepTheMeasurement}
                busy={busy}
                keep={(words, done) =>
                  send(
                    () =>
                      unwrap(
                        api.POST("/api/studies/{study_id}/units/{unit_id}/measures", {
                          params: { path },
                          body: {
                            id: newId(),
                            kind: "claim",
                            claim_id: c.id,
                            value: Number(words("value")),
                            note: words("note"),
                          },
                        }),
                      ),
                    done,
                  )
                }
              >
                <Field label={text.measuredByHandIn(c.unit)}>
                  <input className="input num" name="value" type="number" step="any" required />
                </Field>
                <Field label={text.how}>
                  <input className="input" name="note" maxLength={300} />
                </Field>
              </Line>
            )}
          </li>
        ))}
      </ul>
      {may && open.length > 0 && (
        <Line
          label={text.aClaim}
          action={text.addTheClaim}
          busy={busy}
          keep={(words, done) =>
            send(
              () =>
                unwrap(
                  api.POST("/api/studies/{study_id}/units/{unit_id}/claims", {
                    params: { path },
                    body: {
                      id: newId(),
                      kind: chosen,
                      name: words("name"),
                      unit: words("unit"),
                      less_is_better: words("less") === "on",
                      state: chosen === "noise" ? (words("state") as Schemas["NoiseState"]) : null,
                      value: Number(words("value")),
                      said: words("said"),
                    },
                  }),
                ),
              done,
            )
          }
        >
          <Field label={text.claim}>
            <select
              className="input"
              name="kind"
              value={chosen}
              onChange={(e) => setKind(e.target.value as Schemas["ClaimKind"])}
            >
              {open.map((k) => (
                <option key={k} value={k}>
                  {k === "other" ? text.somethingElse : k}
                </option>
              ))}
            </select>
          </Field>
          {chosen === "other" && (
            <>
              <Field label={text.whatItIs}>
                <input className="input" name="name" required maxLength={60} />
              </Field>
              <Field label={text.unit}>
                <input className="input !w-[90px]" name="unit" maxLength={20} />
              </Field>
              <label className="flex min-h-[36px] items-center gap-1.5 text-body">
                <input type="checkbox" name="less" /> {text.lessIsBetter}
              </label>
            </>
          )}
          {chosen === "noise" && (
            <Field label={text.claimedWhileItIs}>
              <select className="input" name="state" defaultValue="printing">
                {STATES.map((s) => (
                  <option key={s}>{s}</option>
                ))}
              </select>
            </Field>
          )}
          <Field label={text.valueInTheUnit}>
            <input className="input num" name="value" type="number" min={0} step="any" required />
          </Field>
          <Field label={text.theMakersWordsAnd}>
            <input className="input" name="said" maxLength={300} />
          </Field>
        </Line>
      )}
    </>
  );
}

import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { day, Field } from "../../parts/bits";
import { FaultEntries } from "../fault-entries";
import { amount, Line, type Props } from "./line";
import { text } from "./text";

const LOG: [Schemas["LogKind"], string][] = [
  ["hours", text.hoursOnItsCounter],
  ["fault", "fault"],
  ["false alarm", text.falseAlarmOfADetector],
  ["wear", "wear"],
  ["maintenance", "maintenance"],
  ["part replaced", text.partReplaced],
  ["repair", "repair"],
  ["fire", "fire"],
  ["smoke", "smoke"],
  ["tingle", text.tingleWhenTouched],
  ["runaway", text.heaterThatRanAway],
  ["re-opened", "re-opened for testing"],
];
const HAZARDS: Schemas["LogKind"][] = ["fire", "smoke", "tingle", "runaway"];

export function Log({ studyId, rec, path, may, busy, send }: Props) {
  const [kind, setKind] = useState<Schemas["LogKind"]>("fault");
  const f = rec.faults;
  return (
    <>
      <p className="pt-1 text-lead font-semibold">
        {f.median_per_100h === null
          ? text.faultsPer100HNot(f.needs ?? "")
          : text.faultFaultsInHAbout(
              f.faults,
              f.hours.toFixed(0),
              f.hours_from,
              f.median_per_100h.toFixed(1),
              f.low!.toFixed(1),
              f.high!.toFixed(1),
            )}
        {f.false_alarms > 0 && text.falseAlarmAlarmsOfA(f.false_alarms)}
      </p>
      <p className="text-small text-ink-2">{text.faultsOfThisLog}</p>
      <ul className="mt-2">
        {rec.log.map((e) => (
          <li key={e.id} className="flex items-baseline gap-3 border-t border-rule-2 py-1 text-body">
            <span className="w-[120px] text-ink-2">{day(e.at)}</span>
            <b className={`w-[120px] ${HAZARDS.includes(e.kind) ? "text-needle-ink" : ""}`}>{e.kind}</b>
            <span className="flex-1">
              {e.words}
              {e.corrected && <small className="text-ink-2"> {text.corrected}</small>}
            </span>
            <span className="num text-small">
              {e.hours !== null && `${e.hours} h`} {e.cost !== null && `${e.cost} ${e.currency}`}
            </span>
          </li>
        ))}
      </ul>
      <h3 className="lab pt-4">{text.faultFinding}</h3>
      <UnitFaults studyId={studyId} rec={rec} may={may} />
      {may && (
        <Line
          label={text.anEntry}
          action={text.keep}
          busy={busy}
          keep={(words, done) =>
            send(
              () =>
                unwrap(
                  api.POST("/api/studies/{study_id}/units/{unit_id}/log", {
                    params: { path },
                    body: {
                      id: newId(),
                      kind,
                      words: words("words"),
                      hours: amount(words("hours")),
                      cost: amount(words("cost")),
                    },
                  }),
                ),
              done,
            )
          }
        >
          <Field label={text.what}>
            <select
              className="input"
              value={kind}
              onChange={(e) => setKind(e.target.value as Schemas["LogKind"])}
            >
              {LOG.map(([k, words]) => (
                <option key={k} value={k}>
                  {words}
                </option>
              ))}
            </select>
          </Field>
          {HAZARDS.includes(kind) && <p className="caution w-full">{text.stopUnplugAndHave}</p>}
          <Field
            label={
              kind === "hours" ? text.remark : kind === "re-opened" ? text.whyTestingMayGoOn : text.inWords
            }
          >
            <input className="input" name="words" required={kind !== "hours"} maxLength={500} />
          </Field>
          <Field label={text.itsHourCounterH}>
            <input
              className="input num !w-[110px]"
              name="hours"
              type="number"
              min={0}
              step="any"
              required={kind === "hours"}
            />
          </Field>
          <Field label={text.cost(rec.worth.currency)}>
            <input className="input num !w-[100px]" name="cost" type="number" min={0} step="any" />
          </Field>
        </Line>
      )}
    </>
  );
}

/** What may be behind what the machine does, whatever it prints. */
function UnitFaults({ studyId, rec, may }: { studyId: string; rec: Schemas["UnitRecord"]; may: boolean }) {
  const path = { study_id: studyId, unit_id: rec.unit_id };
  const send = useChange(
    studyId,
    keys.record(studyId, rec.unit_id),
    ({
      entry,
      body,
    }: {
      entry: Schemas["HypothesisOut"] | null;
      body: Omit<Schemas["NewHypothesis"], "id">;
    }) =>
      entry
        ? unwrap(
            api.PUT("/api/studies/{study_id}/units/{unit_id}/hypotheses/{item_id}", {
              params: { path: { ...path, item_id: entry.id } },
              body: { ...body, version: entry.version },
            }),
          )
        : unwrap(
            api.POST("/api/studies/{study_id}/units/{unit_id}/hypotheses", {
              params: { path },
              body: { ...body, id: newId() },
            }),
          ),
  );
  return <FaultEntries entries={rec.hypotheses} begin={text.whatMayBeBehindIt} send={send} may={may} />;
}

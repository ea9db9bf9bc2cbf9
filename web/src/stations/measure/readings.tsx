import type { Schemas } from "../../api/client";
import type { Entry } from "../../api/outbox";
import { signed } from "../../parts/bits";
import { Hint } from "../../parts/hint";
import { Sourced } from "../../parts/source-drawer";
import type { Slot } from "./slots";
import { text } from "./text";

export function ReadingTable({
  specimen,
  features,
  active,
  pending,
  pick,
}: {
  specimen: Schemas["SpecimenView"];
  features: Schemas["FeatureLine"][];
  active: string | undefined;
  pending: Entry[];
  pick: (slot: Slot, reading: Schemas["ReadingOut"] | undefined, digits: number) => void;
}) {
  const columns = Array.from({ length: Math.max(1, ...features.map((f) => f.repeats)) }, (_, i) => i + 1);
  const units = [...new Set(features.map((f) => f.unit))];
  // Of waves and times nothing is nominal.
  const nominal = features.some((f) => f.nominal !== 0);
  return (
    <>
      <div className="flex justify-between">
        <h2 className="lab">{text.readings}</h2>
        <span className="lab">{units.join(", ")}</span>
      </div>
      <table className="table mt-0.5 [&_td]:!py-0.75">
        <thead>
          <tr>
            <th scope="col">{text.face}</th>
            {nominal && <th scope="col">{text.nominal}</th>}
            {columns.map((c) => (
              <th key={c} scope="col">
                {c}
              </th>
            ))}
            <th scope="col">{nominal ? text.off : text.mean}</th>
          </tr>
        </thead>
        <tbody className="num">
          {features.map((f) => (
            <tr key={f.feature_id} className={f.code === active ? "bg-needle-wash" : ""}>
              <td className={f.optional ? "text-ink-2" : ""}>{f.code}</td>
              {nominal && <td>{f.nominal ? f.nominal.toFixed(f.digits) : ""}</td>}
              {columns.map((repeat) => {
                const reading = f.readings.find((r) => r.repeat === repeat);
                const unsent = pending.find(
                  (p) => !p.refused && p.body?.feature_id === f.feature_id && p.body?.repeat === repeat,
                );
                if (reading?.by_other)
                  return (
                    <td key={repeat} className="text-ink-2">
                      <Hint says={text.byOther}>
                        <span role="img" aria-label={text.byOther}>
                          ■
                        </span>
                      </Hint>
                    </td>
                  );
                if (reading)
                  return (
                    <td key={repeat}>
                      <Hint
                        says={
                          reading.cannot_because ??
                          reading.note ??
                          (reading.after_reveal
                            ? text.afterReveal(reading.after_reveal)
                            : reading.corrected
                              ? text.corrected
                              : text.correct)
                        }
                      >
                        <button
                          type="button"
                          className="hover:underline"
                          aria-label={text.correctThis(
                            `${reading.value?.toFixed(f.digits) ?? "✕"}${reading.corrected ? "c" : ""}`,
                            f.code,
                            repeat,
                          )}
                          onClick={() =>
                            pick({ featureId: f.feature_id, code: f.code, repeat }, reading, f.digits)
                          }
                        >
                          {reading.value === null ? "✕" : reading.value.toFixed(f.digits)}
                          {f.over && reading.value !== null && <sub>/{reading.over}</sub>}
                          {reading.corrected && <sup>c</sup>}
                          {reading.after_reveal && <sup>r</sup>}
                        </button>
                      </Hint>
                    </td>
                  );
                if (repeat > f.repeats) return <td key={repeat} />;
                return (
                  <td key={repeat} className="text-ink-2">
                    {unsent ? (
                      <i title={text.notSent}>
                        {typeof unsent.body?.value === "number" ? unsent.body.value.toFixed(f.digits) : "✕"}
                      </i>
                    ) : (
                      <button
                        type="button"
                        className="hover:underline"
                        aria-label={text.enterThis(f.code, repeat, f.optional)}
                        onClick={() =>
                          pick({ featureId: f.feature_id, code: f.code, repeat }, undefined, f.digits)
                        }
                      >
                        ·
                      </button>
                    )}
                  </td>
                );
              })}
              <td className="font-semibold">
                {f.off.value !== null && (
                  <Sourced
                    figure={{ station: "measure", specimen: specimen.id, feature: f.code }}
                    label={text.offSource(f.code, `${signed(f.off.value, f.digits)} ${f.unit}`)}
                  >
                    {f.nominal ? signed(f.off.value, f.digits) : f.off.value.toFixed(f.digits)}
                  </Sourced>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

import type { Schemas } from "../../api/client";
import type { Entry } from "../../api/outbox";
import { signed } from "../../parts/bits";
import { Hint } from "../../parts/hint";
import { Sourced } from "../../parts/source-drawer";
import type { Slot } from "./slots";
import { text } from "./text";

export function ReadingTable({
  specimen,
  repeats,
  active,
  pending,
  pick,
}: {
  specimen: Schemas["SpecimenView"];
  repeats: number;
  active: string | undefined;
  pending: Entry[];
  pick: (slot: Slot, reading: Schemas["ReadingOut"], digits: number) => void;
}) {
  const columns = Array.from({ length: repeats }, (_, i) => i + 1);
  const units = [...new Set(specimen.features.map((f) => f.unit))];
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
            <th scope="col">{text.nominal}</th>
            {columns.map((c) => (
              <th key={c} scope="col">
                {c}
              </th>
            ))}
            <th scope="col">{text.off}</th>
          </tr>
        </thead>
        <tbody className="num">
          {specimen.features.map((f) => (
            <tr key={f.feature_id} className={f.code === active ? "bg-needle-wash" : ""}>
              <td>{f.code}</td>
              <td>{f.nominal.toFixed(f.digits)}</td>
              {columns.map((repeat) => {
                const reading = f.readings.find((r) => r.repeat === repeat);
                const unsent = pending.find(
                  (p) => !p.refused && p.body?.feature_id === f.feature_id && p.body?.repeat === repeat,
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
                          {reading.corrected && <sup>c</sup>}
                          {reading.after_reveal && <sup>r</sup>}
                        </button>
                      </Hint>
                    </td>
                  );
                return (
                  <td key={repeat} className="text-ink-2">
                    {unsent ? (
                      <i title={text.notSent}>
                        {typeof unsent.body?.value === "number" ? unsent.body.value.toFixed(f.digits) : "✕"}
                      </i>
                    ) : (
                      "·"
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
                    {signed(f.off.value, f.digits)}
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

import type { Schemas } from "../../api/client";
import type { Entry } from "../../api/outbox";
import { signed } from "../../parts/bits";
import { Sourced } from "../../parts/source-drawer";
import type { Slot } from "./index";

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
  pick: (slot: Slot, reading: Schemas["ReadingOut"]) => void;
}) {
  const columns = Array.from({ length: repeats }, (_, i) => i + 1);
  return (
    <>
      <div className="flex justify-between">
        <h2 className="lab">Readings</h2>
        <span className="lab">mm</span>
      </div>
      <table className="table mt-0.5 [&_td]:!py-[3px]">
        <thead>
          <tr>
            <th scope="col">Face</th>
            <th scope="col">Nominal</th>
            {columns.map((c) => (
              <th key={c} scope="col">
                {c}
              </th>
            ))}
            <th scope="col">Off</th>
          </tr>
        </thead>
        <tbody className="num">
          {specimen.features.map((f) => (
            <tr key={f.feature_id} className={f.code === active ? "bg-needle-wash" : ""}>
              <td>{f.code}</td>
              <td>{f.nominal_mm.toFixed(2)}</td>
              {columns.map((repeat) => {
                const reading = f.readings.find((r) => r.repeat === repeat);
                const unsent = pending.find(
                  (p) => !p.refused && p.body?.feature_id === f.feature_id && p.body?.repeat === repeat,
                );
                if (reading)
                  return (
                    <td key={repeat}>
                      <button
                        type="button"
                        className="hover:underline"
                        aria-label={`${reading.value_mm?.toFixed(2) ?? "✕"}${reading.corrected ? "c" : ""}, correct ${f.code} reading ${repeat}`}
                        title={
                          reading.cannot_because ??
                          reading.note ??
                          (reading.corrected ? "Corrected; source shows the old one" : "Correct")
                        }
                        onClick={() =>
                          pick(
                            { featureId: f.feature_id, code: f.code, nominal: f.nominal_mm, repeat },
                            reading,
                          )
                        }
                      >
                        {reading.value_mm === null ? "✕" : reading.value_mm.toFixed(2)}
                        {reading.corrected && <sup>c</sup>}
                        {reading.after_reveal && (
                          <sup title={`After the reveal: ${reading.after_reveal}`}>r</sup>
                        )}
                      </button>
                    </td>
                  );
                return (
                  <td key={repeat} className="text-ink-2">
                    {unsent ? (
                      <i title="not sent yet">
                        {typeof unsent.body?.value_mm === "number" ? unsent.body.value_mm.toFixed(2) : "✕"}
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
                    label={`${f.code} off nominal ${signed(f.off.value, 2)} mm, source`}
                  >
                    {signed(f.off.value, 2)}
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

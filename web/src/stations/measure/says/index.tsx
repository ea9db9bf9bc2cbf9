import type { Schemas } from "../../../api/client";
import { Explained } from "../../../parts/hint";
import { Sourced } from "../../../parts/source-drawer";
import { text } from "../text";
import { FitChart } from "./fit";
import { FrameChart } from "./frame";
import { LadderChart } from "./ladder";
import { MapChart } from "./map";
import { Points } from "./xy";

type Chart = Schemas["SpecimenView"]["charts"][number];

/** What the readings tell, in words with their sources, and each evaluation's chart. */
export function Says({ specimen }: { specimen: Schemas["SpecimenView"] }) {
  return (
    <section aria-label={text.says} aria-live="polite">
      <h2 className="lab pt-2 pb-0.5">{text.says}</h2>
      {specimen.findings.length === 0 && (
        <p className="text-small text-ink-2">
          {specimen.features.length ? text.nothingYet : text.nothingMeasured}
        </p>
      )}
      <div className="grid gap-1 text-small leading-[1.3]">
        {specimen.findings.map((f) => (
          <p key={(f.code ?? "") + f.headline}>
            <b>
              {f.headline}
              {f.amount && (
                <>
                  {" "}
                  <Sourced
                    figure={{
                      station: "measure",
                      specimen: specimen.id,
                      ...(f.code ? { finding: f.code } : {}),
                    }}
                    label={text.sourceOf(`${f.headline} ${f.amount}`)}
                  >
                    <span className="num">{f.amount}</span>
                  </Sourced>
                </>
              )}
            </b>{" "}
            <span className="num text-tiny text-ink-2">{f.uncertainty}</span>
            <Explained
              className={f.amount ? "block text-ink-2" : "text-ink-2"}
              says={f.points_to ?? undefined}
            >
              {f.amount ? f.meaning : ` ${f.meaning}`}
            </Explained>
          </p>
        ))}
      </div>
      {specimen.charts.map((chart) => (
        <Drawn key={chart.chart} chart={chart} />
      ))}
    </section>
  );
}

function Drawn({ chart }: { chart: Chart }) {
  if (chart.chart === "fit") return chart.points.length > 1 ? <FitChart chart={chart} /> : null;
  if (chart.chart === "map") return <MapChart chart={chart} />;
  if (chart.chart === "frame") return <FrameChart chart={chart} />;
  if (chart.chart === "ladder") return <LadderChart chart={chart} />;
  if (chart.chart === "waves")
    return (
      <Points
        points={chart.waves
          .filter((w) => w.spacing_mm !== null)
          .map((w) => ({ x: w.speed_mm_s, y: w.spacing_mm ?? 0, mark: w.axis }))}
        label={text.charts.waves}
        axes={text.charts.wavesAxes}
        joined={false}
        format={(v) => v.toFixed(1)}
      />
    );
  if (chart.chart === "flow")
    return (
      <Points
        points={chart.points.map((p) => ({ x: p.flow_mm3_s, y: 100 * p.short }))}
        label={text.charts.flow}
        axes={text.charts.flowAxes}
        limit={100 * chart.allowed}
        format={(v) => v.toFixed(0)}
      />
    );
  // The column is drawn where it is measured.
  return null;
}

import "uplot/dist/uPlot.min.css";
import { useEffect, useRef } from "react";
import uPlot from "uplot";
import type { Schemas } from "../../api/client";
import { useRunPower } from "../../api/queries";
import { duration } from "../../parts/bits";
import { PHASE } from "./phases";
import { text } from "./text";

/** A run's power over time, its phases behind it, and the energy of each. */
export default function RunPower({
  studyId,
  runId,
  live,
}: {
  studyId: string;
  runId: string;
  live: boolean;
}) {
  const power = useRunPower(studyId, runId, live);
  const data = power.data;
  if (!data?.trace) return null;
  return (
    <section aria-label={text.power} className="sheet p-3.5">
      <div className="flex items-baseline gap-3">
        <h2 className="lab">{text.powerW}</h2>
        <span className="text-small text-ink-2">
          {data.kwh !== null && (
            <>
              <b className="num text-body text-ink">{text.wh((1000 * data.kwh).toFixed(0))}</b>{" "}
              {text.soFarPeak} <span className="num">{data.peak_w?.toFixed(0)} W</span>
              {data.gaps > 0 &&
                text.gapSSoBetweenAnd(
                  data.gaps,
                  (1000 * data.low_kwh!).toFixed(0),
                  (1000 * data.high_kwh!).toFixed(0),
                )}
            </>
          )}
        </span>
        <span className="ml-auto flex gap-2 text-small">
          <button type="button" className="underline" onClick={() => save(data.trace!)}>
            {text.csv}
          </button>
          <button type="button" className="underline" onClick={picture}>
            {text.png}
          </button>
        </span>
      </div>
      <Trace data={data} />
      {data.phases.length > 0 && (
        <table className="mt-1 w-full text-small">
          <thead className="sr-only">
            <tr>
              {["Phase", "Time", "Energy", "Mean", "95 % under", "Peak"].map((h) => (
                <th key={h}>{h}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {data.phases.map((p) => (
              <tr key={p.phase}>
                <th scope="row" className="text-left font-normal whitespace-nowrap">
                  <i
                    className="mr-1.5 inline-block h-2.5 w-4 rounded-full"
                    style={{ background: PHASE[p.phase] }}
                  />
                  {p.phase}
                </th>
                <td className="num text-right whitespace-nowrap">
                  {p.seconds < 90 ? `${p.seconds.toFixed(0)} s` : duration(p.seconds)}
                </td>
                <td className="num text-right font-semibold whitespace-nowrap">
                  {text.wh((1000 * p.kwh).toFixed(1))}
                </td>
                <td className="num text-right whitespace-nowrap max-[560px]:hidden">
                  {text.meanW(p.mean_w.toFixed(0))}
                </td>
                <td className="num text-right whitespace-nowrap max-[1180px]:hidden">
                  {text.n95UnderW(p.p95_w.toFixed(0))}
                </td>
                <td className="num text-right whitespace-nowrap">{text.peakW(p.peak_w.toFixed(0))}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {data.spans_from && <p className="pt-0.5 text-small text-ink-2">{text.phases(data.spans_from)}</p>}
    </section>
  );
}

/** Points with holes where the samples are further apart than is integrated. */
function holed(
  trace: Schemas["TraceOut"],
): [number[], (number | null)[], (number | null)[], (number | null)[]] {
  const t: number[] = [];
  const mean: (number | null)[] = [];
  const low: (number | null)[] = [];
  const high: (number | null)[] = [];
  trace.t.forEach((at, i) => {
    const before = trace.t[i - 1];
    if (before !== undefined && at - before > trace.longest_step_s) {
      t.push(before + 0.001);
      for (const column of [mean, low, high]) column.push(null);
    }
    t.push(at);
    mean.push(trace.w[i]!);
    low.push(trace.low_w?.[i] ?? trace.w[i]!);
    high.push(trace.high_w?.[i] ?? trace.w[i]!);
  });
  return [t, mean, low, high];
}

function Trace({ data }: { data: Schemas["RunPower"] }) {
  const box = useRef<HTMLDivElement>(null);
  const plot = useRef<uPlot | null>(null);
  const spans = useRef(data.spans);
  spans.current = data.spans;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the chart is made once, then handed new data
  useEffect(() => {
    const element = box.current!;
    const style = getComputedStyle(element);
    const colour = (name: string) => style.getPropertyValue(name).trim();
    const resolve = (token: string) => colour(token.slice(4, -1));
    const axis = {
      stroke: colour("--ink-2"),
      font: "11px Archivo Variable, sans-serif",
      grid: { stroke: colour("--rule-2") },
      ticks: { show: false },
    };
    plot.current = new uPlot(
      {
        width: element.clientWidth,
        height: 128,
        legend: { show: false },
        cursor: { y: false, points: { size: 6 } },
        padding: [6, 4, 0, 0],
        scales: { y: { range: (_, __, most) => [0, Math.max(10, most * 1.08)] } },
        axes: [
          { ...axis, size: 20, values: "{HH}:{mm}" },
          { ...axis, size: 34 },
        ],
        series: [
          {},
          { stroke: colour("--ink"), width: 1.2, points: { show: false } },
          { stroke: "transparent", points: { show: false } },
          { stroke: "transparent", points: { show: false } },
        ],
        bands: [{ series: [3, 2], fill: `${colour("--c3")}66` }],
        hooks: {
          drawClear: [
            (u) => {
              for (const s of spans.current) {
                const x0 = u.valToPos(Math.max(s.begin, u.scales.x!.min!), "x", true);
                const x1 = u.valToPos(Math.min(s.end, u.scales.x!.max!), "x", true);
                u.ctx.globalAlpha = 0.22;
                u.ctx.fillStyle = resolve(PHASE[s.phase]);
                u.ctx.fillRect(x0, u.bbox.top, x1 - x0, u.bbox.height);
                u.ctx.globalAlpha = 1;
              }
            },
          ],
          setCursor: [
            (u) => {
              const i = u.cursor.idx;
              const w = i === null || i === undefined ? null : u.data[1]![i];
              element.title =
                w === null || w === undefined
                  ? ""
                  : `${w.toFixed(1)} W at ${new Date(1000 * u.data[0]![i!]!).toLocaleTimeString("en-GB")}`;
            },
          ],
        },
      },
      holed(data.trace!),
      element,
    );
    const watch = new ResizeObserver(() =>
      plot.current?.setSize({ width: element.clientWidth, height: 128 }),
    );
    watch.observe(element);
    return () => {
      watch.disconnect();
      plot.current?.destroy();
    };
  }, []);
  useEffect(() => plot.current?.setData(holed(data.trace!)), [data]);
  return (
    <div
      ref={box}
      id="power-trace"
      role="img"
      aria-label={text.powerOverTimeSamplesPeak(data.trace!.samples, data.peak_w?.toFixed(0) ?? "")}
      className="pt-1"
    />
  );
}

function keep(name: string, url: string) {
  const link = document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
}

function save(trace: Schemas["TraceOut"]) {
  const rows = trace.t.map((t, i) => `${new Date(1000 * t).toISOString()},${trace.w[i]}`);
  keep(
    "power.csv",
    URL.createObjectURL(new Blob([`time,power_w\n${rows.join("\n")}\n`], { type: "text/csv" })),
  );
}

function picture() {
  const canvas = document.querySelector<HTMLCanvasElement>("#power-trace canvas");
  if (canvas) keep("power.png", canvas.toDataURL("image/png"));
}

import { useState } from "react";
import type { Schemas } from "../../api/client";
import { BeadBar } from "../../parts/bead-bar";
import { duration } from "../../parts/bits";
import { text } from "./text";
import { TINT } from "./tints";
import { WhatIf } from "./what-if";
import { Settings, Why } from "./why";

type File = Schemas["FileOut"];
type Motion = Schemas["MotionOut"];

const PORTION: Record<string, string> = {
  model: "var(--c1)",
  support: "var(--c3)",
  "skirt and brim": "var(--c5)",
  tower: "var(--c4)",
  purge: "var(--c6)",
  "fed, drawn back": "var(--c7)",
  "not told apart": "var(--c8)",
};

/** How one sliced file prints on its machine: where the time and the filament go, and against whom. */
export function FileStudy({
  studyId,
  job,
  jobs,
  may,
  back,
}: {
  studyId: string;
  job: Schemas["JobView"];
  jobs: Schemas["JobLine"][];
  may: boolean;
  back: () => void;
}) {
  const file = job.file!;
  const motion = file.motion;
  return (
    <section aria-label={text.howThisFilePrints} className="sheet min-h-0 flex-1 overflow-y-auto p-4">
      <div className="flex items-start gap-3">
        <div className="min-w-0 flex-1">
          <p className="text-head font-semibold [font-stretch:92%]">
            {motion ? text.motionSays(motion) : text.thisFileMovesNothingThat}
          </p>
          {motion && (
            <p className="pt-0.5 text-small text-ink-2">
              {text.movesPlannedOnHeatUp(motion.moves.toLocaleString("en").replaceAll(",", " "), motion.on)}
            </p>
          )}
        </div>
        <button type="button" className="button" onClick={back}>
          {text.backToTheTimer}
        </button>
      </div>
      {motion && <TimeMakeUp motion={motion} />}
      <Filament file={file} />
      {motion && <Spread motion={motion} />}
      {file.quick && <WhatIf studyId={studyId} jobId={job.id} fileId={file.id} />}
      {motion && <Why studyId={studyId} job={job} jobs={jobs} may={may} />}
      <Settings studyId={studyId} jobId={job.id} />
    </section>
  );
}

function Legend({ of }: { of: { key: string; colour: string; words: string; amount: string }[] }) {
  return (
    <ul className="flex flex-wrap gap-x-4 gap-y-0.5 pt-1.5 text-small">
      {of.map((o) => (
        <li key={o.key} className="inline-flex items-baseline gap-1.5">
          <i className="block h-2.5 w-4 self-center rounded-full" style={{ background: o.colour }} />
          {o.words} <span className="num text-small text-ink-2">{o.amount}</span>
        </li>
      ))}
    </ul>
  );
}

function TimeMakeUp({ motion }: { motion: Motion }) {
  const parts = Object.entries(motion.causes).filter(([, s]) => s >= 0.005 * motion.planned_s);
  const share = (s: number) => `${duration(s)}, ${((100 * s) / motion.planned_s).toFixed(0)} %`;
  return (
    <>
      <h2 className="lab pt-3 pb-1">{text.whereTheTimeGoes}</h2>
      <BeadBar
        label={text.printingTimeByWhat}
        full={motion.planned_s}
        beads={parts.map(([key, s]) => ({
          key,
          width: s,
          colour: TINT[key]!,
          title: `${text.limits[key]}: ${share(s)}`,
        }))}
      />
      <Legend
        of={parts.map(([key, s]) => ({
          key,
          colour: TINT[key]!,
          words: text.limits[key]!,
          amount: share(s),
        }))}
      />
    </>
  );
}

function Filament({ file }: { file: File }) {
  const all = file.uses ?? [];
  const whole = all.reduce((sum, u) => sum + Math.abs(u.length_mm), 0);
  const uses = all.filter((u) => Math.abs(u.length_mm) > 0.003 * whole);
  if (uses.length === 0) return null;
  const several = new Set(uses.map((u) => u.tool)).size > 1;
  const full = uses.reduce((sum, u) => sum + Math.max(0, u.length_mm), 0);
  const amount = (u: Schemas["UseOut"]) =>
    `${u.mass_g === null ? `${(u.length_mm / 1000).toFixed(2)} m` : `${u.mass_g.toFixed(2)} g`}`;
  const words = (u: Schemas["UseOut"]) => (several ? `${u.portion}, tool ${u.tool + 1}` : u.portion);
  const changes = file.motion?.changes_s ?? [];
  return (
    <>
      <h2 className="lab pt-3 pb-1">{text.whereTheFilamentGoes}</h2>
      <BeadBar
        label={text.filamentByWhatIt}
        full={full}
        beads={uses
          .filter((u) => u.length_mm > 0)
          .map((u) => ({
            key: `${u.tool} ${u.portion}`,
            width: u.length_mm,
            colour: PORTION[u.portion]!,
            title: `${words(u)}: ${amount(u)}`,
          }))}
      />
      <Legend
        of={uses.map((u) => ({
          key: `${u.tool} ${u.portion}`,
          colour: PORTION[u.portion]!,
          words: words(u),
          amount: amount(u),
        }))}
      />
      {changes.length > 0 && (
        <p className="pt-1 text-small text-ink-2">
          {text.aToolChangeTakesS(
            (changes.reduce((a, b) => a + b, 0) / changes.length).toFixed(0),
            changes.length,
          )}
        </p>
      )}
    </>
  );
}

/** Time by layer, by speed, by flow and by feature type. */
function Spread({ motion }: { motion: Motion }) {
  const features = Object.entries(motion.by_feature_s).sort((a, b) => b[1] - a[1]);
  const most = Math.max(...features.map(([, s]) => s));
  return (
    <div className="grid grid-cols-2 gap-x-6 max-[760px]:grid-cols-1">
      {motion.by_layer_s.length > 2 && (
        <Bars
          title={text.secondsByLayer}
          values={motion.by_layer_s.slice(1)}
          from={1}
          step={1}
          unit={text.layer}
          hint={(i, s) => `layer ${i}: ${s.toFixed(1)} s`}
        />
      )}
      <Bars
        title={text.minutesBySpeed}
        values={motion.by_speed_s.map((s) => s / 60)}
        from={0}
        step={motion.speed_step}
        unit={text.mmS}
        hint={(v, m) => `${v} to ${v + motion.speed_step} mm/s: ${m.toFixed(1)} min`}
      />
      <Bars
        title={text.minutesByFlow}
        values={motion.by_flow_step_s.map((s, i) => (i === 0 ? 0 : s / 60))}
        from={0}
        step={motion.flow_step}
        unit={text.mmS2}
        hint={(v, m) => `${v} to ${v + motion.flow_step} mm³/s: ${m.toFixed(1)} min`}
      />
      {features.length > 1 && (
        <div className="pt-3">
          <h2 className="lab pb-1">{text.timeByFeature}</h2>
          <ul className="grid gap-0.5">
            {features.slice(0, 8).map(([name, s]) => (
              <li key={name} className="grid grid-cols-[130px_1fr_76px] items-center gap-2 text-small">
                <span className="truncate">{name || text.beforeTheFirst}</span>
                <i
                  className="block h-[9px] rounded-full bg-[var(--c2)]"
                  style={{ width: `${(100 * s) / most}%` }}
                />
                <span className="num text-right text-small">
                  {s < 90 ? `${s.toFixed(0)} s` : duration(s)}
                </span>
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}

const WIDE = 330;
const HIGH = 74;

function Bars({
  title,
  values,
  from,
  step,
  unit,
  hint,
}: {
  title: string;
  values: number[];
  from: number;
  step: number;
  unit: string;
  hint: (at: number, value: number) => string;
}) {
  const [over, setOver] = useState<number | null>(null);
  // Many layers share a column: the slowest of them is shown.
  const fold = Math.ceil(values.length / 160);
  const columns = Array.from({ length: Math.ceil(values.length / fold) }, (_, k) =>
    Math.max(...values.slice(k * fold, (k + 1) * fold)),
  );
  const most = Math.max(...columns, 1e-9);
  const width = WIDE / columns.length;
  const at = (k: number) => Math.round((from + k * fold * step) * 100) / 100;
  return (
    <figure className="pt-3">
      <figcaption className="flex items-baseline gap-2">
        <span className="lab">{title}</span>
        <span className="num ml-auto text-tiny text-ink-2">
          {over === null ? text.atMost(most.toFixed(most < 10 ? 1 : 0)) : hint(at(over), columns[over]!)}
        </span>
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDE} ${HIGH + 17}`}
        className="block w-full"
        role="img"
        aria-label={text.atMost2(title, most.toFixed(1))}
        onPointerLeave={() => setOver(null)}
        onPointerMove={(e) => {
          const box = e.currentTarget.getBoundingClientRect();
          setOver(
            Math.max(
              0,
              Math.min(columns.length - 1, Math.floor(((e.clientX - box.left) / box.width) * columns.length)),
            ),
          );
        }}
      >
        {columns.map((v, k) => (
          <rect
            key={k}
            x={k * width}
            y={HIGH - (HIGH * v) / most}
            width={Math.max(0.6, width - (width > 3 ? 1 : 0))}
            height={(HIGH * v) / most}
            fill={k === over ? "var(--needle)" : "var(--c2)"}
          />
        ))}
        <line x1="0" x2={WIDE} y1={HIGH + 0.5} y2={HIGH + 0.5} stroke="var(--rule)" />
        <text x="0" y={HIGH + 14} fontSize="13" fill="var(--ink-2)">
          {from}
        </text>
        <text x={WIDE} y={HIGH + 14} fontSize="13" textAnchor="end" fill="var(--ink-2)">
          {Math.round((from + (values.length - (unit === "layer" ? 1 : 0)) * step) * 100) / 100} {unit}
        </text>
      </svg>
    </figure>
  );
}

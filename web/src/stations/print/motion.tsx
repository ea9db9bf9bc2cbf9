import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { isOpen, useChange, useSettings, useWhy } from "../../api/queries";
import { BeadBar } from "../../parts/bead-bar";
import { duration, Trouble } from "../../parts/bits";
import { Working } from "../../parts/working";
import { text } from "./text";

type File = Schemas["FileOut"];
type Motion = Schemas["MotionOut"];

const TINT: Record<string, string> = {
  asked: "var(--c1)",
  flow: "var(--c6)",
  axes: "var(--c8)",
  acceleration: "var(--c3)",
  corners: "var(--c4)",
  waits: "var(--c7)",
  file: "var(--c2)",
};
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
    <section aria-label="How this file prints" className="sheet min-h-0 flex-1 overflow-y-auto p-4">
      <div className="flex items-start gap-3">
        <div className="min-w-0 flex-1">
          <p className="text-[17px] font-semibold [font-stretch:92%]">
            {motion ? text.motionSays(motion) : "This file moves nothing that could be planned."}
          </p>
          {motion && (
            <p className="pt-0.5 text-[12px] text-ink-2">
              {motion.moves.toLocaleString("en").replaceAll(",", " ")} moves, planned on {motion.on}. Heat-up
              is not in it.
            </p>
          )}
        </div>
        <button type="button" className="button" onClick={back}>
          Back to the timer
        </button>
      </div>
      {motion && <TimeMakeUp motion={motion} />}
      <Filament file={file} />
      {motion && <Spread motion={motion} />}
      {motion && <Why studyId={studyId} job={job} jobs={jobs} may={may} />}
      <Settings studyId={studyId} jobId={job.id} />
    </section>
  );
}

function Legend({ of }: { of: { key: string; colour: string; words: string; amount: string }[] }) {
  return (
    <ul className="flex flex-wrap gap-x-4 gap-y-0.5 pt-1.5 text-[12.5px]">
      {of.map((o) => (
        <li key={o.key} className="inline-flex items-baseline gap-1.5">
          <i className="block h-2.5 w-4 self-center rounded-full" style={{ background: o.colour }} />
          {o.words} <span className="num text-[11.5px] text-ink-2">{o.amount}</span>
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
      <h2 className="lab pt-3 pb-1">Where the time goes</h2>
      <BeadBar
        label="Printing time by what it goes on"
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
      <h2 className="lab pt-3 pb-1">Where the filament goes</h2>
      <BeadBar
        label="Filament by what it becomes"
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
        <p className="pt-1 text-[12.5px] text-ink-2">
          A tool change takes {(changes.reduce((a, b) => a + b, 0) / changes.length).toFixed(0)} s, from the
          last plastic of one tool on the part to the first of the next; {changes.length} timed.
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
          title="Seconds by layer"
          values={motion.by_layer_s.slice(1)}
          from={1}
          step={1}
          unit="layer"
          hint={(i, s) => `layer ${i}: ${s.toFixed(1)} s`}
        />
      )}
      <Bars
        title="Minutes by speed"
        values={motion.by_speed_s.map((s) => s / 60)}
        from={0}
        step={motion.speed_step}
        unit="mm/s"
        hint={(v, m) => `${v} to ${v + motion.speed_step} mm/s: ${m.toFixed(1)} min`}
      />
      <Bars
        title="Minutes by flow"
        values={motion.by_flow_step_s.map((s, i) => (i === 0 ? 0 : s / 60))}
        from={0}
        step={motion.flow_step}
        unit="mm³/s"
        hint={(v, m) => `${v} to ${v + motion.flow_step} mm³/s: ${m.toFixed(1)} min`}
      />
      {features.length > 1 && (
        <div className="pt-3">
          <h2 className="lab pb-1">Time by feature</h2>
          <ul className="grid gap-[2px]">
            {features.slice(0, 8).map(([name, s]) => (
              <li key={name} className="grid grid-cols-[130px_1fr_76px] items-center gap-2 text-[12.5px]">
                <span className="truncate">{name || "before the first"}</span>
                <i
                  className="block h-[9px] rounded-full bg-[var(--c2)]"
                  style={{ width: `${(100 * s) / most}%` }}
                />
                <span className="num text-right text-[11.5px]">
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
        <span className="num ml-auto text-[11px] text-ink-2">
          {over === null ? `at most ${most.toFixed(most < 10 ? 1 : 0)}` : hint(at(over), columns[over]!)}
        </span>
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDE} ${HIGH + 17}`}
        className="block w-full"
        role="img"
        aria-label={`${title}: at most ${most.toFixed(1)}`}
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

/** The same artifact on another machine: the difference in time, split into causes that add up. */
function Why({
  studyId,
  job,
  jobs,
  may,
}: {
  studyId: string;
  job: Schemas["JobView"];
  jobs: Schemas["JobLine"][];
  may: boolean;
}) {
  const others = jobs.filter(
    (j) =>
      j.id !== job.id &&
      j.has_file &&
      j.artifact === job.artifact &&
      j.machine.unit_id !== job.machine.unit_id,
  );
  const first = others.filter(
    (j, i) => others.findIndex((o) => o.machine.unit_id === j.machine.unit_id) === i,
  );
  const [other, setOther] = useState<string | null>(null);
  const chosen = other ?? first[0]?.id ?? null;
  const why = useWhy(studyId, job.id, chosen);
  const ask = useChange(studyId, ["asked"], () =>
    unwrap(
      api.POST("/api/jobs/{job_id}/why", {
        params: { path: { job_id: job.id } },
        body: { id: newId(), other_id: chosen! },
      }),
    ),
  );
  if (first.length === 0) return null;
  const parts = (why.data?.parts ?? []).filter((p) => Math.abs(p.seconds) >= 1);
  const most = Math.max(...parts.map((p) => Math.abs(p.seconds)), 1);
  const working = why.data?.work && isOpen(why.data.work) ? why.data.work : null;
  return (
    <div className="pt-3">
      <div className="flex flex-wrap items-center gap-2">
        <h2 className="lab">Against another machine</h2>
        <select
          className="input !w-auto"
          aria-label="The other machine"
          value={chosen ?? ""}
          onChange={(e) => setOther(e.target.value)}
        >
          {first.map((j) => (
            <option key={j.id} value={j.id}>
              {j.machine.name}
              {j.arm && `, ${j.arm}`}
            </option>
          ))}
        </select>
      </div>
      <Trouble error={why.error ?? ask.error} />
      {why.data && why.data.first_s !== null && (
        <>
          <p className="pt-1 text-[14px] font-semibold">{why.data.says}</p>
          <ul className="grid gap-[3px] pt-1">
            {parts.map((p) => (
              <li key={p.cause} className="grid grid-cols-[170px_1fr_90px] items-center gap-2 text-[12.5px]">
                <span>{p.words}</span>
                <span className="relative block h-[12px]">
                  <i className="absolute left-1/2 h-full border-l border-rule" />
                  <i
                    className="absolute block h-full rounded-full"
                    style={{
                      background: TINT[p.cause],
                      width: `${(50 * Math.abs(p.seconds)) / most}%`,
                      [p.seconds > 0 ? "left" : "right"]: "50%",
                    }}
                  />
                </span>
                <span className="num text-right text-[11.5px]">
                  {p.seconds > 0 ? "+" : "−"}
                  {(Math.abs(p.seconds) / 60).toFixed(1)} min
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
      {working && <Working work={working} label="Comparing the two files" />}
      {why.data && why.data.first_s === null && !working && (
        <p className="flex items-center gap-2 pt-1 text-[12.5px] text-ink-2">
          {why.data.work?.message || "These files are large: comparing them takes a while."}
          {may && (
            <button
              type="button"
              className="button"
              disabled={ask.isPending}
              onClick={() => ask.mutate(undefined, { onSuccess: () => void why.refetch() })}
            >
              Compare them
            </button>
          )}
        </p>
      )}
    </div>
  );
}

/** Only what differs between this file and the other machines', by what it affects. */
function Settings({ studyId, jobId }: { studyId: string; jobId: string }) {
  const view = useSettings(studyId, jobId);
  if (!view.data) return <Trouble error={view.error} />;
  const { files, rows } = view.data;
  if (files.length < 2)
    return (
      <p className="pt-3 text-[12.5px] text-ink-2">No other machine has a file for this artifact yet.</p>
    );
  const groups = [...new Set(rows.map((r) => r.affects))];
  return (
    <div className="pt-3">
      <h2 className="lab">
        {rows.length === 0
          ? "Settings: the same in all files, as far as they say"
          : `Settings: ${rows.length} differ between the machines' files`}
      </h2>
      {rows.length > 0 && (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls
        <div className="mt-1 overflow-x-auto" tabIndex={0} role="region" aria-label="Settings that differ">
          <table className="text-[12px]">
            <thead>
              <tr>
                <th className="lab pr-3 text-left font-semibold">Setting</th>
                {files.map((f, i) => (
                  <th
                    key={f.file_id}
                    className={`px-2 text-left align-bottom font-semibold whitespace-nowrap ${i === 0 ? "text-needle-ink" : ""}`}
                    title={f.name}
                  >
                    {i === 0 ? "this file" : f.machine}
                    {i > 0 && f.arm && files.some((o) => o !== f && o.machine === f.machine) && (
                      <small className="block font-normal text-ink-2">{f.arm}</small>
                    )}
                  </th>
                ))}
              </tr>
            </thead>
            {groups.map((group) => (
              <tbody key={group}>
                <tr>
                  <th colSpan={files.length + 1} scope="rowgroup" className="pt-2 text-left font-semibold">
                    {group.charAt(0).toUpperCase() + group.slice(1)}
                  </th>
                </tr>
                {rows
                  .filter((r) => r.affects === group)
                  .map((r) => (
                    <tr key={r.key} className="border-t border-rule-2">
                      <th scope="row" className="py-[2px] pr-3 text-left font-normal whitespace-nowrap">
                        {r.key.replaceAll("_", " ")}
                      </th>
                      {r.values.map((v, i) => (
                        <td
                          key={files[i]!.file_id}
                          className={`num max-w-[130px] truncate px-2 text-[11.5px] ${i > 0 && v !== null && v !== r.values[0] ? "font-semibold" : "text-ink-2"}`}
                          title={v ?? "not stated"}
                        >
                          {v ?? "·"}
                        </td>
                      ))}
                    </tr>
                  ))}
              </tbody>
            ))}
          </table>
        </div>
      )}
    </div>
  );
}

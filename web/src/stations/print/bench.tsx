import { SpeakerHigh } from "@phosphor-icons/react/dist/csr/SpeakerHigh";
import { SpeakerSlash } from "@phosphor-icons/react/dist/csr/SpeakerSlash";
import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { useBench } from "../../api/queries";
import { BeadBar } from "../../parts/bead-bar";
import { clock, duration, Skeleton, Trouble } from "../../parts/bits";
import { Hint } from "../../parts/hint";
import { UnitName } from "../../parts/unit-mark";
import { PHASE } from "./phases";
import { text } from "./text";

type Unit = Schemas["LiveUnit"];

/** Every machine as it is now, what it draws, and what a person does next. */
export function BenchNow({
  studyId,
  open,
  all,
}: {
  studyId: string;
  open: (job: string) => void;
  all: () => void;
}) {
  const view = useBench(studyId);
  const [loud, setLoud] = useState(() => localStorage.getItem("crevlo.call") === "on");
  useCall(view.data?.units ?? [], loud);
  if (view.isError) return <Trouble error={view.error} />;
  if (!view.data) return <Skeleton className="col-span-2 h-full" />;
  const ahead = Date.parse(view.data.now) - view.dataUpdatedAt;
  const { units, circuits, next } = view.data;
  const working = units.filter((u) => u.run);
  return (
    <>
      <section aria-label={text.theBenchNow} className="sheet min-h-0 min-w-0 overflow-y-auto">
        <div className="flex items-center gap-3 px-4 py-2.5">
          <p className="flex-1 text-head font-semibold [font-stretch:92%]">
            {text.bench(working.length, units.filter((u) => u.urgent).length)}
          </p>
          <button type="button" className="button" onClick={all}>
            {text.allPrints}
          </button>
        </div>
        <ul>
          {[...working, ...units.filter((u) => !u.run)].map((u) => (
            <Row key={u.machine.unit_id} unit={u} ahead={ahead} open={open} />
          ))}
        </ul>
      </section>
      <section aria-label={text.nextAtTheBench} className="sheet min-h-0 overflow-y-auto p-3.5">
        <div className="flex items-center">
          <h2 className="lab flex-1">{text.whatToDoNext}</h2>
          <Hint says={loud ? text.callsAloudWhenAMachine : text.silentPressToBeCalled}>
            <button
              type="button"
              className="button !min-h-[32px] !px-2"
              aria-pressed={loud}
              aria-label={loud ? text.callsAloudBeSilent : text.silentCallAloud}
              onClick={() => {
                localStorage.setItem("crevlo.call", loud ? "off" : "on");
                setLoud(!loud);
                if (!loud) beep();
              }}
            >
              {loud ? <SpeakerHigh size={16} /> : <SpeakerSlash size={16} />}
            </button>
          </Hint>
        </div>
        {next.length === 0 && (
          <p className="pt-1 text-small text-ink-2">{text.nothingWaitsForA(working.length > 0)}</p>
        )}
        <ol className="grid gap-2 pt-1.5">
          {next.map((n, i) => (
            <li key={`${n.words}${n.at}`} className="text-body leading-snug">
              <button
                type="button"
                disabled={!n.job_id}
                onClick={() => n.job_id && open(n.job_id)}
                className={`w-full text-left ${i === 0 ? "font-semibold" : ""} ${n.job_id ? "underline decoration-dotted underline-offset-2" : ""}`}
              >
                {n.words}
              </button>
              {n.detail && <span className="block text-small text-ink-2">{n.detail}</span>}
            </li>
          ))}
        </ol>
        {circuits.length > 0 && (
          <>
            <h2 className="lab pt-5 pb-1">{text.loadByCircuit}</h2>
            {circuits.map((c) => (
              <Circuit key={c.name} circuit={c} />
            ))}
            <p className="pt-1.5 text-small leading-tight text-ink-2">{text.forPlanningContinuousLoad}</p>
          </>
        )}
        <p className="caution mt-4">{text.caution}</p>
      </section>
    </>
  );
}

function Row({ unit, ahead, open }: { unit: Unit; ahead: number; open: (job: string) => void }) {
  const run = unit.run;
  const elapsed = useElapsed(run?.started_at ?? null, ahead);
  const left = run?.left_s ?? null;
  const whole = elapsed + Math.max(0, left ?? 0);
  const phases = run?.phases ?? [];
  const spent = phases.reduce((sum, p) => sum + p.seconds, 0);
  return (
    <li className="border-t border-rule-2">
      <button
        type="button"
        disabled={!run}
        onClick={() => run && open(run.job_id)}
        className={`grid w-full grid-cols-[170px_minmax(0,1fr)_150px] items-center gap-x-4 px-4 py-2.5 text-left max-[560px]:grid-cols-1 ${run ? "min-h-[96px] hover:bg-station-on" : "min-h-[52px]"} ${unit.urgent ? "shadow-[inset_4px_0_var(--needle)]" : ""}`}
      >
        <span className="min-w-0">
          <b className="text-body">
            <UnitName mark={unit.machine.mark} name={unit.machine.name} />
          </b>
          <small className="block truncate text-small text-ink-2">
            {run
              ? `${run.artifact} ${run.copy_number}${run.attempt > 1 ? text.try(run.attempt) : ""}${run.unattended ? text.unattended3 : ""}`
              : unit.machine.is_control
                ? text.control
                : ""}
          </small>
        </span>
        <span className="min-w-0">
          {run ? (
            <>
              <span className="flex items-baseline gap-3">
                <b className="text-lead">
                  {unit.phase ?? text.printing}
                  {unit.percent !== null && unit.phase === "printing" && ` ${unit.percent.toFixed(0)} %`}
                </b>
                <span className="num text-body">{clock(elapsed)}</span>
                <span className="ml-auto text-small text-ink-2">
                  {left === null
                    ? text.noEstimate2
                    : left > 0
                      ? text.aboutLeft(duration(left))
                      : text.over(duration(-left))}
                </span>
              </span>
              <BeadBar
                label={text.timeByPhase(unit.machine.name)}
                full={Math.max(whole, 1)}
                beads={(phases.length > 0
                  ? phases.map((p) => ({
                      key: p.phase,
                      width: (p.seconds / Math.max(spent, 1)) * elapsed,
                      colour: PHASE[p.phase],
                      title: `${p.phase}: ${duration(p.seconds)}`,
                    }))
                  : [{ key: "run", width: elapsed, colour: "var(--needle)", title: duration(elapsed) }]
                ).concat(
                  left !== null && left > 0
                    ? [{ key: "left", width: left, colour: "var(--track)", title: `${duration(left)} left` }]
                    : [],
                )}
              />
              <span className="flex gap-4 pt-1 text-small text-ink-2">
                {unit.layer !== null && (
                  <span>
                    {text.layer} <b className="num text-ink">{unit.layer}</b>
                    {run.layers !== null && text.ofWord(run.layers)}
                  </span>
                )}
                {unit.nozzle_c !== null && (
                  <span>
                    {text.nozzle} <b className="num text-ink">{unit.nozzle_c.toFixed(0)} °C</b>
                    {text.bed} <b className="num text-ink">{unit.bed_c?.toFixed(0)} °C</b>
                  </span>
                )}
                {unit.reported_at === null && <span>{text.timedByHandThis}</span>}
              </span>
            </>
          ) : (
            <span className="text-small text-ink-2">
              {unit.elsewhere ? text.printsFor(unit.elsewhere) : (unit.phase ?? text.standsBy)}
            </span>
          )}
          {unit.needs && (
            <span
              className={`block pt-1 text-body font-semibold ${unit.urgent ? "text-needle-ink" : "text-brass-ink"}`}
            >
              {unit.needs}
            </span>
          )}
        </span>
        <span className="max-[560px]:hidden">
          {unit.power_w !== null && (
            <>
              <b className="num block text-right text-head">{unit.power_w.toFixed(0)} W</b>
              <Spark values={unit.spark} />
            </>
          )}
          {unit.power_w === null && unit.ratio !== null && (
            <small className="block text-right text-small text-ink-2" title={text.actualOverEstimatedTime}>
              {text.takesItsEstimatesSpread(unit.ratio.toFixed(2), unit.ratio_spread?.toFixed(2) ?? null)}
            </small>
          )}
        </span>
      </button>
    </li>
  );
}

function Spark({ values }: { values: number[] }) {
  const most = Math.max(...values, 1);
  const points: string[] = [];
  let pen = "M";
  values.forEach((v, i) => {
    if (v < 0) pen = "M";
    else {
      points.push(
        `${pen}${((132 * i) / (values.length - 1)).toFixed(1)} ${(27 - (25 * v) / most).toFixed(1)}`,
      );
      pen = "L";
    }
  });
  return (
    <svg
      viewBox="0 0 132 28"
      className="block w-full"
      role="img"
      aria-label={text.powerOfTheLastHalf(most.toFixed(0))}
    >
      <path d={points.join("")} fill="none" stroke="var(--c2)" strokeWidth="1.5" />
    </svg>
  );
}

function Circuit({ circuit }: { circuit: Schemas["LiveCircuit"] }) {
  const share = circuit.load_w / circuit.limit_w;
  return (
    <div className="pt-1 text-small">
      <p className="flex justify-between">
        <span>{circuit.name}</span>
        <span className="num text-small">
          <b className={share > 1 ? "text-needle-ink" : ""}>{circuit.load_w.toFixed(0)}</b>{" "}
          {text.ofW(circuit.limit_w.toFixed(0))}
        </span>
      </p>
      <div className="h-2.5 overflow-hidden rounded-full bg-[var(--track)]">
        <i
          className="block h-full rounded-full"
          style={{
            width: `${Math.min(100, 100 * share)}%`,
            background: share > 1 ? "var(--needle)" : share > 0.85 ? "var(--c4)" : "var(--c2)",
          }}
        />
      </div>
      {circuit.silent.length > 0 && (
        <p className="text-small text-ink-2">{text.notMetered(circuit.silent.join(", "))}</p>
      )}
    </div>
  );
}

function useElapsed(start: string | null, ahead: number): number {
  const [now, setNow] = useState(() => Date.now() + ahead);
  useEffect(() => {
    if (!start) return;
    const timer = setInterval(() => setNow(Date.now() + ahead), 1000);
    return () => clearInterval(timer);
  }, [start, ahead]);
  return start ? Math.max(0, (now - Date.parse(start)) / 1000) : 0;
}

/** Says in the window's title, and aloud where that is wished, that a machine needs someone. */
function useCall(units: Unit[], loud: boolean) {
  const urgent = units.filter((u) => u.urgent).map((u) => u.machine.name);
  const key = urgent.join(", ");
  const known = useRef("");
  useEffect(() => {
    const before = document.title;
    if (key) document.title = `! ${key} · Crevlo`;
    if (key && key !== known.current && loud) beep();
    known.current = key;
    return () => {
      document.title = before;
    };
  }, [key, loud]);
}

function beep() {
  const context = new AudioContext();
  for (const [at, pitch] of [
    [0, 660],
    [0.18, 880],
  ] as const) {
    const tone = context.createOscillator();
    const gain = context.createGain();
    tone.frequency.value = pitch;
    gain.gain.setValueAtTime(0.12, context.currentTime + at);
    gain.gain.exponentialRampToValueAtTime(0.001, context.currentTime + at + 0.16);
    tone.connect(gain).connect(context.destination);
    tone.start(context.currentTime + at);
    tone.stop(context.currentTime + at + 0.17);
  }
}

import { Pause } from "@phosphor-icons/react/dist/csr/Pause";
import { Play } from "@phosphor-icons/react/dist/csr/Play";
import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, type ReactNode, useEffect, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { useChange, useLibrary, useUnitRecord } from "../../api/queries";
import { clock, day, duration, Field, Skeleton, Trouble } from "../../parts/bits";
import { Photos } from "../../parts/photos";
import type { Step } from ".";

type Rec = Schemas["UnitRecord"];
type Unit = Schemas["UnitOut"];

/** What is recorded of one unit, at one step of receiving it. */
export function UnitRecord({
  studyId,
  unit,
  step,
  may,
}: {
  studyId: string;
  unit: Unit;
  step: Exclude<Step, "checks">;
  may: boolean;
}) {
  const unitId = unit.machine.unit_id;
  const record = useUnitRecord(studyId, unitId);
  const send = useChange<() => Promise<Rec>, Rec>(studyId, ["record", unitId], (call) => call());
  if (record.isError) return <Trouble error={record.error} />;
  if (!record.data) return <Skeleton className="h-full" />;
  const path = { study_id: studyId, unit_id: unitId };
  const props: Props = {
    studyId,
    unit,
    rec: record.data,
    path,
    may,
    busy: send.isPending,
    send: (call, then) => send.mutate(call, { onSuccess: then }),
  };
  const Body = BODY[step];
  return (
    <section aria-label={TITLES[step]} className="sheet min-h-0 overflow-y-auto p-4">
      <h2 className="lab">{TITLES[step]}</h2>
      <Body {...props} />
      <Trouble error={send.error} />
    </section>
  );
}

type Props = {
  studyId: string;
  unit: Unit;
  rec: Rec;
  path: { study_id: string; unit_id: string };
  may: boolean;
  busy: boolean;
  send: (call: () => Promise<Rec>, then: () => void) => void;
};

const TITLES: Record<Exclude<Step, "checks">, string> = {
  box: "What is in the box",
  assembly: "Assembly, by the stopwatch",
  measured: "Measured against the sheet",
  claims: "Claims against measurements",
  changes: "First power-on and every change since",
  worth: "Worth of its features against its price",
  log: "Log of ownership",
};

const BODY: Record<Exclude<Step, "checks">, (props: Props) => ReactNode> = {
  box: Box,
  assembly: Assembly,
  measured: Measured,
  claims: Claims,
  changes: Changes,
  worth: Worth,
  log: Log,
};

/** A form in place: what it holds is handed over as words, and it is emptied once that is kept. */
function Line({
  children,
  action,
  busy,
  label,
  keep,
}: {
  children: ReactNode;
  action: string;
  busy: boolean;
  label: string;
  keep: (words: (name: string) => string, done: () => void) => void;
}) {
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const given = new FormData(form);
    keep(
      (name) => String(given.get(name) ?? "").trim(),
      () => form.reset(),
    );
  };
  return (
    <form onSubmit={submit} aria-label={label} className="mt-3 flex flex-wrap items-end gap-2">
      {children}
      <button type="submit" className="button" disabled={busy}>
        {action}
      </button>
    </form>
  );
}

const amount = (text: string) => (text === "" ? null : Number(text));

function Box({ rec, path, may, busy, send }: Props) {
  const client = useQueryClient();
  const set = (item: Schemas["BoxItemOut"], found: Schemas["Found"] | null, note = item.note) =>
    send(
      () =>
        unwrap(
          api.PUT("/api/studies/{study_id}/units/{unit_id}/box/{item_id}", {
            params: { path: { ...path, item_id: item.id } },
            body: { version: item.version, found, note },
          }),
        ),
      () => {},
    );
  const amiss = rec.box.filter((b) => b.found === "missing" || b.found === "damaged");
  const open = rec.box.filter((b) => b.found === null).length;
  return (
    <>
      <p className="pt-1 text-[15px] font-semibold">
        {rec.box.length === 0
          ? "Write down the maker's list, then go through the box by it."
          : amiss.length > 0
            ? `${amiss.map((a) => `${a.name} ${a.found}`).join(", ")}.`
            : open > 0
              ? `${open} of ${rec.box.length} still to look for.`
              : "Everything is there and whole."}
      </p>
      <ul className="mt-2">
        {rec.box.map((b) => (
          <li key={b.id} className="flex flex-wrap items-center gap-2 border-t border-rule-2 py-1.5">
            <span className="min-w-[120px] flex-1">
              {b.name}
              {b.note && <small className="block text-[12px] text-ink-2">{b.note}</small>}
            </span>
            <span className="flex gap-1" role="group" aria-label={b.name}>
              {(["present", "missing", "damaged"] as const).map((f) => (
                <button
                  key={f}
                  type="button"
                  disabled={!may || busy}
                  aria-pressed={b.found === f}
                  onClick={() => set(b, b.found === f ? null : f)}
                  className={`min-h-[34px] rounded border px-2.5 text-[12.5px] max-[1020px]:min-h-[44px] ${b.found === f ? (f === "present" ? "border-enamel bg-enamel text-on-enamel" : "border-needle bg-needle text-white") : "border-rule"}`}
                >
                  {f}
                </button>
              ))}
            </span>
          </li>
        ))}
      </ul>
      {may && (
        <Line
          label="Add to the list"
          action="Add to the list"
          busy={busy}
          keep={(words, done) =>
            send(
              () =>
                unwrap(
                  api.POST("/api/studies/{study_id}/units/{unit_id}/box", {
                    params: { path },
                    body: { id: newId(), name: words("name") },
                  }),
                ),
              done,
            )
          }
        >
          <Field label="What should be in it">
            <input className="input" name="name" required maxLength={120} />
          </Field>
        </Line>
      )}
      <h3 className="lab pt-4 pb-1">Photos: the box, damage, what came</h3>
      <Photos
        subjectId={path.unit_id}
        photos={rec.photos}
        may={may}
        label="the unit as it came"
        changed={() => void client.invalidateQueries({ queryKey: ["record", path.unit_id] })}
      />
      <p className="pt-1 text-[12px] text-ink-2">
        Where and when a phone took them is removed before they are kept.
      </p>
    </>
  );
}

function Assembly({ rec, path, may, busy, send }: Props) {
  const [began, setBegan] = useState<number | null>(null);
  const [stopped, setStopped] = useState<number | null>(null);
  const [, tick] = useState(0);
  useEffect(() => {
    if (began === null || stopped !== null) return;
    const timer = setInterval(() => tick((n) => n + 1), 250);
    return () => clearInterval(timer);
  }, [began, stopped]);
  const seconds = began === null ? 0 : ((stopped ?? Date.now()) - began) / 1000;
  const most = Math.max(...rec.steps.map((s) => Math.max(s.seconds, s.first_s ?? 0)), 1);
  return (
    <>
      <p className="pt-1 text-[15px] font-semibold">
        {rec.steps.length === 0
          ? "Start the clock with each step; name it when it is done."
          : rec.first_assembly_s !== null
            ? `${duration(rec.assembly_s)}; the first unit of this model took ${duration(rec.first_assembly_s)}: a second one goes faster, so the first is the fair figure.`
            : `${duration(rec.assembly_s)} in ${rec.steps.length} steps.`}
      </p>
      {may && (
        <>
          <div className="mt-3 flex items-center gap-4">
            <span
              role="timer"
              aria-label={`${duration(seconds)} on this step`}
              className="num text-[44px] leading-none"
            >
              {clock(seconds)}
            </span>
            {began === null || stopped !== null ? (
              <button
                type="button"
                className="button now big"
                onClick={() => {
                  setBegan(stopped !== null && began !== null ? Date.now() - (stopped - began) : Date.now());
                  setStopped(null);
                }}
              >
                <Play size={18} weight="fill" /> {stopped !== null ? "Go on" : "Start a step"}
              </button>
            ) : (
              <button type="button" className="button now big" onClick={() => setStopped(Date.now())}>
                <Pause size={18} weight="fill" /> Step done
              </button>
            )}
          </div>
          {stopped !== null && (
            <Line
              label="The step"
              action="Keep the step"
              busy={busy}
              keep={(words, done) =>
                send(
                  () =>
                    unwrap(
                      api.POST("/api/studies/{study_id}/units/{unit_id}/assembly", {
                        params: { path },
                        body: {
                          id: newId(),
                          name: words("name"),
                          seconds: Math.round(seconds),
                          note: words("note"),
                        },
                      }),
                    ),
                  () => {
                    done();
                    setBegan(null);
                    setStopped(null);
                  },
                )
              }
            >
              <Field label="Which step it was">
                <input className="input" name="name" required maxLength={120} autoFocus />
              </Field>
              <Field label="What was hard or missing">
                <input className="input" name="note" maxLength={500} />
              </Field>
            </Line>
          )}
        </>
      )}
      <ul className="mt-3 grid gap-1">
        {rec.steps.map((s) => (
          <li
            key={s.id}
            className="grid grid-cols-[200px_1fr_150px] items-center gap-3 text-[13px] max-[700px]:grid-cols-1"
          >
            <span>
              {s.name}
              {s.note && <small className="block text-[12px] text-ink-2">{s.note}</small>}
            </span>
            <span>
              <i
                className="block h-[10px] rounded-full bg-[var(--c2)]"
                style={{ width: `${(100 * s.seconds) / most}%` }}
              />
              {s.first_s !== null && (
                <i
                  className="mt-[2px] block h-[5px] rounded-full bg-[var(--c5)]"
                  style={{ width: `${(100 * s.first_s) / most}%` }}
                />
              )}
            </span>
            <span className="num text-[12px]">
              {clock(s.seconds)}
              {s.first_s !== null && <span className="text-ink-2"> first unit {clock(s.first_s)}</span>}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}

const MEASURES: { kind: Schemas["MeasureKind"]; unit: string; group: string }[] = [
  { kind: "left edge not reached", unit: "mm", group: "Printable area" },
  { kind: "right edge not reached", unit: "mm", group: "Printable area" },
  { kind: "front edge not reached", unit: "mm", group: "Printable area" },
  { kind: "back edge not reached", unit: "mm", group: "Printable area" },
  { kind: "plate width", unit: "mm", group: "Printable area" },
  { kind: "plate depth", unit: "mm", group: "Printable area" },
  { kind: "height reached", unit: "mm", group: "Printable area" },
  { kind: "width at full height", unit: "mm", group: "Printable area" },
  { kind: "warm-up, nozzle alone", unit: "s", group: "Warm-up from the room's temperature" },
  { kind: "warm-up, bed alone", unit: "s", group: "Warm-up from the room's temperature" },
  { kind: "warm-up, both", unit: "s", group: "Warm-up from the room's temperature" },
  { kind: "weight", unit: "kg", group: "The rest" },
  { kind: "nozzle reached", unit: "°C", group: "The rest" },
  { kind: "bed reached", unit: "°C", group: "The rest" },
  { kind: "speed reached", unit: "mm/s", group: "The rest" },
  { kind: "flow reached", unit: "mm³/s", group: "The rest" },
  { kind: "set-up, first time", unit: "s", group: "Handling" },
  { kind: "set-up, again", unit: "s", group: "Handling" },
  { kind: "colour change", unit: "s", group: "Handling" },
  { kind: "purge at a colour change", unit: "g", group: "Handling" },
];

function Measured({ unit, rec, path, may, busy, send }: Props) {
  const library = useLibrary();
  const [kind, setKind] = useState<Schemas["MeasureKind"]>("left edge not reached");
  const [correcting, setCorrecting] = useState<Schemas["MeasureOut"] | null>(null);
  const chosen = correcting?.kind ?? kind;
  const warm = chosen.startsWith("warm-up");
  const groups = [...new Set(MEASURES.map((m) => m.group))];
  const shortBy = rec.printable.width_mm !== null;
  return (
    <div className="grid grid-cols-[1fr_230px] gap-6 max-[900px]:grid-cols-1">
      <div>
        <p className="pt-1 text-[15px] font-semibold">{rec.printable.words}</p>
        {groups.map((group) => {
          const rows = rec.measures.filter((m) => MEASURES.find((k) => k.kind === m.kind)?.group === group);
          return (
            rows.length > 0 && (
              <div key={group}>
                <h3 className="lab pt-3">{group}</h3>
                <ul>
                  {rows.map((m) => (
                    <li
                      key={m.id}
                      className="flex items-baseline gap-3 border-t border-rule-2 py-1 text-[13px]"
                    >
                      <span className="flex-1">
                        {m.kind}
                        {m.to_c !== null && ` ${m.from_c} to ${m.to_c} °C`}
                        <small className="text-ink-2">
                          {" "}
                          {m.instrument ?? "by hand"}, configuration {m.configuration}
                          {m.corrected && ", corrected"}
                          {m.note && ` · ${m.note}`}
                        </small>
                      </span>
                      <b className="num">
                        {m.value} {m.unit}
                      </b>
                      {may && (
                        <button
                          type="button"
                          className="text-[12px] underline"
                          onClick={() => setCorrecting(m)}
                        >
                          Correct
                        </button>
                      )}
                    </li>
                  ))}
                </ul>
              </div>
            )
          );
        })}
        {may && (
          <Line
            key={correcting?.id ?? "new"}
            label="A measurement"
            action={correcting ? "Correct it" : "Keep"}
            busy={busy}
            keep={(words, done) =>
              send(
                () =>
                  unwrap(
                    api.POST("/api/studies/{study_id}/units/{unit_id}/measures", {
                      params: { path },
                      body: {
                        id: newId(),
                        kind: chosen,
                        value: Number(words("value")),
                        from_c: amount(words("from")),
                        to_c: amount(words("to")),
                        instrument_id: words("instrument") || null,
                        note: words("note"),
                        ...(correcting && { supersedes_id: correcting.id, reason: words("reason") }),
                      },
                    }),
                  ),
                () => {
                  done();
                  setCorrecting(null);
                },
              )
            }
          >
            <Field label="What is measured">
              <select
                className="input"
                value={chosen}
                disabled={!!correcting}
                onChange={(e) => setKind(e.target.value as Schemas["MeasureKind"])}
              >
                {groups.map((g) => (
                  <optgroup key={g} label={g}>
                    {MEASURES.filter((m) => m.group === g).map((m) => (
                      <option key={m.kind}>{m.kind}</option>
                    ))}
                  </optgroup>
                ))}
              </select>
            </Field>
            <Field label={`Value, ${MEASURES.find((m) => m.kind === chosen)!.unit}`}>
              <input
                className="input num !w-[110px]"
                name="value"
                type="number"
                step="any"
                required
                defaultValue={correcting?.value}
              />
            </Field>
            {warm && (
              <>
                <Field label="From, °C">
                  <input
                    className="input num !w-[84px]"
                    name="from"
                    type="number"
                    step="any"
                    required
                    defaultValue={correcting?.from_c ?? 21}
                  />
                </Field>
                <Field label="To, °C">
                  <input
                    className="input num !w-[84px]"
                    name="to"
                    type="number"
                    step="any"
                    required
                    defaultValue={correcting?.to_c ?? 215}
                  />
                </Field>
              </>
            )}
            <Field label="With">
              <select className="input" name="instrument" defaultValue="">
                <option value="">by hand</option>
                {(library.data?.instruments ?? []).map((i) => (
                  <option key={i.id} value={i.id}>
                    {i.code}, {i.kind}
                  </option>
                ))}
              </select>
            </Field>
            {correcting && (
              <Field label="Why it is corrected">
                <input className="input" name="reason" required maxLength={300} />
              </Field>
            )}
          </Line>
        )}
        <p className="caution mt-3">
          Nozzle and bed burn, axes pinch: drive it to the edges at a low speed, hands away, and measure when
          it stands still and is cold.
        </p>
      </div>
      <div className="grid content-start gap-4">
        <PlateMap unit={unit} rec={rec} known={shortBy} />
        <HowItPrints rec={rec} />
      </div>
    </div>
  );
}

/** What its prints and readings have shown so far, without anybody entering it again. */
function HowItPrints({ rec }: { rec: Rec }) {
  const p = rec.printing;
  return (
    <div className="text-[12.5px]">
      <h3 className="lab">How it prints</h3>
      {p.words.length === 0 && <p className="text-ink-2">Nothing is printed yet.</p>}
      {p.words.map((w) => (
        <p key={w}>{w}</p>
      ))}
      {p.ratio !== null && (
        <p>
          Takes {p.ratio.toFixed(2)} times its files' estimates
          {p.ratio_spread !== null && `, a single print within a factor of ${p.ratio_spread.toFixed(2)}`}.
        </p>
      )}
      {p.first_tries > 0 && (
        <p className="text-ink-2">
          First tries: {(100 * p.first_low).toFixed(0)} to {(100 * p.first_high).toFixed(0)} % come out, 95
          times in 100.
        </p>
      )}
      {p.phases.length > 0 && (
        <ul className="pt-1">
          {p.phases.map((x) => (
            <li key={x.phase} className="flex justify-between">
              <span>{x.phase}, mean</span>
              <span className="num">{clock(x.seconds)}</span>
            </li>
          ))}
        </ul>
      )}
      <h3 className="lab pt-3">Noise at 1 m, free-field estimate</h3>
      {rec.noise.length === 0 && <p className="text-ink-2">No reading counts yet.</p>}
      <ul>
        {rec.noise.map((n) => (
          <li key={`${n.state} ${n.door_shut} ${n.fan_percent}`} className="flex justify-between gap-2">
            <span>
              {n.state}, door {n.door_shut ? "shut" : "open"}
              {n.fan_percent !== null && `, fan ${n.fan_percent} %`}
            </span>
            <span className="whitespace-nowrap">
              <b className="num">{n.level_db.toFixed(1)} dB</b>{" "}
              <small className="text-ink-2">of {n.readings}</small>
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The plate from above: what its sheet says, and what the nozzle reaches of it. */
function PlateMap({ unit, rec, known }: { unit: Unit; rec: Rec; known: boolean }) {
  const edge = (kind: string) => rec.measures.filter((m) => m.kind === kind).at(-1)?.value ?? 0;
  const wide = edge("plate width") || unit.bed_x_mm;
  const deep = edge("plate depth") || unit.bed_y_mm;
  const scale = 200 / Math.max(wide, deep);
  const left = edge("left edge not reached");
  const back = edge("back edge not reached");
  return (
    <svg
      viewBox="-15 -15 230 240"
      className="block w-full max-w-[230px]"
      role="img"
      aria-label={known ? rec.printable.words : "The plate; its edges are not measured yet"}
    >
      <rect width={wide * scale} height={deep * scale} fill="var(--dial)" stroke="var(--ink-3)" />
      {known && (
        <>
          <rect
            x={left * scale}
            y={back * scale}
            width={rec.printable.width_mm! * scale}
            height={rec.printable.depth_mm! * scale}
            fill="none"
            stroke="var(--needle)"
            strokeWidth="1.5"
          />
          <circle
            cx={(wide / 2 + rec.printable.offset_x_mm!) * scale}
            cy={(deep / 2 - rec.printable.offset_y_mm!) * scale}
            r="3"
            fill="var(--needle)"
          />
        </>
      )}
      <path
        d={`M${(wide * scale) / 2 - 6} ${(deep * scale) / 2}h12M${(wide * scale) / 2} ${(deep * scale) / 2 - 6}v12`}
        stroke="var(--ink)"
      />
      <text
        x={(wide * scale) / 2}
        y={deep * scale + 14}
        textAnchor="middle"
        fontSize="10"
        fill="var(--ink-2)"
      >
        front, {wide.toFixed(0)} × {deep.toFixed(0)} mm
      </text>
    </svg>
  );
}

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
  "warranty",
];

function Claims({ rec, path, may, busy, send }: Props) {
  const open = CLAIMS.filter((k) => !rec.claims.some((c) => c.kind === k));
  const short = rec.claims.filter((c) => c.holds === false).length;
  const judged = rec.claims.filter((c) => c.holds !== null).length;
  return (
    <>
      <p className="pt-1 text-[15px] font-semibold">
        {rec.claims.length === 0
          ? "Write down what the maker says. Measurements are set against it as they come."
          : `${short} of ${judged} claims measured so far ${short === 1 ? "falls" : "fall"} short; ${rec.claims.length - judged} ${rec.claims.length - judged === 1 ? "waits" : "wait"} for a measurement.`}
      </p>
      <ul className="mt-2">
        {rec.claims.map((c) => (
          <li key={c.id} className="border-t border-rule-2 py-1.5 text-[13.5px]">
            <b className="mr-2 inline-block first-letter:uppercase">{c.kind}</b>
            <span className={c.holds === false ? "text-needle-ink" : c.holds ? "text-ok-ink" : "text-ink-2"}>
              {c.words}
            </span>
            {c.said && <small className="block text-[12px] text-ink-2">{c.said}</small>}
          </li>
        ))}
      </ul>
      {may && open.length > 0 && (
        <Line
          label="A claim"
          action="Add the claim"
          busy={busy}
          keep={(words, done) =>
            send(
              () =>
                unwrap(
                  api.POST("/api/studies/{study_id}/units/{unit_id}/claims", {
                    params: { path },
                    body: {
                      id: newId(),
                      kind: words("kind") as Schemas["ClaimKind"],
                      value: Number(words("value")),
                      said: words("said"),
                    },
                  }),
                ),
              done,
            )
          }
        >
          <Field label="Claim">
            <select className="input" name="kind">
              {open.map((k) => (
                <option key={k}>{k}</option>
              ))}
            </select>
          </Field>
          <Field label="Value, in the unit of the measurement">
            <input className="input num" name="value" type="number" min={0} step="any" required />
          </Field>
          <Field label="The maker's words, and where they stand">
            <input className="input" name="said" maxLength={300} />
          </Field>
        </Line>
      )}
    </>
  );
}

function Changes({ studyId, unit, rec, path, may, busy, send }: Props) {
  const [opening, setOpening] = useState(false);
  const now = rec.configurations.at(-1)!;
  const words = useChange(studyId, ["study", studyId, "receive"], (at: string | null) =>
    unwrap(
      api.PUT("/api/studies/{study_id}/units/{unit_id}", {
        params: { path },
        body: {
          version: unit.version,
          serial: unit.serial,
          price_paid: unit.price_paid,
          upgrades: unit.upgrades,
          residual: unit.residual,
          obtained: unit.obtained,
          obtained_from: unit.obtained_from,
          received_on: unit.received_on,
          disclosure: unit.disclosure_more,
          day_price: unit.day_price,
          day_price_on: unit.day_price_on,
          first_power_on: at,
        },
      }),
    ),
  );
  return (
    <>
      <p className="pt-1 text-[15px] font-semibold">
        {unit.first_power_on ? `First powered on ${day(unit.first_power_on)}.` : "Not powered on yet."}{" "}
        {may && !unit.first_power_on && (
          <button
            type="button"
            className="button ml-2"
            disabled={words.isPending}
            onClick={() => words.mutate(new Date().toISOString())}
          >
            It is powered on now
          </button>
        )}
      </p>
      <Trouble error={words.error} />
      <table className="table mt-2 [&_td]:!text-left [&_th]:!text-left">
        <thead>
          <tr>
            {[
              "No.",
              "Nozzle, mm",
              "Firmware",
              "Plate",
              "Profiles",
              "Parts, accessories",
              "Why",
              "Since",
              "Good of",
            ].map((h) => (
              <th key={h} scope="col">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...rec.configurations].reverse().map((c) => (
            <tr key={c.id}>
              <td className="num">{c.number}</td>
              <td className="num">{c.nozzle_mm}</td>
              <td>{c.firmware}</td>
              <td>{c.plate}</td>
              <td>{c.profile_set}</td>
              <td>{[c.parts, c.accessories].filter(Boolean).join("; ") || "–"}</td>
              <td>{c.reason}</td>
              <td>{day(c.opened_at)}</td>
              <td className="num">
                {c.good} of {c.attempts}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {rec.comparison && (
        <div className="pt-3">
          <h3 className="lab">
            Configuration {rec.comparison.after} against {rec.comparison.before}
          </h3>
          {rec.comparison.words.map((w) => (
            <p key={w} className="text-[13.5px]">
              {w}
            </p>
          ))}
        </div>
      )}
      {may && !opening && (
        <button type="button" className="button mt-3" onClick={() => setOpening(true)}>
          Something is changed on it
        </button>
      )}
      {may && opening && (
        <Line
          label="The new configuration"
          action="Open the new configuration"
          busy={busy}
          keep={(words, done) =>
            send(
              () =>
                unwrap(
                  api.POST("/api/studies/{study_id}/units/{unit_id}/configurations", {
                    params: { path },
                    body: {
                      id: newId(),
                      nozzle_mm: Number(words("nozzle")),
                      firmware: words("firmware"),
                      plate: words("plate"),
                      profile_set: words("profiles"),
                      parts: words("parts"),
                      accessories: words("accessories"),
                      reason: words("reason"),
                    },
                  }),
                ),
              () => {
                done();
                setOpening(false);
              },
            )
          }
        >
          <Field label="Nozzle, mm">
            <input
              className="input num !w-[90px]"
              name="nozzle"
              type="number"
              step="any"
              min={0.05}
              defaultValue={now.nozzle_mm}
              required
            />
          </Field>
          {(
            [
              ["firmware", "Firmware", now.firmware],
              ["plate", "Plate", now.plate],
              ["profiles", "Profile set", now.profile_set],
              ["parts", "Parts replaced", now.parts],
              ["accessories", "Accessories on", now.accessories],
            ] as const
          ).map(([name, label, value]) => (
            <Field key={name} label={label}>
              <input
                className="input"
                name={name}
                defaultValue={value}
                maxLength={80}
                required={name !== "parts" && name !== "accessories"}
              />
            </Field>
          ))}
          <Field label="Why">
            <input className="input" name="reason" required maxLength={300} />
          </Field>
        </Line>
      )}
      <p className="pt-2 text-[12px] text-ink-2">
        What is printed and measured belongs to the configuration it was done in; results before a change stay
        what they are.
      </p>
    </>
  );
}

function Worth({ rec, path, may, busy, send }: Props) {
  const w = rec.worth;
  const put = (call: () => Promise<Rec>) => send(call, () => {});
  return (
    <>
      <p className="pt-1 text-[15px] font-semibold">
        {w.surplus === null
          ? w.price === null
            ? "Needs the price paid, at the first step."
            : "Tick what this machine has; the price list is yours."
          : `Features worth ${w.worth.toFixed(0)} ${w.currency} for a price of ${w.price!.toFixed(0)}: ${w.surplus >= 0 ? `${w.surplus.toFixed(0)} more than it costs` : `${(-w.surplus).toFixed(0)} less than it costs`}.`}
      </p>
      <ul className="mt-2 max-w-[560px]">
        {w.features.map((f) => (
          <li key={f.id} className="flex items-center gap-3 border-t border-rule-2 py-1">
            <label className="flex min-h-[36px] flex-1 items-center gap-2">
              <input
                type="checkbox"
                checked={f.present}
                disabled={!may || busy}
                onChange={(e) =>
                  put(() =>
                    unwrap(
                      api.PUT("/api/studies/{study_id}/units/{unit_id}/features/{item_id}", {
                        params: { path: { ...path, item_id: f.id } },
                        body: { present: e.target.checked },
                      }),
                    ),
                  )
                }
              />
              {f.name}
            </label>
            <input
              className="input num !w-[110px]"
              type="number"
              min={0}
              step="any"
              aria-label={`What ${f.name} is worth, ${w.currency}`}
              defaultValue={f.worth}
              disabled={!may || busy}
              onBlur={(e) =>
                Number(e.target.value) !== f.worth &&
                put(() =>
                  unwrap(
                    api.PUT("/api/studies/{study_id}/units/{unit_id}/worths/{item_id}", {
                      params: { path: { ...path, item_id: f.id } },
                      body: { version: f.version, worth: Number(e.target.value) },
                    }),
                  ),
                )
              }
            />
          </li>
        ))}
      </ul>
      {may && (
        <Line
          label="A feature"
          action="Add to the price list"
          busy={busy}
          keep={(words, done) =>
            send(
              () =>
                unwrap(
                  api.POST("/api/studies/{study_id}/units/{unit_id}/worths", {
                    params: { path },
                    body: { id: newId(), name: words("name"), worth: Number(words("worth")) },
                  }),
                ),
              done,
            )
          }
        >
          <Field label="Feature">
            <input className="input" name="name" required maxLength={80} />
          </Field>
          <Field label={`Worth, ${w.currency}`}>
            <input className="input num" name="worth" type="number" min={0} step="any" required />
          </Field>
        </Line>
      )}
    </>
  );
}

const LOG: Schemas["LogKind"][] = ["hours", "fault", "wear", "maintenance", "part replaced"];

function Log({ rec, path, may, busy, send }: Props) {
  const [kind, setKind] = useState<Schemas["LogKind"]>("fault");
  const f = rec.faults;
  return (
    <>
      <p className="pt-1 text-[15px] font-semibold">
        {f.median_per_100h === null
          ? `Faults per 100 h: not determined; needs ${f.needs}.`
          : `${f.faults} ${f.faults === 1 ? "fault" : "faults"} in ${f.hours.toFixed(0)} h ${f.hours_from}: about ${f.median_per_100h.toFixed(1)} in 100 h, between ${f.low!.toFixed(1)} and ${f.high!.toFixed(1)}.`}
      </p>
      <p className="text-[12px] text-ink-2">
        Faults of this log, and prints that failed by the machine, the profile or for no known cause. The
        range says how little or much the hours tell.
      </p>
      <ul className="mt-2">
        {rec.log.map((e) => (
          <li key={e.id} className="flex items-baseline gap-3 border-t border-rule-2 py-1 text-[13px]">
            <span className="w-[120px] text-ink-2">{day(e.at)}</span>
            <b className="w-[120px]">{e.kind}</b>
            <span className="flex-1">
              {e.words}
              {e.corrected && <small className="text-ink-2"> corrected</small>}
            </span>
            <span className="num text-[12px]">
              {e.hours !== null && `${e.hours} h`} {e.cost !== null && `${e.cost} ${rec.worth.currency}`}
            </span>
          </li>
        ))}
      </ul>
      {may && (
        <Line
          label="An entry"
          action="Keep"
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
          <Field label="What">
            <select
              className="input"
              value={kind}
              onChange={(e) => setKind(e.target.value as Schemas["LogKind"])}
            >
              {LOG.map((k) => (
                <option key={k}>{k}</option>
              ))}
            </select>
          </Field>
          <Field label={kind === "hours" ? "Remark" : "In words"}>
            <input className="input" name="words" required={kind !== "hours"} maxLength={500} />
          </Field>
          <Field label="Its hour counter, h">
            <input
              className="input num !w-[110px]"
              name="hours"
              type="number"
              min={0}
              step="any"
              required={kind === "hours"}
            />
          </Field>
          <Field label={`Cost, ${rec.worth.currency}`}>
            <input className="input num !w-[100px]" name="cost" type="number" min={0} step="any" />
          </Field>
        </Line>
      )}
    </>
  );
}

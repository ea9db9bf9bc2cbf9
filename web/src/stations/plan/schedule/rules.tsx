import { type FormEvent, useState } from "react";
import { api, type Schemas, seenVersion, unwrap } from "../../../api/client";
import { keys } from "../../../api/keys";
import { useBenchRules, useChange } from "../../../api/queries";
import { Field, Skeleton, Trouble } from "../../../parts/bits";
import { UnitName } from "../../../parts/unit-mark";
import { text } from "../text";

type Rules = Required<Schemas["RulesOut"]>;
const DAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];
const ZONES = Intl.supportedValuesOf("timeZone");

/** Hours as they are written on a door: "09:00-12:30, 13:00-17:30"; null for what cannot be read. */
function readHours(text: string): Schemas["Hours"][] | null {
  if (!text.trim()) return [];
  const found = [];
  for (const part of text.split(",")) {
    const m = /^\s*(\d{1,2})[:.](\d{2})\s*[-–]\s*(\d{1,2})[:.](\d{2})\s*$/.exec(part);
    if (!m || Number(m[1]) > 23 || Number(m[3]) > 23 || Number(m[2]) > 59 || Number(m[4]) > 59) return null;
    found.push({
      opens: `${m[1]!.padStart(2, "0")}:${m[2]}:00`,
      closes: `${m[3]!.padStart(2, "0")}:${m[4]}:00`,
    });
  }
  return found;
}

function writeHours(hours: Schemas["Hours"][]): string {
  return hours.map((h) => `${h.opens.slice(0, 5)}–${h.closes.slice(0, 5)}`).join(", ");
}

export function BenchRules({
  studyId,
  machines,
  spools,
  may,
  close,
}: {
  studyId: string;
  machines: Schemas["UnitMark"][];
  spools: Schemas["SpoolDrying"][];
  may: boolean;
  close: () => void;
}) {
  const rules = useBenchRules(studyId);
  if (rules.isError) return <Trouble error={rules.error} />;
  if (!rules.data) return <Skeleton className="h-[500px]" />;
  return (
    <Form
      studyId={studyId}
      machines={machines}
      may={may}
      close={close}
      spools={spools}
      rules={rules.data as Rules}
    />
  );
}

function Form({
  studyId,
  machines,
  may,
  close,
  spools,
  rules,
}: {
  studyId: string;
  machines: Schemas["UnitMark"][];
  may: boolean;
  close: () => void;
  spools: Schemas["SpoolDrying"][];
  rules: Rules;
}) {
  const local = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const fresh = rules.version === 0 && rules.time_zone === "UTC" && ZONES.includes(local);
  const [draft, setDraft] = useState<Rules>({ ...rules, time_zone: fresh ? local : rules.time_zone });
  const [week, setWeek] = useState(rules.week.map(writeHours));
  const [free, setFree] = useState(rules.holidays.join(", "));
  const [fault, setFault] = useState("");
  const set = (change: Partial<Rules>) => setDraft({ ...draft, ...change });
  const save = useChange(studyId, keys.part(studyId, "bench-rules"), (body: Rules) =>
    unwrap(api.PUT("/api/studies/{study_id}/bench-rules", { params: { path: { study_id: studyId } }, body })),
  );
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const read = week.map(readHours);
    const wrong = read.indexOf(null);
    if (wrong >= 0) return setFault(`${DAYS[wrong]}: write hours like 09:00–12:30, 13:00–17:30.`);
    const holidays = free.split(/[\s,;]+/).filter(Boolean);
    if (holidays.some((d) => !/^\d{4}-\d\d-\d\d$/.test(d))) return setFault(text.writeDaysOffLike2026);
    setFault("");
    save.mutate(
      {
        ...draft,
        week: read as Schemas["Hours"][][],
        holidays,
        version: seenVersion(rules.version, save.error),
      },
      { onSuccess: close },
    );
  };
  const number = (key: keyof Rules, label: string, min: number, max: number) => (
    <Field label={label}>
      <input
        className="input num"
        type="number"
        min={min}
        max={max}
        value={draft[key] as number}
        onChange={(e) => set({ [key]: Number(e.target.value) })}
        required
      />
    </Field>
  );
  const toggle = (list: string[], id: string) =>
    list.includes(id) ? list.filter((x) => x !== id) : [...list, id];
  return (
    <form onSubmit={submit} className="grid gap-3.5">
      <fieldset className="grid gap-1.5" disabled={!may}>
        <legend className="lab pb-1">{text.somebodyIsAtTheBench}</legend>
        {DAYS.map((name, i) => (
          <label key={name} className="grid grid-cols-[34px_1fr] items-center gap-2 text-small">
            <span>{name.slice(0, 3)}</span>
            <input
              className="input num !text-small"
              aria-label={text.hoursOn(name)}
              placeholder={text.nobody}
              value={week[i]}
              onChange={(e) => setWeek(week.map((w, k) => (k === i ? e.target.value : w)))}
            />
          </label>
        ))}
        <Field label={text.daysOff} hint={text.datesWithCommasBetween}>
          <input className="input num !text-small" value={free} onChange={(e) => setFree(e.target.value)} />
        </Field>
        <div className="grid grid-cols-2 gap-2">
          {number("people", text.peopleAtOnce, 1, 20)}
          {number("dryers", "Dryers", 1, 20)}
        </div>
        <Field label={text.timeZone}>
          <select
            className="input"
            value={draft.time_zone}
            onChange={(e) => set({ time_zone: e.target.value })}
          >
            {[...new Set([draft.time_zone, "UTC", ...ZONES])].map((z) => (
              <option key={z}>{z}</option>
            ))}
          </select>
        </Field>
      </fieldset>
      <fieldset className="grid grid-cols-2 gap-2" disabled={!may}>
        <legend className="lab pb-1">{text.dates}</legend>
        <Field label={text.beginOn}>
          <input
            className="input num !text-tiny"
            type="date"
            value={draft.begin ?? ""}
            onChange={(e) => set({ begin: e.target.value || null })}
          />
        </Field>
        <Field label={text.finishedBy}>
          <input
            className="input num !text-tiny"
            type="date"
            value={draft.finish_by ?? ""}
            onChange={(e) => set({ finish_by: e.target.value || null })}
          />
        </Field>
      </fieldset>
      <fieldset className="grid grid-cols-2 gap-2" disabled={!may}>
        <legend className="lab pb-1">{text.handlingMinutes}</legend>
        {number("setup_min", text.setUpAndStart, 1, 240)}
        {number("heat_min", text.heatUp, 0, 120)}
        {number("cool_min", text.coolThePlate, 0, 600)}
        {number("removal_min", text.removeAndBag, 1, 240)}
      </fieldset>
      <fieldset className="grid gap-1.5" disabled={!may}>
        <legend className="lab pb-1">{text.dryingHours}</legend>
        {spools.map((s) => (
          <label
            key={s.spool_id}
            className="grid grid-cols-[1fr_64px] items-center gap-2 text-small leading-tight"
          >
            <span>
              {s.words}
              {s.dried_on && <small className="block text-ink-2">{text.driedOn(s.dried_on)}</small>}
            </span>
            <input
              className="input num"
              type="number"
              min={0}
              max={72}
              step={0.5}
              placeholder={String(s.usual_h)}
              aria-label={text.hoursThatDries(s.words)}
              value={draft.drying.find((d) => d.spool_id === s.spool_id)?.hours ?? ""}
              onChange={(e) =>
                set({
                  drying: [
                    ...draft.drying.filter((d) => d.spool_id !== s.spool_id),
                    ...(e.target.value === ""
                      ? []
                      : [{ spool_id: s.spool_id, hours: Number(e.target.value) }]),
                  ],
                })
              }
            />
          </label>
        ))}
        {number("dried_lasts_days", text.staysDryForDays, 0, 365)}
        <p className="text-small leading-tight text-ink-2">{text.usualTimesAreShownThe}</p>
      </fieldset>
      <fieldset className="grid gap-2" disabled={!may}>
        <legend className="lab pb-1">{text.circuits}</legend>
        {draft.circuits.map((c, i) => {
          const change = (to: Partial<Schemas["CircuitIn"]>) =>
            set({ circuits: draft.circuits.map((o, k) => (k === i ? { ...o, ...to } : o)) });
          return (
            <div key={i} className="rounded-[4px] border border-rule-2 p-2">
              <div className="grid grid-cols-[1fr_80px] gap-2">
                <Field label={text.name}>
                  <input
                    className="input"
                    value={c.name}
                    required
                    maxLength={40}
                    onChange={(e) => change({ name: e.target.value })}
                  />
                </Field>
                <Field label={text.limitW}>
                  <input
                    className="input num"
                    type="number"
                    min={1}
                    max={50000}
                    value={c.limit_w}
                    onChange={(e) => change({ limit_w: Number(e.target.value) })}
                  />
                </Field>
              </div>
              <div className="grid gap-0.5 pt-1.5">
                {machines.map((m) => (
                  <label key={m.unit_id} className="flex items-center gap-1.5 text-small">
                    <input
                      type="checkbox"
                      checked={c.unit_ids.includes(m.unit_id)}
                      onChange={() => change({ unit_ids: toggle(c.unit_ids, m.unit_id) })}
                    />
                    <UnitName mark={m.mark} name={m.name} />
                  </label>
                ))}
              </div>
              <button
                type="button"
                className="button mt-1.5"
                onClick={() => set({ circuits: draft.circuits.filter((_, k) => k !== i) })}
              >
                {text.takeThisCircuitOut}
              </button>
            </div>
          );
        })}
        <button
          type="button"
          className="button"
          onClick={() =>
            set({
              circuits: [
                ...draft.circuits,
                { name: `Circuit ${draft.circuits.length + 1}`, limit_w: 2000, unit_ids: [] },
              ],
            })
          }
        >
          {text.addACircuit}
        </button>
        <p className="caution">{text.theSumsAreForPlanning}</p>
      </fieldset>
      <fieldset disabled={!may}>
        <legend className="lab pb-1">{text.neverLeftAlone}</legend>
        {machines.map((m) => (
          <label key={m.unit_id} className="flex items-center gap-1.5 py-px text-small">
            <input
              type="checkbox"
              checked={draft.attended_unit_ids.includes(m.unit_id)}
              onChange={() => set({ attended_unit_ids: toggle(draft.attended_unit_ids, m.unit_id) })}
            />
            <UnitName mark={m.mark} name={m.name} />
          </label>
        ))}
        <p className="pt-1 text-small text-ink-2">{text.aMachineThatHasNot}</p>
      </fieldset>
      {fault && (
        <p role="alert" className="trouble">
          {fault}
        </p>
      )}
      <Trouble error={save.error} />
      <div className="flex gap-2">
        {may && (
          <button type="submit" className="button primary" disabled={save.isPending}>
            {text.keepThese}
          </button>
        )}
        <button type="button" className="button" onClick={close}>
          {text.back}
        </button>
      </div>
    </form>
  );
}

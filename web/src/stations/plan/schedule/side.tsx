import { useState } from "react";
import type { Schemas } from "../../../api/client";
import { Field } from "../../../parts/bits";
import { UnitName } from "../../../parts/unit-mark";
import { text } from "../text";
import { hour, ms, weekday, when } from "./bench-time";

type Made = Schemas["Made"];

/** The chosen print, or what there is to know of the whole. */
export function Side({
  made,
  machines,
  chosen,
  choose,
  finishBy,
  pinnedAt,
  may,
  busy,
  pin,
}: {
  made: Made;
  machines: Schemas["UnitMark"][];
  chosen: string | null;
  choose: (job: string | null) => void;
  finishBy: string | null;
  pinnedAt: ReadonlyMap<string, number>;
  may: boolean;
  busy: boolean;
  pin: (job: string, at: string | null) => void;
}) {
  const slot = made.slots.find((s) => s.job_id === chosen);
  if (slot)
    return (
      <Chosen
        key={slot.job_id}
        slot={slot}
        machine={machines.find((m) => m.unit_id === slot.unit_id)!}
        close={() => choose(null)}
        waits={pinnedAt.has(slot.job_id)}
        may={may}
        busy={busy}
        pin={pin}
      />
    );
  return (
    <div className="grid gap-4">
      <Chances made={made} finishBy={finishBy} />
      {made.moved_count > 0 && (
        <div>
          <h2 className="lab pb-1">{text.printsMovedSincePlan(made.moved_count, made.number - 1)}</h2>
          <ul className="grid gap-1.5">
            {made.moved.slice(0, 8).map((m) => (
              <li key={m.job_id} className="text-small leading-tight">
                <button type="button" className="sourced font-semibold" onClick={() => choose(m.job_id)}>
                  {m.words}
                </button>
                <span className="block text-ink-2">
                  {when(m.was)} → <b className="text-ink">{when(m.now)}</b>. {m.why}
                </span>
              </li>
            ))}
          </ul>
          {made.moved_count > 8 && (
            <p className="pt-1 text-small text-ink-2">{text.andMore(made.moved_count - 8)}</p>
          )}
        </div>
      )}
      {made.notes.map((n) => (
        <p key={n} className="caution">
          {n}
        </p>
      ))}
      <p className="text-small leading-snug text-ink-2">
        {text.timesMachinesStandIdleH(made.times_from, made.idle_h.toFixed(0))}
      </p>
    </div>
  );
}

/** When it will really be through: the share of draws by date. */
function Chances({ made, finishBy }: { made: Made; finishBy: string | null }) {
  const first = ms(made.chances[0]!.at);
  const span = Math.max(1, ms(made.chances[made.chances.length - 1]!.at) - first);
  return (
    <div>
      <h2 className="lab pb-1">{text.throughBy}</h2>
      {made.by_date !== null && finishBy && (
        <p className="pb-1 text-body font-semibold">
          {text.theDateSet(weekday(finishBy), (100 * made.by_date).toFixed(0))}
        </p>
      )}
      <ul className="grid gap-0.75">
        {made.chances.map((c) => (
          <li key={c.chance} className="grid grid-cols-[34px_1fr_112px] items-center gap-2 text-small">
            <span className="num text-right text-tiny">{(100 * c.chance).toFixed(0)} %</span>
            <i
              className="block h-[8px] rounded-full bg-[var(--c2)]"
              style={{ width: `${12 + (88 * (ms(c.at) - first)) / span}%` }}
            />
            <span className="text-right">
              {weekday(c.at)} <span className="num text-tiny text-ink-2">{hour(c.at)}</span>
            </span>
          </li>
        ))}
      </ul>
      <p className="pt-1.5 text-small leading-tight text-ink-2">{text.from1000DrawsOf}</p>
    </div>
  );
}

function Chosen({
  slot,
  machine,
  close,
  waits,
  may,
  busy,
  pin,
}: {
  slot: Schemas["SlotOut"];
  machine: Schemas["UnitMark"];
  close: () => void;
  waits: boolean;
  may: boolean;
  busy: boolean;
  pin: (job: string, at: string | null) => void;
}) {
  const [at, setAt] = useState(slot.start_at.slice(0, 16));
  const free = slot.state === "planned" || slot.state === "late";
  const phases: [string, string, string][] = [
    [text.setUp, slot.start_at, slot.hot_at],
    ["Heat", slot.hot_at, slot.print_at],
    ["Print", slot.print_at, slot.printed_at],
    ["Cool", slot.printed_at, slot.cool_at],
    ["Remove", slot.removal_at, slot.end_at],
  ];
  return (
    <div>
      <h2 className="text-lead font-bold">
        {slot.artifact} {slot.copy_number}
        {slot.arm && <small className="block text-small font-normal text-ink-2">{slot.arm}</small>}
      </h2>
      <p className="flex items-center gap-2 pt-1">
        <UnitName mark={machine.mark} name={machine.name} />
        <span className="text-ink-2">{slot.spools.join(" and ")}</span>
      </p>
      <p className="pt-1 text-small text-ink-2">
        {
          {
            planned: "Planned.",
            printing: text.printingNow,
            done: "Printed.",
            failed: text.failedSinceThisWasPlanned,
            late: text.itShouldHaveStartedBy,
          }[slot.state]
        }{" "}
        {slot.pinned && text.pinned}
      </p>
      <table className="table mt-2">
        <tbody>
          {phases.map(([name, from, to]) => (
            <tr key={name}>
              <td>{name}</td>
              <td>{weekday(from)}</td>
              <td className="num">
                {hour(from)}–{hour(to)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {may && free && (
        <form
          className="mt-3 grid gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            pin(slot.job_id, at);
          }}
        >
          <Field label={text.startAtBenchTime}>
            <input
              className="input num"
              type="datetime-local"
              step={300}
              value={at}
              onChange={(e) => setAt(e.target.value)}
              required
            />
          </Field>
          <div className="flex gap-2">
            <button type="submit" className="button primary" disabled={busy}>
              {text.pinItThere}
            </button>
            {(slot.pinned || waits) && (
              <button type="button" className="button" disabled={busy} onClick={() => pin(slot.job_id, null)}>
                {text.unpin}
              </button>
            )}
          </div>
          <p className="text-small text-ink-2">{text.theNextPlanKeeps}</p>
        </form>
      )}
      <button type="button" className="button mt-3" onClick={close}>
        {text.backToTheWhole}
      </button>
    </div>
  );
}

import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useRef, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../api/client";
import { keys, readLibraryAgain } from "../api/keys";
import { day, Field, Skeleton, Trouble } from "../parts/bits";
import { moments } from "../parts/local-time";
import { fillIn, SentValue } from "../parts/sent-value";
import { SpoolForm } from "./forms";
import { text } from "./text";

const KINDS: Record<Schemas["SpoolKind"], string> = {
  weighed: text.weighedGWithTheSpool,
  dried: "Dried, hours",
  moisture: text.humidityInItsBox,
  diameter: text.diameterAtOnePlaceMm,
};
const FROM: Partial<Record<Schemas["SpoolKind"], Schemas["DeviceKind"]>> = {
  weighed: "scale",
  diameter: "caliper",
};
const UNIT: Record<Schemas["SpoolKind"], string> = {
  weighed: "g",
  dried: "h",
  moisture: "%",
  diameter: "mm",
};

type Entry = Schemas["SpoolEntryOut"];

/** One spool: what is left, how even it is, and its log. */
export function SpoolSheet({ id, may, done }: { id: string; may: boolean; done: () => void }) {
  const view = useQuery({
    queryKey: keys.spool(id),
    queryFn: () => unwrap(api.GET("/api/spools/{spool_id}", { params: { path: { spool_id: id } } })),
  });
  const client = useQueryClient();
  const [changing, setChanging] = useState(false);
  const [correcting, setCorrecting] = useState<Entry | null>(null);
  if (!view.data) return view.isError ? <Trouble error={view.error} /> : <Skeleton className="mt-3 h-40" />;
  const { spool, entries } = view.data;
  const changed = async () => {
    setChanging(false);
    await client.invalidateQueries({ queryKey: keys.spool(id) });
  };
  // Who gives up a correction that somebody else made first sees theirs.
  const corrected = () => {
    setCorrecting(null);
    void client.invalidateQueries({ queryKey: keys.spool(id) });
  };
  return (
    <section aria-label={text.spool(spool.code)} className="mt-4 border-t border-rule pt-3">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="min-w-[200px] flex-1 text-lead font-bold">
          {spool.code}, {spool.colour} {spool.material}
        </h2>
        {may && !changing && (
          <button type="button" className="button" onClick={() => setChanging(true)}>
            {text.changeWhatIsKnown}
          </button>
        )}
        <button type="button" className="button" onClick={done}>
          {text.back}
        </button>
      </div>
      <p className="text-body font-semibold">
        {view.data.left_g === null
          ? text.whatIsLeftNotDetermined(view.data.left_needs ?? "")
          : text.gLeft(view.data.left_g.toFixed(0))}{" "}
        {view.data.diameter_mean_mm === null
          ? text.diameterNeeds(view.data.diameter_needs ?? "")
          : text.mmThickSpreadMmExtruded(
              view.data.diameter_mean_mm.toFixed(3),
              view.data.diameter_spread_mm!.toFixed(3),
              (100 * view.data.volume_spread!).toFixed(1),
            )}
      </p>
      {changing && <SpoolForm key={spool.version} spool={spool} done={() => void changed()} />}
      <ul className="mt-2">
        {entries.map((e) => (
          <li
            key={e.id}
            className="flex flex-wrap items-baseline gap-x-3 border-t border-rule-2 py-1 text-body"
          >
            <span className="w-[120px] text-ink-2">{day(e.at)}</span>
            <span className="w-[90px]">{e.kind}</span>
            <b className="num">
              {e.value} {UNIT[e.kind]}
            </b>
            <span className="flex-1 text-ink-2">
              {e.at_c !== null && text.atC(e.at_c)}
              {e.note} {e.reason && text.correctedBecause(e.reason)}
            </span>
            {may && correcting?.id !== e.id && (
              <button type="button" className="text-small underline" onClick={() => setCorrecting(e)}>
                {text.correct}
              </button>
            )}
            {correcting?.id === e.id && <EntryForm spoolId={id} entry={e} done={corrected} />}
          </li>
        ))}
      </ul>
      {may && <EntryForm spoolId={id} entry={null} done={() => undefined} />}
    </section>
  );
}

/** A new entry of the log, or the correction of one. */
function EntryForm({ spoolId, entry, done }: { spoolId: string; entry: Entry | null; done: () => void }) {
  const client = useQueryClient();
  const [kind, setKind] = useState<Schemas["SpoolKind"]>(entry?.kind ?? "weighed");
  const form = useRef<HTMLFormElement>(null);
  // One number for one entry, however often it is pressed or sent.
  const number = useRef(newId());
  const send = useMutation({
    mutationFn: (body: Schemas["NewSpoolEntry"]) =>
      unwrap(
        api.POST("/api/spools/{spool_id}/entries", {
          params: { path: { spool_id: spoolId } },
          headers: { "X-Write-Id": body.id },
          body,
        }),
      ),
    onSuccess: async (record) => {
      number.current = newId();
      client.setQueryData(keys.spool(spoolId), record);
      form.current?.reset();
      done();
      await readLibraryAgain(client);
    },
  });
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    if (send.isPending) return;
    const pressed = (event.nativeEvent as SubmitEvent).submitter as HTMLButtonElement | null;
    const given = new FormData(event.currentTarget);
    const when = String(given.get("when") ?? "");
    send.mutate({
      id: number.current,
      kind,
      value: pressed?.value === "none" ? null : Number(given.get("value")),
      at_c: given.get("at_c") ? Number(given.get("at_c")) : null,
      note: String(given.get("note") ?? "").trim(),
      at: when ? (moments(when)[0] ?? null) : null,
      supersedes_id: entry?.id ?? null,
      reason: entry ? String(given.get("reason")).trim() : null,
    });
  };
  return (
    <form
      ref={form}
      onSubmit={submit}
      aria-label={entry ? text.correctThis : text.anEntry}
      className="mt-2 flex w-full flex-wrap items-end gap-2"
    >
      {!entry && (
        <Field label={text.what}>
          <select
            className="input"
            value={kind}
            onChange={(e) => setKind(e.target.value as Schemas["SpoolKind"])}
          >
            {Object.entries(KINDS).map(([value, name]) => (
              <option key={value} value={value}>
                {name}
              </option>
            ))}
          </select>
        </Field>
      )}
      <Field label={text.value(UNIT[kind])}>
        <input
          className="input num !w-[110px]"
          name="value"
          type="number"
          min={0}
          step="any"
          required
          defaultValue={entry?.value}
        />
      </Field>
      {kind === "dried" && (
        <Field label={text.atC2}>
          <input
            className="input num !w-[90px]"
            name="at_c"
            type="number"
            min={0}
            max={200}
            step="any"
            defaultValue={entry?.at_c ?? ""}
          />
        </Field>
      )}
      <Field label={entry ? text.whenIfOther : text.whenIfNotNow}>
        <input className="input num !w-[215px]" name="when" type="datetime-local" />
      </Field>
      <Field label={text.remark}>
        <input className="input" name="note" maxLength={300} defaultValue={entry?.note} />
      </Field>
      {entry && (
        <Field label={text.why}>
          <input className="input" name="reason" maxLength={300} required />
        </Field>
      )}
      <button type="submit" className="button" value="one" disabled={send.isPending}>
        {entry ? text.saveAsCorrection : text.keep}
      </button>
      {entry && (
        <>
          <button type="submit" className="button" value="none" disabled={send.isPending}>
            {text.thereWasNone}
          </button>
          <button type="button" className="button" onClick={done}>
            {text.back}
          </button>
        </>
      )}
      {FROM[kind] && (
        <SentValue key={kind} kind={FROM[kind]} take={(value) => fillIn(form.current, "value", value)} />
      )}
      {kind === "dried" && <p className="caution w-full">{text.temperatureAndTimeBy}</p>}
      <Trouble error={send.error} />
    </form>
  );
}

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useRef, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../api/client";
import { keys, readLibraryAgain } from "../api/keys";
import { day, Field, Skeleton, Trouble } from "../parts/bits";
import { fillIn, SentValue } from "../parts/sent-value";
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

/** One spool: what is left, how even it is, and its log. */
export function SpoolSheet({ id, may, done }: { id: string; may: boolean; done: () => void }) {
  const client = useQueryClient();
  const view = useQuery({
    queryKey: keys.spool(id),
    queryFn: () => unwrap(api.GET("/api/spools/{spool_id}", { params: { path: { spool_id: id } } })),
  });
  const [kind, setKind] = useState<Schemas["SpoolKind"]>("weighed");
  const [error, setError] = useState<Error | null>(null);
  const entry = useRef<HTMLFormElement>(null);
  if (!view.data) return view.isError ? <Trouble error={view.error} /> : <Skeleton className="mt-3 h-40" />;
  const { spool, entries } = view.data;
  const take = async (call: Promise<Schemas["SpoolRecord"]>, form?: HTMLFormElement) => {
    try {
      client.setQueryData(keys.spool(id), await call);
      await readLibraryAgain(client);
      setError(null);
      form?.reset();
    } catch (e) {
      setError(e as Error);
    }
  };
  const add = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const given = new FormData(form);
    void take(
      unwrap(
        api.POST("/api/spools/{spool_id}/entries", {
          params: { path: { spool_id: id } },
          body: {
            id: newId(),
            kind,
            value: Number(given.get("value")),
            at_c: given.get("at_c") ? Number(given.get("at_c")) : null,
            note: String(given.get("note") ?? ""),
          },
        }),
      ),
      form,
    );
  };
  const lot = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const given = new FormData(event.currentTarget);
    void take(
      unwrap(
        api.PUT("/api/spools/{spool_id}", {
          params: { path: { spool_id: id } },
          body: {
            ...spool,
            lot: String(given.get("lot")).trim(),
            empty_g: given.get("empty") ? Number(given.get("empty")) : null,
          },
        }),
      ),
    );
  };
  return (
    <section aria-label={text.spool(spool.code)} className="mt-4 border-t border-rule pt-3">
      <div className="flex items-center gap-3">
        <h2 className="flex-1 text-lead font-bold">
          {spool.code}, {spool.colour} {spool.material}
        </h2>
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
      {may && (
        <form onSubmit={lot} className="mt-2 flex flex-wrap items-end gap-2">
          <Field label={text.lot}>
            <input className="input" name="lot" maxLength={40} defaultValue={spool.lot} />
          </Field>
          <Field label={text.emptySpoolG}>
            <input
              className="input num"
              name="empty"
              type="number"
              min={0}
              step="any"
              defaultValue={spool.empty_g ?? ""}
            />
          </Field>
          <button type="submit" className="button">
            {text.keep}
          </button>
        </form>
      )}
      <ul className="mt-2">
        {entries.map((e) => (
          <li key={e.id} className="flex gap-3 border-t border-rule-2 py-1 text-body">
            <span className="w-[120px] text-ink-2">{day(e.at)}</span>
            <span className="w-[90px]">{e.kind}</span>
            <b className="num">
              {e.value} {UNIT[e.kind]}
            </b>
            <span className="text-ink-2">
              {e.at_c !== null && text.atC(e.at_c)}
              {e.note}
            </span>
          </li>
        ))}
      </ul>
      {may && (
        <form
          ref={entry}
          onSubmit={add}
          aria-label={text.anEntry}
          className="mt-2 flex flex-wrap items-end gap-2"
        >
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
          <Field label={text.value(UNIT[kind])}>
            <input className="input num !w-[110px]" name="value" type="number" min={0} step="any" required />
          </Field>
          {kind === "dried" && (
            <Field label={text.atC2}>
              <input className="input num !w-[90px]" name="at_c" type="number" min={0} max={200} step="any" />
            </Field>
          )}
          <Field label={text.remark}>
            <input className="input" name="note" maxLength={300} />
          </Field>
          <button type="submit" className="button">
            {text.keep}
          </button>
          {FROM[kind] && (
            <SentValue key={kind} kind={FROM[kind]} take={(value) => fillIn(entry.current, "value", value)} />
          )}
        </form>
      )}
      {kind === "dried" && <p className="caution mt-2">{text.temperatureAndTimeBy}</p>}
      <Trouble error={error} />
    </section>
  );
}

import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, useParams } from "@tanstack/react-router";
import type { FormEvent } from "react";
import { api, newId, type Schemas, unwrap } from "../api/client";
import { keys } from "../api/keys";
import { useMe } from "../api/queries";
import { Shell } from "../app/shell";
import { day, Field, Skeleton, Trouble } from "../parts/bits";
import { typedNumber } from "../parts/numbers";
import { text } from "./text";

type Life = Schemas["MachineLife"];

/** One page a unit, whatever study it is in: its hours, faults, wear, prices and words. */
export function MachinePage() {
  const { unitId } = useParams({ from: "/machine/$unitId" });
  const me = useMe();
  const may = me.data?.role === "owner" || me.data?.role === "reviewer";
  const life = useQuery({
    queryKey: keys.life(unitId),
    queryFn: () => unwrap(api.GET("/api/units/{unit_id}/life", { params: { path: { unit_id: unitId } } })),
  });
  return (
    <Shell studyId={null} active="machines" title={life.data?.name ?? ""}>
      <Trouble error={life.error} />
      {!life.data && !life.error && <Skeleton className="h-60" />}
      {life.data && (
        <div className="mx-auto grid max-w-[1180px] items-start gap-4 lg:grid-cols-[minmax(0,1fr)_360px]">
          <div className="grid gap-4">
            <Faults life={life.data} />
            <Studies life={life.data} />
            <Happened life={life.data} />
          </div>
          <div className="grid gap-4">
            <Keeping life={life.data} may={may} />
            <Prices life={life.data} may={may} />
          </div>
        </div>
      )}
    </Shell>
  );
}

function Faults({ life }: { life: Life }) {
  const most = Math.max(1, ...life.stretches.map((s) => s.high));
  return (
    <section aria-label={text.faults} className="sheet p-4">
      <h2 className="flex items-baseline justify-between gap-3 text-head font-bold">
        {text.faults}
        <span className="num text-small font-normal text-ink-2">
          {text.hours(life.hours.toFixed(1), life.hours_from)}
        </span>
      </h2>
      <p className="font-semibold">{life.per_100h}</p>
      {life.trend && <p className="text-ink-2">{life.trend}</p>}
      {life.stretches.length > 0 && (
        <>
          <p className="lab pt-3">{text.perHours}</p>
          <ol className="grid gap-1.5 pt-1">
            {life.stretches.map((s) => (
              <li
                key={s.begins_h}
                className="grid grid-cols-[170px_minmax(0,1fr)_56px] items-center gap-2 text-small"
              >
                <span>{text.stretch(s.begins_h, s.ends_h, s.faults)}</span>
                <svg viewBox="0 0 100 14" preserveAspectRatio="none" className="h-4 w-full" aria-hidden>
                  <rect
                    x="0"
                    y="1"
                    width={(100 * s.median) / most}
                    height="7"
                    rx="2"
                    fill="var(--enamel-2)"
                  />
                  <line
                    x1={(100 * s.low) / most}
                    x2={(100 * s.high) / most}
                    y1="11.5"
                    y2="11.5"
                    stroke="var(--ink)"
                    strokeWidth="1.5"
                    vectorEffect="non-scaling-stroke"
                  />
                </svg>
                <span className="num text-right">{s.median.toFixed(1)}</span>
              </li>
            ))}
          </ol>
        </>
      )}
      <h3 className="lab pt-4">{text.wear}</h3>
      {life.wear.length === 0 && <p className="text-small text-ink-2">{text.noWear}</p>}
      <ul>
        {life.wear.map((w) => (
          <li key={w}>{w}</li>
        ))}
      </ul>
      <h3 className="lab pt-4">{text.upkeep}</h3>
      <p>{life.upkeep}</p>
    </section>
  );
}

function Studies({ life }: { life: Life }) {
  return (
    <section aria-label={text.studies} className="sheet p-4">
      <h2 className="text-head font-bold">{text.studies}</h2>
      {life.studies.length === 0 && <p className="text-ink-2">{text.noStudy}</p>}
      <ul>
        {life.studies.map((s) => (
          <li key={s.id} className="grid gap-1 border-b border-rule-2 py-2.5">
            <p className="flex flex-wrap items-baseline gap-2">
              <Link
                to="/study/$studyId/$station"
                params={{ studyId: s.id, station: "receive" }}
                className="font-semibold underline"
              >
                {s.title}
              </Link>
              {s.retest && <span className="chip !h-auto">{text.retest}</span>}
              <span className="text-small text-ink-2">{text.printed(s.good, s.prints, s.hours)}</span>
            </p>
            {s.figures.length > 0 && (
              <dl className="grid grid-cols-[repeat(auto-fill,minmax(230px,1fr))] gap-x-4 text-small">
                {s.figures.map((f) => (
                  <div key={f.name} className="flex justify-between gap-2">
                    <dt className="text-ink-2">{f.name}</dt>
                    <dd className="num text-right">{f.words}</dd>
                  </div>
                ))}
              </dl>
            )}
            {s.said.map((f) => (
              <p key={f.name} className="text-small">
                <b>{f.name}:</b> {f.words}
              </p>
            ))}
          </li>
        ))}
      </ul>
      {life.earlier > 0 && <p className="pt-1 text-small text-ink-2">{text.earlier(life.earlier)}</p>}
    </section>
  );
}

function Happened({ life }: { life: Life }) {
  return (
    <section aria-label={text.happened} className="sheet p-4">
      <h2 className="text-head font-bold">{text.happened}</h2>
      {life.events.length === 0 && <p className="text-ink-2">{text.nothing}</p>}
      <ol>
        {life.events.map((e) => (
          <li
            key={`${e.at}${e.words}`}
            className="grid grid-cols-[120px_90px_minmax(0,1fr)] gap-2 border-b border-rule-2 py-1.5 text-small max-[560px]:grid-cols-1"
          >
            <span>{day(e.at)}</span>
            <span className="num text-ink-2">{e.hours === null ? "" : text.at(e.hours)}</span>
            <span>
              <b className={e.grave ? "text-needle-ink" : ""}>{e.what}</b> {e.words}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

function useLifeChange<Body>(life: Life, send: (body: Body) => Promise<unknown>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSuccess: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: keys.life(life.unit_id) }),
        client.invalidateQueries({ queryKey: keys.everyStudy }),
        client.invalidateQueries({ queryKey: keys.reminders }),
      ]),
  });
}

function Keeping({ life, may }: { life: Life; may: boolean }) {
  const change = useLifeChange(life, (return_by: string | null) =>
    unwrap(
      api.PUT("/api/units/{unit_id}/return", {
        params: { path: { unit_id: life.unit_id } },
        body: { version: life.version, return_by },
      }),
    ),
  );
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    change.mutate(String(new FormData(event.currentTarget).get("return_by")) || null);
  };
  return (
    <section className="sheet grid gap-2 p-4">
      {life.how && <p>{life.how}</p>}
      {may && (life.loaned || life.return_by) ? (
        <form onSubmit={submit} className="grid gap-2" key={life.version}>
          <Field label={text.goesBack}>
            <input className="input" type="date" name="return_by" defaultValue={life.return_by ?? ""} />
          </Field>
          <button type="submit" className="button" disabled={change.isPending}>
            {text.keep}
          </button>
          <Trouble error={change.error} />
        </form>
      ) : (
        <p className="text-ink-2">
          {life.return_by ? `${text.goesBack} ${onDay(life.return_by)}` : text.stays}
        </p>
      )}
    </section>
  );
}

/** A day without its time, in the reader's own order. */
function onDay(iso: string): string {
  return new Date(`${iso}T12:00:00`).toLocaleDateString(undefined, { dateStyle: "medium" });
}

function Prices({ life, may }: { life: Life; may: boolean }) {
  const path = { params: { path: { model_id: life.model_id } } };
  const one = useLifeChange(life, (body: Schemas["NewPrice"]) =>
    unwrap(api.POST("/api/models/{model_id}/prices", { ...path, body })),
  );
  const many = useLifeChange(life, (body: Schemas["PriceTable"]) =>
    unwrap(api.POST("/api/models/{model_id}/price-table", { ...path, body })),
  );
  const add = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const given = new FormData(form);
    one.mutate(
      {
        id: newId(),
        price: typedNumber(String(given.get("price"))) ?? Number.NaN,
        currency: String(given.get("currency")).toUpperCase(),
        priced_on: String(given.get("priced_on")),
        source: String(given.get("source")),
      },
      { onSuccess: () => form.reset() },
    );
  };
  const take = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const given = new FormData(form);
    many.mutate(
      {
        words: String(given.get("words")),
        currency: String(given.get("currency")).toUpperCase(),
        source: String(given.get("source")),
      },
      { onSuccess: () => form.reset() },
    );
  };
  const currency = life.prices[0]?.currency ?? "EUR";
  return (
    <section aria-label={text.prices} className="sheet grid gap-3 p-4">
      <h2 className="text-head font-bold">{text.prices}</h2>
      {life.prices.length === 0 && <p className="text-small text-ink-2">{text.noPrices}</p>}
      <ol className="max-h-72 overflow-y-auto">
        {life.prices.map((p) => (
          <li key={p.id} className="grid grid-cols-[1fr_auto] gap-2 border-b border-rule-2 py-1 text-small">
            <span>
              {onDay(p.priced_on)} · {p.source}
            </span>
            <b className="num">
              {p.price.toFixed(2)} {p.currency}
            </b>
          </li>
        ))}
      </ol>
      {may && (
        <>
          <form onSubmit={add} className="grid grid-cols-2 gap-2">
            <Field label={text.price}>
              <input className="input" name="price" inputMode="decimal" required />
            </Field>
            <Field label={text.currency}>
              <input
                className="input"
                name="currency"
                pattern="[A-Za-z]{3}"
                defaultValue={currency}
                required
              />
            </Field>
            <Field label={text.day}>
              <input className="input" type="date" name="priced_on" required />
            </Field>
            <Field label={text.source}>
              <input className="input" name="source" maxLength={200} required />
            </Field>
            <button type="submit" className="button col-span-2" disabled={one.isPending}>
              {text.add}
            </button>
          </form>
          <Trouble error={one.error} />
          <details>
            <summary className="cursor-pointer text-small underline">{text.table}</summary>
            <form onSubmit={take} className="grid gap-2 pt-2">
              <Field label={text.table} hint={text.tableHint}>
                <textarea className="input" name="words" rows={5} required />
              </Field>
              <div className="grid grid-cols-2 gap-2">
                <Field label={text.currency}>
                  <input
                    className="input"
                    name="currency"
                    pattern="[A-Za-z]{3}"
                    defaultValue={currency}
                    required
                  />
                </Field>
                <Field label={text.source}>
                  <input className="input" name="source" maxLength={200} required />
                </Field>
              </div>
              <button type="submit" className="button" disabled={many.isPending}>
                {text.take}
              </button>
            </form>
            <Trouble error={many.error} />
          </details>
        </>
      )}
    </section>
  );
}

import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../api/client";
import { keys } from "../api/keys";
import { useMe } from "../api/queries";
import { Shell } from "../app/shell";
import { day, Field, Skeleton, Trouble } from "../parts/bits";
import { DropZone } from "../parts/drop";
import { text } from "./text";

/** Packages of other benches: worked out again, read, and taken together with one's own. */
export function PackagesPage() {
  const client = useQueryClient();
  const me = useMe();
  const may = me.data?.role === "owner" || me.data?.role === "reviewer";
  const list = useQuery({ queryKey: keys.packages(), queryFn: () => unwrap(api.GET("/api/packages")) });
  const [bench, setBench] = useState("");
  const [open, setOpen] = useState<string | null>(null);
  const [picked, setPicked] = useState<string[]>([]);
  const pool = useMutation({
    mutationFn: () =>
      unwrap(
        api.POST("/api/packages/pool", {
          body: {
            packages: list.data?.packages.map((p) => p.id).filter((id) => picked.includes(id)) ?? [],
            revisions: list.data?.own.map((r) => r.id).filter((id) => picked.includes(id)) ?? [],
          },
        }),
      ),
  });
  const turn = (id: string) => {
    pool.reset();
    setPicked(picked.includes(id) ? picked.filter((p) => p !== id) : [...picked, id]);
  };
  return (
    <Shell studyId={null} active="" title={text.title}>
      <div className="mx-auto grid max-w-[1180px] items-start gap-4 md:grid-cols-[360px_minmax(0,1fr)]">
        <div className="grid gap-3">
          <p className="text-ink-2">{text.intro}</p>
          {may && (
            <section className="sheet grid gap-2 p-3">
              <Field label={text.bench} hint={text.benchHint}>
                <input
                  className="input"
                  maxLength={80}
                  value={bench}
                  onChange={(e) => setBench(e.target.value)}
                />
              </Field>
              <DropZone<Schemas["OtherView"]>
                label={text.take}
                hint={text.takeHint}
                accept=".zip"
                path={() => `/api/packages?${new URLSearchParams({ id: newId(), bench })}`}
                took={(taken) => {
                  setBench("");
                  setOpen(taken.id);
                  client.setQueryData(keys.packages(taken.id), taken);
                  void client.invalidateQueries({ queryKey: keys.packages() });
                }}
              />
            </section>
          )}
          <Trouble error={list.error} />
          {list.isPending && <Skeleton className="h-32" />}
          {list.data && (
            <section className="sheet p-3" aria-label={text.title}>
              {list.data.packages.length === 0 && <p className="text-ink-2">{text.none}</p>}
              <ul>
                {list.data.packages.map((p) => (
                  <li key={p.id} className="flex items-start gap-2 border-b border-rule-2 py-2">
                    <input
                      type="checkbox"
                      className="mt-1"
                      aria-label={text.pick(p.bench || p.title)}
                      checked={picked.includes(p.id)}
                      onChange={() => turn(p.id)}
                    />
                    <button
                      type="button"
                      className="grid flex-1 text-left"
                      aria-pressed={open === p.id}
                      onClick={() => setOpen(p.id)}
                    >
                      <b className="wrap-anywhere">{p.bench || p.title}</b>
                      <span className="text-small text-ink-2">
                        {p.bench ? `${p.title} · ` : ""}
                        {text.of(p.machines.length, p.control)} · {day(p.imported_at)}
                      </span>
                    </button>
                    <span
                      className={`text-small font-semibold ${p.holds ? "text-ok-ink" : "text-needle-ink"}`}
                    >
                      {p.holds ? text.holds : text.differs}
                    </span>
                  </li>
                ))}
              </ul>
              <h2 className="lab pt-3">{text.own}</h2>
              {list.data.own.length === 0 && <p className="text-small text-ink-2">{text.ownNone}</p>}
              <ul>
                {list.data.own.map((r) => (
                  <li key={r.id} className="border-b border-rule-2 py-1.5">
                    <label className="flex items-start gap-2">
                      <input
                        type="checkbox"
                        className="mt-1"
                        checked={picked.includes(r.id)}
                        onChange={() => turn(r.id)}
                      />
                      <span className="grid">
                        <b>{r.study}</b>
                        <span className="text-small text-ink-2">
                          {text.revision(r.number)} · {r.headline}
                        </span>
                      </span>
                    </label>
                  </li>
                ))}
              </ul>
              <button
                type="button"
                className="button now mt-3 w-full justify-center"
                disabled={picked.length < 2 || pool.isPending}
                onClick={() => pool.mutate()}
              >
                {text.pool}
              </button>
              {picked.length < 2 && <p className="pt-1 text-small text-ink-2">{text.needTwo}</p>}
              <Trouble error={pool.error} />
            </section>
          )}
        </div>
        <div className="grid gap-3">
          {pool.data && <Pooled view={pool.data} />}
          {open && (
            <Package
              id={open}
              may={may}
              gone={() => {
                setOpen(null);
                setPicked(picked.filter((p) => p !== open));
                void client.invalidateQueries({ queryKey: keys.packages() });
              }}
            />
          )}
        </div>
      </div>
    </Shell>
  );
}

function Pooled({ view }: { view: Schemas["PooledView"] }) {
  const benches = [...new Set(view.rows.flatMap((r) => r.of.map((o) => o.bench)))];
  return (
    <section aria-label={text.pooled(view.control)} className="sheet overflow-x-auto p-4">
      <h2 className="text-head font-bold">{text.pooled(view.control)}</h2>
      <p className="text-small text-ink-2">
        {text.on(view.artifacts)}. {view.how}
      </p>
      {view.rows.length === 0 ? (
        <p className="pt-2">{text.nothingShared}</p>
      ) : (
        <table className="mt-2 w-full text-small">
          <thead>
            <tr className="text-left text-ink-2">
              <th className="py-1 pr-2">{text.machine}</th>
              <th className="pr-2">{text.figure}</th>
              {benches.map((b) => (
                <th key={b} className="pr-2 text-right">
                  {b}
                </th>
              ))}
              <th className="pr-2 text-right">{text.together}</th>
              <th className="text-right">{text.apart}</th>
            </tr>
          </thead>
          <tbody>
            {view.rows.map((r) => (
              <tr key={`${r.machine} ${r.name}`} className="border-t border-rule-2 align-top">
                <th scope="row" className="py-1 pr-2 text-left">
                  {r.machine}
                </th>
                <td className="pr-2">
                  {r.name}, {r.unit}
                </td>
                {benches.map((b) => {
                  const part = r.of.find((o) => o.bench === b);
                  return (
                    <td key={b} className="num pr-2 text-right">
                      {part ? spread(part.value, part.expanded, r.digits, part.needs) : "–"}
                    </td>
                  );
                })}
                <td className="num pr-2 text-right font-semibold">
                  {spread(r.value, r.expanded, r.digits, r.says)}
                </td>
                <td className="num text-right">
                  {r.tau === null ? "–" : r.tau === 0 ? text.agree : `${r.tau.toFixed(r.digits)} ${r.unit}`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function spread(value: number | null, expanded: number | null, digits: number, needs: string): string {
  if (value === null) return needs.startsWith("needs") ? needs : text.needs(needs);
  const sign = value < 0 ? "−" : "+";
  return `${sign}${Math.abs(value).toFixed(digits)}${expanded ? ` ± ${expanded.toFixed(digits)}` : ""}`;
}

function Package({ id, may, gone }: { id: string; may: boolean; gone: () => void }) {
  const view = useQuery({
    queryKey: keys.packages(id),
    queryFn: () => unwrap(api.GET("/api/packages/{package_id}", { params: { path: { package_id: id } } })),
  });
  const remove = useMutation({
    mutationFn: () =>
      unwrap(api.DELETE("/api/packages/{package_id}", { params: { path: { package_id: id } } })),
    onSuccess: gone,
  });
  if (view.isError) return <Trouble error={view.error} />;
  if (!view.data) return <Skeleton className="h-60" />;
  const p = view.data;
  const machines = p.machines;
  const names = [...new Map(p.figures.map((f) => [f.quantity, f])).values()];
  return (
    <section aria-label={p.title} className="sheet grid gap-3 overflow-x-auto p-4">
      <header className="flex items-start gap-3">
        <div className="grid flex-1 gap-0.5">
          <h2 className="text-head font-bold">{p.title}</h2>
          <p className="text-small text-ink-2">{p.artifacts.join(", ")}</p>
          <p className={p.holds ? "text-ok-ink" : "text-needle-ink"}>{p.says}</p>
        </div>
        {may && (
          <button type="button" className="chip" disabled={remove.isPending} onClick={() => remove.mutate()}>
            {text.remove}
          </button>
        )}
      </header>
      {p.differences.length > 0 && (
        <details open className="text-small">
          <summary className="cursor-pointer font-semibold">{text.differences(p.differences.length)}</summary>
          <ul className="max-h-60 overflow-y-auto">
            {p.differences.map((d) => (
              <li key={d}>{d}</li>
            ))}
          </ul>
        </details>
      )}
      <div>
        <h3 className="lab">{text.verdicts}</h3>
        <dl className="grid grid-cols-[max-content_1fr] gap-x-4 gap-y-0.5">
          {p.verdicts.map((v) => (
            <div key={v.buyer} className="contents">
              <dt className="text-ink-2">{v.buyer}</dt>
              <dd className="font-semibold">
                {v.headline}
                {v.headline !== v.published && (
                  <span className="font-normal text-needle-ink"> ({text.published(v.published)})</span>
                )}
              </dd>
            </div>
          ))}
        </dl>
      </div>
      <table className="w-full text-small">
        <caption className="lab text-left">{text.figures}</caption>
        <thead>
          <tr className="text-left text-ink-2">
            <th className="py-1 pr-2">{text.figure}</th>
            {machines.map((m) => (
              <th key={m} className="pr-2 text-right wrap-anywhere">
                {m}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {names.map((q) => (
            <tr key={q.quantity} className="border-t border-rule-2">
              <th scope="row" className="py-0.5 pr-2 text-left font-normal">
                {q.name}, {q.unit}
              </th>
              {machines.map((m) => {
                const f = p.figures.find((x) => x.machine === m && x.quantity === q.quantity);
                return (
                  <td key={m} className="num pr-2 text-right">
                    {f?.value == null ? "–" : f.value.toFixed(f.digits)}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

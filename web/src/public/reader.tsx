import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useParams } from "@tanstack/react-router";
import { useDeferredValue, useState } from "react";
import { api, type Schemas, textOf, unwrap } from "../api/client";
import { keys } from "../api/keys";
import { BeadBar } from "../parts/bead-bar";
import { percent, Skeleton, Trouble } from "../parts/bits";
import { criterionColour } from "../parts/criterion-colour";
import { Choice } from "../parts/form/choice";
import { typedNumber } from "../parts/numbers";
import { reader as text } from "./text";

type View = Schemas["ReaderView"];
type Limits = Record<string, { typed: string; at_least: boolean }>;

/** A published report for anybody, with the ranking by the reader's own weights and limits. */
export function ReaderPage() {
  const { key } = useParams({ from: "/read/$key" });
  const view = useQuery({
    queryKey: keys.reader(key),
    queryFn: () => unwrap(api.GET("/api/readers/{key}", { params: { path: { key } } })),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  if (view.isError)
    return (
      <main className="p-6">
        <Trouble error={view.error} />
      </main>
    );
  if (!view.data) return <Skeleton className="h-dvh" />;
  return <Report page={key} view={view.data} />;
}

function Report({ page, view }: { page: string; view: View }) {
  return (
    <main className="mx-auto grid max-w-[1180px] gap-4 p-4 max-[560px]:p-2.5">
      <header className="grid gap-1">
        <p className="text-small font-semibold text-ink-2">{view.line}</p>
        <h1 className="text-title leading-tight font-extrabold [font-stretch:90%]">{view.headline}</h1>
        <p className="max-w-[70ch] text-lead text-ink-2">{view.evidence}</p>
        {view.newer && <p className="text-brass-ink">{text.newer}</p>}
      </header>
      <Weighing page={page} view={view} />
      <section aria-label={text.whole} className="grid gap-2">
        <h2 className="flex items-baseline justify-between gap-3 text-head font-bold">
          {text.whole}
          <a
            className="text-small font-normal underline"
            href={`/api/readers/${page}/report.html`}
            target="_blank"
            rel="noreferrer"
          >
            {text.apart}
          </a>
        </h2>
        <Whole page={page} />
      </section>
    </main>
  );
}

function Whole({ page }: { page: string }) {
  const html = useQuery({
    queryKey: keys.reader(page, "report"),
    queryFn: () => textOf(`/api/readers/${page}/report.html`),
    staleTime: Number.POSITIVE_INFINITY,
  });
  if (html.isError) return <Trouble error={html.error} />;
  if (!html.data) return <Skeleton className="h-60" />;
  return (
    <iframe
      title={text.whole}
      sandbox=""
      srcDoc={html.data}
      className="h-[80dvh] w-full rounded border border-rule bg-white"
    />
  );
}

function Weighing({ page, view }: { page: string; view: View }) {
  const [buyerName, setBuyer] = useState(view.buyers[0]?.name ?? "");
  const buyer = view.buyers.find((b) => b.name === buyerName) ?? view.buyers[0];
  const [moved, setMoved] = useState<Record<string, number>>({});
  const [limits, setLimits] = useState<Limits>({});
  const [keep, setKeep] = useState(true);
  const weights = Object.fromEntries(
    view.criteria.map((c, i) => [c.code, moved[c.code] ?? buyer?.weights[i] ?? 0]),
  );
  const set = Object.entries(limits).flatMap(([code, l]) => {
    const limit = typedNumber(l.typed);
    return limit === null ? [] : [{ code, limit, at_least: l.at_least }];
  });
  const touched = Object.keys(moved).length > 0 || set.length > 0 || !keep;
  const wish = useDeferredValue(
    JSON.stringify({
      buyer: buyer?.name ?? "",
      weights: Object.keys(moved).length > 0 ? weights : null,
      limits: set,
      keep_must_haves: keep,
    }),
  );
  const ranked = useQuery({
    queryKey: keys.reader(page, "rank", wish),
    queryFn: () =>
      unwrap(
        api.POST("/api/readers/{key}/rank", {
          params: { path: { key: page } },
          body: JSON.parse(wish) as Schemas["ReaderWish"],
        }),
      ),
    placeholderData: keepPreviousData,
  });
  const most = Math.max(40, ...Object.values(weights));
  const back = () => {
    setMoved({});
    setLimits({});
    setKeep(true);
  };
  if (!buyer) return null;
  return (
    <section
      aria-label={text.yours}
      className="sheet grid grid-cols-[340px_minmax(0,1fr)] gap-6 p-4 max-[860px]:grid-cols-1"
    >
      <div className="grid content-start gap-2">
        <h2 className="text-head font-bold">{text.yours}</h2>
        <p className="text-small text-ink-2">{text.how}</p>
        {view.buyers.length > 1 && (
          <Choice
            label={text.likeMe}
            value={buyer.name}
            options={view.buyers.map((b) => ({ value: b.name, name: b.name }))}
            change={(name) => {
              setBuyer(name);
              back();
            }}
          />
        )}
        <ul className="grid gap-1.5">
          {view.criteria.map((c, i) => (
            <li key={c.code} className="grid gap-0.5 border-b border-rule-2 pb-1.5">
              <label className="grid grid-cols-[1fr_42px] items-baseline text-small">
                <span className="flex items-center gap-1.5 font-semibold">
                  <i
                    className="inline-block h-2 w-3.5 rounded"
                    style={{ background: criterionColour(i) }}
                    aria-hidden
                  />
                  {c.name}
                </span>
                <span className="num text-right">{weights[c.code]?.toFixed(0)}</span>
                <input
                  type="range"
                  className="col-span-2"
                  aria-label={text.weight(c.name)}
                  min={0}
                  max={most}
                  step={1}
                  value={weights[c.code]}
                  onChange={(e) => setMoved({ ...moved, [c.code]: Number(e.target.value) })}
                />
              </label>
              <span className="flex items-center gap-1.5 text-small text-ink-2">
                {c.lower_is_better ? text.atMost : text.atLeast}
                <input
                  className="input num !min-h-7 w-20 !py-0"
                  inputMode="decimal"
                  aria-label={text.limit(c.name, c.lower_is_better)}
                  value={limits[c.code]?.typed ?? ""}
                  onChange={(e) =>
                    setLimits({
                      ...limits,
                      [c.code]: { typed: e.target.value, at_least: !c.lower_is_better },
                    })
                  }
                />
                {c.unit}
                {limits[c.code]?.typed && typedNumber(limits[c.code]?.typed ?? "") === null && (
                  <span className="text-needle-ink">{text.noNumber}</span>
                )}
              </span>
            </li>
          ))}
        </ul>
        {buyer.must_haves.length > 0 && (
          <label className="flex items-start gap-2 text-small">
            <input type="checkbox" checked={keep} onChange={(e) => setKeep(e.target.checked)} />
            <span>{text.keep(buyer.name, buyer.must_haves)}</span>
          </label>
        )}
        {touched && (
          <button type="button" className="button" onClick={back}>
            {text.back}
          </button>
        )}
      </div>
      <div className="grid content-start gap-2" aria-live="polite">
        <p className="lab">{touched ? text.byYours : text.asPublished(buyer.name)}</p>
        <Trouble error={ranked.error} />
        {ranked.data && <Ranked view={view} ranked={ranked.data} />}
      </div>
    </section>
  );
}

function Ranked({ view, ranked }: { view: View; ranked: Schemas["ReaderRanking"] }) {
  return (
    <>
      <h3 className="text-title leading-tight font-extrabold [font-stretch:90%]">{ranked.headline}</h3>
      <p className="max-w-[64ch] text-ink-2">{ranked.evidence}</p>
      <ol className="border-b border-rule-2">
        {ranked.standings.map((s) => (
          <li
            key={s.name}
            className="grid grid-cols-[36px_minmax(0,1fr)_auto] items-baseline gap-x-3 border-t border-rule-2 py-2"
          >
            <b className="text-head [font-stretch:72%]">{s.rank ?? `${s.best_rank}–${s.worst_rank}`}</b>
            <div className="grid gap-1">
              <b className="wrap-anywhere">{s.name}</b>
              <BeadBar
                label={text.points(s.name)}
                full={100}
                beads={s.points.flatMap((p, i) =>
                  (p ?? 0) > 0
                    ? [
                        {
                          key: view.criteria[i]?.code ?? `${i}`,
                          width: p ?? 0,
                          colour: criterionColour(i),
                          title: text.pointsOf(view.criteria[i]?.name ?? "", p ?? 0),
                        },
                      ]
                    : [],
                )}
                whisker={s.high > s.low ? { low: s.low, high: s.high } : undefined}
              />
              <details className="text-small text-ink-2">
                <summary className="cursor-pointer">{text.figures}</summary>
                <dl className="grid grid-cols-[max-content_1fr] gap-x-3 pt-1">
                  {s.figures.map((f, i) => (
                    <div key={view.criteria[i]?.code} className="contents">
                      <dt>{view.criteria[i]?.name}</dt>
                      <dd className="num">{f.needs ? text.needs(f.needs) : f.words}</dd>
                    </div>
                  ))}
                </dl>
              </details>
            </div>
            <span className="num text-right">
              <b>{s.high > s.low ? `${s.low.toFixed(1)}–${s.high.toFixed(1)}` : s.low.toFixed(1)}</b>
              <br />
              <span className="text-small text-ink-2">{text.first(percent(s.first_chance))}</span>
            </span>
          </li>
        ))}
      </ol>
      {ranked.left_out.map((m) => (
        <p key={m.name} className="text-small text-ink-2">
          <b>{m.name}</b> {text.leftOut(m.reason)}
        </p>
      ))}
    </>
  );
}

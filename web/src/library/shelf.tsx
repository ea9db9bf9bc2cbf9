import { DownloadSimple } from "@phosphor-icons/react/dist/csr/DownloadSimple";
import { Plus } from "@phosphor-icons/react/dist/csr/Plus";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useLocation, useNavigate } from "@tanstack/react-router";
import { lazy, Suspense, useRef, useState } from "react";
import { api, type Schemas, unwrap } from "../api/client";
import { keys } from "../api/keys";
import { useMe, useShelf, useShelfDetail, useShelfDrawing } from "../api/queries";
import { useKeys } from "../app/keys";
import { Skeleton, Trouble } from "../parts/bits";
import { ArtifactDrawing } from "../parts/drawing";
import { Toggles } from "../parts/form/toggles";
import { Judged } from "./anchors";
import { OwnArtifact } from "./own";
import { PlateView } from "./plate";
import { text } from "./text";

const Solid = lazy(() => import("../parts/solid"));

/** The shelf of standard prints: drawings to choose from, and the chosen one in full. */
export function ShelfScreen() {
  const shelf = useShelf();
  const me = useMe();
  const may = me.data?.role === "owner" || me.data?.role === "reviewer";
  const [adding, setAdding] = useState(false);
  const navigate = useNavigate();
  const hash = useLocation({ select: (l) => l.hash });
  const cards = shelf.data?.artifacts ?? [];
  const current = cards.find((c) => c.ref === hash) ?? cards[0];
  const choose = (ref: string) =>
    void navigate({ to: "/library/$kind", params: { kind: "artifacts" }, hash: ref, replace: true });
  const step = (by: number) => {
    const next = cards[Math.max(0, Math.min(cards.length - 1, cards.indexOf(current!) + by))];
    if (next) choose(next.ref);
  };
  useKeys([
    { key: "ArrowDown", does: text.nextArtifact, run: () => step(1) },
    { key: "ArrowUp", does: text.artifactBefore, run: () => step(-1) },
  ]);
  if (shelf.isError) return <Trouble error={shelf.error} />;
  if (!current) return <Skeleton className="h-full" />;
  return (
    <div className="grid h-full min-h-0 grid-cols-[300px_minmax(0,1fr)] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1">
      <section aria-label={text.shelf} className="sheet min-h-0 overflow-y-auto p-2.5 max-[1020px]:max-h-72">
        <div className="flex items-center gap-1.5 px-1 pb-2">
          <h2 className="lab flex-1">
            {text.shelf}, {cards.length}
          </h2>
          {may && (
            <button type="button" className="button !min-h-7 !px-2" onClick={() => setAdding(true)}>
              <Plus size={14} /> {text.addOwn}
            </button>
          )}
          <a className="button !min-h-7 !px-2" href="/api/shelf.zip" download>
            <DownloadSimple size={14} /> {text.wholeSet}
          </a>
        </div>
        <ul className="grid grid-cols-2 gap-1.5">
          {cards.map((c) => (
            <li key={c.ref}>
              <button
                type="button"
                aria-current={c === current && !adding ? "true" : undefined}
                onClick={() => {
                  setAdding(false);
                  choose(c.ref);
                }}
                className={`grid w-full gap-1 rounded border p-1.5 text-left ${c === current && !adding ? "border-needle bg-station-on shadow-[inset_0_0_0_1px_var(--needle)]" : "border-rule hover:border-ink-3"}`}
              >
                <span className="block h-[84px]">
                  <CardDrawing card={c} />
                </span>
                <span className="text-small leading-tight font-semibold">
                  {c.name}
                  {c.number > 1 && <small className="font-normal text-ink-2"> v{c.number}</small>}
                </span>
              </button>
            </li>
          ))}
        </ul>
      </section>
      {adding ? (
        <OwnArtifact
          done={(ref) => {
            setAdding(false);
            if (ref) choose(ref);
          }}
        />
      ) : (
        <Detail key={current.ref} refName={current.ref} choose={choose} may={may} />
      )}
    </div>
  );
}

function CardDrawing({ card }: { card: Schemas["ShelfCard"] }) {
  const drawing = useShelfDrawing(card.ref);
  if (!drawing.data) return <Skeleton className="h-full" />;
  return <ArtifactDrawing artifact={{ name: card.name, drawing: drawing.data, features: [] }} bare />;
}

function Detail({ refName, choose, may }: { refName: string; choose: (ref: string) => void; may: boolean }) {
  const client = useQueryClient();
  const keep = useMutation({
    mutationFn: (given: Schemas["KeptSizes"]) => unwrap(api.POST("/api/shelf/versions", { body: given })),
    onSuccess: async (card) => {
      await client.invalidateQueries({ queryKey: keys.shelf, exact: true });
      choose(card.ref);
    },
  });
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [onPlate, setOnPlate] = useState(false);
  const [active, setActive] = useState<string | undefined>(undefined);
  const sizes = Object.entries(typed)
    .filter(([, v]) => v.trim() !== "" && Number.isFinite(Number(v)))
    .map(([name, v]) => `${name}:${Number(v)}`)
    .join(",");
  const detail = useShelfDetail(refName, sizes);
  // A size that is refused leaves the last good drawing where it is.
  const last = useRef(detail.data);
  if (detail.data) last.current = detail.data;
  const a = last.current;
  if (!a) return detail.isError ? <Trouble error={detail.error} /> : <Skeleton className="h-full" />;
  const file = (kind: string) =>
    `/api/shelf/${refName}/file.${kind}${sizes ? `?sizes=${encodeURIComponent(sizes)}` : ""}`;
  return (
    <section
      aria-label={a.name}
      className="sheet grid min-h-0 grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] grid-rows-[minmax(0,1fr)] gap-5 p-4 max-[760px]:grid-cols-1 max-[760px]:grid-rows-none"
    >
      <div className="flex min-h-0 min-w-0 flex-col gap-2">
        <h2 className="text-title leading-tight font-extrabold [font-stretch:90%]">{a.name}</h2>
        <p className="text-ink-2">
          {text.versionMmAtMostG(
            a.code,
            a.number,
            a.size_mm.map((s) => s.toFixed(s < 1 ? 2 : 0)).join(" × "),
            a.solid_g.toFixed(a.solid_g < 10 ? 1 : 0),
            a.tools,
          )}
        </p>
        <Toggles
          label={text.shown}
          value={onPlate ? "plate" : "part"}
          options={[
            { value: "part", name: text.part },
            { value: "plate", name: text.plate },
          ]}
          change={(shown) => setOnPlate(shown === "plate")}
          item="px-3 py-0.5 font-semibold"
        />
        {onPlate ? (
          <PlateView refName={refName} sizes={sizes} beds={a.beds} />
        ) : (
          <>
            <div className="min-h-0 flex-1 max-[760px]:min-h-[260px]">
              <Suspense fallback={<Skeleton className="h-full" />}>
                <Solid
                  url={file("stl")}
                  label={text.turnByDragging(a.name)}
                  ends={a.feature_list.find((f) => f.code === active)?.ends ?? null}
                />
              </Suspense>
            </div>
            <div className="h-[38%] min-h-[140px] border-t border-rule-2 pt-1">
              <ArtifactDrawing
                artifact={{ name: a.name, drawing: a.drawing, features: a.feature_list }}
                active={active}
              />
            </div>
            <p className="text-small text-ink-2">{a.note}</p>
            <div className="flex flex-wrap gap-2">
              <a className="button primary" href={file("3mf")} download>
                <DownloadSimple size={15} /> {text.n3mf}
              </a>
              <a className="button" href={file("stl")} download>
                <DownloadSimple size={15} /> {text.stl}
              </a>
            </div>
          </>
        )}
      </div>
      <div className="min-h-0 min-w-0 overflow-y-auto pr-1">
        <h3 className="lab">{text.isolates}</h3>
        <p>{a.isolates}</p>
        <h3 className="lab pt-2.5">{text.isolatesNot}</h3>
        <p>{a.isolates_not}</p>
        {a.parameters.length > 0 && (
          <>
            <h3 className="lab pt-3 pb-1">{text.sizes}</h3>
            <div className="grid grid-cols-2 gap-2">
              {a.parameters.map((p) => (
                <label key={p.name} className="field">
                  <span>
                    {p.label}, {p.unit}
                  </span>
                  <input
                    className="input num"
                    type="number"
                    step="any"
                    min={p.least}
                    max={p.most}
                    placeholder={String(p.usual)}
                    value={typed[p.name] ?? ""}
                    onChange={(e) => setTyped({ ...typed, [p.name]: e.target.value })}
                  />
                  <small className="text-ink-2">{text.toUsual(p.least, p.most, p.usual)}</small>
                </label>
              ))}
            </div>
            <Trouble error={detail.error ?? keep.error} />
            {may && sizes && !detail.isError && (
              <button
                type="button"
                className="button mt-1"
                disabled={keep.isPending}
                onClick={() => keep.mutate({ code: a.code, sizes })}
              >
                {text.keepSizes}
              </button>
            )}
          </>
        )}
        {a.licence && (
          <p className="pt-2 text-small text-ink-2">
            {text.licence}: {a.licence}. {a.source}
          </p>
        )}
        <h3 className="lab pt-3 pb-1">
          {text.features}, {a.feature_list.length}
        </h3>
        <table className="table">
          <thead>
            <tr>
              <th scope="col">{text.code}</th>
              <th scope="col">{text.nominal}</th>
              <th scope="col" className="!text-left">
                {text.how}
              </th>
            </tr>
          </thead>
          <tbody>
            {a.feature_list.map((f) => (
              <tr
                key={f.code}
                onMouseEnter={() => setActive(f.code)}
                className={f.code === active ? "bg-needle-wash" : ""}
              >
                <td>
                  <button
                    type="button"
                    className="num font-semibold hover:underline"
                    onFocus={() => setActive(f.code)}
                    onClick={() => setActive(f.code)}
                  >
                    {f.code}
                  </button>
                </td>
                <td className="num whitespace-nowrap">
                  {f.kind === "look" ? "–" : `${f.nominal.toFixed(f.unit === "°" ? 0 : 2)} ${f.unit}`}
                </td>
                <td className="!text-left text-ink-2">{f.method}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {a.shows.length > 0 && (
          <>
            <h3 className="lab pt-3 pb-1">{text.judged}</h3>
            <Judged codes={a.shows} />
          </>
        )}
        {a.beds.length > 0 && (
          <>
            <h3 className="lab pt-3 pb-1">{text.beds}</h3>
            <ul className="grid gap-0.5 text-small">
              {a.beds.map((b) => (
                <li key={b.machine} className="flex justify-between gap-3 border-b border-rule-2 py-1">
                  <span className="font-semibold">{b.machine}</span>
                  <span className={b.fits ? "text-ok-ink" : "text-needle-ink"}>{b.words}</span>
                </li>
              ))}
            </ul>
          </>
        )}
      </div>
    </section>
  );
}

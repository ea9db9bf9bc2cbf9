import { X } from "@phosphor-icons/react/dist/csr/X";
import { useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../api/client";
import { keys } from "../api/keys";
import { useAnchors, useKinds } from "../api/queries";
import { Field, Skeleton, Trouble } from "../parts/bits";
import { DropZone } from "../parts/drop";
import { typedNumber } from "../parts/numbers";
import { text } from "./text";

const Solid = lazy(() => import("../parts/solid"));
type Feature = Schemas["NewFeature"];
type Unit = Schemas["MeshReport"]["unit"];
/** Brings in an own artifact: the mesh is checked, features are placed on it, and it is kept as a version. */
export function OwnArtifact({ done }: { done: (ref: string | null) => void }) {
  const client = useQueryClient();
  const anchors = useAnchors();
  const kinds = useKinds();
  const kindOf = (f: Feature) => kinds.data?.kinds.find((k) => k.code === f.kind);
  const [unit, setUnit] = useState<Unit>("mm");
  const [report, setReport] = useState<Schemas["MeshReport"] | null>(null);
  const [features, setFeatures] = useState<Feature[]>([]);
  const [active, setActive] = useState<number | null>(null);
  const [picked, setPicked] = useState<number[]>([]);
  const [error, setError] = useState<Error | null>(null);
  const [form, setForm] = useState({
    code: "",
    name: "",
    licence: "",
    source: "",
    isolates: "",
    isolates_not: "",
    note: "",
  });
  const [shows, setShows] = useState<string[]>([]);
  const [tools, setTools] = useState<number[]>([]);
  const usable = report && report.troubles.length === 0;
  const code = () => {
    let n = features.length + 1;
    while (features.some((f) => f.code === `F${n}`)) n++;
    return `F${n}`;
  };
  const pick = async (triangle: number) => {
    setError(null);
    const pair = [...picked, triangle];
    setPicked(pair.slice(-2));
    if (pair.length < 2) return;
    try {
      const f = await unwrap(
        api.POST("/api/meshes/{sha256}/feature", {
          params: { path: { sha256: report!.sha256 } },
          body: { unit, first: pair[0]!, second: pair[1]!, code: code() },
        }),
      );
      setFeatures((old) => [...old, f]);
      setActive(features.length);
    } catch (e) {
      setError(e as Error);
    }
    setPicked([]);
  };
  const edit = (at: number, part: Partial<Feature>) =>
    setFeatures((old) => old.map((f, i) => (i === at ? { ...f, ...part } : f)));
  const keep = async () => {
    setError(null);
    try {
      const card = await unwrap(
        api.POST("/api/artifacts", {
          body: {
            id: newId(),
            sha256: report!.sha256,
            unit,
            tools,
            features,
            shows: shows as Schemas["NewArtifact"]["shows"],
            ...form,
          },
        }),
      );
      await client.invalidateQueries({ queryKey: keys.shelf, exact: true });
      done(card.ref);
    } catch (e) {
      setError(e as Error);
    }
  };
  const said = (name: keyof typeof form, label: string, most: number, hint?: string) => (
    <Field label={label} {...(hint ? { hint } : {})}>
      <input
        className="input"
        value={form[name]}
        maxLength={most}
        onChange={(e) =>
          setForm({ ...form, [name]: name === "code" ? e.target.value.toUpperCase() : e.target.value })
        }
      />
    </Field>
  );
  const missing = (
    [
      ["code", text.itsCode],
      ["name", text.itsName],
      ["isolates", text.whatItTells],
      ["licence", text.theLicence],
      ["source", text.whereItComesFrom],
    ] as const
  )
    .filter(([key]) => !form[key].trim())
    .map(([, words]) => words);
  const url = usable ? `/api/meshes/${report.sha256}/mesh.stl?unit=${unit}` : "";
  return (
    <section
      aria-label={text.own}
      className="sheet grid min-h-0 grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)] grid-rows-[minmax(0,1fr)] gap-5 p-4 max-[760px]:grid-cols-1 max-[760px]:grid-rows-none"
    >
      <div className="flex min-h-0 min-w-0 flex-col gap-2">
        <h2 className="text-title leading-tight font-extrabold [font-stretch:90%]">{text.own}</h2>
        {usable ? (
          <>
            <p className="text-ink-2">
              {text.trianglesMmCmBodiesClosed(
                report.name,
                report.triangles,
                report.size_mm.map((s) => s.toFixed(1)).join(" × "),
                ((report.volume_mm3 ?? 0) / 1000).toFixed(1),
                report.bodies,
                report.mended.length,
                report.mended.join("; "),
              )}
            </p>
            <div className="min-h-0 flex-1 max-[760px]:min-h-[320px]">
              <Suspense fallback={<Skeleton className="h-full" />}>
                <Solid
                  url={url}
                  label={text.turnByDraggingClickA(report.name)}
                  ends={active !== null ? (features[active]?.ends ?? null) : null}
                  picked={picked}
                  pick={(t) => void pick(t)}
                />
              </Suspense>
            </div>
            <p aria-live="polite" className="font-semibold">
              {picked.length === 1 ? text.pickSecond : text.pickFirst}
            </p>
          </>
        ) : (
          <>
            <p className="text-ink-2">{text.ownWhy}</p>
            <label className="field max-w-[220px]">
              <span>{text.stlUnit}</span>
              <select className="input" value={unit} onChange={(e) => setUnit(e.target.value as Unit)}>
                {(["mm", "cm", "inch", "m"] as const).map((u) => (
                  <option key={u}>{u}</option>
                ))}
              </select>
            </label>
            <DropZone<Schemas["MeshReport"]>
              label={text.dropMesh}
              hint={text.meshLimits}
              accept=".stl,.3mf"
              path={(name) => `/api/meshes?unit=${unit}&name=${encodeURIComponent(name)}`}
              took={setReport}
            />
            {report && report.troubles.length > 0 && (
              <div role="alert" className="trouble">
                <p>
                  <b>{text.isNotClosedSoIt(report.name)}</b> {text.nothingWasKeptRepairIt}
                </p>
                <ul className="list-disc pl-5">
                  {report.troubles.map((t) => (
                    <li key={t}>{t}</li>
                  ))}
                </ul>
              </div>
            )}
          </>
        )}
      </div>
      <div className="flex min-h-0 min-w-0 flex-col">
        <div className="grid min-h-0 flex-1 content-start gap-2 overflow-y-auto pr-1">
          <div className="grid grid-cols-[90px_1fr] items-start gap-2">
            {said("code", "Code", 4, "2 to 4 letters")}
            {said("name", "Name", 60)}
          </div>
          {said("isolates", text.isolates, 300)}
          {said("isolates_not", text.isolatesNot, 300)}
          <div className="grid grid-cols-2 gap-2">
            {said("licence", "Licence", 100)}
            {said("source", text.whereItComesFrom2, 300)}
          </div>
          <fieldset>
            <legend className="lab pb-1">{text.judged}</legend>
            <div className="flex flex-wrap gap-x-3 gap-y-1">
              {anchors.data?.defects.map((d) => (
                <label key={d.code} className="flex items-center gap-1.5 text-small">
                  <input
                    type="checkbox"
                    checked={shows.includes(d.code)}
                    onChange={(e) =>
                      setShows(e.target.checked ? [...shows, d.code] : shows.filter((c) => c !== d.code))
                    }
                  />
                  {d.name}
                </label>
              ))}
            </div>
            {shows.length === 0 && <p className="pt-1 text-small text-ink-2">{text.judgedAll}</p>}
          </fieldset>
          {usable && report.bodies > 1 && (
            <fieldset>
              <legend className="lab pb-1">{text.toolOfEachBody}</legend>
              <div className="flex flex-wrap gap-2">
                {Array.from({ length: report.bodies }, (_, b) => (
                  <label key={b} className="flex items-center gap-1 text-small">
                    {text.body(b + 1)}
                    <select
                      className="input !w-auto"
                      value={tools[b] ?? 0}
                      onChange={(e) =>
                        setTools(
                          Array.from({ length: report.bodies }, (_, k) =>
                            k === b ? Number(e.target.value) : (tools[k] ?? 0),
                          ),
                        )
                      }
                    >
                      <option value={0}>{text.first}</option>
                      <option value={1}>{text.second}</option>
                    </select>
                  </label>
                ))}
              </div>
            </fieldset>
          )}
          <h3 className="lab pt-1">
            {text.features}, {features.length}
          </h3>
          <ul className="grid gap-1">
            {features.map((f, i) => (
              <li
                key={i}
                className={`grid grid-cols-[58px_94px_48px_74px_1fr_24px] items-center gap-1 rounded p-0.5 ${i === active ? "bg-needle-wash" : ""}`}
                onMouseEnter={() => setActive(i)}
                onFocus={() => setActive(i)}
              >
                <input
                  className="input num"
                  aria-label={text.codeOfFeature(i + 1)}
                  value={f.code}
                  maxLength={8}
                  onChange={(e) => edit(i, { code: e.target.value.toUpperCase() })}
                />
                <select
                  className="input"
                  aria-label={text.kindOf(f.code)}
                  value={f.kind}
                  onChange={(e) => edit(i, { kind: e.target.value as Feature["kind"], level: null })}
                >
                  {kinds.data?.kinds.map((k) => (
                    <option key={k.code} value={k.code}>
                      {k.name}
                    </option>
                  ))}
                </select>
                <select
                  className="input"
                  aria-label={text.axisOf(f.code)}
                  value={f.axis}
                  disabled={!!f.ends}
                  onChange={(e) => edit(i, { axis: e.target.value as Feature["axis"] })}
                >
                  {(["X", "Y", "Z", "D"] as const).map((a) => (
                    <option key={a}>{a}</option>
                  ))}
                </select>
                <input
                  className="input num"
                  type="number"
                  min={0}
                  step="any"
                  aria-label={text.nominalOf(f.code, kindOf(f)?.unit ?? "")}
                  value={f.nominal}
                  readOnly={!!f.ends}
                  onChange={(e) => edit(i, { nominal: Number(e.target.value) })}
                />
                {kindOf(f)?.level && (
                  <label className="col-span-5 col-start-2 row-start-2 flex items-center gap-1.5 text-small">
                    {kindOf(f)?.level}
                    <input
                      className="input num w-24"
                      inputMode="decimal"
                      aria-label={text.levelOf(f.code)}
                      defaultValue={f.level ?? ""}
                      onChange={(e) => edit(i, { level: typedNumber(e.target.value) })}
                    />
                  </label>
                )}
                <input
                  className="input"
                  aria-label={text.howIsMeasured(f.code)}
                  value={f.method}
                  maxLength={200}
                  onChange={(e) => edit(i, { method: e.target.value })}
                />
                <button
                  type="button"
                  aria-label={text.takeAway(f.code)}
                  className="rounded p-1 text-ink-2 hover:bg-station-on"
                  onClick={() => {
                    setFeatures(features.filter((_, k) => k !== i));
                    setActive(null);
                  }}
                >
                  <X size={13} />
                </button>
              </li>
            ))}
          </ul>
          <button
            type="button"
            className="button justify-self-start"
            onClick={() =>
              setFeatures([
                ...features,
                {
                  code: code(),
                  kind: "length",
                  axis: "X",
                  sense: 1,
                  nominal: 10,
                  method: text.jawsAcrossTheTwoFaces,
                  ends: null,
                },
              ])
            }
          >
            {text.typeFeature}
          </button>
        </div>
        <div className="grid gap-2 border-t border-rule pt-2.5">
          <Trouble error={error} />
          {usable && missing.length > 0 && (
            <p className="text-small text-ink-2">{text.stillMissing(missing.join(", "))}</p>
          )}
          <div className="flex gap-2">
            <button
              type="button"
              className="button now"
              disabled={!usable || missing.length > 0}
              onClick={() => void keep()}
            >
              {text.keepOwn}
            </button>
            <button type="button" className="button" onClick={() => done(null)}>
              {text.back}
            </button>
          </div>
        </div>
      </div>
    </section>
  );
}

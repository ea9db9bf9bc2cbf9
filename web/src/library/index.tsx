import { useParams } from "@tanstack/react-router";
import { type ReactNode, useState } from "react";
import { useLibrary, useMe } from "../api/queries";
import { Shell } from "../app/shell";
import { Skeleton, Trouble } from "../parts/bits";
import { ArtifactDrawing } from "../parts/drawing";
import { InstrumentForm, ModelForm, SpoolForm } from "./forms";

const TITLES: Record<string, string> = {
  artifacts: "Artifacts",
  machines: "Machines",
  spools: "Spools",
  instruments: "Instruments",
};

export function LibraryPage() {
  const { kind } = useParams({ from: "/library/$kind" });
  const library = useLibrary();
  const me = useMe();
  const [adding, setAdding] = useState(false);
  const may = (me.data?.role === "owner" || me.data?.role === "reviewer") && kind !== "artifacts";
  const done = () => setAdding(false);
  const data = library.data;
  return (
    <Shell studyId={null} active={kind} title={TITLES[kind] ?? "Library"}>
      <Trouble error={library.error} />
      {!data && <Skeleton className="h-60" />}
      {data && (
        <section className="sheet mx-auto max-w-[980px] p-4">
          {kind === "artifacts" &&
            data.artifacts.map((a) => (
              <article key={a.id} className="grid grid-cols-[300px_1fr] gap-6 max-[760px]:grid-cols-1">
                <div className="h-[300px]">
                  <ArtifactDrawing artifact={a} />
                </div>
                <div>
                  <h2 className="text-[21px] font-bold [font-stretch:92%]">{a.name}</h2>
                  <p className="text-ink-2">
                    {a.code}, version {a.number}. Isolates: {a.isolates.toLowerCase()}
                  </p>
                  <Table
                    heads={["Face", "Axis", "Nominal, mm", "How"]}
                    rows={a.features.map((f) => [f.code, f.axis, f.nominal_mm.toFixed(2), f.method])}
                  />
                </div>
              </article>
            ))}
          {kind === "artifacts" && data.artifacts.length === 0 && (
            <p className="text-ink-2">The step block appears with the first study.</p>
          )}
          {kind === "machines" && (
            <Table
              heads={["Model", "Bed, mm", "Height, mm", "List price", "Tools", "Units"]}
              rows={data.models.map((m) => [
                m.name,
                `${m.bed_x_mm.toFixed(0)} × ${m.bed_y_mm.toFixed(0)}`,
                m.height_mm.toFixed(0),
                m.list_price?.toFixed(0) ?? "–",
                String(m.tools),
                String(m.units),
              ])}
            />
          )}
          {kind === "spools" && (
            <Table
              heads={["Code", "Material", "Colour", "Maker", "Density, g/cm³", "Price per kg", "Dried"]}
              rows={data.spools.map((s) => [
                s.code,
                s.material,
                s.colour,
                s.maker,
                s.density_g_cm3.toFixed(2),
                s.price_per_kg.toFixed(2),
                s.dried_on ?? "as received",
              ])}
            />
          )}
          {kind === "instruments" && (
            <Table
              heads={["Code", "Kind", "Resolution", "Calibration u", "Repeatability", "Calibrated"]}
              rows={data.instruments.map((i) => [
                i.code,
                i.kind,
                `${i.resolution} ${i.unit}`,
                `${i.u_calibration} ${i.unit}`,
                `${i.repeatability} ${i.unit}`,
                i.calibrated_on ?? "not recorded",
              ])}
            />
          )}
          {may && !adding && (
            <button type="button" className="button mt-4" onClick={() => setAdding(true)}>
              Add {kind === "machines" ? "a machine" : kind === "spools" ? "a spool" : "an instrument"}
            </button>
          )}
          {adding && kind === "machines" && <ModelForm done={done} />}
          {adding && kind === "spools" && <SpoolForm done={done} />}
          {adding && kind === "instruments" && <InstrumentForm done={done} />}
        </section>
      )}
    </Shell>
  );
}

function Table({ heads, rows }: { heads: string[]; rows: ReactNode[][] }) {
  return (
    <table className="table [&_td]:!text-left [&_th]:!text-left">
      <thead>
        <tr>
          {heads.map((h) => (
            <th key={h} scope="col">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row, i) => (
          <tr key={i}>
            {row.map((cell, k) => (
              <td key={k} className={k === 0 ? "font-semibold" : ""}>
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

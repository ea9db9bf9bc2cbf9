import { useParams } from "@tanstack/react-router";
import { type ReactNode, useState } from "react";
import { useLibrary, useMe } from "../api/queries";
import { Shell } from "../app/shell";
import { Skeleton, Trouble } from "../parts/bits";
import { InstrumentForm, ModelForm, SpoolForm } from "./forms";
import { ShelfScreen } from "./shelf";

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
      {!data && kind !== "artifacts" && <Skeleton className="h-60" />}
      {kind === "artifacts" && <ShelfScreen />}
      {data && kind !== "artifacts" && (
        <section className="sheet mx-auto max-w-[980px] p-4">
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

import { useParams } from "@tanstack/react-router";
import { type ReactNode, useState } from "react";
import { useLibrary, useMe } from "../api/queries";
import { Shell } from "../app/shell";
import { Skeleton, Trouble } from "../parts/bits";
import { Hint } from "../parts/hint";
import { Devices } from "./devices";
import { SpoolForm } from "./forms";
import { InstrumentForm, InstrumentSheet } from "./instrument";
import { MachineSheet } from "./machine";
import { ShelfScreen } from "./shelf";
import { SpoolSheet } from "./spool";
import { text } from "./text";

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
  const [sheet, setSheet] = useState<string | null>(null);
  const done = () => {
    setAdding(false);
    setSheet(null);
  };
  const data = library.data;
  const shown = kind === "instruments" && may && data?.instruments.find((i) => i.id === sheet);
  return (
    <Shell studyId={null} active={kind} title={TITLES[kind] ?? text.library}>
      <Trouble error={library.error} />
      {!data && kind !== "artifacts" && <Skeleton className="h-60" />}
      {kind === "artifacts" && <ShelfScreen />}
      {data && kind !== "artifacts" && (
        <section className="sheet mx-auto max-w-[980px] p-4">
          {kind === "machines" && (
            <Table
              heads={["Model", "Bed, mm", "Height, mm", text.listPrice, "Tools", "Motion", "Board", "Units"]}
              rows={data.models.map((m) => [
                <Hint key={m.id} says={text.theWholeSheet}>
                  <button type="button" className="sourced font-semibold" onClick={() => setSheet(m.id)}>
                    {m.name}
                  </button>
                </Hint>,
                `${m.sheet.is_round ? `⌀ ${m.bed_x_mm.toFixed(0)}` : `${m.bed_x_mm.toFixed(0)} × ${m.bed_y_mm.toFixed(0)}`}`,
                m.height_mm.toFixed(0),
                m.list_price === null ? "–" : `${m.list_price.toFixed(0)} ${m.currency}`,
                String(m.tools),
                m.sheet.motion || "–",
                m.sheet.board || "–",
                String(m.units),
              ])}
            />
          )}
          {kind === "machines" &&
            data.lookalikes.map((p) => (
              <p key={p.first + p.second} role="note" className="caution mt-3">
                <b>{text.andLookLikeOneMachine(p.first, p.second)}</b>{" "}
                {text.bothAgainstItNotOn(
                  p.reasons.join(", "),
                  p.against.length,
                  p.against.join(", "),
                  p.open.length,
                  p.open.join(", "),
                )}
              </p>
            ))}
          {kind === "spools" && (
            <Table
              heads={["Code", "Material", "Colour", "Maker", "Density, g/cm³", text.pricePerKg, "Dried"]}
              rows={data.spools.map((s) => [
                <Hint key={s.id} says={text.itsLogWeighingsDrying}>
                  <button type="button" className="sourced font-semibold" onClick={() => setSheet(s.id)}>
                    {s.code}
                  </button>
                </Hint>,
                s.material,
                s.colour,
                s.maker,
                s.density_g_cm3.toFixed(2),
                `${s.price_per_kg.toFixed(2)} ${s.currency}`,
                s.dried_on ?? text.asReceived,
              ])}
            />
          )}
          {kind === "instruments" && (
            <Table
              heads={[
                "Code",
                "Kind",
                "Resolution",
                text.calibrationU,
                "Repeatability",
                "Calibrated",
                text.holdsUntil,
              ]}
              rows={data.instruments.map((i) => [
                may ? (
                  <Hint key={i.id} says={text.correctItOrCalibrate}>
                    <button type="button" className="sourced font-semibold" onClick={() => setSheet(i.id)}>
                      {i.code}
                    </button>
                  </Hint>
                ) : (
                  i.code
                ),
                i.kind,
                `${i.resolution} ${i.unit}`,
                `${i.u_calibration} ${i.unit}`,
                `${i.repeatability} ${i.unit}`,
                i.calibrated_on ?? text.notRecorded,
                i.due_on === null ? (
                  "–"
                ) : i.overdue ? (
                  <b key={i.id} className="text-needle-ink">
                    {text.ranOut(i.due_on)}
                  </b>
                ) : (
                  i.due_on
                ),
              ])}
            />
          )}
          {may && !adding && !sheet && (
            <button type="button" className="button mt-4" onClick={() => setAdding(true)}>
              {text.addAMachineASpool(kind === "machines", kind === "spools")}
            </button>
          )}
          {kind === "machines" && (adding || sheet) && (
            <MachineSheet
              key={sheet ?? "new"}
              model={data.models.find((m) => m.id === sheet) ?? null}
              done={done}
            />
          )}
          {kind === "spools" && sheet && (
            <SpoolSheet
              key={sheet}
              id={sheet}
              may={me.data?.role === "owner" || me.data?.role === "reviewer"}
              done={done}
            />
          )}
          {adding && kind === "spools" && <SpoolForm done={done} />}
          {adding && kind === "instruments" && <InstrumentForm done={done} />}
          {shown && <InstrumentSheet key={shown.id} instrument={shown} done={done} />}
        </section>
      )}
      {kind === "instruments" && data && (
        <Devices may={me.data?.role === "owner" || me.data?.role === "reviewer"} />
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

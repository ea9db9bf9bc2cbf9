import { DownloadSimple } from "@phosphor-icons/react/dist/csr/DownloadSimple";
import { useState } from "react";
import type { Schemas } from "../api/client";
import { type PlateWish, usePlate } from "../api/queries";
import { Skeleton, Trouble } from "../parts/bits";
import { text } from "./text";

type Bed = Schemas["BedFit"];
const ANY_BED: Bed = {
  machine: "",
  bed_x_mm: 220,
  bed_y_mm: 220,
  is_round: false,
  keep_out: "",
  fits: true,
  words: "",
};

/** Copies of one artifact packed on a machine's bed: the picture, the count, and the plate as a file. */
export function PlateView({ refName, sizes, beds }: { refName: string; sizes: string; beds: Bed[] }) {
  const [bedName, setBedName] = useState(beds[0]?.machine ?? "");
  const [typed, setTyped] = useState({ wanted: "200", spacing: "3", brim: "0" });
  const [turns, setTurns] = useState<1 | 4 | 8>(4);
  const bed = beds.find((b) => b.machine === bedName) ?? ANY_BED;
  const [free, setFree] = useState<string | null>(null);
  const amount = (name: keyof typeof typed, most: number, least = 0) =>
    Math.max(least, Math.min(most, Number(typed[name]) || 0));
  const wish: PlateWish = {
    bed_x: bed.bed_x_mm,
    bed_y: bed.bed_y_mm,
    round: bed.is_round,
    keep_out: free ?? bed.keep_out,
    spacing: amount("spacing", 50),
    brim: amount("brim", 20),
    turns,
    wanted: Math.round(amount("wanted", 200, 1)),
    sizes,
  };
  const plate = usePlate(refName, wish);
  const query = new URLSearchParams(Object.entries(wish).map(([k, v]) => [k, String(v)]));
  const field = (name: keyof typeof typed, label: string, most: number) => (
    <label className="field col-span-2">
      <span>{label}</span>
      <input
        className="input num"
        type="number"
        min={name === "wanted" ? 1 : 0}
        max={most}
        step={name === "wanted" ? 1 : "any"}
        value={typed[name]}
        onChange={(e) => setTyped({ ...typed, [name]: e.target.value })}
      />
    </label>
  );
  return (
    <>
      <div className="min-h-0 flex-1 max-[760px]:min-h-[300px]">
        {plate.data ? (
          <PlatePicture plate={plate.data} busy={plate.isFetching} />
        ) : (
          <Skeleton className="h-full" />
        )}
      </div>
      <p aria-live="polite" className="text-lead font-semibold">
        {plate.data?.words}
      </p>
      <Trouble error={plate.error} />
      <div className="grid grid-cols-6 items-end gap-2 ">
        <label className="field col-span-3">
          <span>{text.bed}</span>
          <select
            className="input"
            value={bedName}
            onChange={(e) => {
              setBedName(e.target.value);
              setFree(null);
            }}
          >
            {beds.map((b) => (
              <option key={b.machine}>{b.machine}</option>
            ))}
            {beds.length === 0 && <option value="">{text.n220220Mm}</option>}
          </select>
        </label>
        <label className="field col-span-3">
          <span>{text.turns}</span>
          <select
            className="input"
            value={turns}
            onChange={(e) => setTurns(Number(e.target.value) as 1 | 4 | 8)}
          >
            <option value={1}>{text.asDrawn}</option>
            <option value={4}>{text.quarterTurns}</option>
            <option value={8}>{text.eighthTurns}</option>
          </select>
        </label>
        {field("wanted", text.copies, 200)}
        {field("spacing", text.spacing, 50)}
        {field("brim", text.brim, 20)}
        <label className="field col-span-6">
          <span>{text.keptFree}</span>
          <input
            className="input num"
            placeholder="0,0,220,12; 200,0,20,220"
            maxLength={400}
            value={free ?? bed.keep_out}
            onChange={(e) => setFree(e.target.value)}
          />
        </label>
      </div>
      <div className="flex flex-wrap gap-2">
        {(["3mf", "stl"] as const).map((kind) => (
          <a
            key={kind}
            className={`button ${kind === "3mf" ? "primary" : ""}`}
            href={`/api/shelf/${refName}/plate.${kind}?${query}`}
            download
          >
            <DownloadSimple size={15} /> {text.plateAs} {kind.toUpperCase()}
          </a>
        ))}
      </div>
    </>
  );
}

function PlatePicture({ plate, busy }: { plate: Schemas["PlateOut"]; busy: boolean }) {
  const margin = 12;
  const [w, h] = [plate.bed_x, plate.bed_y];
  const line = Math.max(w, h) / 400;
  return (
    <svg
      viewBox={`${-w / 2 - margin} ${-h / 2 - margin} ${w + 2 * margin} ${h + 2 * margin}`}
      className="h-full w-full"
      role="img"
      aria-busy={busy}
      aria-label={text.copiesOnABedOf(plate.copies, w.toFixed(0), h.toFixed(0))}
    >
      <g stroke="var(--rule)" strokeWidth={line}>
        {plate.round ? (
          <circle r={w / 2} fill="var(--bench)" />
        ) : (
          <rect x={-w / 2} y={-h / 2} width={w} height={h} rx={3} fill="var(--bench)" />
        )}
      </g>
      <g transform="scale(1,-1)" fill="var(--needle)" opacity={0.22}>
        {plate.kept_free.map((o, i) => (
          <path key={i} d={`M${o.map((p) => p.join(" ")).join("L")}Z`} />
        ))}
      </g>
      <g
        transform="scale(1,-1)"
        fill="var(--solid-1)"
        stroke="var(--ink)"
        strokeWidth={line}
        strokeLinejoin="round"
      >
        {plate.outlines.map((o, i) => (
          <path key={i} d={`M${o.map((p) => p.join(" ")).join("L")}Z`} />
        ))}
      </g>
      <g fontSize={9 * line * 1.6} fill="var(--ink-2)" textAnchor="middle">
        <text x={0} y={h / 2 + margin - 2}>
          {text.frontMm(w.toFixed(0))}
        </text>
      </g>
    </svg>
  );
}

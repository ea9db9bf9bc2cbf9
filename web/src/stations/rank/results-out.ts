import type { Schemas } from "../../api/client";
import { pieceKey, type ResultsTable, rowsSeen } from "./results";
import { text } from "./text";

type Seen = { table: ResultsTable; open: ReadonlySet<string>; measure: string };
type Line = { head: string; name: string; unit: string; cells: Schemas["ResultCell"][] } | { title: string };

const MARKS: Record<string, string> = { better: "●", "not told apart": "○" };

/** The rows as they stand on the screen. */
function lines({ table, open, measure }: Seen): Line[] {
  const found: Line[] = [];
  for (const g of table.groups) {
    found.push({ title: g.title });
    for (const p of g.pieces)
      rowsSeen(p, open.has(pieceKey(p)), measure).forEach((r, at) => {
        found.push({ head: at === 0 ? p.artifact : "", name: r.name, unit: r.unit, cells: r.cells });
      });
  }
  if (table.every.length > 0) found.push({ title: text.results.everyRun });
  table.every.forEach((r, at) => {
    found.push({ head: at === 0 ? text.results.allPrints : "", name: r.name, unit: r.unit, cells: r.cells });
  });
  return found;
}

const written = (c: Schemas["ResultCell"]) =>
  c.cannot
    ? `${text.results.cannot}: ${c.cannot}`
    : [MARKS[c.place] ?? "", c.text, c.spread, c.note].filter(Boolean).join(" ");

const headings = (table: ResultsTable) => [
  ...table.columns.map((c) => c.name),
  ...table.references.map((r) => text.two.reference(r.name)),
];

/** For a spreadsheet: cells apart by tabs. */
export function asText(seen: Seen): string {
  const head = [text.results.title, "", "", ...headings(seen.table)];
  return [
    head,
    ...lines(seen).map((l) => ("title" in l ? [l.title] : [l.head, l.name, l.unit, ...l.cells.map(written)])),
  ]
    .map((row) => row.join("\t"))
    .join("\n");
}

const ROW = 26;
const LEFT = 340;
const COLUMN = 150;
const PAD = 18;

/** The table as a drawing that stands by itself; on white, so that it prints. */
export function asPicture(seen: Seen): { svg: string; width: number; height: number } {
  const rows = lines(seen);
  const width = 2 * PAD + LEFT + COLUMN * headings(seen.table).length;
  const height = 2 * PAD + ROW * (rows.length + 2);
  const out: string[] = [];
  const put = (x: number, y: number, words: string, more = "") => {
    out.push(`<text x="${x}" y="${y}" ${more}>${escaped(words)}</text>`);
  };
  const right = (at: number) => PAD + LEFT + COLUMN * (at + 1) - 6;
  put(PAD, PAD + 16, text.results.title, 'font-weight="700" font-size="15"');
  headings(seen.table).forEach((name, at) => {
    put(right(at), PAD + 16, cut(name, 24), 'font-weight="700" text-anchor="end"');
  });
  rows.forEach((l, at) => {
    const y = PAD + ROW * (at + 2) - 4;
    out.push(`<path d="M${PAD} ${y + 8}H${width - PAD}" stroke="#c8d1c9"/>`);
    if ("title" in l) {
      put(PAD, y, l.title, 'font-weight="700" font-size="11" fill="#48574f"');
      return;
    }
    put(PAD, y, cut(l.head, 22), 'font-weight="600"');
    put(PAD + 150, y, cut(`${l.name} ${l.unit}`, 34));
    l.cells.forEach((c, k) => {
      put(
        right(k),
        y,
        cut(written(c), 26),
        `text-anchor="end" ${c.place === "better" ? 'font-weight="700"' : ""}`,
      );
    });
  });
  put(
    PAD,
    height - PAD,
    `● ${text.results.better}   ○ ${text.results.level}`,
    'fill="#48574f" font-size="11"',
  );
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" font-family="Archivo, Helvetica, Arial, sans-serif" font-size="12" fill="#13211d"><rect width="100%" height="100%" fill="#fff"/>${out.join("")}</svg>`;
  return { svg, width, height };
}

/** Gives the picture to the person as a file; a PNG at twice its size, sharp on any screen. */
export async function keepPicture(
  picture: { svg: string; width: number; height: number },
  kind: "svg" | "png",
): Promise<void> {
  const drawn = new Blob([picture.svg], { type: "image/svg+xml" });
  if (kind === "svg") return give(drawn, "results.svg");
  const image = new Image();
  // A page takes pictures from itself and from such an address alone.
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(picture.svg)}`;
  await image.decode();
  const canvas = document.createElement("canvas");
  canvas.width = 2 * picture.width;
  canvas.height = 2 * picture.height;
  canvas.getContext("2d")?.drawImage(image, 0, 0, canvas.width, canvas.height);
  const made = await new Promise<Blob | null>((done) => canvas.toBlob(done, "image/png"));
  if (made) give(made, "results.png");
}

function give(content: Blob, name: string): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(content);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

const cut = (words: string, most: number) => (words.length > most ? `${words.slice(0, most - 1)}…` : words);
const escaped = (words: string) =>
  words.replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c] ?? c);

import { Refusal } from "../api/client";
import { text } from "./text";

export type Labels = Record<string, string>;

/** Two people changed the same thing: both versions side by side, and the choice. */
export function Conflict({
  error,
  labels,
  mine,
  readable = (raw) => raw,
  keepMine,
  takeTheirs,
}: {
  error: Error | null;
  labels: Labels;
  mine: Record<string, unknown>;
  readable?: (raw: Record<string, unknown>) => Record<string, unknown>;
  keepMine: () => void;
  takeTheirs: () => void;
}) {
  if (!(error instanceof Refusal) || error.status !== 409 || !error.theirs) return null;
  const theirs = readable(error.theirs);
  const typed = readable(mine);
  const different = Object.keys(labels).filter((k) => said(theirs[k]) !== said(typed[k]));
  return (
    <div role="alert" className="trouble grid gap-2">
      <p>{error.message}</p>
      <table className="table [&_td]:!text-left [&_th]:!text-left">
        <thead>
          <tr>
            <th scope="col">{text.what}</th>
            <th scope="col">{text.theirsSaved}</th>
            <th scope="col">{text.yoursTyped}</th>
          </tr>
        </thead>
        <tbody>
          {different.map((k) => (
            <tr key={k}>
              <td>{labels[k]}</td>
              <td>{said(theirs[k])}</td>
              <td>{said(typed[k])}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {different.length === 0 && <p>{text.bothVersionsSayThe}</p>}
      <div className="flex gap-2">
        <button type="button" className="button" onClick={keepMine}>
          {text.keepMine}
        </button>
        <button type="button" className="button" onClick={takeTheirs}>
          {text.takeTheirs}
        </button>
      </div>
    </div>
  );
}

function said(value: unknown): string {
  if (value === null || value === undefined || value === "") return "–";
  if (Array.isArray(value)) return value.map(said).join(", ");
  if (typeof value === "object")
    return Object.entries(value)
      .map(([k, v]) => `${k.replaceAll("_", " ")} ${said(v)}`)
      .join(", ");
  return String(value);
}

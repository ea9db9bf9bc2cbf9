import { type Entry, takeBack } from "../api/outbox";
import { text } from "./text";

/** What the server would not have of one place, where it was entered. */
export function Refused({ entries }: { entries: Entry[] }) {
  return entries
    .filter((e) => e.refused)
    .map((e) => (
      <p key={e.id} role="alert" className="trouble mt-1.5">
        {e.label}: {e.refused}{" "}
        <button type="button" className="underline" onClick={() => takeBack(e.id)}>
          {text.takeItAway}
        </button>
      </p>
    ));
}

import type { FormEvent, ReactNode } from "react";
import type { Schemas } from "../../api/client";

export type Rec = Schemas["UnitRecord"];
export type Unit = Schemas["UnitOut"];

export type Props = {
  studyId: string;
  unit: Unit;
  rec: Rec;
  path: { study_id: string; unit_id: string };
  may: boolean;
  busy: boolean;
  send: (call: () => Promise<Rec>, then: () => void) => void;
};

/** A form in place: what it holds is handed over as words, and it is emptied once that is kept. */
export function Line({
  children,
  action,
  busy,
  label,
  keep,
}: {
  children: ReactNode;
  action: string;
  busy: boolean;
  label: string;
  keep: (words: (name: string) => string, done: () => void) => void;
}) {
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const given = new FormData(form);
    keep(
      (name) => String(given.get(name) ?? "").trim(),
      () => form.reset(),
    );
  };
  return (
    <form onSubmit={submit} aria-label={label} className="mt-3 flex flex-wrap items-end gap-2">
      {children}
      <button type="submit" className="button" disabled={busy}>
        {action}
      </button>
    </form>
  );
}

export const amount = (text: string) => (text === "" ? null : Number(text));

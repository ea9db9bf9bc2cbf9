import { useQueryClient } from "@tanstack/react-query";
import { Popover } from "radix-ui";
import { useEffect } from "react";
import { keys } from "../api/keys";
import { type Entry, momentOf, onKept, onSignedOut, sendAgain, takeBack, useOutbox } from "../api/outbox";
import { useMe } from "../api/queries";
import { text } from "./text";

/** Takes up what the server answers to what was kept on this device; the screens follow. */
export function OutboxKeeper() {
  const client = useQueryClient();
  useEffect(() => {
    const stopKept = onKept(({ entry, answer, alone }) => {
      if (entry.takes) {
        // A reading that began before would set back what this answer says.
        void client.cancelQueries({ queryKey: entry.takes, exact: true });
        client.setQueryData(entry.takes, (known: unknown) => takenUp(known, answer));
      }
      const taken = alone ? JSON.stringify(entry.takes) : null;
      void client.invalidateQueries({
        predicate: (q) => q.queryKey[1] === entry.study && JSON.stringify(q.queryKey) !== taken,
      });
    });
    const stopOut = onSignedOut(() => void client.invalidateQueries({ queryKey: keys.me }));
    return () => {
      stopKept();
      stopOut();
    };
  }, [client]);
  return null;
}

/** What a screen shows after an answer: all of it, or its list with the line that the answer is of. */
function takenUp(known: unknown, answer: unknown): unknown {
  const list = known as { specimens?: { id: string }[] } | undefined;
  const made = answer as { line?: { id: string } } | null;
  if (!made?.line) return answer;
  const { line, ...rest } = made;
  if (!list?.specimens) return undefined;
  return { ...list, ...rest, specimens: list.specimens.map((s) => (s.id === line.id ? line : s)) };
}

/** What waits on this device, in the top strip of every screen. */
export function NotSent() {
  const me = useMe();
  const all = useOutbox();
  const own = all.filter((e) => e.person === me.data?.person_id);
  const others = all.length - own.length;
  const refused = own.filter((e) => e.refused);
  if (all.length === 0) return null;
  return (
    <Popover.Root>
      <Popover.Trigger
        role="status"
        className={`chip shrink-0 ${refused.length ? "border-[var(--needle)] bg-needle-wash text-needle-ink" : "border-[var(--needle)] text-needle-ink"}`}
      >
        {refused.length
          ? text.notTaken(refused.length)
          : own.length
            ? text.notSentYet(own.length)
            : text.ofSomebodyElseS(others)}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          // A screen that is there a moment later takes the focus for what is typed next; this stays open.
          onFocusOutside={(e) => e.preventDefault()}
          className="sheet z-30 max-h-[70dvh] w-[min(420px,94vw)] overflow-y-auto p-3.5"
        >
          <h2 className="text-lead font-bold">{text.keptOnThisDevice}</h2>
          <p className="pt-0.5 text-small text-ink-2">
            {own.length > 0 ? text.sentByItselfInThis : text.nothingOfYoursWaits}
          </p>
          <ul className="mt-2 grid gap-1.5">
            {own.map((e) => (
              <Waiting key={e.id} entry={e} />
            ))}
          </ul>
          {others > 0 && <p className="mt-2 text-small">{text.oneEntryEntriesOfSomebody(others)}</p>}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Waiting({ entry }: { entry: Entry }) {
  const at = momentOf(entry).toLocaleTimeString("en-GB");
  return (
    <li className="border-t border-rule-2 pt-1.5 text-body">
      <span className="flex justify-between gap-2">
        <b>{entry.label}</b>
        <span className="num text-small text-ink-2">{at}</span>
      </span>
      {entry.refused && (
        <>
          <p role="alert" className="trouble mt-1">
            {entry.refused}
          </p>
          <span className="flex gap-2 pt-1">
            <button type="button" className="button" onClick={() => sendAgain(entry.id)}>
              {text.sendItAgain}
            </button>
            <button type="button" className="button" onClick={() => takeBack(entry.id)}>
              {text.takeItAway}
            </button>
          </span>
        </>
      )}
    </li>
  );
}

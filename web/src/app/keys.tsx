import { Dialog } from "radix-ui";
import { createContext, type ReactNode, useContext, useEffect, useMemo, useRef, useState } from "react";
import { Key } from "../parts/bits";
import { text } from "./text";

/**
 * One key of a screen: what it does, and doing it. `typing` keys also work inside a text field; a screen's own
 * keys go before the shell's `base` ones.
 */
export type KeyBinding = { key: string; does: string; run: () => void; typing?: boolean; base?: boolean };

type Registry = { add: (bindings: () => KeyBinding[]) => () => void };
const Keys = createContext<Registry>({ add: () => () => {} });

/** Whether a person is typing: then nothing may take the focus away. */
export function inField(): boolean {
  const focused = document.activeElement;
  return (
    focused instanceof HTMLInputElement ||
    focused instanceof HTMLTextAreaElement ||
    focused instanceof HTMLSelectElement
  );
}

/** Keys of the screen that calls it, for as long as it is shown. */
export function useKeys(bindings: KeyBinding[]): void {
  const { add } = useContext(Keys);
  const latest = useRef(bindings);
  latest.current = bindings;
  useEffect(() => add(() => latest.current), [add]);
}

const ALWAYS: [string, string][] = [
  ["1 – 8 · g 1 – g 8", text.goToAStation],
  ["g a · g m · g s · g i", "artifacts, machines, spools, instruments"],
  ["/", text.findAnything],
  [".", text.sourceOfTheFocusedFigure],
  ["Esc", text.leaveAFieldOrA],
];

export function KeyBoard({ children }: { children: ReactNode }) {
  const sets = useRef(new Set<() => KeyBinding[]>());
  const [help, setHelp] = useState(false);
  const registry = useMemo<Registry>(
    () => ({
      add: (bindings) => {
        sets.current.add(bindings);
        return () => sets.current.delete(bindings);
      },
    }),
    [],
  );
  useEffect(() => {
    let prefix = "";
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
      const typing = inField();
      // A focused button keeps its own Space.
      if (event.key === " " && document.activeElement instanceof HTMLButtonElement) return;
      // Leaving a form gives the focus to the field behind it; only the field that was left is left.
      if (event.key === "Escape" && typing && event.target === document.activeElement)
        (document.activeElement as HTMLElement).blur();
      if (document.querySelector("[role=dialog]")) return;
      if (event.key === "?" && !typing) {
        setHelp(true);
        return;
      }
      const pressed = prefix ? `${prefix} ${event.key}` : event.key;
      prefix = !typing && event.key === "g" && !prefix ? "g" : "";
      const all = [...sets.current].reverse().flatMap((set) => set());
      const matching = all.filter(
        (b) => b.key.toLowerCase() === pressed.toLowerCase() && (b.typing || !typing),
      );
      const found = matching.find((b) => !b.base) ?? matching[0];
      if (found) {
        event.preventDefault();
        found.run();
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return (
    <Keys.Provider value={registry}>
      {children}
      <Dialog.Root open={help} onOpenChange={setHelp}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 bg-black/20" />
          <Dialog.Content
            aria-describedby={undefined}
            className="sheet fixed top-16 left-1/2 z-20 w-[min(440px,92vw)] -translate-x-1/2 p-5"
          >
            <Dialog.Title className="text-head font-bold">{text.keysOfThisScreen}</Dialog.Title>
            <dl className="mt-3 grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2">
              {help &&
                [...sets.current]
                  .flatMap((set) => set())
                  .filter((b) => b.does)
                  .map((b) => (
                    <KeyLine key={b.key + b.does} name={b.key === " " ? "Space" : b.key} does={b.does} />
                  ))}
              {ALWAYS.map(([name, does]) => (
                <KeyLine key={name} name={name} does={does} />
              ))}
            </dl>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </Keys.Provider>
  );
}

function KeyLine({ name, does }: { name: string; does: string }) {
  return (
    <>
      <dt>
        <Key>{name === "ArrowUp" ? "↑" : name.length === 1 ? name.toUpperCase() : name}</Key>
      </dt>
      <dd>{does}</dd>
    </>
  );
}

import { ArrowDown } from "@phosphor-icons/react/dist/csr/ArrowDown";
import { ArrowUp } from "@phosphor-icons/react/dist/csr/ArrowUp";
import { type KeyboardEvent, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { text } from "./text";

/** The report's sections: on or off, and their order. `chosen` is null while they stand as usual. */
export function Composer({
  sections,
  chosen,
  choose,
}: {
  sections: Schemas["SectionOut"][];
  chosen: string[] | null;
  choose: (chosen: string[] | null) => void;
}) {
  const [picked, setHere] = useState<string | null>(null);
  const list = useRef<HTMLOListElement>(null);
  const on = chosen ?? sections.map((s) => s.code);
  const byCode = new Map(sections.map((s) => [s.code, s]));
  // What is off stays behind what it usually follows.
  const order = [...on];
  sections.forEach((s, i) => {
    if (order.includes(s.code)) return;
    const before = sections
      .slice(0, i)
      .reverse()
      .find((other) => order.includes(other.code));
    order.splice(before ? order.indexOf(before.code) + 1 : 0, 0, s.code);
  });
  const shown = order.flatMap((code) => byCode.get(code) ?? []);
  const here = picked ?? shown[0]?.code ?? null;
  const turn = (code: string) => {
    if (on.includes(code)) return choose(on.filter((c) => c !== code));
    // Back to where it usually stands among those that are on.
    const usual = sections.map((s) => s.code);
    const after = on.findIndex((c) => usual.indexOf(c) > usual.indexOf(code));
    choose(after < 0 ? [...on, code] : [...on.slice(0, after), code, ...on.slice(after)]);
  };
  const move = (code: string, by: 1 | -1) => {
    const at = on.indexOf(code);
    const next = [...on];
    const [taken] = next.splice(at, 1);
    if (taken) next.splice(at + by, 0, taken);
    choose(next);
  };
  // One stop for Tab: arrows go between the sections, with Alt they take the section along.
  const onKey = (event: KeyboardEvent<HTMLInputElement>) => {
    const by = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    if (!by || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    event.stopPropagation();
    const at = shown.findIndex((s) => s.code === here);
    if (event.altKey) {
      const place = on.indexOf(here ?? "");
      if (here && place >= 0 && on[place + by]) move(here, by);
      return;
    }
    const next = shown[at + by];
    if (!next) return;
    setHere(next.code);
    list.current?.querySelectorAll("input")[at + by]?.focus();
  };
  return (
    <section aria-label={text.sections} className="sheet flex min-h-0 flex-col overflow-y-auto p-3">
      <h2 className="lab flex items-baseline justify-between pb-1">
        {text.sections}
        {chosen && (
          <button type="button" className="font-normal underline" onClick={() => choose(null)}>
            {text.usual}
          </button>
        )}
      </h2>
      <ol ref={list}>
        {shown.map((s) => {
          const at = on.indexOf(s.code);
          return (
            <li
              key={s.code}
              className="group flex items-center gap-1.5 border-b border-rule-2 py-1 text-small"
            >
              <label className="flex min-w-0 flex-1 items-center gap-2">
                <input
                  type="checkbox"
                  className="aria-disabled:opacity-45"
                  checked={at >= 0}
                  aria-disabled={s.always}
                  tabIndex={s.code === here ? 0 : -1}
                  onFocus={() => setHere(s.code)}
                  onKeyDown={onKey}
                  onChange={() => !s.always && turn(s.code)}
                />
                <span className={at >= 0 ? "" : "text-ink-2 line-through"}>
                  {s.title}
                  {s.always && <span className="sr-only"> ({text.always})</span>}
                </span>
              </label>
              {at >= 0 && (
                <>
                  <button
                    type="button"
                    className="chip !min-h-6 !px-1"
                    tabIndex={-1}
                    disabled={at === 0}
                    aria-label={text.up(s.title)}
                    onClick={() => move(s.code, -1)}
                  >
                    <ArrowUp size={12} />
                  </button>
                  <button
                    type="button"
                    className="chip !min-h-6 !px-1"
                    tabIndex={-1}
                    disabled={at === on.length - 1}
                    aria-label={text.down(s.title)}
                    onClick={() => move(s.code, 1)}
                  >
                    <ArrowDown size={12} />
                  </button>
                </>
              )}
            </li>
          );
        })}
      </ol>
      <p className="pt-2 text-small text-ink-2">
        {text.sectionsHint} {text.sectionsKeys}
      </p>
    </section>
  );
}

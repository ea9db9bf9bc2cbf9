import { type ReactNode, useLayoutEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";

/**
 * A part of a long table that is drawn once it comes near the view, and all of it on paper. Until then its head stands
 * there, as tall as its rows will be.
 */
export function Near({
  always,
  rows,
  columns,
  head,
  children,
}: {
  /** The table is short: everything is drawn. */
  always: boolean;
  rows: number;
  columns: number;
  head: ReactNode;
  children: ReactNode;
}) {
  const body = useRef<HTMLTableSectionElement>(null);
  const [near, setNear] = useState(false);
  const [tall, setTall] = useState(0);
  const drawn = always || near;
  useLayoutEffect(() => {
    const part = body.current;
    if (always || !part) return;
    const root = part.closest<HTMLElement>("[data-scrolls]");
    const seen = new IntersectionObserver(
      ([entry]) => {
        if (!entry) return;
        if (!entry.isIntersecting) setTall(entry.boundingClientRect.height);
        setNear(entry.isIntersecting);
      },
      { root, rootMargin: "600px 0px" },
    );
    seen.observe(part);
    // Paper does not wait for the next drawing.
    const whole = () => flushSync(() => setNear(true));
    window.addEventListener("beforeprint", whole);
    return () => {
      seen.disconnect();
      window.removeEventListener("beforeprint", whole);
    };
  }, [always]);
  return (
    <tbody ref={body}>
      {drawn ? (
        children
      ) : (
        <tr style={{ height: Math.max(tall, rows * ROW) }}>
          <th scope="row">{head}</th>
          <td colSpan={columns} />
        </tr>
      )}
    </tbody>
  );
}

/** Of a row in px, about; what was drawn once is as tall as it was. */
const ROW = 34;

import { useVirtualizer } from "@tanstack/react-virtual";
import { type ReactNode, useEffect, useLayoutEffect, useRef, useState } from "react";

// So many rows are drawn whole: the browser's own search and a reader's list work best on what is there.
const WHOLE = 150;

/** A list of which only the rows near the view are drawn; it scrolls with the sheet that it stands in. */
export function Windowed<Row>({
  rows,
  height,
  chosen,
  id,
  under = 0,
  children,
}: {
  rows: Row[];
  /** Of a row, about; px. */
  height: number;
  /** The row that is brought into view when it changes. */
  chosen?: Row | undefined;
  id: (row: Row) => string;
  /** Height of what stays at the top of the sheet while the rows pass under it, px. */
  under?: number;
  children: (row: Row) => ReactNode;
}) {
  const list = useRef<HTMLOListElement>(null);
  const [above, setAbove] = useState(0);
  const short = rows.length <= WHOLE;
  const view = useVirtualizer({
    enabled: !short,
    count: rows.length,
    getScrollElement: () => scroller(list.current),
    estimateSize: () => height,
    getItemKey: (at) => id(rows[at]!),
    overscan: 15,
    scrollMargin: above,
    scrollPaddingStart: under,
  });
  // What stands above it in the sheet may grow.
  useLayoutEffect(() => {
    const box = short ? null : scroller(list.current);
    if (box && list.current)
      setAbove(
        Math.round(
          list.current.getBoundingClientRect().top - box.getBoundingClientRect().top + box.scrollTop,
        ),
      );
  });
  const place = chosen ? rows.indexOf(chosen) : -1;
  const key = chosen ? id(chosen) : null;
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a newly chosen row is brought into view
  useEffect(() => {
    if (place < 0) return;
    if (short) list.current?.children[place]?.scrollIntoView({ block: "nearest" });
    else view.scrollToIndex(place, { align: "auto" });
  }, [key]);
  if (short)
    return (
      <ol ref={list}>
        {rows.map((row) => (
          <li key={id(row)}>{children(row)}</li>
        ))}
      </ol>
    );
  return (
    <ol ref={list} className="relative" style={{ height: view.getTotalSize() }}>
      {view.getVirtualItems().map((item) => (
        <li
          key={item.key}
          ref={view.measureElement}
          data-index={item.index}
          aria-setsize={rows.length}
          aria-posinset={item.index + 1}
          className="absolute top-0 left-0 w-full"
          style={{ transform: `translateY(${item.start - above}px)` }}
        >
          {children(rows[item.index]!)}
        </li>
      ))}
    </ol>
  );
}

function scroller(from: HTMLElement | null): HTMLElement | null {
  return from?.closest<HTMLElement>("[data-scrolls]") ?? null;
}

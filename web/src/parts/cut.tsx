import { useEffect, useState } from "react";
import { text } from "./text";

/** A ref for a box that scrolls sideways, and whether it hides something to its right. */
export function useCut(): [(box: HTMLElement | null) => void, boolean] {
  const [box, setBox] = useState<HTMLElement | null>(null);
  const [cut, setCut] = useState(false);
  useEffect(() => {
    if (!box) return;
    const seen = new ResizeObserver(() => setCut(box.scrollWidth > box.clientWidth + 1));
    // Columns may come and go while the box stays as wide as it is.
    for (const of of [box, ...box.children]) seen.observe(of);
    return () => seen.disconnect();
  }, [box]);
  return [setBox, cut];
}

export function MoreColumns({ cut }: { cut: boolean }) {
  return cut && <p className="text-small text-brass-ink print:hidden">{text.moreColumnsToThe}</p>;
}

import { useState } from "react";
import { useAnchors } from "../api/queries";
import { AnchorPicture } from "../parts/anchor-picture";
import { text } from "./text";

/** The defects an artifact brings out, each with its anchors and pictures from none to unusable. */
export function Judged({ codes }: { codes: string[] }) {
  const anchors = useAnchors();
  const [open, setOpen] = useState(codes[0]);
  const shown = anchors.data?.defects.find((d) => d.code === open);
  if (!anchors.data) return null;
  const { width, height } = anchors.data;
  return (
    <>
      <div className="flex flex-wrap gap-1" role="group" aria-label={text.defects}>
        {codes.map((code) => (
          <button
            key={code}
            type="button"
            aria-pressed={code === open}
            onClick={() => setOpen(code)}
            className={`rounded border px-2 py-0.5 text-small ${code === open ? "border-enamel bg-enamel text-on-enamel" : "border-rule"}`}
          >
            {anchors.data.defects.find((d) => d.code === code)?.name}
          </button>
        ))}
      </div>
      {shown && (
        <ol className="grid grid-cols-3 gap-1.5 pt-1.5">
          {shown.anchors.map((a) => (
            <li key={a.severity} className="rounded border border-rule-2 p-1">
              <span className="block h-[54px]">
                <AnchorPicture anchor={a} width={width} height={height} name={shown.name} />
              </span>
              <p className="text-tiny leading-tight">
                <b className="num">{a.severity}</b> {a.words}
              </p>
            </li>
          ))}
        </ol>
      )}
    </>
  );
}

import { useState } from "react";
import { useAnchors } from "../api/queries";
import { AnchorPicture } from "../parts/anchor-picture";
import { Toggles } from "../parts/form/toggles";
import { text } from "./text";

/** The defects an artifact brings out, each with its anchors and pictures from none to unusable. */
export function Judged({ codes }: { codes: string[] }) {
  const anchors = useAnchors();
  const [open, setOpen] = useState(codes[0]);
  const shown = anchors.data?.defects.find((d) => d.code === open);
  if (!anchors.data) return null;
  const { width, height, defects } = anchors.data;
  return (
    <>
      <Toggles
        label={text.defects}
        value={open}
        options={codes.map((code) => ({ value: code, name: defects.find((d) => d.code === code)?.name }))}
        change={setOpen}
        className="flex flex-wrap gap-1"
        item="py-0.5"
      />
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

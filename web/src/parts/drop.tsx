import { UploadSimple } from "@phosphor-icons/react/dist/csr/UploadSimple";
import { type DragEvent, type ReactNode, useId, useRef, useState } from "react";
import { Refusal, sendFile } from "../api/client";
import { Trouble } from "./bits";
import { text } from "./text";

/** Takes one file by dropping or choosing, sends it with progress, and can be cancelled. */
export function DropZone<T>({
  label,
  hint,
  accept,
  path,
  took,
  small = false,
}: {
  label: string;
  hint?: ReactNode;
  accept: string;
  /** Where it is sent; `choice` where the server asked which of several things in it is meant. */
  path: (name: string, choice?: string) => string;
  took: (answer: T) => void;
  small?: boolean;
}) {
  const id = useId();
  const [over, setOver] = useState(false);
  const [share, setShare] = useState<number | null>(null);
  const [error, setError] = useState<Error | null>(null);
  const cancel = useRef<AbortController | null>(null);
  const asked = useRef<File | null>(null);
  const send = async (file: File | undefined, choice?: string) => {
    if (!file || cancel.current) return;
    cancel.current = new AbortController();
    setError(null);
    setShare(0);
    try {
      took(await sendFile<T>(path(file.name, choice), file, setShare, cancel.current.signal));
    } catch (e) {
      setError(e as Error);
      asked.current = file;
    } finally {
      cancel.current = null;
      setShare(null);
    }
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void send(event.dataTransfer.files[0]);
  };
  return (
    <div className="grid gap-1.5">
      <label
        htmlFor={id}
        onDragOver={(e) => {
          e.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={drop}
        className={`grid cursor-pointer place-items-center gap-1 rounded-[6px] border-2 border-dashed text-center has-focus-visible:outline-2 has-focus-visible:outline-needle ${small ? "min-h-[44px] p-2" : "min-h-[120px] p-5"} ${over ? "border-needle bg-needle-wash" : "border-[var(--ink-3)]"}`}
      >
        <span className={`inline-flex items-center gap-2 font-semibold ${small ? "" : "text-lead"}`}>
          <UploadSimple size={small ? 15 : 20} /> {label}
        </span>
        {hint && <span className="text-small text-ink-2">{hint}</span>}
        <input
          id={id}
          type="file"
          accept={accept}
          className="sr-only"
          onChange={(e) => {
            void send(e.target.files?.[0]);
            e.target.value = "";
          }}
        />
      </label>
      {share !== null && (
        <div className="flex items-center gap-2 text-small">
          <progress
            className="h-2 flex-1"
            value={share}
            max={1}
            aria-label={share < 1 ? text.sending : text.reading}
          />
          <span>{share < 1 ? text.sending2(Math.round(100 * share)) : text.readingTheFile}</span>
          <button type="button" className="button !min-h-[28px]" onClick={() => cancel.current?.abort()}>
            {text.cancel}
          </button>
        </div>
      )}
      <Trouble error={error} />
      {error instanceof Refusal && error.choices.length > 0 && (
        <div className="flex flex-wrap gap-2">
          {error.choices.map((c) => (
            <button
              key={c.value}
              type="button"
              className="button grid justify-items-center gap-1 p-2"
              onClick={() => void send(asked.current ?? undefined, c.value)}
            >
              {c.picture && (
                <img src={`data:image/jpeg;base64,${c.picture}`} alt="" className="max-h-[88px] rounded" />
              )}
              {c.label}
            </button>
          ))}
        </div>
      )}
    </div>
  );
}

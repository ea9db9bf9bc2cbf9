import { Camera } from "@phosphor-icons/react/dist/csr/Camera";
import { type ReactNode, useRef, useState } from "react";
import { newId, type Schemas } from "../api/client";
import { put, useOutbox } from "../api/outbox";
import { Trouble } from "./bits";
import { Refused } from "./refused";
import { text } from "./text";

/** Photos of one thing, and a way to take one with the phone's camera. */
export function Photos({
  subjectId,
  photos,
  may,
  label,
  studyId,
  address,
  takes,
  children,
}: {
  studyId: string;
  subjectId: string;
  photos: Schemas["PhotoOut"][];
  may: boolean;
  label: string;
  /** Where a photo goes, and which query its answer is of; that of machines and runs where nothing is said. */
  address?: string;
  takes?: readonly unknown[];
  /** Stands in for the picture that is shown large. */
  children?: (photo: Schemas["PhotoOut"]) => ReactNode;
}) {
  const path = address ?? `/api/photos/${subjectId}`;
  const outbox = useOutbox();
  const waiting = outbox.filter((e) => e.path.startsWith(`${path}?`));
  const [error, setError] = useState<Error | null>(null);
  const [large, setLarge] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const take = (file: File | undefined) => {
    if (!file) return;
    setError(null);
    put({
      label: `Photo: ${label}`,
      study: studyId,
      method: "PUT",
      path: `${path}?id=${newId()}`,
      ...(takes ? { takes } : {}),
      file,
    }).catch(setError);
  };
  const shown = photos.find((p) => p.id === large);
  return (
    <div className="grid gap-1.5">
      {(photos.length > 0 || may) && (
        <div className="flex flex-wrap items-center gap-1.5">
          {photos.map((p, i) => (
            <button
              key={p.id}
              type="button"
              onClick={() => setLarge(large === p.id ? null : p.id)}
              aria-expanded={large === p.id}
              className="overflow-hidden rounded border border-rule"
            >
              <img
                src={`/api/photos/${p.id}/picture`}
                alt={p.caption || text.photo(label, i + 1)}
                loading="lazy"
                className="block h-[44px] w-[58px] object-cover"
              />
            </button>
          ))}
          {may && (
            <>
              <button
                type="button"
                className="button"
                aria-label={text.photo3(label)}
                onClick={() => input.current?.click()}
              >
                <Camera size={16} /> {text.photo2}
              </button>
              <input
                ref={input}
                type="file"
                accept="image/jpeg,image/png,image/webp"
                capture="environment"
                hidden
                onChange={(e) => {
                  take(e.target.files?.[0]);
                  e.target.value = "";
                }}
              />
            </>
          )}
        </div>
      )}
      {shown && children?.(shown)}
      {shown && !children && (
        <img
          src={`/api/photos/${shown.id}/picture`}
          alt={shown.caption || label}
          className="max-h-[420px] rounded border border-rule object-contain"
        />
      )}
      {waiting.some((e) => !e.refused) && (
        <p className="text-small text-ink-2">
          {text.onThisDeviceNotSent(waiting.filter((e) => !e.refused).length)}
        </p>
      )}
      <Trouble error={error} />
      <Refused entries={waiting} />
    </div>
  );
}

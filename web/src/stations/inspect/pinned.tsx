import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { Trouble } from "../../parts/bits";
import { Photos } from "../../parts/photos";
import { text } from "./text";

/** Photos of a specimen, good ones too, with pins where a fault is. */
export function Pinned({
  studyId,
  specimenId,
  code,
  fault,
  may,
}: {
  studyId: string;
  specimenId: string;
  code: string;
  /** The fault that is looked for now: a pin names it. */
  fault: string;
  may: boolean;
}) {
  const photos = useQuery({
    queryKey: keys.photos(studyId, specimenId),
    queryFn: () =>
      unwrap(
        api.GET("/api/specimens/{specimen_id}/photos", { params: { path: { specimen_id: specimenId } } }),
      ),
  });
  return (
    <div className="pt-3">
      <h3 className="lab pb-1">{text.photos}</h3>
      <Photos
        subjectId={specimenId}
        photos={photos.data?.photos ?? []}
        may={may}
        label={code}
        studyId={studyId}
        address={`/api/specimens/${specimenId}/photos`}
        takes={keys.photos(studyId, specimenId)}
      >
        {(photo) => (
          <WithPins
            key={photo.id}
            studyId={studyId}
            specimenId={specimenId}
            photo={photo}
            fault={fault}
            may={may}
          />
        )}
      </Photos>
    </div>
  );
}

function WithPins({
  studyId,
  specimenId,
  photo,
  fault,
  may,
}: {
  studyId: string;
  specimenId: string;
  photo: Schemas["PhotoOut"];
  fault: string;
  may: boolean;
}) {
  const [at, setAt] = useState(-1);
  const set = useChange(studyId, keys.photos(studyId, specimenId), (pins: Schemas["Pin"][]) =>
    unwrap(
      api.POST("/api/photos/{photo_id}/pins", { params: { path: { photo_id: photo.id } }, body: { pins } }),
    ),
  );
  return (
    <figure>
      <button
        type="button"
        disabled={!may || set.isPending}
        aria-label={text.pinHere(fault)}
        className="relative block w-full cursor-crosshair"
        onClick={(e) => {
          // By keys there is no place: the middle, to be moved by a tap.
          const box = e.currentTarget.getBoundingClientRect();
          const x = e.detail === 0 ? 0.5 : (e.clientX - box.left) / box.width;
          const y = e.detail === 0 ? 0.5 : (e.clientY - box.top) / box.height;
          set.mutate([
            ...photo.pins,
            { x: Math.min(1, Math.max(0, x)), y: Math.min(1, Math.max(0, y)), words: fault },
          ]);
        }}
      >
        <img
          src={`/api/photos/${photo.id}/picture`}
          alt={photo.caption || text.photos}
          className="block w-full rounded border border-rule"
        />
        {photo.pins.map((p, k) => (
          <span
            key={`${p.x} ${p.y}`}
            aria-hidden="true"
            style={{ left: `${100 * p.x}%`, top: `${100 * p.y}%` }}
            className={`absolute grid h-5 w-5 -translate-x-1/2 -translate-y-1/2 place-items-center rounded-full border-2 border-sheet bg-needle text-tiny font-bold text-white ${k === at ? "scale-125" : ""}`}
          >
            {k + 1}
          </span>
        ))}
      </button>
      <figcaption className="pt-1 text-small text-ink-2">
        {photo.pins.length === 0
          ? may
            ? text.pinHint
            : ""
          : photo.pins.map((p, k) => (
              // biome-ignore lint/a11y/noStaticElementInteractions: pointing at words shows their place
              <span
                key={`${p.x} ${p.y}`}
                className="mr-2 inline-flex items-center gap-1"
                onMouseEnter={() => setAt(k)}
                onMouseLeave={() => setAt(-1)}
              >
                <b className="num">{k + 1}</b> {p.words}
                {may && (
                  <button
                    type="button"
                    className="underline"
                    aria-label={text.takePin(k + 1, p.words)}
                    onClick={() => set.mutate(photo.pins.filter((_, i) => i !== k))}
                  >
                    ✕
                  </button>
                )}
              </span>
            ))}
      </figcaption>
      <Trouble error={set.error} />
    </figure>
  );
}

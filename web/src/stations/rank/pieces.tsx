import { useQuery } from "@tanstack/react-query";
import { api, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { Trouble } from "../../parts/bits";
import { UnitName } from "../../parts/unit-mark";
import { text } from "./text";

/** Photos of a piece machine by machine, once machines may be told. */
export function SideBySide({
  studyId,
  by,
  piece,
}: {
  studyId: string;
  by: Schemas["ResultsView"]["by"];
  piece: Schemas["ResultPiece"];
}) {
  const view = useQuery({
    queryKey: keys.part(studyId, "pieces", by, piece.artifact_id, piece.spool_id),
    queryFn: () =>
      unwrap(
        api.GET("/api/studies/{study_id}/results/pieces", {
          params: {
            path: { study_id: studyId },
            query: { by, artifact: piece.artifact_id, spool: piece.spool_id },
          },
        }),
      ),
    retry: false,
  });
  if (!view.data) return <Trouble error={view.error} />;
  if (view.data.needs) return <p className="py-1 text-ink-2">{text.results.sideNeeds(view.data.needs)}</p>;
  const shown = view.data.columns.filter((c) => c.pieces.some((p) => p.photos.length > 0));
  if (shown.length === 0) return <p className="py-1 text-ink-2">{text.results.noPhotos}</p>;
  return (
    <ul aria-label={text.results.sideBySide(piece.artifact)} className="flex flex-wrap gap-3 py-2">
      {shown.map((c) => (
        <li key={c.machine.unit_id} className="w-[150px]">
          <UnitName mark={c.machine.mark} name={c.machine.name} />
          {c.pieces.flatMap((p) =>
            p.photos.map((id) => (
              <figure key={id} className="pt-1">
                <a href={`/api/photos/${id}`} target="_blank" rel="noreferrer">
                  <img
                    src={`/api/photos/${id}`}
                    alt={text.results.photoOf(piece.artifact, p.copy_number, c.machine.name)}
                    loading="lazy"
                    className="h-[110px] w-full rounded border border-rule object-cover"
                  />
                </a>
                <figcaption className="text-tiny text-ink-2">
                  {text.results.copyOf(p.copy_number)} · <span className="num">{p.blind_code}</span>
                </figcaption>
              </figure>
            )),
          )}
        </li>
      ))}
    </ul>
  );
}

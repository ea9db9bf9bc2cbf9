import { api, type Schemas, unwrap } from "../api/client";
import { useChange } from "../api/queries";
import { text } from "./text";

/** Progress of the background work; it goes on when the page is left. */
export function Working({ work, label }: { work: Schemas["WorkOut"]; label: string }) {
  const wish = useChange("", ["work", work.id], (wish: Schemas["Wish"]) =>
    unwrap(api.POST("/api/work/{work_id}/wish", { params: { path: { work_id: work.id } }, body: { wish } })),
  );
  const share = Math.round(100 * work.share);
  return (
    <div className="mt-2 flex items-center gap-3" role="status">
      <div className="min-w-0 flex-1">
        <div
          role="progressbar"
          aria-label={label}
          aria-valuenow={share}
          aria-valuemin={0}
          aria-valuemax={100}
          className="h-2 overflow-hidden rounded-full bg-[var(--track)]"
        >
          <i className="block h-full rounded-full bg-needle" style={{ width: `${share}%` }} />
        </div>
        <p className="pt-0.5 text-small text-ink-2">
          {work.state === "waiting" ? text.waitingForItsTurn : work.stage}
          {work.found && text.bestSoFar(work.found)}
        </p>
      </div>
      {work.can_keep && (
        <button
          type="button"
          className="button"
          disabled={wish.isPending}
          onClick={() => wish.mutate("enough")}
        >
          {text.enoughKeepThis}
        </button>
      )}
      <button
        type="button"
        className="button"
        disabled={wish.isPending}
        onClick={() => wish.mutate("cancel")}
      >
        {text.cancel}
      </button>
    </div>
  );
}

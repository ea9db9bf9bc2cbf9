import { Warning } from "@phosphor-icons/react/dist/csr/Warning";
import { text } from "./text";

/** What stands beside a machine wherever its rank does: that it is not recommended, and its safety record. */
export function Warnings({ notRecommended, safety }: { notRecommended: string; safety: string[] }) {
  if (!notRecommended && safety.length === 0) return null;
  return (
    <div className="grid gap-0.5 border-l-3 border-needle bg-needle-wash px-2 py-1 text-small leading-snug font-normal">
      {notRecommended && (
        <p>
          <b>{text.notRecommended}</b> {notRecommended}
        </p>
      )}
      {safety.map((words) => (
        <p key={words}>
          <Warning
            size={12}
            weight="bold"
            className="mr-1 inline text-needle-ink"
            aria-label={text.safetyRecord}
          />
          {words}
        </p>
      ))}
    </div>
  );
}

import { Tooltip } from "radix-ui";
import { type ReactElement, type ReactNode, useState } from "react";

/** What a button does, said when it is pointed at or reached by keys. */
export function Hint({ says, children }: { says: string | null | undefined; children: ReactElement }) {
  return says ? (
    <Tooltip.Root>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Says>{says}</Says>
    </Tooltip.Root>
  ) : (
    children
  );
}

/** Words that have more to say: pointed at, reached by keys, or tapped. */
export function Explained({
  says,
  className = "",
  children,
}: {
  says: string | null | undefined;
  className?: string;
  children: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  if (!says) return <span className={className}>{children}</span>;
  return (
    <Tooltip.Root open={open} onOpenChange={setOpen}>
      <Tooltip.Trigger
        type="button"
        className={`cursor-help text-left decoration-dotted underline-offset-2 hover:underline focus-visible:underline ${className}`}
        onClick={(e) => {
          e.preventDefault();
          setOpen(true);
        }}
      >
        {children}
      </Tooltip.Trigger>
      <Says>{says}</Says>
    </Tooltip.Root>
  );
}

function Says({ children }: { children: string }) {
  return (
    <Tooltip.Portal>
      <Tooltip.Content
        sideOffset={4}
        collisionPadding={8}
        className="z-50 max-w-72 rounded border border-ink bg-ink px-2 py-1 text-small leading-snug text-sheet shadow-lg"
      >
        {children}
      </Tooltip.Content>
    </Tooltip.Portal>
  );
}

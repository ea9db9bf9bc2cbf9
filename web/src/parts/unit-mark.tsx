import { Link } from "@tanstack/react-router";

const SHAPES = [
  "M6.5 1 12.4 11.6H.6Z",
  "M1 1h11v11H1z",
  "M6.5.6a5.9 5.9 0 1 0 .01 0z",
  "M6.5 0 13 6.5 6.5 13 0 6.5z",
  "M4.4 0h4.2v4.4H13v4.2H8.6V13H4.4V8.6H0V4.4h4.4z",
  "M3.3.9h6.4l3.2 5.6-3.2 5.6H3.3L.1 6.5z",
  "M1 .8h11L6.5 12.4z",
  "M6.5.3 12.9 5l-2.5 7.5H2.6L.1 5z",
];

/** Seven colours go round against eight shapes: no two of 56 machines have both in common. */
export const markColour = (mark: number) => `var(--u${mark % 7})`;

/** A machine's mark: colour and shape, the same everywhere. */
export function Glyph({ mark, muted = false }: { mark: number; muted?: boolean }) {
  return (
    <svg viewBox="0 0 13 13" width={13} height={13} className="inline-block shrink-0" aria-hidden="true">
      <path d={SHAPES[mark % SHAPES.length]} fill={muted ? "var(--ink-3)" : markColour(mark)} />
    </svg>
  );
}

export function UnitName({
  mark,
  name,
  muted = false,
  whole = false,
  unit,
}: {
  mark: number;
  name: string;
  muted?: boolean;
  /** A long name goes over several lines instead of being cut. */
  whole?: boolean;
  /** The unit that it is, whose page it then leads to; not inside a button. */
  unit?: string;
}) {
  const words = <span className={whole ? "break-words" : "truncate"}>{name}</span>;
  return (
    <span className="inline-flex max-w-full min-w-0 items-center gap-1.5" title={name}>
      <Glyph mark={mark} muted={muted} />
      {unit ? (
        <Link
          to="/machine/$unitId"
          params={{ unitId: unit }}
          className="min-w-0 truncate decoration-ink-3 hover:underline"
        >
          {words}
        </Link>
      ) : (
        words
      )}
    </span>
  );
}

import type { ReactNode } from "react";

const HUES = ["--c2", "--c4", "--c8", "--c6", "--c3", "--c7"];

/** Drawn over the hue, so that spools are told apart without colour. */
const LINES: ReactNode[] = [
  null,
  <path key="a" d="M-1 1 1-1M-1 9 9-1M7 9 9 7" />,
  <circle key="b" cx={4} cy={4} r={1.1} fill="var(--sheet)" stroke="none" />,
  <path key="c" d="M0 4h8" />,
  <path key="d" d="M4 0v8" />,
  <path key="e" d="M0 4h8M4 0v8" />,
];

export function fillOf(spools: readonly string[], code: string): string {
  return `url(#spool-${Math.max(0, spools.indexOf(code)) % LINES.length})`;
}

export function SpoolPatterns() {
  return (
    <defs>
      {LINES.map((line, i) => (
        <pattern key={HUES[i]} id={`spool-${i}`} width={8} height={8} patternUnits="userSpaceOnUse">
          <rect width={8} height={8} fill={`var(${HUES[i]})`} />
          <g stroke="var(--sheet)" strokeWidth={1.3} fill="none" opacity={0.75}>
            {line}
          </g>
        </pattern>
      ))}
    </defs>
  );
}

export function Swatch({ spools, code }: { spools: readonly string[]; code: string }) {
  return (
    <svg width={20} height={12} aria-hidden="true" className="shrink-0">
      <rect width={20} height={12} rx={3} fill={fillOf(spools, code)} />
    </svg>
  );
}

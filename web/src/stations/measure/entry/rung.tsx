const W = 260;
const H = 30;

/** One rung as the artifact has it: a peg in its gap, a post, a leaning blade, a bridge; larger where it is larger. */
export function RungDrawing({
  kind,
  level,
  active,
  known,
}: {
  kind: string;
  level: number;
  active: boolean;
  known: boolean;
}) {
  const colour = active ? "var(--needle)" : known ? "var(--enamel-2)" : "var(--rule)";
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="h-8 w-full max-w-[300px]" aria-hidden="true">
      {kind === "gap" && <Gap level={level} colour={colour} />}
      {kind === "pillar" && <Pillar level={level} colour={colour} />}
      {kind === "overhang" && <Overhang level={level} colour={colour} />}
      {kind === "span" && <Span level={level} colour={colour} />}
    </svg>
  );
}

type Part = { level: number; colour: string };

function Gap({ level, colour }: Part) {
  // A peg in its plate, cut through; the gap is drawn twenty times as large.
  const gap = Math.min(12, level * 20);
  return (
    <g fill={colour}>
      <rect x={4} y={3} width={60 - gap} height={24} rx={3} opacity={0.35} />
      <rect x={64} y={1} width={46} height={28} rx={3} />
      <rect x={110 + gap} y={3} width={60 - gap} height={24} rx={3} opacity={0.35} />
    </g>
  );
}

function Pillar({ level, colour }: Part) {
  const wide = Math.max(1, level * 6);
  return (
    <g>
      <rect x={4} y={24} width={150} height={5} rx={2} fill={colour} opacity={0.35} />
      {[30, 75, 120].map((x) => (
        <rect key={x} x={x - wide / 2} y={2} width={wide} height={23} fill={colour} />
      ))}
    </g>
  );
}

function Overhang({ level, colour }: Part) {
  const turn = (level * Math.PI) / 180;
  const reach = level > 60 ? 90 : 26 / Math.cos(turn);
  const x = 24 + reach * Math.sin(turn);
  const y = 28 - reach * Math.cos(turn);
  return (
    <g>
      <rect x={4} y={26} width={40} height={4} fill={colour} opacity={0.35} />
      <path d={`M24 28L${x} ${y}`} stroke={colour} strokeWidth={5} strokeLinecap="round" />
    </g>
  );
}

function Span({ level, colour }: Part) {
  const wide = level * 2.4;
  return (
    <g fill={colour}>
      <rect x={4} y={6} width={12} height={23} opacity={0.35} />
      <rect x={16 + wide} y={6} width={12} height={23} opacity={0.35} />
      <rect x={4} y={4} width={24 + wide} height={5} />
    </g>
  );
}

const CENTRE = 100;
const SWEEP = 120;

function at(angle: number, radius: number): [number, number] {
  const turn = (angle * Math.PI) / 180;
  return [CENTRE + radius * Math.sin(turn), CENTRE - radius * Math.cos(turn)];
}

function arc(from: number, to: number, radius: number): string {
  const [x0, y0] = at(from, radius);
  const [x1, y1] = at(to, radius);
  return `M${x0} ${y0}A${radius} ${radius} 0 ${to - from > 180 ? 1 : 0} 1 ${x1} ${y1}`;
}

/** A dial gauge: deviation in mm on an ivory face, the tolerance as a green arc. Beyond the scale the needle rests at its end. */
export function Dial({
  value,
  reach,
  tolerance,
  caption,
}: {
  value: number | null;
  reach: number;
  tolerance: number;
  caption: string;
}) {
  const angle = (x: number) => Math.max(-1.04, Math.min(1.04, x / reach)) * SWEEP;
  const ticks = Array.from({ length: 41 }, (_, i) => ((i - 20) / 20) * reach);
  const shown = value === null ? "–" : `${value < 0 ? "−" : "+"}${Math.abs(value).toFixed(2)}`;
  const [tipX, tipY] = at(angle(value ?? 0), 82);
  return (
    <svg
      viewBox="0 0 200 200"
      className="h-full max-h-[206px] w-auto"
      role="img"
      aria-label={`${shown} ${caption}`}
    >
      <circle cx={CENTRE} cy={CENTRE} r={97} fill="var(--dial)" stroke="var(--enamel)" strokeWidth={5} />
      <path
        d={arc(angle(-tolerance), angle(tolerance), 76)}
        stroke="var(--ok)"
        strokeWidth={9}
        fill="none"
        opacity={0.8}
      />
      <g stroke="var(--dial-ink)">
        {ticks.map((tick, i) => {
          const main = i % 5 === 0;
          const [x0, y0] = at(angle(tick), main ? 76 : 81);
          const [x1, y1] = at(angle(tick), 90);
          return <line key={i} x1={x0} y1={y0} x2={x1} y2={y1} strokeWidth={main ? 1.8 : 0.9} />;
        })}
      </g>
      <g fill="var(--dial-ink)" fontFamily="var(--font-mono)" fontSize={9.5} textAnchor="middle">
        {ticks
          .filter((_, i) => i % 5 === 0)
          .map((tick) => {
            const [x, y] = at(angle(tick), 62);
            return (
              <text key={tick} x={x} y={y + 3.5}>
                {Math.abs(tick)
                  .toFixed(reach < 0.2 ? 2 : 1)
                  .replace(/\.0$/, "")}
              </text>
            );
          })}
      </g>
      <g style={{ opacity: value === null ? 0.25 : 1 }}>
        <line
          x1={CENTRE}
          y1={CENTRE}
          x2={tipX}
          y2={tipY}
          stroke="#d8431c"
          strokeWidth={4}
          strokeLinecap="round"
        />
        <circle cx={CENTRE} cy={CENTRE} r={8} fill="#d8431c" />
      </g>
      <text
        x={CENTRE}
        y={144}
        textAnchor="middle"
        fontFamily="var(--font-mono)"
        fontSize={19}
        fontWeight={600}
        fill="var(--dial-ink)"
      >
        {shown}
      </text>
      <text x={CENTRE} y={159} textAnchor="middle" fontSize={10.5} fill="#48574f">
        {caption}
      </text>
    </svg>
  );
}

/** A sprayer filled to its levels: water, then the band of concentrate on top of it. Shares of the whole vessel. */
export function Bottle({
  water,
  concentrate,
  headSpace,
}: {
  readonly water: number;
  readonly concentrate: number;
  readonly headSpace: number;
}) {
  const height = 208;
  const top = 40;
  // Concentrate is a few percent: drawn at least wide enough to be seen, as a mark of where it comes, not to scale.
  const band = Math.max(7, concentrate * height);
  const surface = top + height * (1 - water);
  return (
    <svg viewBox="0 0 112 256" className="h-52 w-auto shrink-0 sm:h-60" aria-hidden="true">
      <clipPath id="vessel">
        <path
          d={`M8 ${top + 18} Q8 ${top} 28 ${top} H84 Q104 ${top} 104 ${top + 18} V${top + height - 8} Q104 ${top + height} 96 ${top + height} H16 Q8 ${top + height} 8 ${top + height - 8} Z`}
        />
      </clipPath>
      <g clipPath="url(#vessel)">
        <rect x="0" y={surface} width="112" height={height} fill="#7FAFC6" />
        <rect x="0" y={surface - band} width="112" height={band} fill="var(--caution)" />
        <line
          x1="8"
          x2="104"
          y1={top + height * headSpace}
          y2={top + height * headSpace}
          stroke="var(--ink)"
          strokeDasharray="3 4"
        />
      </g>
      <path
        d={`M8 ${top + 18} Q8 ${top} 28 ${top} H84 Q104 ${top} 104 ${top + 18} V${top + height - 8} Q104 ${top + height} 96 ${top + height} H16 Q8 ${top + height} 8 ${top + height - 8} Z`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="3"
      />
      <path d={`M46 ${top} V14 H66 V${top} M34 14 H78`} fill="none" stroke="var(--ink)" strokeWidth="3" />
    </svg>
  );
}

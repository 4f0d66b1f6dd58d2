interface Props {
  readonly water: number;
  readonly concentrate: number;
  readonly headSpace: number;
  /** Where it stands when the fill is made, and what that is called. */
  readonly level: number;
  readonly label: string;
  /** Lines on its side. */
  readonly lines: readonly number[];
}

/** A sprayer filled to its levels: water, then the band of concentrate on top of it, and the line to fill to. Shares of the whole vessel. */
export function Bottle({ water, concentrate, headSpace, level, label, lines }: Props) {
  const height = 208;
  const top = 40;
  // Concentrate is a few percent: drawn at least wide enough to be seen, as a mark of where it comes, not to scale.
  const band = Math.max(7, concentrate * height);
  const at = (share: number) => top + height * (1 - Math.min(1, Math.max(0, share)));
  const surface = at(Math.max(water, level - concentrate));
  return (
    <svg viewBox="0 0 112 256" className="h-44 w-auto shrink-0 min-[370px]:h-52 sm:h-60" aria-hidden="true">
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
      {lines.map((line) => (
        <path key={line} d={`M88 ${at(line)} H104`} stroke="var(--ink)" strokeWidth="2" />
      ))}
      <path d={`M8 ${at(level)} H104`} stroke="var(--ink)" strokeWidth="2.5" />
      <text
        x="56"
        y={at(level) + (level > 0.3 ? 20 : -8)}
        textAnchor="middle"
        fontSize="15"
        fontWeight="700"
        fill={level > 0.3 ? "#20241F" : "var(--ink)"}
      >
        {label}
      </text>
      <path d={`M46 ${top} V14 H66 V${top} M34 14 H78`} fill="none" stroke="var(--ink)" strokeWidth="3" />
    </svg>
  );
}

/** Dry to wet: the one use of blue in every picture. */
const RAMP = ["#E9E0CC", "#BFD3D6", "#7FAFC6", "#3C7DA8", "#16466F"];

/** Colour of a share of wetness, 0 dry … 1 as wet as when finished. */
export function wetColour(share: number): string {
  const along = Math.min(1, Math.max(0, share)) * (RAMP.length - 1);
  const left = Math.min(RAMP.length - 2, Math.floor(along));
  return `color-mix(in srgb, ${RAMP[left]}, ${RAMP[left + 1]} ${Math.round(100 * (along - left))}%)`;
}

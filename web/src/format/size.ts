const STEPS = [
  { from: 1e9, name: "GB" },
  { from: 1e6, name: "MB" },
  { from: 1e3, name: "kB" },
] as const;

/** Bytes as people say them: 340 kB, 1.2 MB, 20 GB. */
export function size(bytes: number): string {
  const step = STEPS.find(({ from }) => bytes >= from);
  if (!step) return `${bytes} bytes`;
  const value = bytes / step.from;
  return `${value < 10 ? Number(value.toFixed(1)) : Math.round(value)} ${step.name}`;
}

/** A part of a whole in percent, never rounded up to all of it. */
export const share = (used: number, most: number): string =>
  `${used >= most ? 100 : Math.min(99, Math.round((100 * used) / most))}%`;

/** A level as people say it: 0 is where the way in is. */
export function levelName(level: number): string {
  if (level === 0) return "Exit level";
  if (level === 1) return "Upstairs";
  if (level === -1) return "Below";
  return level > 0 ? `${level} up` : `${-level} below`;
}

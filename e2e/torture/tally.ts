/** What was acknowledged, and what of it is found at the end: none may be missing, none there twice. */
export class Tally {
  readonly acknowledged = new Set<string>();
  /** Addresses of the jobs it may be in. */
  readonly jobs = new Set<string>();

  /** How many of the acknowledged a client of this name made. */
  countOf(name: string): number {
    return [...this.acknowledged].filter((each) => each.startsWith(name)).length;
  }

  check(found: readonly string[]): { readonly lost: string[]; readonly twice: string[] } {
    const counts = new Map<string, number>();
    for (const each of found) counts.set(each, (counts.get(each) ?? 0) + 1);
    return {
      lost: [...this.acknowledged].filter((each) => !counts.has(each)),
      twice: [...counts].flatMap(([each, count]) => (count > 1 ? [each] : [])),
    };
  }
}

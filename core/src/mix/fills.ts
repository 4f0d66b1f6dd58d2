/** Finished mix one room needs, m³, in walk-out order. */
export interface Demand {
  readonly roomId: string;
  readonly volume: number;
}

/** What one fill does: whole marks of the vessel, and where in which rooms it goes. */
export interface FillShare {
  readonly marks: number;
  readonly rooms: readonly { readonly roomId: string; readonly volume: number }[];
  /** True when the fill ends where a room ends. */
  readonly endsWithRoom: boolean;
}

interface Cut {
  readonly fills: number;
  readonly ownEnds: number;
  /** Σ marks², least when the fills are even. */
  readonly unevenness: number;
  readonly from: number;
  readonly previous: Cut | undefined;
}

/** Σ marks² of {@link evenly}, and its smallest share, without laying it out. */
function evenness(length: number, fills: number): { readonly smallest: number; readonly unevenness: number } {
  const smallest = Math.floor(length / fills);
  const larger = length - smallest * fills;
  return { smallest, unevenness: (fills - larger) * smallest ** 2 + larger * (smallest + 1) ** 2 };
}

/** Marks of each of `fills` fills that share `length` marks as evenly as marks allow, smaller first. */
function evenly(length: number, fills: number): number[] {
  const small = Math.floor(length / fills);
  const smaller = fills - (length - small * fills);
  return Array.from({ length: fills }, (_, i) => small + (i < smaller ? 0 : 1));
}

const better = (a: Cut, b: Cut | undefined) =>
  b === undefined || a.ownEnds > b.ownEnds || (a.ownEnds === b.ownEnds && a.unevenness < b.unevenness);

/**
 * Cuts the mix for a run of rooms into fills of at most `marksPerFill` marks of `mark` m³ each. MODEL §3:
 * as few fills as can be; among those the most fills that end between rooms; then the least left over (always less
 * than one mark: what a fill rounded up leaves at a room's end stays in the vessel and serves the next room); then the
 * most even. With what stayed, a fill never goes above `usable` m³. Ties: the earlier cut. Exact: dynamic programming over room ends, checked against exhaustive search.
 */
export function cutIntoFills(
  demands: readonly Demand[],
  marksPerFill: number,
  mark: number,
  usable: number = marksPerFill * mark,
): FillShare[] {
  const needed = demands.filter((demand) => demand.volume > 0);
  if (needed.length === 0) return [];
  const { ends, stays } = roomEnds(needed, mark);
  const total = ends.at(-1) as number;
  const fewest = Math.ceil(total / marksPerFill);

  // best[j]: for each number of fills, the best way to reach the end of room j with a fill ending there.
  const best: Map<number, Cut>[] = [
    new Map([[0, { fills: 0, ownEnds: 0, unevenness: 0, from: 0, previous: undefined }]]),
  ];
  for (let j = 1; j < ends.length; j++) {
    const reached = new Map<number, Cut>();
    // What is still to come takes at least so many: more before it can't end in the fewest.
    const most = fewest - Math.ceil((total - (ends[j] as number)) / marksPerFill);
    for (let i = 0; i < j; i++) {
      const length = (ends[j] as number) - (ends[i] as number);
      if (length === 0) continue;
      const least = Math.ceil(length / marksPerFill);
      for (const cut of (best[i] as Map<number, Cut>).values()) {
        for (let fills = least; cut.fills + fills <= most && fills <= length; fills++) {
          const { smallest, unevenness } = evenness(length, fills);
          if (smallest * mark + (stays[i] as number) > usable * (1 + 1e-9)) continue;
          const next: Cut = {
            fills: cut.fills + fills,
            ownEnds: cut.ownEnds + 1,
            unevenness: cut.unevenness + unevenness,
            from: i,
            previous: cut,
          };
          if (better(next, reached.get(next.fills))) reached.set(next.fills, next);
        }
      }
    }
    best.push(reached);
  }
  const chosen = best[ends.length - 1]?.get(fewest) as Cut;
  return allot(needed, marksOf(chosen, ends), mark);
}

/**
 * Marks needed to finish each room and all before it, with 0 in front, and the mix, m³, that then stays in the vessel
 * because marks are whole.
 */
function roomEnds(demands: readonly Demand[], mark: number) {
  const ends = [0];
  const stays = [0];
  let volume = 0;
  for (const demand of demands) {
    volume += demand.volume;
    const end = Math.ceil(volume / mark - 1e-9);
    ends.push(end);
    stays.push(Math.max(0, end * mark - volume));
  }
  return { ends, stays };
}

interface Poured {
  readonly marks: number;
  /** Rooms finished when it is empty, where it was cut to end with a room. */
  readonly finishes: number | undefined;
}

function marksOf(chosen: Cut, ends: readonly number[]): Poured[] {
  const runs: Poured[][] = [];
  let end = ends.length - 1;
  for (let cut: Cut | undefined = chosen; cut?.previous; cut = cut.previous) {
    const length = (ends[end] as number) - (ends[cut.from] as number);
    const finishes = end;
    const shares = evenly(length, cut.fills - cut.previous.fills);
    runs.unshift(
      shares.map((marks, i) => ({ marks, finishes: i === shares.length - 1 ? finishes : undefined })),
    );
    end = cut.from;
  }
  return runs.flat();
}

/** Pours the fills over the rooms in order and says what of each goes where. */
function allot(demands: readonly Demand[], poured: readonly Poured[], mark: number): FillShare[] {
  const left = demands.map((demand) => demand.volume);
  let room = 0;
  let inVessel = 0;
  return poured.map(({ marks, finishes }) => {
    inVessel += marks * mark;
    const rooms: { roomId: string; volume: number }[] = [];
    while (room < (finishes ?? demands.length) && inVessel > 1e-12) {
      const volume = Math.min(inVessel, left[room] as number);
      if (volume > 1e-12) rooms.push({ roomId: (demands[room] as Demand).roomId, volume });
      inVessel -= volume;
      left[room] = (left[room] as number) - volume;
      if ((left[room] as number) > 1e-12) break;
      room++;
    }
    return { marks, rooms, endsWithRoom: finishes !== undefined };
  });
}

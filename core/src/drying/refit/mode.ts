import { floatAt, itemAt, numberAt } from "../../itemAt.ts";
import { cholesky, solveLower, solveUpper } from "../../numeric/index.ts";
import type { Building } from "../building.ts";
import { drawSize, PER_ROOM } from "../spread.ts";
import type { Misfit, Posterior } from "./posterior.ts";

/** Where the posterior is densest, and how it falls off from there. */
export interface Mode {
  readonly draw: Float64Array;
  /** Lower factor of the inverse covariance there. */
  readonly factor: Float64Array;
  readonly misfits: readonly Misfit[];
}

const MOST_STEPS = 8;
const LEAST_SHARE = 0.05;
/** In σ: where the draw moves less than this, the mode is found. */
const FOUND = 0.03;
/** Step of a difference, in σ: large against the integration's error. */
const DIFFERENCE = 0.1;

/** How a misfit counts: its cost, and the share of it that is steered by. */
export interface Loss {
  readonly cost: (off: number) => number;
  readonly weight: (off: number) => number;
}
/** Noise as a meter has it. */
export const NORMAL: Loss = { cost: (off) => off * off, weight: () => 1 };
/** Noise with wild readings in it (Student's t, four degrees of freedom): what is far off pulls little. */
export const ROBUST: Loss = {
  cost: (off) => 5 * Math.log1p((off * off) / 4),
  weight: (off) => 5 / (4 + off * off),
};

/**
 * Gauss–Newton in standard normals, each step halved until the posterior is no worse. Yields between two runs, and the mode so far after
 * each step.
 */
export function* findMode(
  posterior: Posterior,
  building: Building,
  loss: Loss = NORMAL,
): Generator<Mode | undefined, Mode, void> {
  const moved = movedTogether(posterior, building);
  let draw: Float64Array = new Float64Array(posterior.size);
  let seen = posterior.run(draw, false).seen;
  yield;
  let misfits = posterior.misfits(draw, seen);
  let factor: Float64Array = new Float64Array(0);
  for (let step = 0; step < MOST_STEPS; step++) {
    const jacobian = yield* slopesAt(posterior, { draw, seen, misfits }, moved);
    const equations = normalEquations(jacobian, draw, misfits, loss);
    factor = cholesky(equations.matrix, draw.length);
    const change = solveUpper(factor, solveLower(factor, equations.right));
    const before = cost(draw, misfits, loss);
    let share = 1;
    for (; share > LEAST_SHARE; share /= 2) {
      const next = draw.map((each, i) => each + share * floatAt(change, i));
      const nextSeen = posterior.run(next, false).seen;
      yield;
      const nextMisfits = posterior.misfits(next, nextSeen);
      if (cost(next, nextMisfits, loss) > before) continue;
      [draw, seen, misfits] = [next, nextSeen, nextMisfits];
      break;
    }
    const largest = change.reduce((most, each) => Math.max(most, Math.abs(each)), 0);
    if (share <= LEAST_SHARE || share * largest < FOUND) break;
    yield { draw, factor, misfits };
  }
  return { draw, factor, misfits };
}

const cost = (draw: Float64Array, misfits: readonly Misfit[], loss: Loss) =>
  draw.reduce((sum, z) => sum + z * z, 0) + misfits.reduce((sum, { off }) => sum + loss.cost(off), 0);

/** Components of a draw moved in one run, with the misfits each is seen in. */
interface Moved {
  readonly component: number;
  readonly seenIn: (misfit: number) => boolean;
}

/** Doors that air passes at some time. */
const passedDoors = ({ links = [], doorChanges = [] }: Pick<Building, "links" | "doorChanges">) =>
  links.filter(
    ({ flow }, k) => flow > 0 || doorChanges.some((change) => change.link === k && change.flow > 0),
  );

/** Rooms that share no air: the least place of those each shares it with. What moves in one isn't seen in another. */
function airOf({ rooms, hvac, ...building }: Building): number[] {
  const of = rooms.map((_, i) => (hvac ? 0 : i));
  for (let changed = true; changed; ) {
    changed = false;
    for (const { a, b } of passedDoors(building)) {
      const least = Math.min(numberAt(of, a), numberAt(of, b));
      if (of[a] === least && of[b] === least) continue;
      of[a] = least;
      of[b] = least;
      changed = true;
    }
  }
  return of;
}

/** Rooms with readings, or with an open door to one: the others hardly show in the readings. */
function nearReadings({ hvac, ...building }: Building, read: ReadonlySet<number>): (room: number) => boolean {
  const near = new Set([
    ...read,
    ...passedDoors(building).flatMap(({ a, b }) => [
      ...(read.has(a) ? [b] : []),
      ...(read.has(b) ? [a] : []),
    ]),
  ]);
  return (room) => hvac !== undefined || near.has(room);
}

/** The unknowns of the building, in groups that one run can tell apart. */
function movedTogether(posterior: Posterior, building: Building): Moved[][] {
  const { rooms } = building;
  const air = airOf(building);
  const ofMisfit = posterior.roomOfMisfit();
  const isNear = nearReadings(building, new Set(ofMisfit));
  const place = air.map((own, i) => air.slice(0, i).filter((each) => each === own).length);
  const groups = Array.from({ length: Math.max(...place) + 1 }, (_, k) =>
    rooms.flatMap((__, i) => (place[i] === k && isNear(i) ? [i] : [])),
  );
  const ofRooms = groups.flatMap((group) =>
    Array.from({ length: PER_ROOM }, (_, k) =>
      group.map(
        (room): Moved => ({
          component: PER_ROOM * room + k,
          seenIn: (misfit) => air[numberAt(ofMisfit, misfit)] === air[room],
        }),
      ),
    ),
  );
  const outdoor = [0, 1].map((k): Moved[] => [
    { component: PER_ROOM * rooms.length + k, seenIn: () => true },
  ]);
  return [...ofRooms, ...outdoor]
    .map((group) => group.filter(({ component }) => posterior.isSpread(component)))
    .filter((group) => group.length > 0);
}

interface At {
  readonly draw: Float64Array;
  readonly seen: Parameters<Posterior["misfits"]>[1];
  readonly misfits: readonly Misfit[];
}

/** Slope of each misfit with each component of the draw, by differences: a row a misfit. */
function* slopesAt(
  posterior: Posterior,
  { draw, seen, misfits }: At,
  moved: readonly (readonly Moved[])[],
): Generator<undefined, Float64Array, void> {
  const { size } = posterior;
  const jacobian = new Float64Array(misfits.length * size);
  const set = ({ component, seenIn }: Moved, off: readonly Misfit[]) => {
    misfits.forEach((before, row) => {
      if (seenIn(row)) jacobian[row * size + component] = (itemAt(off, row).off - before.off) / DIFFERENCE;
    });
  };
  const from = (components: readonly Moved[]) => {
    const at = Float64Array.from(draw);
    for (const { component } of components) at[component] = floatAt(at, component) + DIFFERENCE;
    return at;
  };
  for (const group of moved) {
    const at = from(group);
    const off = posterior.misfits(at, posterior.run(at, false).seen);
    yield;
    for (const each of group) set(each, off);
  }
  for (let component = drawSize(posterior.building); component < size; component++) {
    const meter = { component, seenIn: () => true };
    set(meter, posterior.misfits(from([meter]), seen));
  }
  return jacobian;
}

/** Of the step to take: JᵀJ with the prior's 1 on its diagonal, and the downhill slope. */
function normalEquations(jacobian: Float64Array, draw: Float64Array, misfits: readonly Misfit[], loss: Loss) {
  const size = draw.length;
  const weights = Float64Array.from(misfits, ({ off }) => loss.weight(off));
  const matrix = new Float64Array(size * size);
  const right = new Float64Array(size);
  for (let i = 0; i < size; i++) {
    let downhill = -floatAt(draw, i);
    misfits.forEach(({ off }, row) => {
      downhill -= floatAt(weights, row) * floatAt(jacobian, row * size + i) * off;
    });
    right[i] = downhill;
    for (let j = 0; j <= i; j++) {
      let product = i === j ? 1 : 0;
      for (let row = 0; row < misfits.length; row++)
        product +=
          floatAt(weights, row) * floatAt(jacobian, row * size + i) * floatAt(jacobian, row * size + j);
      matrix[i * size + j] = product;
      matrix[j * size + i] = product;
    }
  }
  return { matrix, right };
}

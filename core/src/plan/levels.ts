import { fillId, parseStepId } from "../log/index.ts";
import type { Fill } from "../mix/index.ts";
import { WATER_DENSITY } from "../physical.ts";
import type { JobInput } from "./input.ts";
import type { WorkPlan } from "./work.ts";

/** What stands in a vessel through the job: m³ at seconds after the start, straight lines between. */
export interface VesselLevel {
  /** A vessel's id, or which of the machine's tanks. */
  readonly id: string;
  readonly kind: "sprayer" | "solution" | "recovery";
  readonly capacity: number;
  readonly points: readonly { readonly at: number; readonly volume: number }[];
}

/** Follows one vessel: what goes in or out between two seconds. */
class Following {
  readonly points: { at: number; volume: number }[] = [{ at: 0, volume: 0 }];
  private volume = 0;

  change(start: number, end: number, by: number): void {
    this.points.push({ at: start, volume: this.volume });
    this.volume = Math.max(0, this.volume + by);
    this.points.push({ at: end, volume: this.volume });
  }
  empty(start: number, end: number): void {
    this.change(start, end, -this.volume);
  }
}

/** Level of every sprayer and of the machine's two tanks through a scheduled job; empty where it isn't scheduled. */
export function vesselLevels(job: JobInput, { run, rooms, batches, tanks }: WorkPlan): VesselLevel[] {
  if (run.outcome !== "planned") return [];
  const roomOf = new Map(rooms.map((room) => [room.id, room]));
  const sectionOf = new Map(run.sections.map((section) => [section.id, section]));
  const fillOf = new Map<string, Fill>(
    batches.flatMap(({ id, batch }) =>
      batch.outcome === "planned" ? batch.fills.map((fill, k) => [fillId(id, k + 1), fill] as const) : [],
    ),
  );
  const sprayers = new Map<string, Following>();
  const sprayer = (tool: string) => {
    const known = sprayers.get(tool) ?? new Following();
    sprayers.set(tool, known);
    return known;
  };
  const solution = new Following();
  const recovery = new Following();
  const rinsed = tanks ?? [];
  for (const { id, kind, tool, fillId, sectionId, start, end } of run.steps) {
    const section = sectionId === undefined ? undefined : sectionOf.get(sectionId);
    const room = section && roomOf.get(section.roomId);
    if (kind === "rinse" && tool) sprayer(tool).empty(start, end);
    if (kind === "fill" && tool && fillId) sprayer(tool).change(start, end, fillOf.get(fillId)?.volume ?? 0);
    if (kind === "pre-spray" && tool && section && room)
      sprayer(tool).change(start, end, -section.area * room.water.applicationRate);
    if (kind === "set-up") solution.change(start, end, rinsed[0]?.solution ?? 0);
    if (kind === "tank-trip") {
      const middle = (start + end) / 2;
      solution.empty(start, middle);
      recovery.empty(start, middle);
      solution.change(middle, end, rinsed[Number(parseStepId(id).subject)]?.solution ?? 0);
    }
    if (kind === "clean" && section && room && room.rinse > 0) {
      const share = section.area / room.area;
      solution.change(start, end, -room.rinse * share);
      recovery.change(
        start,
        end,
        (room.area * share * room.water.applied * room.water.recoveredShare) / WATER_DENSITY,
      );
    }
    if (kind === "pack-up") {
      solution.empty(start, end);
      recovery.empty(start, end);
    }
  }
  const nominal = new Map(
    job.batches.map(({ vessel, vesselId, id }) => [`sprayer:${vesselId ?? id}`, vessel.nominal]),
  );
  const tank = (kind: "solution" | "recovery", { points }: Following): VesselLevel[] =>
    rinsed.length > 0 && job.rig?.tanks ? [{ id: kind, kind, capacity: job.rig.tanks[kind], points }] : [];
  return [
    ...[...sprayers].map(
      ([tool, { points }]): VesselLevel => ({
        id: tool.replace("sprayer:", ""),
        kind: "sprayer",
        capacity: nominal.get(tool) ?? Math.max(...points.map(({ volume }) => volume)),
        points,
      }),
    ),
    ...tank("solution", solution),
    ...tank("recovery", recovery),
  ];
}

/** What stands in a vessel at a second, m³. */
export function levelAt({ points }: Pick<VesselLevel, "points">, second: number): number {
  const next = points.findIndex(({ at }) => at > second);
  const [a, b] = next < 0 ? [points.at(-1), undefined] : [points[next - 1], points[next]];
  if (!a) return 0;
  if (!b || b.at === a.at) return a.volume;
  return a.volume + ((second - a.at) / (b.at - a.at)) * (b.volume - a.volume);
}

import { fillStepId, rinseStepId } from "../log/index.ts";
import type { Task } from "../scheduling/index.ts";
import type { DividedSection } from "./divideJob.ts";
import type { RunFill, RunRinse } from "./input.ts";
import type { ProblemBuilder } from "./problemBuilder.ts";
import { fillTime, rinseTime } from "./work.ts";

/** The rinse before each fill that is sprayed: that of a fill nothing is sprayed from comes before the next one of its mix. */
function rinsesBefore(
  fills: readonly RunFill[],
  sprayed: ReadonlySet<string>,
): ReadonlyMap<string, RunRinse | undefined> {
  const due = new Map<string, RunRinse | undefined>();
  const before = new Map<string, RunRinse | undefined>();
  for (const { id, vesselId, rinse } of fills.toSorted((a, b) => a.place - b.place)) {
    const own = rinse ?? due.get(vesselId);
    due.set(vesselId, sprayed.has(id) ? undefined : own);
    if (own && sprayed.has(id)) before.set(id, own);
  }
  return before;
}

/**
 * One mix at a time in each vessel: its rinses, fills and sprays one after the other, fill by fill in their order there, whatever
 * the order of the rooms.
 */
export class VesselQueues {
  private readonly tasks = new Map<string, { readonly fill: RunFill; readonly chain: Task[] }>();
  private readonly rinses: ReadonlyMap<string, RunRinse | undefined>;

  constructor(
    private readonly to: ProblemBuilder,
    fills: readonly RunFill[],
    sections: readonly DividedSection[],
  ) {
    this.rinses = rinsesBefore(fills, new Set(sections.flatMap(({ fill }) => fill?.id ?? [])));
  }

  /** States the fill a section is sprayed from, and what is done to its vessel before, when it is first needed. */
  fillFor({ fill }: DividedSection): void {
    if (!fill || this.tasks.has(fill.id)) return;
    const tool = `sprayer:${fill.vesselId}`;
    const fillId = fill.id;
    const rinse = this.rinses.get(fillId);
    const rinsing = this.to.add(
      { id: rinseStepId(fillId), kind: "rinse", tool, fillId, ...(rinse ? { rinse } : {}) },
      rinseTime({ rinse }),
    );
    const filling = this.to.add({ id: fillStepId(fillId), kind: "fill", tool, fillId }, fillTime(fill));
    const chain = [rinsing, filling].flatMap((task) => task ?? []);
    this.tasks.set(fill.id, { fill, chain });
  }

  /** A section's spray comes out of its fill, before that is too old. */
  sprayed({ fill }: DividedSection, spray: Task): void {
    const filled = fill && this.tasks.get(fill.id);
    if (!filled) return;
    filled.chain.push(spray);
    const filling = filled.chain.find(({ id }) => id === fillStepId(fill.id));
    if (filling && fill.potLife !== undefined)
      this.to.lags.push({
        from: filling.id,
        to: spray.id,
        maxLag: Math.floor(fill.potLife) + filling.duration - spray.duration,
      });
  }

  /** States what waits for what, once all of it is known. */
  finish(): void {
    const inOrder = [...this.tasks.values()].toSorted((a, b) => a.fill.place - b.fill.place);
    for (const { fill, chain } of inOrder)
      for (const task of chain) this.to.queue(`sprayer:${fill.vesselId}`, task);
  }
}

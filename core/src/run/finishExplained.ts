import { type Explanation, explain, figure } from "../explain/index.ts";
import type { Step } from "./jobRun.ts";
import { STEP_FACTS } from "./stepFacts.ts";
import type { StepKind } from "./stepKinds.ts";

interface WorkedRoom {
  readonly steps: readonly Step[];
  readonly finishedAtHours: number;
  readonly finishLogged: boolean;
}

/** When a room is finished, hours after the job's start. */
export function explainFinish(room: WorkedRoom): Explanation {
  const steps = room.steps.filter(({ kind }) => !STEP_FACTS[kind].afterDry);
  const last = steps.reduce<Step | undefined>(
    (late, step) => (late && late.end >= step.end ? late : step),
    undefined,
  );
  const kinds = [...new Set(steps.map(({ kind }) => kind))];
  const spent = (kind: StepKind) =>
    steps.reduce((sum, step) => sum + (step.kind === kind ? step.end - step.start : 0), 0);
  const started = last?.start ?? 0;
  return explain({
    name: room.finishLogged ? "finished, as logged" : "finished",
    kind: "hours",
    formula: room.finishLogged
      ? "as logged"
      : "start of its last step on the run sheet plus its length; dwell time is filled with other work",
    source: "scheduling",
    inputs: {
      started: figure("last step starts", started, "time"),
      takes: figure("last step takes", last ? last.end - started : room.finishedAtHours * 3600, "time"),
    },
    compute: (x) => (room.finishLogged ? room.finishedAtHours : (x.started + x.takes) / 3600),
    steps: () => kinds.map((kind) => figure(STEP_FACTS[kind].figure ?? kind, spent(kind), "time")),
  });
}

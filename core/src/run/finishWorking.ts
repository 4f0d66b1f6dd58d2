import { explain, figure, type Working } from "../working/index.ts";
import { STEP_KINDS, type Step, type StepKind } from "./serial.ts";

interface WorkedRoom {
  readonly steps: readonly Step[];
  readonly finishedAt: number;
  readonly finishLogged: boolean;
}

const STEP_FIGURES: Readonly<Record<StepKind, string>> = {
  vacuum: "vacuum",
  edges: "edges",
  "pre-spray": "pre-spray",
  dwell: "dwell",
  clean: "clean",
  odour: "odour treatment",
};

/** When a room is finished, hours after the job's start. */
export function workingOfFinish(room: WorkedRoom): Working {
  const steps = STEP_KINDS.flatMap((kind) => room.steps.find((each) => each.kind === kind) ?? []);
  return explain({
    name: room.finishLogged ? "finished, as logged" : "finished",
    kind: "hours",
    formula: room.finishLogged ? "as logged" : "the rooms before it, then its own steps one after another",
    source: "work-in-turn",
    inputs: {
      before: figure("rooms before it", room.steps[0]?.start ?? 0, "time"),
      ...Object.fromEntries(
        steps.map(({ kind, start, end }) => [kind, figure(STEP_FIGURES[kind], end - start, "time")]),
      ),
    } as Record<string, ReturnType<typeof figure>>,
    compute: (x) =>
      room.finishLogged ? room.finishedAt : Object.values(x).reduce((sum, each) => sum + each, 0) / 3600,
  });
}

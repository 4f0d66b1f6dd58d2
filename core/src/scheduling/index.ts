export {
  finishToStart,
  type Infeasibility,
  type Problem,
  type Resource,
  START,
  type Starts,
  type Task,
  type TimeLag,
} from "./problem.ts";
export { type ScheduleResult, schedule } from "./schedule.ts";

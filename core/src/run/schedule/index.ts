export {
  after,
  type Lag,
  type Problem,
  type Resource,
  START,
  type Starts,
  type Task,
  type Unschedulable,
} from "./problem.ts";
export { type Scheduled, schedule } from "./schedule.ts";

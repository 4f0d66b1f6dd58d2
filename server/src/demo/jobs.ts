import { type DemoJob, startCounting } from "./build.ts";
import { clinic } from "./clinic.ts";
import { flat } from "./flat.ts";
import { guesthouse } from "./guesthouse.ts";
import { library } from "./library.ts";
import { pastJobs } from "./past.ts";

/** The jobs of the demo as they stand at `now`. */
export function demoJobs(now: Date): DemoJob[] {
  startCounting();
  return [library(now), flat(now), clinic(now), guesthouse(now), ...pastJobs(now)];
}

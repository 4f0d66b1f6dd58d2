import { DryingCases, JobFile } from "@scutch/contract";
import { OutOfRange } from "@scutch/core";
import { convertReport, TypedList } from "./convert.ts";
import { dryReport } from "./dry.ts";
import { InputFaults, readInput } from "./input.ts";
import { planReport } from "./plan.ts";

const USAGE = `npm run -s scutch -- plan JOB.json    the plan of a job: batches, fills, times, drying
npm run -s scutch -- dry CASES.json   drying cases, with what is computed beside what was expected
npm run -s scutch -- convert LIST.json  what people type, as SI values
A dash instead of a file reads standard input. Formats: docs/job-format.md`;

const COMMANDS: Readonly<Record<string, (file: string) => unknown>> = {
  plan: (file) => planReport(readInput(JobFile, file)),
  convert: (file) => convertReport(readInput(TypedList, file)),
  dry: (file) => dryReport(readInput(DryingCases, file)),
};

/** Bad input, by whoever called. */
const FAULTY = 2;

const [name = "", file, ...rest] = process.argv.slice(2);
const command = COMMANDS[name];
if (name === "--help" || name === "help") console.log(USAGE);
else if (!command || file === undefined || rest.length > 0) {
  console.error(USAGE);
  process.exitCode = FAULTY;
} else {
  try {
    process.stdout.write(`${JSON.stringify(command(file), null, 1)}\n`);
  } catch (error) {
    if (!(error instanceof InputFaults || error instanceof OutOfRange)) throw error;
    console.error(error.message);
    process.exitCode = FAULTY;
  }
}

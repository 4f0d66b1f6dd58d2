import { DryingCases, isKnownZone, JobFile } from "@scutch/contract";
import { OutOfRange } from "@scutch/core";
import { MAX_PEOPLE } from "@scutch/core/plan";
import { convertReport, TypedList } from "./convert.ts";
import { dryReport } from "./dry.ts";
import { InputFaults, readInput } from "./input.ts";
import { planReport } from "./plan.ts";

const USAGE = `npm run -s scutch -- plan JOB.json [--crew N]  the plan of a job: batches, fills, schedule, drying; for a crew of 1 to 3
npm run -s scutch -- dry CASES.json   drying cases, with what is computed beside what was expected
npm run -s scutch -- convert LIST.json  what people type, as SI values
A dash instead of a file reads standard input. Formats: docs/job-format.md`;

/** The file, unless its place is in a time zone this machine doesn't know: its hours would be read by another clock. */
function withKnownZone(file: JobFile): JobFile {
  const zone = file.site?.zone;
  if (zone === undefined || isKnownZone(zone)) return file;
  throw new InputFaults([
    `$.site.zone: “${zone}” is no time zone known here. Use an IANA name like Europe/Lisbon, or leave it out`,
  ]);
}

const COMMANDS: Readonly<Record<string, (file: string, crew?: number) => unknown>> = {
  plan: (file, crew) => planReport(withKnownZone(readInput(JobFile, file)), crew),
  convert: (file) => convertReport(readInput(TypedList, file)),
  dry: (file) => dryReport(readInput(DryingCases, file)),
};

/** `--crew N` taken out of what was typed; 0 where N isn't a crew. */
function readCrew(typed: readonly string[]): { readonly crew?: number; readonly words: readonly string[] } {
  const at = typed.indexOf("--crew");
  if (at < 0) return { words: typed };
  const people = Number(typed[at + 1]);
  const isCrew = Number.isInteger(people) && people >= 1 && people <= MAX_PEOPLE;
  return { crew: isCrew ? people : 0, words: typed.filter((_, i) => i !== at && i !== at + 1) };
}

/** Bad input, by whoever called. */
const FAULTY = 2;

const { crew, words } = readCrew(process.argv.slice(2));
const [name = "", file, ...rest] = words;
const command = COMMANDS[name];
if (name === "--help" || name === "help") console.log(USAGE);
else if (
  !command ||
  file === undefined ||
  rest.length > 0 ||
  (crew !== undefined && (name !== "plan" || !crew))
) {
  console.error(USAGE);
  process.exitCode = FAULTY;
} else {
  try {
    process.stdout.write(`${JSON.stringify(command(file, crew || undefined), null, 1)}\n`);
  } catch (error) {
    if (!(error instanceof InputFaults || error instanceof OutOfRange)) throw error;
    console.error(error.message);
    process.exitCode = FAULTY;
  }
}

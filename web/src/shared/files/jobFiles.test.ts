import { describe, expect, test } from "@jest/globals";
import { JobFile } from "@scutch/contract";
import { aJob, anEntry, anyJob, aRoom, aShelf } from "@scutch/contract/testing";
import fc from "fast-check";
import Papa from "papaparse";
import { UNITS_OF } from "../../format/units.ts";
import { jobFileOf, logCsv, readFileText } from "./jobFiles.ts";

const id = (kind: string, n: number) => `01930000-0000-7000-8${kind}00-${n.toString(16).padStart(12, "0")}`;
const shelf = aShelf({ products: [], vessels: [] });
const entry = (n: number, more: object) =>
  anEntry("", { id: id("7", n), at: "2026-03-10T09:00:00.000Z", kind: "note", ...more });

describe("a job's files", () => {
  test("any job goes out and comes in the same, with its log (fuzz)", () => {
    fc.assert(
      fc.property(
        anyJob(3),
        fc.array(fc.string({ minLength: 1, maxLength: 40 }), { maxLength: 5 }),
        (job, notes) => {
          const log = notes.map((note, i) => entry(i + 1, { text: note.trim() || "n" }));
          const plan = { ...job, batches: [], rooms: job.rooms.map(({ batchId: _, ...room }) => room) };
          const read = readFileText(JSON.stringify(jobFileOf(plan as typeof job, shelf, log)));
          if (read.kind !== "job") throw new Error(JSON.stringify(read));
          expect(read.file.job).toEqual(JSON.parse(JSON.stringify(plan)));
          expect(read.file.log).toEqual(log);
          expect(JobFile.safeParse(read.file).success).toBe(true);
        },
      ),
      { seed: 21, numRuns: 150 },
    );
  });

  test("what isn't a file of ours is said and nothing thrown (fuzz)", () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json()), (text) => {
        const read = readFileText(text);
        expect(read.kind).toBe("fault");
        if (read.kind === "fault") expect(read.sentence).toMatch(/[.!]$/);
      }),
      { seed: 22, numRuns: 300 },
    );
  });

  test("the log as CSV reads back line by line, formulas kept from spreadsheets, what was struck out marked", () => {
    const job = aJob({ rooms: [aRoom("=Hall", { id: id("5", 1) })] });
    const log = [
      entry(1, { text: '=1+1, "quoted"\nand a line' }),
      entry(2, { text: "spilt" }),
      entry(3, { kind: "correction", corrects: id("7", 2), text: "not so" }),
      entry(4, { kind: "reading", roomId: id("5", 1), place: "carpet", moisture: 0.2, by: "@Mira" }),
    ];
    const csv = logCsv(job, shelf, log, UNITS_OF.metric);
    const { data, errors } = Papa.parse<Record<string, string>>(csv, { header: true });
    expect(errors).toEqual([]);
    expect(data.map(({ stands }) => stands)).toEqual(["yes", "no", "no", "yes"]);
    for (const line of data)
      for (const cell of [line.said, line.room, line.by]) expect(cell).not.toMatch(/^[=+\-@]/);
    expect(data[0]?.said).toContain('"quoted"\nand a line');
    expect(logCsv(job, shelf, [], UNITS_OF.metric).trim()).toBe(csv.slice(0, csv.indexOf("\r\n")));
  });
});

test("a file nested without end, or with a moment that is none, is told as such", () => {
  const deep = 100_000;
  const job = aJob({ rooms: [aRoom("Hall")] });
  const file = JSON.stringify(jobFileOf(job, shelf, []));
  for (const nested of [
    `${'{"a":'.repeat(deep)}1${"}".repeat(deep)}`,
    `${"[".repeat(4 * deep)}${"]".repeat(4 * deep)}`,
  ])
    expect(readFileText(`${file.slice(0, -1)},"odd":${nested}}`)).toMatchObject({ kind: "fault" });
  const note = { id: job.id, at: "2026-11-29T10:1e-400:47Z", kind: "note", text: "x" };
  const read = readFileText(`${file.slice(0, -1).replace('"log":[]', `"log":[${JSON.stringify(note)}]`)}}`);
  expect(read).toMatchObject({ kind: "fault", sentence: expect.stringContaining("log › 0 › at") });
});

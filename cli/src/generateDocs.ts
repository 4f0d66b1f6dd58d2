// Writes what is generated into docs/; with --check, says which file no longer is what the schemas give.
import { readFileSync, writeFileSync } from "node:fs";
import { JobFile } from "@scutch/contract";
import { openApiDocument } from "@scutch/contract/openapi";
import { z } from "zod";
import { EXAMPLE_JOB } from "./exampleJob.ts";

const GENERATED: Readonly<Record<string, unknown>> = {
  "job.schema.json": z.toJSONSchema(JobFile, { io: "input" }),
  "example-job.json": EXAMPLE_JOB,
  "openapi.json": openApiDocument(),
};

const check = process.argv.includes("--check");
for (const [name, document] of Object.entries(GENERATED)) {
  const file = new URL(`../../docs/${name}`, import.meta.url);
  const text = `${JSON.stringify(document, null, 2)}\n`;
  if (!check) writeFileSync(file, text);
  else if (readFileSync(file, "utf8") !== text) {
    console.error(`docs/${name} is out of date. Run: npm run docs:generate`);
    process.exitCode = 1;
  }
}

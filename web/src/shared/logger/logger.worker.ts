import { guessColumns, type LoggerColumns } from "@scutch/core/logger";
import Papa from "papaparse";
import { LoggerReader, type LoggerReading, type LoggerSummary } from "./loggerReader.ts";

/** Reads a data logger’s file off the page’s own thread. */

export type LoggerRequest = { readonly file: File; readonly how?: LoggerReading };

/** What a look at a file’s first rows finds. */
export interface LoggerLook {
  /** Names of its columns, or what stands in them first. */
  readonly columns: readonly string[];
  readonly guess: LoggerColumns | undefined;
}

export type LoggerResponse =
  | { readonly look: LoggerLook }
  | { readonly rows: number }
  | { readonly summary: LoggerSummary }
  | { readonly failed: true };

/** Rows looked at to guess what the columns are. */
const LOOKED_AT = 220;
const say = (response: LoggerResponse) => postMessage(response);

function look(file: File): void {
  Papa.parse<string[]>(file, {
    preview: LOOKED_AT,
    skipEmptyLines: "greedy",
    complete: ({ data }) => {
      const widest = data.reduce((most, row) => Math.max(most, row.length), 0);
      const titles = data.find((row) => row.length === widest) ?? [];
      say({
        look: {
          columns: titles.map((title, i) => title.trim() || `Column ${i + 1}`),
          guess: guessColumns(data),
        },
      });
    },
    error: () => say({ failed: true }),
  });
}

function read(file: File, how: LoggerReading): void {
  const reader = new LoggerReader(how);
  let rows = 0;
  Papa.parse<string[]>(file, {
    skipEmptyLines: "greedy",
    chunk: ({ data }) => {
      reader.take(data);
      rows += data.length;
      say({ rows });
    },
    complete: () => say({ summary: reader.end() }),
    error: () => say({ failed: true }),
  });
}

addEventListener("message", ({ data: { file, how } }: MessageEvent<LoggerRequest>) => {
  if (how) read(file, how);
  else look(file);
});

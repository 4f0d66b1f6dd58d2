import { useEffect, useState } from "react";
import type { LoggerLook, LoggerRequest, LoggerResponse } from "./logger.worker.ts";
import type { LoggerReading, LoggerSummary } from "./loggerReader.ts";

export type LoggerFileState =
  | { readonly state: "looking" | "failed" }
  | { readonly state: "looked"; readonly look: LoggerLook }
  | { readonly state: "reading"; readonly look: LoggerLook; readonly rows: number }
  | { readonly state: "read"; readonly look: LoggerLook; readonly summary: LoggerSummary };

/** A data logger’s file as a worker reads it: looked at first, then read as `how` says, again whenever that changes. */
export function useLoggerFile(file: File, how: LoggerReading | undefined): LoggerFileState {
  const [look, setLook] = useState<LoggerLook | "failed">();
  const [progress, setProgress] = useState<{
    readonly how: LoggerReading;
    readonly response: LoggerResponse;
  }>();
  useEffect(
    () => ask({ file }, (response) => setLook("look" in response ? response.look : "failed")),
    [file],
  );
  useEffect(() => {
    if (!how) return;
    return ask({ file, how }, (response) => setProgress({ how, response }));
  }, [file, how]);
  if (look === "failed") return { state: "failed" };
  if (!look) return { state: "looking" };
  if (!how) return { state: "looked", look };
  const response = progress?.how === how ? progress.response : undefined;
  if (response && "failed" in response) return { state: "failed" };
  if (response && "summary" in response) return { state: "read", look, summary: response.summary };
  return { state: "reading", look, rows: response && "rows" in response ? response.rows : 0 };
}

/** Asks a worker of its own, which ends with the answer’s reader. */
function ask(request: LoggerRequest, hear: (response: LoggerResponse) => void): () => void {
  const worker = new Worker(new URL("./logger.worker.ts", import.meta.url), {
    type: "module",
    name: "logger",
  });
  worker.addEventListener("message", ({ data }: MessageEvent<LoggerResponse>) => hear(data));
  worker.addEventListener("error", () => hear({ failed: true }));
  worker.postMessage(request);
  return () => worker.terminate();
}

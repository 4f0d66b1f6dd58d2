import type { Response } from "express";

/** A line that says nothing but that there still is a connection, ms. */
const BEAT = 15_000;
/** How soon a device tries again by itself, ms. */
const RETRY = 2000;

const HEADERS = {
  "Content-Type": "text/event-stream",
  "Cache-Control": "no-cache, no-transform",
  "X-Accel-Buffering": "no",
} as const;

/** Begins a stream of server-sent events, kept open with a beat until the device leaves. */
export function beginEvents(response: Response, onBeat: () => void = () => undefined): void {
  response.writeHead(200, HEADERS);
  response.write(`retry: ${RETRY}\n\n`);
  const beat = setInterval(() => {
    response.write("event: beat\ndata: {}\n\n");
    onBeat();
  }, BEAT);
  response.on("close", () => clearInterval(beat));
}

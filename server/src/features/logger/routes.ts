import { LoggerQuery, streams } from "@scutch/contract";
import type { Router } from "express";
import type { Context } from "../../http/context.ts";
import { beginEvents } from "../../http/eventStream.ts";
import { endUnlessPermitted } from "../../http/gate.ts";
import { checked, mountEvents } from "../../http/mount.ts";

/** Readings of a data logger as they come in, for as long as a device listens. */
export function loggerRoutes(router: Router, { loggers, actorOf }: Context): void {
  mountEvents(router, streams.followLogger, (request, response) => {
    const which = checked(LoggerQuery, request.query);
    beginEvents(
      response,
      () => void endUnlessPermitted(actorOf, streams.followLogger.needs, request, response),
    );
    const leave = loggers.follow(which, (reading) =>
      response.write(`event: reading\ndata: ${JSON.stringify(reading)}\n\n`),
    );
    response.on("close", leave);
  });
}

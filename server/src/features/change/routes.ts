import { type Changes, endpoints, streams } from "@scutch/contract";
import type { RequestHandler, Response, Router } from "express";
import type { Db } from "../../db/connect.ts";
import { ChangeFeed } from "../../http/changeFeed.ts";
import type { Context } from "../../http/context.ts";
import { withinDeadline } from "../../http/deadline.ts";
import { beginEvents } from "../../http/eventStream.ts";
import { actorIn, endUnlessPermitted } from "../../http/gate.ts";
import { checked, mount, mountEvents } from "../../http/mount.ts";
import { readChanges } from "./store.ts";

/** What happens in a database, told as it does. */
export const feedOf = (db: Db): ChangeFeed =>
  new ChangeFeed((crewId, since) => readChanges(db, crewId, since));

/** Has the feed look as soon as something was saved. */
export const tellOfSaves =
  (feed: ChangeFeed): RequestHandler =>
  (request, response, next) => {
    if (request.method !== "GET") response.on("finish", () => feed.look(actorIn(response).crewId));
    next();
  };

/** What changed since a mark, asked or as it happens: one stream for each device, which its tabs share. */
export function changeRoutes(router: Router, { db, feed, actorOf }: Context): void {
  mount(router, endpoints.readChanges, ({ query }, { crewId }) => readChanges(db, crewId, query.since));
  mountEvents(router, streams.followChanges, async (request, response: Response) => {
    const check = () => void endUnlessPermitted(actorOf, streams.followChanges.needs, request, response);
    // Behind what its browser heard last, else where the device says.
    const since = request.get("last-event-id") ?? request.query.since;
    const mark = checked(endpoints.readChanges.query, { since }).since;
    const heard: Changes[] = [];
    let isOpen = false;
    let isGone = false;
    const write = ({ seq, topics }: Changes) =>
      response.write(`id: ${seq}\nevent: changed\ndata: ${JSON.stringify({ seq, topics })}\n\n`);
    const following = feed.follow(actorIn(response).crewId, mark, {
      tell: (changes) => void (isOpen ? write(changes) : heard.push(changes)),
      check,
      end: () => response.end(),
    });
    response.on("close", () => {
      isGone = true;
      isOpen = false;
    });
    // The device left before the stream began, or it began too late.
    void following.then(
      (leave) => response.on("close", leave) && isGone && leave(),
      () => undefined,
    );
    await withinDeadline(following);
    if (isGone) return;
    beginEvents(response, check);
    for (const each of heard) write(each);
    isOpen = true;
  });
}

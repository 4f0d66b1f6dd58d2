import * as z from "zod";
import { Changes } from "../change.ts";
import { endpoint } from "./endpoint.ts";
import { PATHS } from "./paths.ts";

export const changeEndpoints = {
  readChanges: endpoint({
    method: "get",
    path: PATHS.readChanges,
    needs: "read",
    summary: "What changed since a mark; /events tells the same as it happens (server-sent events)",
    query: z.strictObject({
      since: z.coerce.number().int().min(0).optional().meta({ description: "Absent: answers only the mark" }),
    }),
    response: Changes,
    errors: [422],
  }),
};

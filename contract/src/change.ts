import * as z from "zod";

const UUID = "[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}";

/** What changed: everything, the shelf and van, the stock, the settings; or the plan, log or photos of a job. */
export const Topic = z
  .string()
  .regex(new RegExp(`^(?:all|shelf|stock|settings|(?:job|log|photos):${UUID})$`))
  .meta({ id: "Topic", description: "all, shelf, stock, settings, job:ID, log:ID or photos:ID" });
export type Topic = z.infer<typeof Topic>;

/** What changed since a mark, and the mark to ask from next. */
export const Changes = z
  .strictObject({
    seq: z
      .int()
      .min(0)
      .meta({ description: "Grows with each change of the crew’s, in the order they were saved" }),
    topics: z.array(Topic),
  })
  .meta({ id: "Changes" });
export type Changes = z.infer<typeof Changes>;

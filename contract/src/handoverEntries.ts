import { SECOND_LOOK_RESULTS, WALK_ROUND } from "@scutch/core/log";
import * as z from "zod";
import { RoomId, SpotId } from "./ids.ts";
import { Instant } from "./moment.ts";
import { Name } from "./quantity.ts";
import { Signature } from "./quoteEntries.ts";

/** The page for the customer was handed over. */
export const handedOver = {
  kind: z.literal("handed-over"),
  name: Name.optional().meta({ description: "Who took it; absent: the customer wasn’t there" }),
  signature: Signature.optional(),
  walkOnAt: Instant.optional().meta({ description: "Last room touch-dry, as told" }),
  dryAt: Instant.optional().meta({ description: "Last room dry, as told" }),
  returnAt: Instant.optional().meta({ description: "When the crew comes back, as told" }),
};

/** An item of the walk-round before it. */
export const walkRound = {
  kind: z.literal("walk-round"),
  item: z.enum(WALK_ROUND),
};

/** What was found where the crew looked again, or what the customer called about. */
export const secondLook = {
  kind: z.literal("second-look"),
  roomId: RoomId,
  spotId: SpotId.optional(),
  result: z.enum(SECOND_LOOK_RESULTS),
};

import { WALLS } from "@scutch/core/floor";
import * as z from "zod";
import { DoorId, RoomId } from "./ids.ts";
import { quantity } from "./quantity.ts";

/** A door or opening, as seen from one of its rooms. */
export const Door = z
  .strictObject({
    id: DoorId,
    from: RoomId,
    to: RoomId.optional().meta({ description: "The room on its other side; absent: the exit" }),
    wall: z
      .enum(WALLS)
      .optional()
      .meta({ description: "Wall of `from` as drawn; found automatically if absent" }),
    offset: quantity(
      "m",
      [0, 200],
      "From that wall’s left or upper end to the middle of the door",
    ).optional(),
    shut: z.boolean().optional().meta({ description: "Kept closed while drying: no air passes" }),
  })
  .meta({ id: "Door" });

export type Door = z.infer<typeof Door>;

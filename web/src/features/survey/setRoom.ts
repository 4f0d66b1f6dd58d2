import type { Room } from "@scutch/contract";
import type { ShowLimit } from "../../format/readers.ts";

/** Changes fields of one room; a returned sentence says why it was refused. */
export type SetRoom = (change: Partial<Room>, showLimit?: ShowLimit) => string | undefined;

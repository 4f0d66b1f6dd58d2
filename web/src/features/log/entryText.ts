import type { LogEntry } from "@scutch/contract";
import { joined, percent, type UnitsOfCrew } from "../../format/units.ts";
import type { JobDesk } from "../job/useJobDesk.ts";

/** An entry as a line: what it is, and what was said. */
export function entryText(
  entry: LogEntry,
  { job, shelf }: JobDesk,
  units: UnitsOfCrew,
): { readonly what: string; readonly said: string } {
  const room = (id: string | undefined) =>
    job.rooms.find((each) => each.id === id)?.name ?? (id ? "a removed room" : undefined);
  const product = (id: string) => shelf.products.find((each) => each.id === id)?.name ?? "a removed product";
  const inRoom = (id: string | undefined) => (id ? `, ${room(id)}` : "");
  switch (entry.kind) {
    case "fill-made":
      return {
        what: `Fill ${entry.fill} made`,
        said: `${product(entry.productId)}: ${joined(units.volume(entry.water))} of water, ${joined(units.amount(entry.concentrate))} of concentrate`,
      };
    case "product-used":
      return {
        what: "Product used",
        said: `${product(entry.productId)}, ${joined(units.amount(entry.amount))}${inRoom(entry.roomId)}`,
      };
    case "reading":
      return {
        what: "Reading",
        said: `${percent(entry.moisture)} ${entry.place === "carpet" ? "in" : "in an untouched place of"} ${room(entry.roomId)}`,
      };
    case "room-finished":
      return { what: "Finished", said: room(entry.roomId) ?? "" };
    case "note":
      return { what: "Note", said: `${entry.text}${inRoom(entry.roomId)}` };
    case "correction":
      return { what: "Correction", said: entry.text };
  }
}

import type { LogEntry } from "@scutch/contract";
import { AGENT_FACTS } from "@scutch/core/care";
import { RESULT_NAMES } from "../../format/careWords.ts";
import { doseOf, joined, percent, type UnitsOfCrew } from "../../format/units.ts";
import { ORIGIN_SHORT } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";

/** An entry as a line: what it is, and what was said. */
export function entryText(
  entry: LogEntry,
  { job, shelf }: JobDesk,
  units: UnitsOfCrew,
): { readonly what: string; readonly said: string } {
  const room = (id: string | undefined) =>
    job.rooms.find((each) => each.id === id)?.name ?? (id ? "a removed room" : undefined);
  const product = (id: string) => shelf.products.find((each) => each.id === id)?.name ?? "a removed product";
  const amount = (powder: number | undefined, liquid = 0) =>
    doseOf(powder ?? liquid, powder !== undefined, units);
  const inRoom = (id: string | undefined) => (id ? `, ${room(id)}` : "");
  switch (entry.kind) {
    case "fill-made":
      return {
        what: `Fill ${entry.fill} made`,
        said: [
          `${product(entry.productId)}: ${joined(units.volume(entry.water))} of water`,
          entry.powder === undefined
            ? `${amount(undefined, entry.concentrate)} of concentrate`
            : `${amount(entry.powder)} of powder`,
          ...(entry.boosters ?? []).map(
            (booster) => `${amount(booster.powder, booster.concentrate)} of ${product(booster.productId)}`,
          ),
          ...(entry.lot ? [`lot ${entry.lot}`] : []),
        ].join(", "),
      };
    case "product-used":
      return {
        what: "Product used",
        said: `${product(entry.productId)}, ${amount(entry.powder, entry.amount)}${inRoom(entry.roomId)}`,
      };
    case "reading":
      return {
        what: "Reading",
        said: `${percent(entry.moisture)} ${entry.place === "carpet" ? "in" : "in an untouched place of"} ${room(entry.roomId)}`,
      };
    case "room-finished":
      return { what: "Finished", said: room(entry.roomId) ?? "" };
    case "water-measured":
      return {
        what: "Tanks read",
        said: `${joined(units.volume(entry.solution))} used, ${joined(units.volume(entry.recovered))} taken up: ${entry.roomIds.map(room).join(", ")}`,
      };
    case "dye-test":
      return {
        what: "Dye test",
        said: `${product(entry.productId)} in ${room(entry.roomId)}, ${entry.place}, ${entry.pressed} s: ${entry.result === "no-colour" ? "no colour on the cloth" : "colour came, stop"}`,
      };
    case "override":
      return {
        what: "Gone on without a dye test",
        said: `${product(entry.productId)} in ${room(entry.roomId)}. ${entry.owner} answers for it: ${entry.reason}`,
      };
    case "spot-attempt": {
      const spot = job.spots?.find(({ id }) => id === entry.spotId);
      const what = spot ? ORIGIN_SHORT[spot.origin] : "A removed spot";
      const used = entry.productId ? ` with ${product(entry.productId)}` : "";
      return {
        what: "Spot worked",
        said: `${what} in ${room(entry.roomId)}: ${AGENT_FACTS[entry.agent].name.toLowerCase()}${used}, ${RESULT_NAMES[entry.result].toLowerCase()}`,
      };
    }
    case "spot-skipped": {
      const spot = job.spots?.find(({ id }) => id === entry.spotId);
      const what = spot ? ORIGIN_SHORT[spot.origin] : "A removed spot";
      return {
        what: "Step passed over",
        said: `${what} in ${room(entry.roomId)}: ${AGENT_FACTS[entry.agent].name.toLowerCase()}, not done`,
      };
    }
    case "note":
      return { what: "Note", said: `${entry.text}${inRoom(entry.roomId)}` };
    case "correction":
      return { what: "Correction", said: entry.text };
  }
}

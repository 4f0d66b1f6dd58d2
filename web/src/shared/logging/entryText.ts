import type { LogEntry, LogEntryOf } from "@scutch/contract";
import { AGENT_FACTS } from "@scutch/core/care";
import { formatDuration } from "@scutch/core/quantity";
import { RESULT_NAMES } from "../../format/careWords.ts";
import { doseOf, formatAmount, percent, type UnitFormatter } from "../../format/units.ts";
import { ORIGIN_SHORT } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { stepName } from "../run/stepWords.ts";

type StepKind = "step-started" | "step-done" | "step-skipped" | "step-handed";

/** What something is called in an entry: by the name it had when it was written, and what it is called since. */
function nameIn(
  { names }: Pick<LogEntry, "names">,
  id: string,
  now: { readonly name: string } | undefined,
  otherwise: string,
): string {
  const then = names?.[id as keyof typeof names];
  if (then === undefined) return now?.name ?? otherwise;
  return now && now.name !== then ? `${then}, now ${now.name}` : then;
}

/** The room an entry is about, where it is about one. */
export const roomOf = (entry: LogEntry): string | undefined => ("roomId" in entry ? entry.roomId : undefined);

/** An entry as a line: what it is, and what was said. */
export function entryText(
  entry: LogEntry,
  { job, shelf }: Pick<JobDesk, "job" | "shelf">,
  units: UnitFormatter,
): { readonly what: string; readonly said: string } {
  const room = (id: string | undefined) =>
    id &&
    nameIn(
      entry,
      id,
      [...job.rooms, ...(job.former ?? [])].find((each) => each.id === id),
      "a removed room",
    );
  const product = (id: string) =>
    nameIn(
      entry,
      id,
      shelf.products.find((each) => each.id === id),
      "a removed product",
    );
  const spotName = (id: string) => {
    const spot = job.spots?.find((each) => each.id === id);
    return nameIn(entry, id, spot && { name: ORIGIN_SHORT[spot.origin] }, "A removed spot");
  };
  const amount = (powder: number | undefined, liquid = 0) =>
    doseOf(powder ?? liquid, powder !== undefined, units);
  const inRoom = (id: string | undefined) => (id ? `, ${room(id)}` : "");
  const stepSaid = (step: LogEntryOf<StepKind>) =>
    [
      `${stepName({ kind: step.does, what: step.what })}${inRoom(step.roomId)}`,
      ...(step.section === undefined ? [] : [`section ${step.section}`]),
    ].join(", ");
  switch (entry.kind) {
    case "fill-made":
      return {
        what: `Fill ${entry.fill} mixed`,
        said: [
          `${product(entry.productId)}: ${formatAmount(units.volume(entry.water))} of water`,
          entry.powder === undefined
            ? `${amount(undefined, entry.concentrate)} of concentrate`
            : `${amount(entry.powder)} of powder`,
          ...(entry.boosters ?? []).map(
            (booster) => `${amount(booster.powder, booster.concentrate)} of ${product(booster.productId)}`,
          ),
          ...(entry.lot ? [`lot ${entry.lot}`] : []),
          ...(entry.aboveLabel
            ? [
                `stronger than the label allows: ${entry.aboveLabel.owner} took responsibility, ${entry.aboveLabel.reason}`,
              ]
            : []),
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
        said: `${percent(entry.moisture)} ${entry.place === "carpet" ? "in" : "dry standard in"} ${room(entry.roomId)}`,
      };
    case "room-finished":
      return { what: "Room finished", said: room(entry.roomId) ?? "" };
    case "water-measured":
      return {
        what: "Tank readings",
        said: `${formatAmount(units.volume(entry.solution))} used, ${formatAmount(units.volume(entry.recovered))} recovered: ${entry.roomIds.map(room).join(", ")}`,
      };
    case "dye-test":
      return {
        what: "Dye test",
        said: `${product(entry.productId)} in ${room(entry.roomId)}, ${entry.place}, ${entry.pressed} s: ${entry.result === "no-colour" ? "no colour on the cloth" : "colour bled, stop"}`,
      };
    case "override":
      return {
        what: "Dye test skipped",
        said: `${product(entry.productId)} in ${room(entry.roomId)}. ${entry.owner} took responsibility: ${entry.reason}`,
      };
    case "spot-attempt": {
      const used = entry.productId ? ` with ${product(entry.productId)}` : "";
      return {
        what: "Spot treated",
        said: `${spotName(entry.spotId)} in ${room(entry.roomId)}: ${AGENT_FACTS[entry.agent].name.toLowerCase()}${used}, ${RESULT_NAMES[entry.result].toLowerCase()}`,
      };
    }
    case "spot-skipped":
      return {
        what: "Step skipped",
        said: `${spotName(entry.spotId)} in ${room(entry.roomId)}: ${AGENT_FACTS[entry.agent].name.toLowerCase()}, not done`,
      };
    case "run-started":
      return { what: "Job started", said: "" };
    case "step-started":
      return {
        what: "Step started",
        said: [
          stepSaid(entry),
          ...(entry.early ? [`${formatDuration(entry.early)} of dwell time left`] : []),
          ...(entry.over ? [`${formatDuration(entry.over)} past its dwell limit`] : []),
        ].join(", "),
      };
    case "step-done":
      return { what: "Step done", said: stepSaid(entry) };
    case "step-skipped":
      return { what: "Step skipped", said: `${stepSaid(entry)}: ${entry.reason}` };
    case "step-handed":
      return { what: "Step given to another", said: `${stepSaid(entry)}, to person ${entry.who}` };
    case "note":
      return { what: "Note", said: `${entry.text}${inRoom(entry.roomId)}` };
    case "correction":
      return entry.takenBack
        ? { what: "Undone", said: entry.text }
        : { what: "Correction", said: entry.text };
  }
}

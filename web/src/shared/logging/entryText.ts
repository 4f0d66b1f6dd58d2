import type { LogEntry, LogEntryOf } from "@scutch/contract";
import { AGENT_FACTS } from "@scutch/core/care";
import { formatDuration, formatQuantity } from "@scutch/core/quantity";
import { RESULT_NAMES } from "../../format/careWords.ts";
import { moneyFormat } from "../../format/money.ts";
import { longDay } from "../../format/time.ts";
import { doseOf, formatAmount, percent, type UnitFormatter } from "../../format/units.ts";
import {
  ORIGIN_SHORT,
  PAID_BY_NAMES,
  SECOND_LOOK_NAMES,
  WALK_ROUND_NAMES,
  WINDOW_NAMES,
} from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { methodText } from "../../planning/ways.ts";
import { stepName } from "../run/stepWords.ts";

/** What a dehumidifier takes out in a day. */
const perDayText = (litres: number, units: UnitFormatter) =>
  `${formatQuantity(litres / 1000, units.system === "metric" ? "l" : "pt", 0)} a day`;

type StepKind = "step-started" | "step-done" | "step-skipped" | "step-handed";

/** What something was called when an entry was written. */
export function nameThen({ names }: Pick<LogEntry, "names">, id: string | undefined): string | undefined {
  const then: Readonly<Record<string, string>> = names ?? {};
  return id === undefined ? undefined : then[id];
}

/** What something is called in an entry: by the name it had when it was written, and what it is called since. */
function nameIn(
  { names }: Pick<LogEntry, "names">,
  id: string,
  now: { readonly name: string } | undefined,
  otherwise: string,
): string {
  const then = nameThen({ names }, id);
  if (then === undefined) return now?.name ?? otherwise;
  return now && now.name !== then ? `${then}, now ${now.name}` : then;
}

/** The room an entry is about, where it is about one. */
export const roomOf = (entry: LogEntry): string | undefined => ("roomId" in entry ? entry.roomId : undefined);

/** An entry as a line: what it is, and its details. */
interface EntryLine {
  readonly what: string;
  readonly said: string;
}

/** What an entry speaks of; the log, where one entry speaks of another. */
type Spoken = Pick<JobDesk, "job" | "shelf"> & { readonly log?: readonly LogEntry[] };

/** Names and amounts in one entry, in the crew's units. */
function wordsFor(entry: LogEntry, { job, shelf, log }: Spoken, units: UnitFormatter) {
  const room = (id: string | undefined) =>
    id &&
    nameIn(
      entry,
      id,
      [...job.rooms, ...(job.former ?? [])].find((each) => each.id === id),
      "a removed room",
    );
  const inRoom = (id: string | undefined) => (id ? `, ${room(id)}` : "");
  return {
    units,
    quote: (id: string) =>
      log?.find((each): each is LogEntryOf<"quote-given"> => each.kind === "quote-given" && each.id === id),
    room,
    inRoom,
    product: (id: string) =>
      nameIn(
        entry,
        id,
        shelf.products.find((each) => each.id === id),
        "a removed product",
      ),
    spot: (id: string) => {
      const spot = job.spots?.find((each) => each.id === id);
      return nameIn(entry, id, spot && { name: ORIGIN_SHORT[spot.origin] }, "A removed spot");
    },
    amount: (powder: number | undefined, liquid = 0) => doseOf(powder ?? liquid, powder !== undefined, units),
    step: (step: LogEntryOf<StepKind>) => {
      const until = "joined" in step ? step.joined?.at(-1)?.part?.number : undefined;
      const sections =
        until === undefined || until === step.section
          ? `section ${step.section}`
          : `sections ${step.section}–${until}`;
      return [
        `${stepName({ kind: step.does, what: step.what })}${inRoom(step.roomId)}`,
        ...(step.section === undefined ? [] : [sections]),
      ].join(", ");
    },
  };
}
type Words = ReturnType<typeof wordsFor>;

/** How each kind of entry reads; a new kind doesn't compile without its line. */
const LINES: { readonly [K in LogEntry["kind"]]: (entry: LogEntryOf<K>, words: Words) => EntryLine } = {
  "fill-made": (entry, { product, amount, units }) => ({
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
        ? [`stronger than the label allows: ${responsible(entry.aboveLabel)}, ${entry.aboveLabel.reason}`]
        : []),
    ].join(", "),
  }),
  "product-used": (entry, { product, amount, inRoom }) => ({
    what: "Product used",
    said: `${product(entry.productId)}, ${amount(entry.powder, entry.amount)}${inRoom(entry.roomId)}`,
  }),
  "air-changed": (entry, { room, units }) => ({
    what: "Drying changed",
    said: `${room(entry.roomId)}: ${[
      entry.windows && `windows ${WINDOW_NAMES[entry.windows].toLowerCase()}`,
      entry.heating !== undefined && `heating ${entry.heating ? "on" : "off"}`,
      entry.airMovers &&
        (entry.airMovers.length === 1 ? "1 air mover" : `${entry.airMovers.length || "no"} air movers`),
      entry.dehumidifierLitresPerDay !== undefined &&
        (entry.dehumidifierLitresPerDay > 0
          ? `dehumidifier ${perDayText(entry.dehumidifierLitresPerDay, units)}`
          : "no dehumidifier"),
      entry.doors &&
        `${entry.doors.length === 1 ? "door" : "doors"} ${[...new Set(entry.doors.map(({ isShut }) => (isShut ? "closed" : "opened")))].join(" and ")}`,
    ]
      .filter(Boolean)
      .join(", ")}`,
  }),
  "air-logged": (entry, { room, units }) => {
    const air = (each: (typeof entry.readings)[number] | undefined) =>
      each ? `${units.temperature(each.temperature)} ${percent(each.relativeHumidity)}` : "";
    const { length } = entry.readings;
    return {
      what: "Logger",
      said: [
        `${room(entry.roomId)}: ${length === 1 ? "1 reading" : `${length} readings`}`,
        length === 1 ? air(entry.readings[0]) : `${air(entry.readings[0])} to ${air(entry.readings.at(-1))}`,
        entry.logger,
      ]
        .filter(Boolean)
        .join(", "),
    };
  },
  "air-reading": (entry, { room, units }) => ({
    what: "Room air",
    said: `${room(entry.roomId)}: ${units.temperature(entry.temperature)}, ${percent(entry.relativeHumidity)}`,
  }),
  reading: (entry, { room }) => ({
    what: "Reading",
    said: `${entry.place === "carpet" ? "" : "dry standard "}${percent(entry.moisture)} in ${room(entry.roomId)}`,
  }),
  "room-finished": (entry, { room }) => ({ what: "Room finished", said: room(entry.roomId) ?? "" }),
  "water-measured": (entry, { room, units }) => ({
    what: "Tank readings",
    said: `${formatAmount(units.volume(entry.solution))} used, ${formatAmount(units.volume(entry.recovered))} recovered: ${entry.roomIds.map(room).join(", ")}`,
  }),
  "dye-test": (entry, { product, room }) => ({
    what: "Dye test",
    said: `${product(entry.productId)} in ${room(entry.roomId)}, ${entry.place}, ${entry.pressed} s: ${entry.result === "no-colour" ? "no colour on the cloth" : "colour bled, stop"}`,
  }),
  "tile-test": (entry, { product, room }) => ({
    what: "Tile test",
    said: `${product(entry.productId)} in ${room(entry.roomId)}, ${entry.place}${entry.stood === undefined ? "" : `, ${formatDuration(entry.stood)}`}: ${entry.result === "no-change" ? "no change" : "dulled or etched, stop"}`,
  }),
  override: (entry, { product, room }) => ({
    what: "Test skipped",
    said: `${product(entry.productId)} in ${room(entry.roomId)}. ${responsible(entry)}: ${entry.reason}`,
  }),
  "spot-attempt": (entry, { product, room, spot }) => {
    const used = entry.productId ? ` with ${product(entry.productId)}` : "";
    return {
      what: "Spot treated",
      said: `${spot(entry.spotId)} in ${room(entry.roomId)}: ${AGENT_FACTS[entry.agent].name.toLowerCase()}${used}, ${RESULT_NAMES[entry.result].toLowerCase()}`,
    };
  },
  "spot-skipped": (entry, { room, spot }) => ({
    what: "Step skipped",
    said: `${spot(entry.spotId)} in ${room(entry.roomId)}: ${AGENT_FACTS[entry.agent].name.toLowerCase()}, not done`,
  }),
  "run-started": () => ({ what: "Job started", said: "" }),
  "step-started": (entry, { step }) => ({
    what: "Step started",
    said: [
      step(entry),
      ...(entry.early ? [`${formatDuration(entry.early)} of dwell time left`] : []),
      ...(entry.over ? [`${formatDuration(entry.over)} past its dwell limit`] : []),
    ].join(", "),
  }),
  "step-done": (entry, { step }) => ({ what: "Step done", said: step(entry) }),
  "step-skipped": (entry, { step }) => ({ what: "Step skipped", said: `${step(entry)}: ${entry.reason}` }),
  "step-handed": (entry, { step }) => ({
    what: "Step given to another",
    said: `${step(entry)}, to person ${entry.who}`,
  }),
  "quote-given": (entry) => {
    const { showMinor } = moneyFormat(entry.currency);
    return {
      what: `Quote ${entry.number} shown`,
      said: `${entry.offers.map((offer) => `${methodText(offer)} ${showMinor(offer.total)}`).join(", ")}; prices hold until ${longDay(entry.validUntil)}`,
    };
  },
  "quote-agreed": (entry, { quote }) => {
    const { number, currency, offers } = quote(entry.quoteId) ?? {};
    const offer = offers?.[entry.offer];
    return {
      what: `Quote ${number ?? ""} accepted`.replace("  ", " "),
      said: [
        `by ${entry.name}${entry.signature ? ", signed" : ""}`,
        ...(offer ? [`${methodText(offer)}, ${moneyFormat(currency).showMinor(offer.total)}`] : []),
      ].join(": "),
    };
  },
  payment: (entry) => ({
    what: "Paid",
    said: `${moneyFormat(entry.currency).showMinor(entry.amount)}, ${PAID_BY_NAMES[entry.paidBy].toLowerCase()}`,
  }),
  "walk-round": (entry) => ({ what: "Checked", said: WALK_ROUND_NAMES[entry.item].toLowerCase() }),
  "handed-over": (entry) => ({
    what: "Handed over",
    said: entry.name ? `to ${entry.name}${entry.signature ? ", signed" : ""}` : "the customer wasn’t there",
  }),
  "second-look": (entry, { room, spot }) => ({
    what: "Second look",
    said: `${room(entry.roomId)}${entry.spotId ? `, ${spot(entry.spotId)}` : ""}: ${SECOND_LOOK_NAMES[entry.result].toLowerCase()}`,
  }),
  note: (entry, { inRoom }) => ({ what: "Note", said: `${entry.text}${inRoom(entry.roomId)}` }),
  correction: (entry) => ({ what: entry.takenBack ? "Undone" : "Correction", said: entry.text }),
};

/** An entry as a line, with the names its things had when it was written. */
/** An owner who was signed in is proven; anybody else’s word for them isn’t. */
const responsible = ({
  owner,
  confirmed,
}: {
  readonly owner: string;
  readonly confirmed?: true | undefined;
}) =>
  confirmed
    ? `${owner}, signed in as owner, took responsibility`
    : `${owner} took responsibility (owner not signed in)`;

export function entryText(entry: LogEntry, desk: Spoken, units: UnitFormatter): EntryLine {
  const line = LINES[entry.kind] as (entry: LogEntry, words: Words) => EntryLine;
  return line(entry, wordsFor(entry, desk, units));
}

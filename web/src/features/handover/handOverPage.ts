import type { LogEntry, LogEntryOf, Room, Spot } from "@scutch/contract";
import { AFTERCARE, AFTERCARE_ALL } from "@scutch/core/care";
import {
  attemptsOn,
  countedFills,
  effectiveEntries,
  meterReadings,
  type RoomRecord,
  roomRecords,
  skippedOn,
} from "@scutch/core/log";
import { madeStrength } from "@scutch/core/mix";
import { type RoomPlan, roomsSetNow } from "@scutch/core/plan";
import type { MoneyFormat } from "../../format/money.ts";
import { hoursAt, longDay, monthAfter, type Times } from "../../format/time.ts";
import { percent, strengthOf, type UnitFormatter } from "../../format/units.ts";
import { ORIGIN_SHORT } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { readyOfJob, readyOfRoom } from "../../planning/ready.ts";
import type { Block, CustomerPage, PageRow, PhotoPair } from "../../shared/page/customerPage.ts";
import { phaseName } from "../../shared/run/stepWords.ts";
import { cleanedText, doneText } from "./workWords.ts";

export interface HandOverFacts {
  readonly desk: Pick<JobDesk, "job" | "input" | "shelf" | "log" | "work" | "dried" | "startMs">;
  readonly crew: string;
  readonly contact?: string | undefined;
  readonly place: string;
  readonly times: Times;
  readonly units: UnitFormatter;
  readonly money: MoneyFormat;
  /** ms since 1970. */
  readonly now: number;
  readonly photos: readonly PhotoPair[];
  /** In smallest units; undefined while no total is known. */
  readonly total: number | undefined;
  readonly paid: number;
  /** When the crew comes back and what for, as told now; ms since 1970. */
  readonly comesBack?: { readonly at: number; readonly why: string } | undefined;
  /** Months until the next visit. */
  readonly nextVisit: number;
  readonly handedOver?: LogEntryOf<"handed-over"> | undefined;
}

/** What was done and what follows, for the customer: from the log and the drying forecast alone. */
export function handOverPage(facts: HandOverFacts): CustomerPage {
  const { desk, crew, contact, place, times, now, handedOver } = facts;
  const day = handedOver ? Date.parse(handedOver.at) : now;
  return {
    title: `Your carpets, ${place}`,
    from: crew,
    ...(contact ? { contact } : {}),
    facts: [desk.job.title, longDay(times.dayOf(day))],
    blocks: [
      ...readyBlocks(facts),
      ...workBlocks(facts),
      ...spotBlocks(facts),
      ...readingBlocks(facts),
      ...(facts.photos.length > 0
        ? [
            { kind: "heading", text: "Before and after" } as const,
            { kind: "photos", pairs: facts.photos } as const,
          ]
        : []),
      ...untilDryBlocks(facts),
      ...laterBlocks(facts),
      ...priceBlocks(facts),
      ...signedBlocks(facts),
    ],
  };
}

const cleanedRooms = ({ desk, now }: Pick<HandOverFacts, "desk" | "now">) => {
  const rooms = roomsSetNow(desk.job.rooms, desk.input.airChanges, hoursAt(desk.startMs, now));
  return desk.work.rooms.flatMap((plan, index) => {
    const room = rooms.find(({ id }) => id === plan.id);
    return plan.passage || !room ? [] : [{ plan, room, index }];
  });
};

/** Only finished rooms are promised a time. */
const finished = (facts: Pick<HandOverFacts, "desk" | "now">) =>
  cleanedRooms(facts).filter(({ plan }) => plan.finishLogged);

/** When the whole job is ready, as told at the hand-over or else as forecast now; null: not within 4 days. */
export function readyTimes({ desk, handedOver }: Pick<HandOverFacts, "desk" | "handedOver">) {
  const told = (at: string | undefined) => (at === undefined ? null : Date.parse(at));
  if (handedOver) return { walkOnAt: told(handedOver.walkOnAt), dryAt: told(handedOver.dryAt) };
  const { dried, startMs } = desk;
  if (!dried) return undefined;
  return {
    walkOnAt: readyOfJob(dried, startMs, "touchDry").likely,
    dryAt: readyOfJob(dried, startMs, "dry").likely,
  };
}

function readyBlocks(facts: HandOverFacts): Block[] {
  const { desk, times, now } = facts;
  const rooms = finished(facts);
  if (rooms.length === 0 || !desk.dried)
    return [{ kind: "text", text: "No room is finished yet, so there are no dry times." }];
  const ready = readyTimes(facts);
  const { dried, startMs } = desk;
  const about = (at: number | null) => (at === null ? "not within 4 days" : times.about(at, now));
  const rows = rooms.flatMap(({ plan, index }): PageRow[] => {
    const walkOn = readyOfRoom(dried, index, startMs, "touchDry");
    const dry = readyOfRoom(dried, index, startMs, "dry");
    const range = dry.early === null ? "" : `likely ${times.between(dry.early, dry.late, now)}`;
    return [
      { label: plan.name, value: about(walkOn.likely), weight: "strong" },
      {
        label: dry.likely === null ? "Dry later than 4 days" : `Dry about ${about(dry.likely)}`,
        value: range,
        weight: "soft",
      },
    ];
  });
  const isAll = rooms.length === cleanedRooms(facts).length;
  return [
    ...(ready && isAll
      ? [
          {
            kind: "figure" as const,
            label: "Walk on in socks from about",
            figure: about(ready.walkOnAt),
            note:
              ready.dryAt === null
                ? "Dry later than 4 days."
                : `Dry, furniture back from about ${about(ready.dryAt)}.`,
          },
        ]
      : []),
    { kind: "heading", text: "Walk on in socks, room by room" },
    { kind: "rows", rows },
  ];
}

/** What went on a room’s floor, from the fills made and the products logged. */
function productsOn(plan: RoomPlan, { desk: { log, shelf }, units }: HandOverFacts): readonly string[] {
  const nameOf = (id: string) => shelf.products.find((product) => product.id === id)?.name ?? "a product";
  const fills = countedFills(log).filter(({ batchId }) => batchId === plan.batchId);
  const mixed = fills.map(
    (fill) => `${nameOf(fill.productId)} ${strengthOf(madeStrength(fill), fill.powder !== undefined, units)}`,
  );
  const used = effectiveEntries(log).flatMap((entry) =>
    entry.kind === "product-used" && entry.roomId === plan.id ? [nameOf(entry.productId)] : [],
  );
  return [...new Set([...mixed, ...used])];
}

/** A room in a line of what was done, and one for each thing that was skipped. */
function roomRows(plan: RoomPlan, record: RoomRecord | undefined, facts: HandOverFacts): PageRow[] {
  const phases = record?.phases ?? [];
  const done = phases.flatMap((phase) => (phase.done > 0 ? (doneText(phase, plan.method) ?? []) : []));
  const skipped = phases.filter((phase) => phase.done === 0 && phase.skipped > 0);
  const products = productsOn(plan, facts);
  const told = done.length > 0 ? done : plan.finishLogged ? [cleanedText(plan.method)] : [];
  return [
    { label: plan.name, value: facts.units.area(plan.area), weight: "strong" },
    {
      label: told.length > 0 ? told.join(", ") : "not done",
      value: plan.finishLogged ? products.join(", ") : told.length > 0 ? "not finished" : "",
      weight: "soft",
    },
    ...skipped.map(
      (phase): PageRow => ({
        label: phaseName(phase),
        value: ["not done", ...phase.reasons].join(", "),
        weight: "soft",
      }),
    ),
  ];
}

function workBlocks(facts: HandOverFacts): Block[] {
  const records = new Map(roomRecords(facts.desk.log).map((record) => [record.roomId, record]));
  const rows = cleanedRooms(facts).flatMap(({ plan }) => roomRows(plan, records.get(plan.id), facts));
  return rows.length === 0
    ? []
    : [
        { kind: "heading", text: "What we did" },
        { kind: "rows", rows },
      ];
}

const RESULT_SAYS = {
  gone: "gone",
  better: "lighter, stays",
  "no-change": "stays",
  worse: "stays, we stopped",
} as const;

/** What became of a spot, and why it stays where it does. */
function spotFate(spot: Spot, log: readonly LogEntry[]): string {
  const last = attemptsOn(log, spot.id).at(-1);
  if (!last) return skippedOn(log, spot.id).length > 0 ? "not treated" : "not treated yet";
  const fate = RESULT_SAYS[last.result];
  if (last.result === "gone" || spot.nature !== "stain") return fate;
  return `${fate}: the colour has changed`;
}

function spotBlocks({ desk: { job, log } }: HandOverFacts): Block[] {
  const rows = (job.spots ?? []).map((spot): PageRow => {
    const room = job.rooms.find(({ id }) => id === spot.roomId);
    return {
      label: [ORIGIN_SHORT[spot.origin], room?.name].filter(Boolean).join(", "),
      value: spotFate(spot, log),
    };
  });
  return rows.length === 0
    ? []
    : [
        { kind: "heading", text: "Spots and stains" },
        { kind: "rows", rows },
      ];
}

function readingBlocks(facts: HandOverFacts): Block[] {
  const { log } = facts.desk;
  const { times, now } = facts;
  const rows = cleanedRooms(facts).flatMap(({ plan }): PageRow[] => {
    const last = meterReadings(log, plan.id).carpet.at(-1);
    if (!last) return [];
    return [
      { label: `${plan.name}, ${times.about(Date.parse(last.at), now)}`, value: percent(last.moisture) },
    ];
  });
  if (rows.length === 0) return [];
  const dry = meterReadings(log, "").dryStandard;
  return [
    { kind: "heading", text: "Moisture readings" },
    {
      kind: "rows",
      rows: [...rows, ...(dry ? [{ label: "Dry carpet, not cleaned", value: percent(dry.moisture) }] : [])],
    },
  ];
}

const WINDOWS_SAY: Readonly<Record<NonNullable<Room["windows"]>, string>> = {
  shut: "Keep the windows closed",
  ajar: "Keep a window ajar",
  "one-open": "Keep one window open",
  "cross-ventilated": "Keep windows open on both sides",
};

function untilDryBlocks(facts: HandOverFacts): Block[] {
  const rooms = cleanedRooms(facts);
  if (rooms.length === 0) return [];
  const byWindows = new Map<string, string[]>();
  for (const { room } of rooms) {
    const say = room.windows && WINDOWS_SAY[room.windows];
    if (say) byWindows.set(say, [...(byWindows.get(say) ?? []), room.name]);
  }
  const windows = [...byWindows].map(([say, names]) =>
    names.length === rooms.length
      ? `${say} until it’s dry.`
      : `${say} in ${names.join(", ")} until it’s dry.`,
  );
  const movers = rooms.some(({ room }) => (room.airMovers?.length ?? 0) > 0);
  const odour = rooms.filter(({ plan }) => plan.odourArea > 0).map(({ plan }) => plan.name);
  const stairs = rooms.some(({ room }) => room.shape.kind === "stairs");
  return [
    { kind: "heading", text: "Until it’s dry" },
    {
      kind: "list",
      items: [
        "Keep children and pets off. Step from damp carpet onto hard floors with care: they get slippery.",
        ...(stairs ? ["Hold the rail on the stairs."] : []),
        ...windows,
        ...(movers ? ["Leave the air movers on. Don’t step over their cords."] : []),
        ...(odour.length > 0
          ? [`The patch treated for odour in ${odour.join(", ")} dries last. It may smell until then.`]
          : []),
        "Leave the wet-floor signs up until it’s dry.",
      ],
    },
    { kind: "heading", text: "Looking after it" },
    { kind: "list", items: aftercareFor(rooms.map(({ room }) => room)) },
  ];
}

/** What to do, for all carpets and for the fibres that are known. */
function aftercareFor(rooms: readonly Room[]): readonly string[] {
  const fibres = new Set(rooms.flatMap(({ fibre }) => (fibre && fibre !== "unknown" ? [fibre] : [])));
  return [...AFTERCARE_ALL, ...[...fibres].flatMap((fibre) => AFTERCARE[fibre])];
}

function laterBlocks({ comesBack, handedOver, times, now, desk, nextVisit }: HandOverFacts): Block[] {
  const at = handedOver ? handedOver.returnAt && Date.parse(handedOver.returnAt) : comesBack?.at;
  const why = comesBack?.why ?? "to look again";
  return [
    { kind: "heading", text: "What’s next" },
    {
      kind: "list",
      items: [
        ...(at ? [`We come back about ${times.about(at, now)} ${why}.`] : []),
        "A spot can come back as the carpet dries. Call us: a second treatment often takes it.",
        `Next clean: ${monthAfter(desk.job.day, nextVisit)}.`,
      ],
    },
  ];
}

function priceBlocks({ total, paid, money }: HandOverFacts): Block[] {
  if (total === undefined) return [];
  const left = total - paid;
  return [
    { kind: "heading", text: "Price" },
    {
      kind: "rows",
      rows: [
        { label: "Total", value: money.showMinor(total), weight: "strong" },
        ...(paid > 0 ? [{ label: "Paid", value: money.showMinor(paid) }] : []),
        ...(left > 0 ? [{ label: "Left to pay", value: money.showMinor(left) }] : []),
        ...(left < 0 ? [{ label: "Paid too much", value: money.showMinor(-left) }] : []),
      ],
    },
  ];
}

function signedBlocks({ handedOver, times }: HandOverFacts): Block[] {
  if (!handedOver) return [];
  const at = Date.parse(handedOver.at);
  const when = `${longDay(times.dayOf(at))} ${times.clock(at)}`;
  return [
    { kind: "heading", text: "Handed over" },
    {
      kind: "signature",
      caption: handedOver.name ? `${handedOver.name}, ${when}` : `Left at the place, ${when}`,
      ...(handedOver.signature ? { signature: handedOver.signature } : {}),
    },
  ];
}

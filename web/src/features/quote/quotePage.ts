import type { Job, LogEntry, LogEntryOf, Offer } from "@scutch/contract";
import type { Agreement } from "@scutch/core/log";
import { formatDuration } from "@scutch/core/quantity";
import type { Extra } from "@scutch/core/quote";
import { type MoneyFormat, rateText } from "../../format/money.ts";
import { longDay, type Times } from "../../format/time.ts";
import { EXTRA_NAMES, ORIGIN_SHORT } from "../../format/words.ts";
import { nameById } from "../../planning/nameById.ts";
import { methodText } from "../../planning/ways.ts";
import { nameThen } from "../../shared/logging/entryText.ts";
import type { Block, CustomerPage, PageRow } from "../../shared/page/customerPage.ts";

type Quote = LogEntryOf<"quote-given">;

/** As the customer reads it. */
export const offerName = (offer: Pick<Offer, "method">): string =>
  offer.method ? methodText(offer) : "Room by room";

/** What speaks for an offer among others, strongest first. */
export function strengths(offer: Offer, offers: readonly Offer[]): readonly string[] {
  const others = offers.filter((each) => each !== offer);
  if (others.length === 0) return [];
  const isLeast = (value: (each: Offer) => number) => others.every((each) => value(offer) < value(each));
  const limits = (each: Offer) => each.limits?.length ?? 0;
  const time = (at: string | undefined) => (at === undefined ? Number.POSITIVE_INFINITY : Date.parse(at));
  return [
    limits(offer) === 0 && others.some((each) => limits(each) > 0) ? "leaves nothing out" : "",
    isLeast((each) => time(each.walkOnAt)) ? "ready to walk on first" : "",
    isLeast((each) => each.total) ? "lowest price" : "",
    isLeast((each) => each.seconds ?? Number.POSITIVE_INFINITY) ? "shortest visit" : "",
  ].filter(Boolean);
}

/** The offer to recommend: it leaves the least out, then it can be walked on first, then it costs least. */
export function recommendedOf(offers: readonly (Offer | undefined)[]): number | undefined {
  const ranked = offers
    .flatMap((offer, i) => (offer ? [{ offer, i }] : []))
    .toSorted((a, b) => {
      const rank = ({ limits = [], walkOnAt, total }: Offer) =>
        [limits.length, walkOnAt === undefined ? 8.64e15 : Date.parse(walkOnAt), total] as const;
      const [x, y] = [rank(a.offer), rank(b.offer)];
      return x[0] - y[0] || x[1] - y[1] || x[2] - y[2];
    });
  return ranked.length > 1 ? ranked[0]?.i : undefined;
}

export interface PageContext {
  readonly job: Pick<Job, "title" | "rooms" | "spots" | "day" | "startsAt">;
  readonly crew: string;
  readonly contact?: string | undefined;
  readonly place: string;
  readonly money: MoneyFormat;
  readonly times: Times;
  /** The day of the job, ms since 1970: hours on it are told without their day. */
  readonly dayMs: number;
}

/** What an offer can’t do, a line for each kind. */
export function limitTexts(
  offer: Pick<Offer, "limits" | "method">,
  roomName: (id: string) => string,
): readonly string[] {
  const roomsOf = (kind: string) =>
    (offer.limits ?? []).filter((limit) => limit.kind === kind).map(({ roomId }) => roomName(roomId));
  const [kept, urine] = [roomsOf("keeps-method"), roomsOf("urine-may-return")];
  return [
    ...(kept.length > 0 ? [`Not safe in ${kept.join(", ")}: cleaned another way`] : []),
    ...(urine.length > 0 ? [`Urine in ${urine.join(", ")}: lighter, may return`] : []),
  ];
}

/** A quote as the customer reads it: from its entry alone, so that it never changes once it was shown. */
export function quotePage(
  quote: Quote,
  agreement: Agreement<LogEntry> | undefined,
  context: PageContext,
): CustomerPage {
  const { job, crew, contact, place, money, times } = context;
  const given = Date.parse(quote.at);
  const isAccepted = agreement?.quote.id === quote.id;
  return {
    title: `Quote ${quote.number}, ${place}`,
    from: crew,
    ...(contact ? { contact } : {}),
    facts: [
      job.title,
      longDay(times.dayOf(given)),
      isAccepted ? "accepted" : `prices hold until ${longDay(quote.validUntil)}`,
    ],
    blocks: [
      ...overview(quote, money),
      ...quote.offers.flatMap((offer, i) => offerBlocks(quote, offer, i, context)),
      ...notIncluded(quote),
      ...mayStay(quote, job),
      { kind: "heading", text: "Good to know" },
      {
        kind: "list",
        items: [
          "Walk-on and dry times are predictions. We tell you on the day if they change.",
          "Keep children and pets off the carpet until it’s dry.",
          "If we find something new, we show you the new price first.",
        ],
      },
      ...(isAccepted ? acceptedBlocks(agreement, times) : []),
    ],
  };
}

const acceptedBlocks = ({ entry, offer }: Agreement<LogEntry>, { clock, dayOf }: Times): Block[] => {
  const at = Date.parse(entry.at);
  return [
    { kind: "heading", text: "Accepted" },
    {
      kind: "signature",
      caption: `${offerName(offer)}, accepted by ${entry.name}, ${longDay(dayOf(at))} ${clock(at)}`,
      ...(entry.signature ? { signature: entry.signature } : {}),
    },
  ];
};

function offerBlocks(quote: Quote, offer: Offer, place: number, context: PageContext): Block[] {
  const { job, money, times, dayMs } = context;
  const roomName = (id: string) => nameThen(quote, id) ?? nameById(job.rooms, id, "a room");
  const reasons = strengths(offer, quote.offers);
  const note =
    quote.recommended === place
      ? `We recommend this${reasons.length > 0 ? `: ${reasons.join(", ")}` : ""}.`
      : undefined;
  const about = (at: string | undefined) =>
    at === undefined ? "not within 4 days" : `about ${times.about(Date.parse(at), dayMs)}`;
  const { tax } = quote.book;
  const rows: PageRow[] = [
    ...(offer.seconds === undefined
      ? []
      : [{ label: "On site", value: `about ${formatDuration(offer.seconds)}` }]),
    { label: "Walk on in socks from", value: about(offer.walkOnAt) },
    { label: "Dry, furniture back", value: about(offer.dryAt) },
  ];
  const lines: PageRow[] = [
    ...offer.lines.map(({ name, measure, amount }) => ({
      label: [name, measure].filter(Boolean).join(", "),
      value: money.showMinor(amount),
    })),
    ...(offer.discount > 0 ? [{ label: "Discount", value: money.showMinor(-offer.discount) }] : []),
    ...(tax
      ? [
          {
            label: `${tax.included ? "Includes tax" : "Tax"}, ${rateText(tax.rate)}`,
            value: money.showMinor(offer.tax),
          },
        ]
      : []),
    { label: "Total", value: money.showMinor(offer.total), weight: "strong" as const },
  ];
  const limits = limitTexts(offer, roomName);
  return [
    { kind: "heading", text: offerName(offer), ...(note ? { note } : {}) },
    { kind: "figure", label: "Price", figure: money.showMinor(offer.total) },
    { kind: "rows", rows },
    ...(limits.length > 0 ? [{ kind: "list" as const, items: limits }] : []),
    { kind: "text", text: "What’s included" },
    { kind: "rows", rows: lines },
  ];
}

/** Several offers in a few lines, before each is told whole. */
function overview({ offers, recommended }: Quote, money: MoneyFormat): Block[] {
  if (offers.length < 2) return [];
  return [
    { kind: "heading", text: offers.length === 2 ? "Two ways to do it" : "Three ways to do it" },
    {
      kind: "rows",
      rows: offers.map((offer, i) => ({
        label: `${offerName(offer)}${i === recommended ? ", recommended" : ""}`,
        value: money.showMinor(offer.total),
        weight: "strong",
      })),
    },
  ];
}

/** What a customer may want on top. */
const OPTIONAL: readonly Extra[] = ["edges", "furniture", "protector"];

/** Extras the customer could have asked for and didn’t. */
function notIncluded({ offers, book }: Quote): Block[] {
  const billed = new Set(offers.flatMap(({ lines }) => lines.map(({ id }) => id)));
  const left = OPTIONAL.filter((extra) => (book.extras[extra] ?? 0) > 0 && !billed.has(`extra:${extra}`));
  if (left.length === 0) return [];
  const names = left.map((extra) => EXTRA_NAMES[extra]);
  return [
    { kind: "heading", text: "Not included" },
    { kind: "text", text: `${names.join(", ")}. Ask us if you’d like any of these.` },
  ];
}

/** Spots the customer was told may stay, and why. */
function mayStay(quote: Quote, { spots = [], rooms }: Pick<Job, "spots" | "rooms">): Block[] {
  const rows = (quote.mayStay ?? []).map((id): PageRow => {
    const spot = spots.find((each) => each.id === id);
    const name = nameThen(quote, id) ?? (spot ? ORIGIN_SHORT[spot.origin] : "A spot");
    const room = spot ? nameById(rooms, spot.roomId, "a room") : undefined;
    const why =
      spot?.nature === "stain"
        ? "colour changed"
        : spot?.age === "set"
          ? "set by heat or time"
          : "not sure yet";
    return { label: [name, room].filter(Boolean).join(", "), value: `may stay: ${why}` };
  });
  return rows.length === 0
    ? []
    : [
        { kind: "heading", text: "Spots and stains" },
        { kind: "rows", rows },
      ];
}

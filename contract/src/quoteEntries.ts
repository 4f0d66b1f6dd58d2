import { METHODS } from "@scutch/core/clean";
import { MAX_PEOPLE } from "@scutch/core/plan";
import { EXTRAS } from "@scutch/core/quote";
import * as z from "zod";
import { EntryId, RoomId, SpotId } from "./ids.ts";
import { Day, Instant } from "./moment.ts";
import { Name, quantity } from "./quantity.ts";

/** Offers of one quote. */
export const MAX_OFFERS = 3;
const MAX_LINES = 160;
const MAX_SIGNATURE = 30_000;

/** Money in whole smallest units of its currency: pence, cents. */
const Minor = z.int().min(-1e11).max(1e11).meta({ unit: "smallest units of the currency" });
const Rate = quantity("the crew’s currency per m², m, piece or hour", [0, 100_000]);

/** A hand-drawn name, as the strokes of an SVG path. */
export const Signature = z
  .strictObject({
    path: z
      .string()
      .max(MAX_SIGNATURE)
      .regex(/^(?:M\d{1,4} \d{1,4}(?:L\d{1,4} \d{1,4})*)+$/),
    width: z.int().min(1).max(9999),
    height: z.int().min(1).max(9999),
  })
  .meta({ id: "Signature" });
export type Signature = z.infer<typeof Signature>;

/** The prices an offer was made by: they hold for the job once it is agreed, whatever the crew charges later. */
export const QuotedBook = z
  .strictObject({
    system: z.enum(["metric", "us"]),
    digits: z.union([z.literal(0), z.literal(2), z.literal(3)]),
    methods: z.partialRecord(z.enum(METHODS), Rate),
    rooms: z.array(z.strictObject({ upTo: quantity("m²", [0.1, 9999]), price: Rate })).max(20),
    extras: z.partialRecord(z.enum(EXTRAS), Rate),
    minimum: Rate.optional(),
    travel: Rate.optional(),
    tax: z.strictObject({ rate: quantity("share", [0, 1]), included: z.boolean() }).optional(),
  })
  .meta({ id: "QuotedBook" });

export type QuotedBook = z.infer<typeof QuotedBook>;

/** A line of an offer, as the customer read it. */
const OfferLine = z.strictObject({
  id: z.string().min(1).max(120),
  name: z.string().trim().min(1).max(200),
  measure: z.string().max(120).optional().meta({ description: "Quantity and unit price, in words" }),
  amount: Minor,
});
export type OfferLine = z.infer<typeof OfferLine>;

/** keeps-method: the offer’s method isn’t safe there; urine-may-return: too little water to reach it. */
const OFFER_LIMITS = ["keeps-method", "urine-may-return"] as const;

/** One way of doing the job at its price. */
export const Offer = z
  .strictObject({
    method: z.enum(METHODS).optional().meta({ description: "Absent: as surveyed, room by room" }),
    people: z.int().min(1).max(MAX_PEOPLE),
    lines: z.array(OfferLine).max(MAX_LINES),
    discount: Minor,
    tax: Minor,
    total: Minor,
    seconds: z.int().min(0).optional().meta({ unit: "s on site, as planned" }),
    walkOnAt: Instant.optional().meta({
      description: "Last room touch-dry, likely; absent: not within 4 days",
    }),
    dryAt: Instant.optional().meta({ description: "Last room dry, likely" }),
    limits: z
      .array(z.strictObject({ kind: z.enum(OFFER_LIMITS), roomId: RoomId }))
      .max(120)
      .optional()
      .meta({ description: "What this offer can’t do, by room" }),
  })
  .meta({ id: "Offer" });
export type Offer = z.infer<typeof Offer>;

/** What was shown to the customer. */
export const quoteGiven = {
  kind: z.literal("quote-given"),
  number: z.string().trim().min(1).max(20),
  validUntil: Day.meta({ description: "Last day the prices hold if not accepted" }),
  currency: z.string().trim().min(1).max(6).optional(),
  book: QuotedBook,
  offers: z.array(Offer).min(1).max(MAX_OFFERS),
  recommended: z
    .int()
    .min(0)
    .max(MAX_OFFERS - 1)
    .optional(),
  mayStay: z
    .array(SpotId)
    .max(200)
    .optional()
    .meta({ description: "Spots and stains the customer was told may stay" }),
};

/** Which offer was accepted, by whom. */
export const quoteAgreed = {
  kind: z.literal("quote-agreed"),
  quoteId: EntryId.meta({ description: "The entry of the quote" }),
  offer: z
    .int()
    .min(0)
    .max(MAX_OFFERS - 1),
  name: Name.meta({ description: "Who accepted it" }),
  signature: Signature.optional(),
};

export const PAID_BY = ["cash", "card", "transfer", "other"] as const;
/** Money received for the job. */
export const payment = {
  kind: z.literal("payment"),
  amount: Minor.min(1),
  currency: z.string().trim().min(1).max(6).optional(),
  paidBy: z.enum(PAID_BY),
};

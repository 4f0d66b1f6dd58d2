import {
  type CrewId,
  CrewSettings,
  Customer,
  forgottenSite,
  Gear,
  Product,
  type RecordChange,
  Site,
  StockLot,
  type Topic,
  Vessel,
} from "@scutch/contract";
import { joinRecord } from "@scutch/core/plan";
import type { z } from "zod";
import type { Actor } from "../../actor.ts";
import type { Db, Transaction } from "../../db/connect.ts";
import { retryTransaction } from "../../db/retryTransaction.ts";
import { holdCrew, noteChange } from "../change/service.ts";
import { readCrew, writeSettings } from "../crew/service.ts";
import { forgetNames } from "../log/service.ts";
import {
  readCustomers,
  readGear,
  readProducts,
  readSites,
  readVessels,
  writeCustomer,
  writeGear,
  writeProduct,
  writeSite,
  writeVessel,
} from "../shelf/service.ts";
import { readLots, writeLot } from "../stock/service.ts";
import { requireMayChange, withHidden } from "./permissions.ts";

/** How things of a kind are checked, found and written, and the topic they belong to. */
interface Kind<V> {
  readonly topic: Topic;
  readonly schema: z.ZodType<V>;
  readonly find: (tx: Transaction, crewId: CrewId, value: V) => Promise<V | undefined>;
  readonly write: (tx: Transaction, crewId: CrewId, value: V) => Promise<void>;
}

const byId =
  <V extends { readonly id: string }>(
    read: (tx: Transaction, crewId: CrewId) => Promise<V[]>,
  ): Kind<V>["find"] =>
  async (tx, crewId, { id }) =>
    (await read(tx, crewId)).find((each) => each.id === id);

type Value<K extends RecordChange["kind"]> = Extract<RecordChange, { kind: K }>["value"];

const KINDS: { readonly [K in RecordChange["kind"]]: Kind<Value<K>> } = {
  product: { topic: "shelf", schema: Product, find: byId(readProducts), write: writeProduct },
  vessel: { topic: "shelf", schema: Vessel, find: byId(readVessels), write: writeVessel },
  gear: { topic: "shelf", schema: Gear, find: byId(readGear), write: writeGear },
  customer: { topic: "shelf", schema: Customer, find: byId(readCustomers), write: writeCustomer },
  site: { topic: "shelf", schema: Site, find: byId(readSites), write: writeSite },
  lot: { topic: "stock", schema: StockLot, find: byId(readLots), write: writeLot },
  settings: {
    topic: "settings",
    schema: CrewSettings,
    find: async (tx, crewId) => (await readCrew(tx, crewId))?.settings,
    write: writeSettings,
  },
};

const isForgotten = (value: unknown): boolean =>
  typeof value === "object" && value !== null && "forgotten" in value && value.forgotten === true;

/**
 * What to save where a deleted customer is concerned. A change made offline brings nothing personal back. Deleting a customer
 * takes the names out of their places and out of the logs of the jobs there.
 */
async function forgotten<K extends RecordChange["kind"]>(
  tx: Transaction,
  crewId: CrewId,
  kind: K,
  theirs: Value<K> | undefined,
  saved: Value<K>,
): Promise<Value<K>> {
  if (theirs && isForgotten(theirs)) return theirs;
  if (kind === "customer" && isForgotten(saved)) {
    await forgetCustomer(tx, crewId, (saved as Customer).id);
    return { id: (saved as Customer).id, forgotten: true } as Value<K>;
  }
  if (kind !== "site") return saved;
  const site = saved as Site;
  const owner = (await readCustomers(tx, crewId)).find(({ id }) => id === site.customerId);
  return (isForgotten(owner) ? forgottenSite(site) : site) as Value<K>;
}

async function forgetCustomer(tx: Transaction, crewId: CrewId, customerId: Customer["id"]): Promise<void> {
  const own = (await readSites(tx, crewId)).filter((site) => site.customerId === customerId);
  for (const site of own) await writeSite(tx, crewId, forgottenSite(site));
  await forgetNames(
    tx,
    crewId,
    own.map(({ id }) => id),
  );
}

/**
 * Saves a thing of the shelf, the van, the stock or the settings, and answers with it as it is now. Changed since `base` by others,
 * it is joined field by field; where what comes out isn't allowed, the save stands as it was sent. Without a base it replaces what
 * is there.
 */
export async function saveRecord<K extends RecordChange["kind"]>(
  db: Db,
  { crewId, role }: Pick<Actor, "crewId" | "role">,
  {
    kind,
    base,
    value: sent,
  }: { readonly kind: K; readonly base?: RecordChange["base"]; readonly value: Value<K> },
): Promise<Value<K>> {
  const { topic, schema, find, write } = KINDS[kind] as unknown as Kind<Value<K>>;
  return retryTransaction(db, async (tx) => {
    // One after the other: what is joined is what was saved last.
    await holdCrew(tx, crewId);
    const theirs = await find(tx, crewId, sent);
    const value = withHidden(role, theirs, sent);
    const joined =
      base && theirs ? schema.safeParse(joinRecord(base, { ...value }, { ...theirs })) : undefined;
    const saved = await forgotten(tx, crewId, kind, theirs, joined?.success ? joined.data : value);
    requireMayChange(role, kind, theirs, saved);
    await write(tx, crewId, saved);
    await noteChange(tx, crewId, topic);
    return saved;
  });
}

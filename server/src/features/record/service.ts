import {
  type CrewId,
  CrewSettings,
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
import type { Db, Transaction } from "../../db/connect.ts";
import { retryTransaction } from "../../db/retryTransaction.ts";
import { holdCrew, noteChange } from "../change/service.ts";
import { readCrew, writeSettings } from "../crew/service.ts";
import {
  readGear,
  readProducts,
  readSites,
  readVessels,
  writeGear,
  writeProduct,
  writeSite,
  writeVessel,
} from "../shelf/service.ts";
import { readLots, writeLot } from "../stock/service.ts";

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
  site: { topic: "shelf", schema: Site, find: byId(readSites), write: writeSite },
  lot: { topic: "stock", schema: StockLot, find: byId(readLots), write: writeLot },
  settings: {
    topic: "settings",
    schema: CrewSettings,
    find: async (tx, crewId) => (await readCrew(tx, crewId))?.settings,
    write: writeSettings,
  },
};

/**
 * Saves a thing of the shelf, the van, the stock or the settings, and answers with it as it is now. Changed since `base` by others,
 * it is joined field by field; where what comes out isn't allowed, the save stands as it was sent. Without a base it replaces what
 * is there.
 */
export async function saveRecord<K extends RecordChange["kind"]>(
  db: Db,
  crewId: CrewId,
  { kind, base, value }: { readonly kind: K; readonly base?: RecordChange["base"]; readonly value: Value<K> },
): Promise<Value<K>> {
  const { topic, schema, find, write } = KINDS[kind] as unknown as Kind<Value<K>>;
  return retryTransaction(db, async (tx) => {
    // One after the other: what is joined is what was saved last.
    await holdCrew(tx, crewId);
    const theirs = base === undefined ? undefined : await find(tx, crewId, value);
    const joined =
      base && theirs ? schema.safeParse(joinRecord(base, { ...value }, { ...theirs })) : undefined;
    const saved = joined?.success ? joined.data : value;
    await write(tx, crewId, saved);
    await noteChange(tx, crewId, topic);
    return saved;
  });
}

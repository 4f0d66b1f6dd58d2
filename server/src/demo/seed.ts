import type { CrewId } from "@scutch/contract";
import { eq, sql } from "drizzle-orm";
import type { BlobStore } from "../blobs/blobStore.ts";
import type { Db, Transaction } from "../db/connect.ts";
import { putMember, putPerson } from "../features/account/service.ts";
import { demoCrew, makeCrew, writeSettings } from "../features/crew/service.ts";
import { saveOnce } from "../features/job/service.ts";
import { appendOnce } from "../features/log/service.ts";
import { keyOf } from "../features/photo/service.ts";
import { photos } from "../features/photo/table.ts";
import { writeCustomer } from "../features/shelf/customer/store.ts";
import { writeGear } from "../features/shelf/gear/store.ts";
import { writeProduct } from "../features/shelf/product/store.ts";
import { writeSite } from "../features/shelf/site/store.ts";
import { writeVessel } from "../features/shelf/vessel/store.ts";
import { writeLot } from "../features/stock/store.ts";
import { demoId } from "./demoId.ts";
import { demoJobs } from "./jobs.ts";
import { PEOPLE } from "./people.ts";
import { SETTINGS } from "./prices.ts";
import { CUSTOMERS, PRODUCTS, SITES } from "./shelf.ts";
import { GEAR, STOCK, VESSELS } from "./van.ts";

const CREW = demoId("crew", 1);
/** Children before parents. */
const DEMO_TABLES = [
  "photos",
  "log_facts",
  "log_entries",
  "jobs",
  "stock_use",
  "stock_lots",
  "gear",
  "products",
  "vessels",
  "sites",
  "customers",
  "invites",
  "members",
];

/** Takes the demo crew's rows away; no other crew's, and nothing else. */
async function clearDemo(tx: Transaction): Promise<void> {
  for (const table of DEMO_TABLES)
    await tx.execute(sql`delete from ${sql.identifier(table)} where crew_id = ${CREW}`);
  await tx.execute(sql`delete from crews where id = ${CREW}`);
}

async function seed(tx: Transaction, now: Date): Promise<void> {
  await makeCrew(tx, CREW, "Marlow Lane Carpet Care", { isDemo: true });
  await writeSettings(tx, CREW, SETTINGS);
  for (const product of Object.values(PRODUCTS)) await writeProduct(tx, CREW, product);
  for (const vessel of Object.values(VESSELS)) await writeVessel(tx, CREW, vessel);
  for (const item of Object.values(GEAR)) await writeGear(tx, CREW, item);
  for (const lot of STOCK(now)) await writeLot(tx, CREW, lot);
  for (const customer of Object.values(CUSTOMERS)) await writeCustomer(tx, CREW, customer);
  for (const site of Object.values(SITES)) await writeSite(tx, CREW, site);
  for (const { job, log } of demoJobs(now)) {
    await saveOnce(tx, CREW, { baseVersion: 0, job });
    await appendOnce(tx, CREW, job.id, log);
  }
}

/** The demo's people: one for each role, none of whom can sign in. */
async function ensurePeople(tx: Transaction): Promise<void> {
  for (const { role, ...person } of PEOPLE) {
    await putPerson(tx, person);
    await putMember(tx, CREW, person.id, role);
  }
}

/** On a first start the demo's crew, made with its jobs as of `now`; `reset` makes it afresh. */
export async function ensureDemo(
  db: Db,
  { reset, now, blobs }: { readonly reset: boolean; readonly now: Date; readonly blobs: BlobStore },
): Promise<CrewId> {
  const crew = await demoCrew(db);
  if (crew !== undefined && !reset) {
    await db.transaction(ensurePeople);
    return crew;
  }
  const pictures = await db
    .select({ id: photos.id, sha256: photos.sha256 })
    .from(photos)
    .where(eq(photos.crewId, CREW));
  // In one transaction: cut off, it leaves what was there before, never a crew with half its jobs.
  await db.transaction(async (tx) => {
    await clearDemo(tx);
    await seed(tx, now);
    await ensurePeople(tx);
  });
  for (const { id, sha256 } of pictures) await blobs.delete(keyOf(CREW, id, sha256));
  return CREW;
}

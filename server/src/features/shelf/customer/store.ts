import type { Customer } from "@scutch/contract";
import { asc, eq } from "drizzle-orm";
import type { Db, Transaction } from "../../../db/connect.ts";
import { customers } from "./table.ts";

/** A crew's customers, the first known first. */
export async function readCustomers(db: Db | Transaction, crewId: string): Promise<Customer[]> {
  const rows = await db
    .select({ customer: customers.customer })
    .from(customers)
    .where(eq(customers.crewId, crewId))
    .orderBy(asc(customers.id));
  return rows.map(({ customer }) => customer);
}

/** Adds a customer or puts it in place of the one with its id. */
export async function writeCustomer(db: Db | Transaction, crewId: string, customer: Customer): Promise<void> {
  await db
    .insert(customers)
    .values({ crewId, id: customer.id, customer })
    .onDuplicateKeyUpdate({ set: { customer } });
}

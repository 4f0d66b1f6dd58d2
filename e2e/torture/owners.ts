/** Two owners who stop being owners at the same moment, through two servers: one of them must be refused. */
import type { Person } from "./crew.ts";

const ROUNDS = 10;

interface Member {
  readonly id: string;
  readonly email: string;
  readonly role: string;
}

/** Throws where a crew was left without an owner. Both are as they were at the end: the first an owner, the other a technician. */
export async function ownersHold(
  addresses: readonly [string, string],
  people: readonly [Person, Person],
): Promise<void> {
  const ask = async (i: 0 | 1, method: string, path: string, body?: object) => {
    const answer = await fetch(`${addresses[i]}/api/crew/members${path}`, {
      method,
      headers: { cookie: people[i].cookie, origin: addresses[i], "content-type": "application/json" },
      signal: AbortSignal.timeout(30_000),
      ...(body ? { body: JSON.stringify(body) } : {}),
    });
    return { ok: answer.ok, body: await answer.json() };
  };
  const members = async () => (await ask(0, "GET", "")).body.members as readonly Member[];
  const all = await members();
  const [first, second] = people.map(({ email }) => all.find((each) => each.email === email) as Member);
  if (!first || !second) throw new Error("the crew has no two members");
  /** Said by whoever is an owner now. */
  const make = async (who: Member, role: string) => {
    for (const i of [0, 1] as const) if ((await ask(i, "PUT", `/${who.id}`, { role })).ok) return;
    throw new Error(`no one can make ${who.email} ${role}`);
  };
  for (let round = 0; round < ROUNDS; round++) {
    await make(first, "owner");
    await make(second, "owner");
    const both = await Promise.all([
      ask(0, "PUT", `/${first.id}`, { role: "technician" }),
      ask(1, "PUT", `/${second.id}`, { role: "technician" }),
    ]);
    const owners = (await members()).filter(({ role }) => role === "owner");
    if (owners.length === 0 || both.every(({ ok }) => ok))
      throw new Error("the crew was left without an owner");
  }
  await make(first, "owner");
  await make(second, "technician");
}

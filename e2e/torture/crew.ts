/** A crew of the torture's own: its owner and a technician, each with a password, and the demo's jobs. */
const PASSWORD = "four words easy to type";

export interface Person {
  readonly email: string;
  readonly password: string;
  /** The session of the clients that aren't browsers. */
  readonly cookie: string;
}

const person = (name: string) => ({ name, email: `${name.toLowerCase()}@example.test`, password: PASSWORD });

/** Starts the crew at a server that still shows the demo, which ends that; its work becomes the crew's. */
export async function makeCrew(address: string): Promise<readonly [Person, Person]> {
  const call = async (method: string, path: string, body?: object, cookie?: string) => {
    const answer = await fetch(`${address}/api${path}`, {
      method,
      signal: AbortSignal.timeout(30_000),
      headers: { origin: address, "content-type": "application/json", ...(cookie ? { cookie } : {}) },
      ...(body ? { body: JSON.stringify(body) } : {}),
    });
    if (!answer.ok) throw new Error(`${method} ${path} answers ${answer.status}: ${await answer.text()}`);
    const [set] = answer.headers.getSetCookie();
    return { body: await answer.json(), cookie: set?.split(";")[0] ?? "" };
  };
  const demo = (await call("GET", "/crew/data")).body;
  const ana = person("Ana");
  const { cookie } = await call("POST", "/crews", { crew: "Two Rivers", ...ana });
  for (const customer of demo.customers ?? [])
    await call("POST", "/records", { kind: "customer", value: customer }, cookie);
  for (const kind of ["product", "vessel", "gear", "site"] as const)
    for (const value of demo[kind === "gear" ? kind : `${kind}s`])
      await call("POST", "/records", { kind, value }, cookie);
  for (const { job } of demo.jobs) await call("PUT", `/jobs/${job.id}`, { baseVersion: 0, job }, cookie);
  const { code } = (await call("POST", "/crew/invites", { role: "technician" }, cookie)).body;
  const ben = person("Ben");
  const joined = await call("POST", `/invites/${code}/join`, { person: ben });
  return [
    { ...ana, cookie },
    { ...ben, cookie: joined.cookie },
  ];
}

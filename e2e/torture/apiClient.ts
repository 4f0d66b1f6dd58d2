/** A client of the API that never gives up: what it was told is saved, it counts on. */
import { randomUUID } from "node:crypto";
import { setTimeout as pause } from "node:timers/promises";
import type { Tally } from "./tally.ts";

/** A plan holds sixty rooms; some are left to whoever shares it. */
const MAX_ROOMS = 25;

type Job = { id: string; rooms: { name: string }[] };

/** A version 7 UUID: time first, the rest at random. */
export function newId(): string {
  const time = Date.now().toString(16).padStart(12, "0");
  return `${time.slice(0, 8)}-${time.slice(8)}-7${randomUUID().slice(15)}`;
}

/** Where the server is, and the session it is asked with. */
export interface Access {
  readonly address: string;
  readonly cookie: string;
}

async function call({ address, cookie }: Access, method: string, path: string, body?: object) {
  try {
    const response = await fetch(`${address}/api${path}`, {
      method,
      signal: AbortSignal.timeout(8000),
      headers: { cookie, origin: address, ...(body ? { "content-type": "application/json" } : {}) },
      ...(body ? { body: JSON.stringify(body) } : {}),
    });
    return { status: response.status, body: await response.json() };
  } catch {
    return undefined;
  }
}

/** ms a request is sent again for once the killing is over; the server has long been up by then. */
const PATIENCE = 90_000;

/** Sends the same request until it is answered for good: by a yes, or a no that isn't a fault of the server. */
async function insist(access: Access, isOver: () => boolean, method: string, path: string, body?: object) {
  let overSince: number | undefined;
  for (;;) {
    const answer = await call(access, method, path, body);
    if (answer && answer.status < 500) return answer;
    if (isOver()) {
      overSince ??= Date.now();
      if (Date.now() - overSince > PATIENCE)
        throw new Error(
          `${method} ${path}: no good answer for ${PATIENCE / 1000} s with nothing killed any more`,
        );
      await pause(300);
    }
    await pause(50 + Math.random() * 150);
  }
}

/** Logs and adds rooms to a job in turn until it is over; a job that is nearly full is left for one of its own. */
export async function apiClient(
  name: string,
  first: string,
  access: Access,
  isOver: () => boolean,
  tally: Tally,
): Promise<void> {
  let job = first;
  for (let n = 0; !isOver(); n++) {
    const said = `${name} ${n}`;
    if (n % 2 === 0) {
      const entry = { id: newId(), at: new Date().toISOString(), kind: "note", text: said };
      const { status } = await insist(access, isOver, "POST", `${job}/log`, { entries: [entry] });
      if (status !== 200) throw new Error(`an entry was refused with ${status}`);
    } else {
      job = await addRoom(said, job, access, isOver);
      tally.jobs.add(job);
    }
    tally.acknowledged.add(said);
    await pause(Math.random() * 60);
  }
}

/** Adds a room; answers the job it is in. */
async function addRoom(said: string, path: string, access: Access, isOver: () => boolean): Promise<string> {
  const room = { id: newId(), name: said, shape: { kind: "area", area: 8 } };
  for (;;) {
    const { body } = await insist(access, isOver, "GET", path);
    const { version, job } = body as { version: number; job: Job };
    const full = job.rooms.length >= MAX_ROOMS;
    const id = full ? newId() : job.id;
    const plan = full
      ? { ...job, id, rooms: [room], doors: [], spots: [] }
      : { ...job, rooms: [...job.rooms, room] };
    const save = { baseVersion: full ? 0 : version, saveId: newId(), job: plan };
    const answer = await insist(access, isOver, "PUT", `/jobs/${id}`, save);
    if (answer.status === 200) return `/jobs/${id}`;
    if (answer.status !== 409)
      throw new Error(`a plan was refused with ${answer.status}: ${JSON.stringify(answer.body)}`);
  }
}

import { sendAs } from "./api.ts";
import { eraseOthersWork } from "./leave.ts";
import { removePin } from "./pin.ts";
import { askCrew, type CrewAnswer } from "./pull.ts";
import { databaseFor, type RememberedCrew, rememberCrew, rememberedCrew } from "./rememberedCrew.ts";

/** The crew to open: remembered by this device, or heard of just now. */
export interface Opened {
  readonly crew: RememberedCrew;
  readonly heard?: { readonly answer: CrewAnswer; readonly askedAt: number };
}

interface TakenUp {
  readonly opened: Opened;
  /** Other people's work is off this device, but for what they haven't sent. */
  readonly erased: Promise<void>;
}

/** Makes this device that of who is signed in: what it opens from now on. */
function takeUp(answer: CrewAnswer, askedAt: number): TakenUp {
  const { crew, person, role, demo } = answer;
  const database = databaseFor(crew.id, person.id);
  const remembered = { id: crew.id, database, person, role, ...(demo ? { demo } : {}) };
  rememberCrew(remembered);
  return {
    opened: { crew: remembered, heard: { answer, askedAt } },
    erased: eraseOthersWork(remembered),
  };
}

/** Whose work the server opens for this browser on its first day, or why it can’t be told. */
export async function askWhoIsSignedIn(): Promise<
  Opened | Exclude<Awaited<ReturnType<typeof askCrew>>, CrewAnswer>
> {
  const askedAt = Date.now();
  const answer = await askCrew(sendAs(undefined));
  return typeof answer === "string" ? answer : takeUp(answer, askedAt).opened;
}

/** Takes up who is signed in, for the crew that is meant, else the one this device had open last, where they belong to it. */
async function takeUpMine(meant: string | undefined): Promise<TakenUp | undefined> {
  const askedAt = Date.now();
  const crewId = meant ?? rememberedCrew()?.id;
  const own = crewId === undefined ? undefined : await askCrew(sendAs({ crewId }));
  const answer = typeof own === "object" ? own : await askCrew(sendAs(undefined));
  return typeof answer === "string" ? undefined : takeUp(answer, askedAt);
}

/** Opens the work of who has just signed in, with a password or a passkey: a PIN that was forgotten, or tried too often, goes. */
export async function enter(crewId?: string): Promise<Opened | undefined> {
  const opened = (await takeUpMine(crewId))?.opened;
  if (opened?.crew.person) removePin(opened.crew.person.id);
  return opened;
}

/** Begins the page again with the work of whoever is signed in now, of one crew where it is meant. */
export async function openSignedIn(crewId?: string): Promise<void> {
  const taken = await takeUpMine(crewId);
  await taken?.erased;
  location.assign(taken ? "/" : "/sign-in");
}

import { sendAs } from "../device/api.ts";
import { eraseOthersWork } from "../device/leave.ts";
import { removePin } from "../device/pin.ts";
import { askCrew, type CrewAnswer, rememberAnswer } from "../device/pull.ts";
import { type RememberedCrew, rememberedCrew } from "../device/rememberedCrew.ts";

/** The crew to open: remembered by this device, or heard of just now. */
export interface Opened {
  readonly crew: RememberedCrew;
  readonly heard?: { readonly answer: CrewAnswer; readonly askedAt: number };
}

/** Who is signed in, for the crew that is meant, else the one this device had open last, where they belong to it. */
async function askMine(meant: string | undefined) {
  const crewId = meant ?? rememberedCrew()?.id;
  const own = crewId === undefined ? undefined : await askCrew(sendAs({ crewId }));
  return typeof own === "object" ? own : askCrew(sendAs(undefined));
}

/**
 * Opens the work of who has just signed in, with a password or a passkey: a PIN that was forgotten, or tried too often, goes. What is
 * here of others and not sent stays under their own names.
 */
export async function enter(crewId?: string): Promise<Opened | undefined> {
  const askedAt = Date.now();
  const answer = await askMine(crewId);
  if (typeof answer === "string") return undefined;
  const crew = rememberAnswer(answer);
  removePin(answer.person.id);
  void eraseOthersWork(crew);
  return { crew, heard: { answer, askedAt } };
}

/** Begins the page again with the work of whoever is signed in now, once that of the others is off this device. */
export async function openSignedIn(): Promise<void> {
  const answer = await askMine(undefined);
  if (typeof answer === "string") return location.assign("/sign-in");
  await eraseOthersWork(rememberAnswer(answer));
  location.assign("/");
}

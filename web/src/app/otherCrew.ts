import { sendAs } from "../device/api.ts";
import { eraseOthersWork } from "../device/leave.ts";
import { removePin } from "../device/pin.ts";
import { askCrew, rememberAnswer } from "../device/pull.ts";
import { rememberedCrew } from "../device/rememberedCrew.ts";

/** Who is signed in, for the crew that is meant, else the one this device had open last, where they belong to it. */
async function askMine(meant: string | undefined) {
  const crewId = meant ?? rememberedCrew()?.id;
  const own = crewId === undefined ? undefined : await askCrew(sendAs({ crewId }));
  return typeof own === "object" ? own : askCrew(sendAs(undefined));
}

/** Opens the work of whoever is signed in now; what is here of others and not sent stays under their own names. */
export async function openSignedIn(crewId?: string): Promise<void> {
  const answer = await askMine(crewId);
  if (typeof answer === "string") return location.assign("/sign-in");
  const crew = rememberAnswer(answer);
  // Signed in with a password or a passkey: a PIN that was forgotten, or tried too often, goes.
  if (location.pathname === "/sign-in") removePin(answer.person.id);
  await eraseOthersWork(crew);
  location.assign("/");
}

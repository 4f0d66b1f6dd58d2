import { sendAs } from "../device/api.ts";
import { eraseOthersWork } from "../device/leave.ts";
import { removePin } from "../device/pin.ts";
import { askCrew, rememberAnswer } from "../device/pull.ts";
import { rememberedCrew } from "../device/rememberedCrew.ts";

/** Who is signed in, for the crew this device had open last where they belong to it. */
async function askMine() {
  const before = rememberedCrew();
  const own = before && (await askCrew(sendAs({ crewId: before.id })));
  return typeof own === "object" ? own : askCrew(sendAs(undefined));
}

/** Opens the work of whoever is signed in now; what is here of others and not sent stays under their own names. */
export async function openSignedIn(): Promise<void> {
  const answer = await askMine();
  if (typeof answer === "string") return location.assign("/sign-in");
  const crew = rememberAnswer(answer);
  // Signed in with a password or a passkey: a PIN that was forgotten, or tried too often, goes.
  if (location.pathname === "/sign-in") removePin(answer.person.id);
  await eraseOthersWork(crew);
  location.assign("/");
}

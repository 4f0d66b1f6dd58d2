import { sendAs } from "../device/api.ts";
import { askCrew } from "../device/pull.ts";
import { rememberCrew } from "../device/rememberedCrew.ts";

/** Takes up the crew the server now answers for; what is here of the other stays here, under its own name. */
export async function openOtherCrew(): Promise<void> {
  const answer = await askCrew(sendAs(undefined));
  if (typeof answer === "string") return;
  rememberCrew(answer.crew.id);
  location.reload();
}

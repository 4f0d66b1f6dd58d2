import { device } from "../../device/db.ts";
import { unsentFile } from "../../device/leave.ts";
import { today } from "../../format/time.ts";
import { saveFile } from "../../ui/saveFile.ts";

/** Saves everything that waits to be sent as a file, for a person who can’t send it any more. */
export async function saveUnsent(): Promise<void> {
  saveFile(`scutch-unsent-${today()}.json`, await unsentFile(device()));
}

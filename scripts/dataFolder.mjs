// What a start keeps in its data folder, read by the other commands too.
import crypto from "node:crypto";
import fs from "node:fs";
import path from "node:path";

/** Says whether a start of this folder is still running, from the note it left. */
export function runningNote(file) {
  try {
    const note = JSON.parse(fs.readFileSync(file, "utf8"));
    const command = fs.readFileSync(`/proc/${note.pid}/cmdline`, "utf8");
    return command.includes("start.mjs") ? note : undefined;
  } catch {
    return undefined;
  }
}

/** What sign-ins are signed with: made once and kept, so that a start again signs nobody out. */
export function secretIn(dataDir) {
  const file = path.join(dataDir, "secret");
  if (!fs.existsSync(file)) fs.writeFileSync(file, crypto.randomBytes(32).toString("hex"), { mode: 0o600 });
  return fs.readFileSync(file, "utf8").trim();
}

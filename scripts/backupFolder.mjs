// What a backup is made of, written and found again. Plain Node.
import crypto from "node:crypto";
import fs from "node:fs";
import path from "node:path";

export const DUMP = "database.sql.gz";
export const PHOTOS = "photos";
export const LOGS = "binlog";
const MANIFEST = "backup.json";
const FORMAT = "scutch-backup";

/** Bytes of a file as SHA-256, hexadecimal. */
export async function sha256Of(file) {
  const hash = crypto.createHash("sha256");
  for await (const piece of fs.createReadStream(file)) hash.update(piece);
  return hash.digest("hex");
}

/** All files below a folder, by their paths in it. */
export const filesBelow = (folder) =>
  fs.existsSync(folder)
    ? fs
        .readdirSync(folder, { recursive: true, withFileTypes: true })
        .filter((each) => each.isFile())
        .map((each) => path.relative(folder, path.join(each.parentPath ?? each.path, each.name)))
    : [];

/** Makes a file of what another is, without copying it where the disk can share it: pictures and closed logs never change. */
export function shareFile(from, to) {
  fs.mkdirSync(path.dirname(to), { recursive: true, mode: 0o700 });
  try {
    fs.linkSync(from, to);
  } catch {
    fs.copyFileSync(from, to);
  }
}

export function writeManifest(folder, facts) {
  const file = path.join(folder, MANIFEST);
  fs.writeFileSync(file, `${JSON.stringify({ format: FORMAT, formatVersion: 1, ...facts }, null, 1)}\n`, {
    mode: 0o600,
  });
}

function readManifest(folder) {
  try {
    const facts = JSON.parse(fs.readFileSync(path.join(folder, MANIFEST), "utf8"));
    return facts.format === FORMAT ? { ...facts, folder } : undefined;
  } catch {
    return undefined;
  }
}

/** Whole backups in a folder, the oldest first; it may also be a backup itself. */
export function backupsIn(folder) {
  const own = readManifest(folder);
  if (own) return [own];
  const names = fs.existsSync(folder) ? fs.readdirSync(folder) : [];
  return names
    .filter((name) => !name.endsWith(".part"))
    .map((name) => readManifest(path.join(folder, name)))
    .filter((each) => each !== undefined)
    .toSorted((a, b) => a.madeAt.localeCompare(b.madeAt));
}

// A backup of everything, while the app runs or not: npm run backup
import { spawn, spawnSync } from "node:child_process";
import fs from "node:fs";
import path from "node:path";
import { pipeline } from "node:stream/promises";
import zlib from "node:zlib";
import {
  backupsIn,
  DUMP,
  filesBelow,
  LOGS,
  PHOTOS,
  sha256Of,
  shareFile,
  writeManifest,
} from "./backupFolder.mjs";
import { SEARCH, socketPath } from "./mariadb.mjs";
import { openDatabase } from "./openDatabase.mjs";
import { fromHere, inRoot } from "./paths.mjs";
import { checkNode } from "./setup.mjs";

const USAGE = `npm run backup              back up everything into .data/backups
npm run backup -- FOLDER    the same into a folder of yours, such as one on another disk

DATA_DIR      where the app's data lives (default: .data/app)
DATABASE_URL  back up this MariaDB instead of the app's own
PHOTO_DIR     where its photos lie (default: photos in DATA_DIR)
PHOTO_STORE   its photos are in this bucket and aren't copied: keep its old versions there`;

/** How MariaDB's programs reach a database: the own one as its root, by the socket; another as its URL says. */
function accessTo({ url, dir }) {
  const { hostname, port, username, password, pathname } = new URL(url);
  const database = pathname.slice(1);
  const secret = decodeURIComponent(password);
  if (dir)
    return { args: [`--socket=${socketPath(dir)}`, "--user=root"], password: secret, database, isOwn: true };
  const args = ["--protocol=tcp", `--host=${hostname}`, `--port=${port || 3306}`];
  return {
    args: [...args, `--user=${decodeURIComponent(username)}`],
    password: secret,
    database,
    isOwn: false,
  };
}

/** Writes all tables as they are at one moment, with the place in the log of changes; other writers go on meanwhile. */
async function dump(access, file) {
  const child = spawn(
    "mariadb-dump",
    [
      "--no-defaults",
      ...access.args,
      "--single-transaction",
      "--quick",
      "--skip-lock-tables",
      "--hex-blob",
      "--no-tablespaces",
      ...(access.isOwn ? ["--master-data=2"] : []),
      access.database,
    ],
    { stdio: ["ignore", "pipe", "pipe"], env: { ...SEARCH, MYSQL_PWD: access.password } },
  );
  let fault = "";
  child.stderr.on("data", (text) => {
    fault += text;
  });
  const ended = new Promise((resolve) => child.once("close", resolve));
  await pipeline(child.stdout, zlib.createGzip(), fs.createWriteStream(file, { mode: 0o600 }));
  if ((await ended) !== 0) throw new Error(`The database could not be written out: ${fault.trim()}`);
}

const POSITION = /CHANGE MASTER TO MASTER_LOG_FILE='([^']+)', MASTER_LOG_POS=(\d+)/;

/** The place in the log of changes that a dump says in its first lines. */
async function positionIn(file) {
  let head = "";
  for await (const piece of fs.createReadStream(file).pipe(zlib.createGunzip())) {
    head += piece;
    if (head.length > 20_000) break;
  }
  const [, log, position] = POSITION.exec(head) ?? [];
  return log === undefined ? undefined : { log, position: Number(position) };
}

/** Pictures that a backup lacks; those the backup before has are shared with it. */
function takePhotos(from, to, before) {
  for (const name of filesBelow(from).filter((each) => each.endsWith(".jpg"))) {
    const target = path.join(to, name);
    if (fs.existsSync(target)) continue;
    const known = before && path.join(before.folder, PHOTOS, name);
    try {
      shareFile(known && fs.existsSync(known) ? known : path.join(from, name), target);
    } catch (error) {
      // Deleted just now, with its row.
      if (error.code !== "ENOENT") throw error;
    }
  }
}

/** The logs of changes closed since the backup before: they lead to any moment between the two. */
function takeLogs(access, dataDir, to, before) {
  const flushed = spawnSync("mariadb", ["--no-defaults", ...access.args, "-e", "FLUSH BINARY LOGS"], {
    env: { ...SEARCH, MYSQL_PWD: access.password },
    encoding: "utf8",
  });
  if (flushed.status !== 0)
    throw new Error(`The log of changes could not be closed: ${flushed.stderr.trim()}`);
  const folder = path.join(dataDir, LOGS);
  const names = filesBelow(folder)
    .filter((name) => /\.\d{6}$/.test(name))
    .toSorted();
  // The last one is being written.
  for (const name of names.slice(0, -1))
    if (!before?.log || name.split(".")[0] !== before.log.split(".")[0] || name >= before.log)
      shareFile(path.join(folder, name), path.join(to, name));
}

const stamp = (date) => `${date.toISOString().slice(0, 19).replaceAll(":", "")}Z`;

async function backUp(into) {
  const dataDir = path.resolve(process.env.DATA_DIR ?? inRoot(".data/app"));
  const before = backupsIn(into).at(-1);
  const isElsewhere = Boolean(process.env.PHOTO_STORE ?? process.env.PHOTO_STORE_FILE);
  const photoDir = path.resolve(process.env.PHOTO_DIR ?? path.join(dataDir, "photos"));
  const takeAll = (folder) => isElsewhere || takePhotos(photoDir, path.join(folder, PHOTOS), before);
  if (!process.env.DATABASE_URL && !fs.existsSync(path.join(dataDir, "db")))
    throw new Error(`There is nothing to back up in ${dataDir}. Set DATA_DIR to the app's data folder.`);
  const database = await openDatabase(dataDir);
  const began = new Date();
  const whole = path.join(into, stamp(began));
  const part = `${whole}.part`;
  try {
    const access = accessTo(database);
    fs.mkdirSync(part, { recursive: true, mode: 0o700 });
    // Photos before the tables, so that few are missing, and again after them, so that none is that a row names.
    takeAll(part);
    const file = path.join(part, DUMP);
    await dump(access, file);
    const madeAt = new Date();
    takeAll(part);
    if (access.isOwn) takeLogs(access, dataDir, path.join(part, LOGS), before);
    const photos = filesBelow(path.join(part, PHOTOS)).length;
    writeManifest(part, {
      madeAt: madeAt.toISOString(),
      database: { sha256: await sha256Of(file), bytes: fs.statSync(file).size },
      photos,
      ...(isElsewhere ? { photosElsewhere: true } : {}),
      ...((await positionIn(file)) ?? {}),
    });
    fs.renameSync(part, whole); // all of it or nothing
    const tables = `${(fs.statSync(path.join(whole, DUMP)).size / 1e6).toFixed(1)} MB of tables`;
    return `Backed up into ${whole}: ${tables}, ${isElsewhere ? "no photos (they are in PHOTO_STORE)" : `${photos} photos`}.`;
  } catch (error) {
    fs.rmSync(part, { recursive: true, force: true });
    throw error;
  } finally {
    await database.stop();
  }
}

const args = process.argv.slice(2);
if (args.includes("--help") || args.length > 1 || args[0]?.startsWith("-")) {
  console.log(USAGE);
  process.exit(args.includes("--help") ? 0 : 1);
}
try {
  checkNode();
  console.log(await backUp(args[0] ? fromHere(args[0]) : inRoot(".data/backups")));
} catch (error) {
  console.error(error.message);
  process.exit(1);
}

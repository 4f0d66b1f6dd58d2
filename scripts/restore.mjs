// Everything as a backup has it, or as it was at a moment since: npm run restore
import { spawn, spawnSync } from "node:child_process";
import fs from "node:fs";
import path from "node:path";
import { pipeline } from "node:stream/promises";
import zlib from "node:zlib";
import { backupsIn, DUMP, filesBelow, LOGS, PHOTOS, sha256Of, shareFile } from "./backupFolder.mjs";
import { runningNote } from "./dataFolder.mjs";
import { SEARCH, socketPath, startMariadb } from "./mariadb.mjs";
import { fromHere, inRoot } from "./paths.mjs";
import { checkNode, ensurePrograms } from "./setup.mjs";

const USAGE = `npm run restore                                restore the last backup in .data/backups
npm run restore -- FOLDER                      from this backup, or the last one in this folder
npm run restore -- --at "2026-11-30 14:05"     as it was at this moment, by this machine's clock
npm run restore -- --into FOLDER               into another data folder, to look first

What is in the data folder now isn't deleted: it is moved aside.

DATA_DIR   where the app's data lives (default: .data/app)`;

function readArguments(args) {
  const wanted = { from: inRoot(".data/backups"), into: process.env.DATA_DIR ?? inRoot(".data/app") };
  for (let i = 0; i < args.length; i++) {
    const next = args[i + 1];
    if (args[i] === "--at" && next) {
      const at = new Date(next.replace(" ", "T"));
      if (Number.isNaN(at.getTime()))
        throw new Error(`Can't read “${next}” as a moment. Try "2026-11-30 14:05".`);
      wanted.at = at;
      i++;
    } else if (args[i] === "--into" && next) wanted.into = args[++i];
    else if (args[i].startsWith("-")) throw new Error(`Unknown option ${args[i]}.\n\n${USAGE}`);
    else wanted.from = args[i];
  }
  return { ...wanted, from: fromHere(wanted.from), into: fromHere(wanted.into) };
}

/** The backup to begin with, and where the changes since then are found. */
function choose({ from, at, into }) {
  const all = backupsIn(from);
  if (all.length === 0) throw new Error(`There is no backup in ${from}. Make one with npm run backup.`);
  const usable = at ? all.filter(({ madeAt }) => new Date(madeAt) <= at) : all;
  const backup = usable.at(-1);
  if (!backup)
    throw new Error(`The oldest backup is of ${all[0].madeAt}, later than that moment. Choose a later one.`);
  if (!at) return { backup, logs: [] };
  if (!backup.log)
    throw new Error("This backup has no place in the log of changes: it can only be restored as it is.");
  const places = [path.join(into, LOGS), ...all.map(({ folder }) => path.join(folder, LOGS))];
  const logs = new Map(
    places.flatMap((place) => filesBelow(place).map((name) => [name, path.join(place, name)])).toReversed(),
  );
  const family = backup.log.split(".")[0];
  const names = [...logs.keys()]
    .filter((name) => name.split(".")[0] === family && /\.\d{6}$/.test(name) && name >= backup.log)
    .toSorted();
  names.forEach((name, i) => {
    const wanted = `${family}.${String(Number(backup.log.split(".")[1]) + i).padStart(6, "0")}`;
    if (name !== wanted)
      throw new Error(`The log of changes ${wanted} is missing, so that moment can't be reached.`);
  });
  if (names.length === 0)
    throw new Error(`The log of changes ${backup.log} is missing, so that moment can't be reached.`);
  return { backup, logs: names.map((name) => logs.get(name)) };
}

/** How the client reaches a database as its own root. */
const clientOf = ({ dir }) => [
  "--no-defaults",
  `--socket=${socketPath(dir)}`,
  "--user=root",
  "--database=scutch",
];

/** The client of a database's own root; its input is what is to be run. */
function client(database, password) {
  const child = spawn("mariadb", clientOf(database), {
    stdio: ["pipe", "ignore", "pipe"],
    env: { ...SEARCH, MYSQL_PWD: password },
  });
  let fault = "";
  child.stderr.on("data", (text) => {
    fault += text;
  });
  const ended = new Promise((resolve, reject) =>
    child.once("close", (code) =>
      code === 0 ? resolve() : reject(new Error(fault.trim() || "it broke off")),
    ),
  );
  // Broken off, the pipe into it fails too: what counts is why it broke off.
  child.stdin.on("error", () => undefined);
  return { input: child.stdin, ended };
}

async function load(database, password, file) {
  const { input, ended } = client(database, password);
  await Promise.all([ended, pipeline(fs.createReadStream(file), zlib.createGunzip(), input)]);
}

/** Goes through the changes since the backup, up to a moment and not beyond. */
async function replay(database, password, { logs, position, at }) {
  const reader = spawn(
    "mariadb-binlog",
    [
      "--no-defaults",
      "--database=scutch",
      `--start-position=${position}`,
      `--stop-datetime=${at.toISOString().slice(0, 19).replace("T", " ")}`,
      ...logs,
    ],
    { stdio: ["ignore", "pipe", "pipe"], env: { ...SEARCH, TZ: "UTC" } },
  );
  let fault = "";
  reader.stderr.on("data", (text) => {
    fault += text;
  });
  const read = new Promise((resolve, reject) =>
    reader.once("close", (code) => (code === 0 ? resolve() : reject(new Error(fault.trim())))),
  );
  const { input, ended } = client(database, password);
  await Promise.all([read, ended, pipeline(reader.stdout, input)]);
}

/** No database gets this far ahead of another in the time between two backups. */
const LEAP = 1_000_000;

/**
 * Devices know versions and marks that this database hasn't given yet, and would take what it gives next for what they have. So all its
 * numbers leap ahead, and every device is asked to read everything again.
 */
async function leapAhead(database, password) {
  const { input, ended } = client(database, password);
  input.end(`
    update jobs set version = version + ${LEAP};
    update change_counters set seq = seq + ${LEAP};
    insert into changes (crew_id, topic, seq) select crew_id, 'all', seq from change_counters
      on duplicate key update seq = values(seq);
    select coalesce(max(arrival), 0) + ${LEAP} into @next from log_entries;
    execute immediate concat('alter table log_entries auto_increment = ', @next);
  `);
  await ended;
}

/** Moves what is in a data folder aside; where to, if there was anything. */
function moveAside(into) {
  if (!fs.existsSync(into) || fs.readdirSync(into).length === 0) return undefined;
  const aside = `${into}.before-${new Date().toISOString().slice(0, 19).replaceAll(":", "")}Z`;
  fs.renameSync(into, aside);
  return aside;
}

/** Photos of the backup, and those taken since that are still there. */
function bringPhotos(backup, before, into) {
  const places = [path.join(backup.folder, PHOTOS), ...(before ? [path.join(before, PHOTOS)] : [])];
  for (const place of places)
    for (const name of filesBelow(place).filter((each) => each.endsWith(".jpg"))) {
      const target = path.join(into, PHOTOS, name);
      if (!fs.existsSync(target)) shareFile(path.join(place, name), target);
    }
}

const NAMES_OF_PHOTOS =
  "select concat(crew_id, '/', id, if(sha256 is null, '', concat('-', left(sha256, 16))), '.jpg') from photos";

/** How many photos that rows name aren't there. */
function missingPhotos(database, password, into) {
  const asked = spawnSync(
    "mariadb",
    [...clientOf(database), "--batch", "--skip-column-names", "-e", NAMES_OF_PHOTOS],
    { env: { ...SEARCH, MYSQL_PWD: password }, encoding: "utf8", maxBuffer: 2 ** 30 },
  );
  if (asked.status !== 0) throw new Error(`The restored photos could not be counted: ${asked.stderr.trim()}`);
  const there = new Set(filesBelow(path.join(into, PHOTOS)));
  return asked.stdout.split("\n").filter((name) => name !== "" && !there.has(name)).length;
}

async function restore(wanted) {
  const { at, into } = wanted;
  if (runningNote(path.join(into, "running.json")))
    throw new Error("Scutch is running on this data folder. Stop it first.");
  const { backup, logs } = choose(wanted);
  const dump = path.join(backup.folder, DUMP);
  if (!fs.existsSync(dump) || (await sha256Of(dump)) !== backup.database.sha256)
    throw new Error(`The backup in ${backup.folder} is damaged or half copied. Use another one.`);
  const part = `${into}.restoring`;
  fs.rmSync(part, { recursive: true, force: true });
  fs.mkdirSync(part, { recursive: true, mode: 0o700 });
  // The same secret and password: who is signed in stays so.
  for (const name of ["secret", "password"])
    if (fs.existsSync(path.join(into, name))) fs.copyFileSync(path.join(into, name), path.join(part, name));
  const database = await startMariadb({ dir: part });
  let missing;
  try {
    const password = fs.readFileSync(path.join(part, "password"), "utf8").trim();
    await load(database, password, dump);
    if (at) await replay(database, password, { logs, position: backup.position, at });
    await leapAhead(database, password);
    bringPhotos(backup, fs.existsSync(into) ? into : undefined, part);
    missing = backup.photosElsewhere ? 0 : missingPhotos(database, password, part);
  } finally {
    await database.stop();
  }
  const aside = moveAside(into);
  fs.renameSync(part, into);
  return [
    `Restored as of ${(at ?? new Date(backup.madeAt)).toLocaleString("en-GB")} into ${into}.`,
    ...(backup.photosElsewhere
      ? ["Its photos are in PHOTO_STORE: those deleted since come back from that store’s old versions."]
      : []),
    ...(missing > 0 ? [`${missing} photos were deleted or lost since and are missing.`] : []),
    ...(aside ? [`What was there is in ${aside}. Delete it when all is well.`] : []),
    "Start with npm start.",
  ].join("\n");
}

const args = process.argv.slice(2);
if (args.includes("--help")) console.log(USAGE);
else
  try {
    checkNode();
    const wanted = readArguments(args);
    await ensurePrograms(["mariadbd"]);
    console.log(await restore(wanted));
  } catch (error) {
    console.error(error.message);
    process.exit(1);
  }

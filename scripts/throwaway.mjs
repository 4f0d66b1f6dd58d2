import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import { buildAll } from "./build.mjs";
import { startMariadb } from "./mariadb.mjs";
import { checkNode, ensureModules, ensurePrograms } from "./setup.mjs";

/** Sets up what is missing and builds: all that tests of the whole app start from. */
export async function setUpAndBuild() {
  checkNode();
  await ensurePrograms(["mariadbd", "chromium", "openssl", "nginx", "certutil"]);
  await ensureModules();
  await buildAll();
}

/**
 * Sets up what is missing, builds, and runs `work` with the URL of a database that is gone afterwards, whatever happens.
 * Ends the process: 0 when all went well, 1 with the reason when not.
 */
export async function withThrowawayDatabase(work) {
  const dir = fs.mkdtempSync(path.join(os.tmpdir(), "scutch throwaway "));
  let database;
  const clear = async () => {
    await database?.stop();
    fs.rmSync(dir, { recursive: true, force: true });
  };
  for (const signal of ["SIGINT", "SIGTERM"])
    process.on(signal, () => void clear().then(() => process.exit(130)));
  let code = 0;
  try {
    await setUpAndBuild();
    database = await startMariadb({ dir, fleeting: true });
    process.env.PHOTO_DIR = path.join(dir, "photos");
    await work(database.url, dir);
  } catch (error) {
    console.error(error.message);
    code = 1;
  }
  await clear();
  process.exit(code);
}

// Crews from the command line, whether the app is running or not: npm run crew -- create "Name".
import { spawnSync } from "node:child_process";
import fs from "node:fs";
import path from "node:path";
import { buildAll } from "./build.mjs";
import { secretIn } from "./dataFolder.mjs";
import { openDatabase } from "./openDatabase.mjs";
import { fromHere, inRoot } from "./paths.mjs";
import { environment, prepareDatabase } from "./server.mjs";
import { checkNode, ensureModules } from "./setup.mjs";

const dataDir = path.resolve(process.env.DATA_DIR ?? inRoot(".data/app"));

const args = process.argv.slice(2);
if (args[0] === "export" && args[2]) args[2] = fromHere(args[2]);
let database;
let code = 1;
try {
  checkNode();
  await ensureModules();
  await buildAll();
  fs.mkdirSync(dataDir, { recursive: true, mode: 0o700 });
  database = await openDatabase(dataDir);
  const more = database.origin ? { ORIGINS: database.origin } : {};
  const settings = {
    ...{ databaseUrl: database.url, photoDir: path.join(dataDir, "photos"), demo: false },
    ...{ secret: secretIn(dataDir), port: Number(process.env.PORT ?? 4170), more },
  };
  await prepareDatabase(settings);
  ({ status: code } = spawnSync(
    process.execPath,
    ["--enable-source-maps", inRoot("server/dist/crewCommand.js"), ...args],
    { stdio: "inherit", env: environment(settings) },
  ));
} catch (error) {
  console.error(error.message);
}
await database?.stop();
process.exit(code ?? 1);

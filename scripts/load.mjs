// Many crews with years of work, and phones that all sync at once: npm run load. The database stays, so that it's filled once.
import fs from "node:fs";
import path from "node:path";
import { socketPath, startMariadb } from "./mariadb.mjs";
import { fromHere, inRoot } from "./paths.mjs";
import { binary } from "./run.mjs";
import { setUpAndBuild } from "./throwaway.mjs";

const USAGE = `npm run load -- fill --crews 1000 --years 3   fill a database of its own (37 GB; some 30 minutes)
npm run load -- phones --phones 200          have phones of as many crews sync at once
npm run load -- queries                      write docs/queries.md: what each query reads

--dir FOLDER   where the database lies (default: .data/load); delete it when you are done`;

/** A server of a machine with 16 GB gives its database half; ours fits beside other work. */
const MEMORY = ["--innodb-buffer-pool-size=4G", "--innodb-log-file-size=1G", "--max-connections=200"];
/** Filling is begun again when it's broken off, so nothing has to outlive a power cut. */
const FAST = ["--innodb-flush-log-at-trx-commit=0", "--innodb-doublewrite=0", "--innodb-autoinc-lock-mode=2"];

const [part, ...args] = process.argv.slice(2);
const at = args.indexOf("--dir");
const dir = at < 0 ? inRoot(".data/load") : fromHere(args[at + 1]);
if (!["fill", "phones", "queries"].includes(part)) {
  console.log(USAGE);
  process.exit(part === "--help" ? 0 : 1);
}
let code = 0;
let database;
try {
  await setUpAndBuild();
  if (part !== "fill" && !fs.existsSync(path.join(dir, "filled")))
    throw new Error(`${dir} isn’t filled. Run npm run load -- fill first.`);
  if (part === "fill") fs.rmSync(dir, { recursive: true, force: true });
  database = await startMariadb({ dir, fleeting: true, more: [...MEMORY, ...(part === "fill" ? FAST : [])] });
  await binary(inRoot("node_modules/tsx/dist/cli.mjs"), [inRoot(`e2e/load/${part}.ts`), ...args], {
    env: {
      LOAD_DATABASE_URL: database.url,
      LOAD_SOCKET: socketPath(dir),
      PHOTO_DIR: path.join(dir, "photos"),
    },
    minutes: 120,
  });
  if (part === "fill") fs.writeFileSync(path.join(dir, "filled"), new Date().toISOString());
} catch (error) {
  console.error(error.message);
  code = 1;
}
await database?.stop();
process.exit(code);

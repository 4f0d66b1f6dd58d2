/** Crews from the command line: `create NAME` makes one and an invite for its owner, `link EMAIL` a link for a new password, `list` tells all, `export NAME FILE` writes one out. */
import { createWriteStream } from "node:fs";
import { rm } from "node:fs/promises";
import { Writable } from "node:stream";
import type { CrewId } from "@scutch/contract";
import { v7 } from "uuid";
import { makeAccounts } from "./auth/accounts.ts";
import { makeSignInGuard } from "./auth/signInGuard.ts";
import { openBlobStore } from "./blobs/openBlobStore.ts";
import { originsOf, ownConfig } from "./config.ts";
import { connect } from "./db/connect.ts";
import { schemaState } from "./db/migrate.ts";
import { listAllCrews, makeCrewWithInvite, personByEmail } from "./features/account/service.ts";
import { crewArchive } from "./features/crew/archive.ts";
import { allCrews } from "./features/crew/service.ts";
import { PICTURES } from "./features/photo/extension.ts";

const USAGE = `crew create "Name of the crew"   make a crew and an invite for its owner
crew link sam@example.com         make a link to set a new password
crew list                         list crews with their owners
crew export "Name" FILE.zip       write everything a crew has into a zip, for “Import crew data”`;

const config = ownConfig();
const { pool, db } = connect(config.DATABASE_URL);
const [origin] = originsOf(config, config.PORT);
const [command, argument = "", file] = process.argv.slice(2);

/** Writes a crew's zip; a file that couldn't be finished isn't left behind. */
async function exportCrew(name: string, target: string): Promise<void> {
  const known = (await allCrews(db)).filter((crew) => crew.name === name || crew.id === name);
  const [crew, another] = known;
  if (!crew) throw new Error(`There is no crew “${name}”. List them with crew list.`);
  if (another)
    throw new Error(
      `Several crews are called “${name}”: use an id, ${known.map(({ id }) => id).join(" or ")}.`,
    );
  const blobs = await openBlobStore(config, PICTURES);
  const write = await crewArchive({ db, blobs }, crew.id as CrewId);
  try {
    await write(Writable.toWeb(createWriteStream(target, { flags: "wx", mode: 0o600 })));
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === "EEXIST")
      throw new Error(`${target} is there already. Choose another name.`);
    await rm(target, { force: true });
    throw error;
  }
}

async function run(): Promise<string> {
  if ((await schemaState(db)) !== "current")
    throw new Error("The database is of another version. Run npm start once, then try again.");
  switch (command) {
    case "create": {
      const name = argument.trim();
      if (name === "" || name.length > 120) throw new Error(`Give the crew a name.\n\n${USAGE}`);
      const { code } = await makeCrewWithInvite(db, v7() as CrewId, name, new Date());
      return `Crew “${name}” is made. Its owner opens\n\n  ${origin}/join#${code}\n\nor enters the code ${code}. It works once, for 7 days.`;
    }
    case "link": {
      const email = argument.trim().toLowerCase();
      if ((await personByEmail(db, email)) === undefined)
        throw new Error(`No one has an account with ${email}.`);
      let link = "";
      const mailer = {
        send: async ({ text }: { readonly text: string }) => {
          link = /https?:\S+/.exec(text)?.[0] ?? "";
        },
      };
      const guard = makeSignInGuard(pool, config.DATABASE_URL);
      const accounts = makeAccounts({ db, secret: config.AUTH_SECRET, origins: [origin], mailer, guard });
      await accounts.api.requestPasswordReset({ body: { email } });
      return `Open this within an hour to set a new password:\n\n  ${link}`;
    }
    case "list": {
      const crews = await listAllCrews(db);
      return (
        crews.map(({ name, owners }) => `${name}: ${owners.join(", ") || "no owner yet"}`).join("\n") ||
        "No crews."
      );
    }
    case "export": {
      if (!file) throw new Error(`Give the crew and a file.\n\n${USAGE}`);
      await exportCrew(argument, file);
      return `“${argument}” is in ${file}. An owner imports it on the crew page.`;
    }
    default:
      throw new Error(USAGE);
  }
}

try {
  console.log(await run());
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
} finally {
  await pool.end();
}
// The limiter looks after old rows as long as it lives.
process.exit();

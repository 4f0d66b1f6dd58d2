/** One migrated and seeded database; each test starts on a copy of it, refilled in milliseconds. */
import { cpSync, existsSync, mkdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import mysql, { type Connection, type RowDataPacket } from "mysql2/promise";
import { prepareDatabase } from "../../scripts/server.mjs";

const TEMPLATE = "scutch_template";

const settingOf = (name: "TEST_DATABASE_URL" | "PHOTO_DIR") => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set: run the tests with npm test`);
  return value;
};

const urlOf = (database: string) => {
  const url = new URL(settingOf("TEST_DATABASE_URL"));
  url.pathname = `/${database}`;
  return url.href;
};

const connect = () =>
  mysql.createConnection({ uri: settingOf("TEST_DATABASE_URL"), multipleStatements: true });

/** Makes the template if no worker has yet; the others wait for it. */
async function ensureTemplate(db: Connection): Promise<void> {
  await db.query("SELECT GET_LOCK('scutch_template', 120)");
  const [found] = await db.query<RowDataPacket[]>("SHOW DATABASES LIKE ?", [TEMPLATE]);
  if (found.length === 0) {
    await db.query(`CREATE DATABASE ${TEMPLATE} CHARACTER SET utf8mb4`);
    await prepareDatabase({ databaseUrl: urlOf(TEMPLATE), photoDir: photosOf("template") });
  }
  await db.query("SELECT RELEASE_LOCK('scutch_template')");
}

const photosOf = (who: string) => join(settingOf("PHOTO_DIR"), who);

export interface Copy {
  readonly databaseUrl: string;
  readonly photoDir: string;
  /** Makes the copy as the template is: rows and pictures. */
  readonly refill: () => Promise<void>;
  readonly close: () => Promise<void>;
}

/** A worker's own copy. After a failure a new worker takes the same number: what its predecessor left is dropped. */
export async function copyOfTemplate(worker: number): Promise<Copy> {
  const db = await connect();
  await ensureTemplate(db);
  const name = `scutch_e2e_${worker}`;
  await db.query(
    `DROP DATABASE IF EXISTS ${name}; CREATE DATABASE ${name} CHARACTER SET utf8mb4; USE ${name};
     SET foreign_key_checks = 0, unique_checks = 0`,
  );
  const [tables] = await db.query<RowDataPacket[]>(
    `SELECT table_name AS t, GROUP_CONCAT(CONCAT('\`', column_name, '\`') ORDER BY ordinal_position) AS c
     FROM information_schema.columns JOIN information_schema.tables USING (table_schema, table_name)
     WHERE table_schema = ? AND table_type = 'BASE TABLE' AND is_generated = 'NEVER' GROUP BY table_name`,
    [TEMPLATE],
  );
  const refill: string[] = [];
  for (const { t, c } of tables) {
    // CREATE TABLE … LIKE would drop the foreign keys.
    const [[create]] = (await db.query<RowDataPacket[]>(`SHOW CREATE TABLE ${TEMPLATE}.\`${t}\``)) as [
      RowDataPacket[],
      unknown,
    ];
    await db.query(create?.["Create Table"]);
    refill.push(`DELETE FROM \`${t}\``, `INSERT INTO \`${t}\` (${c}) SELECT ${c} FROM ${TEMPLATE}.\`${t}\``);
  }
  const photoDir = photosOf(String(worker));
  return {
    databaseUrl: urlOf(name),
    photoDir,
    refill: async () => {
      rmSync(photoDir, { recursive: true, force: true });
      mkdirSync(photoDir, { recursive: true });
      if (existsSync(photosOf("template"))) cpSync(photosOf("template"), photoDir, { recursive: true });
      await db.query(`START TRANSACTION; ${refill.join("; ")}; COMMIT`);
    },
    close: () => db.end(),
  };
}

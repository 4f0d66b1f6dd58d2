// What a fresh machine lacks: Debian packages and node_modules. Plain Node, needs nothing installed.
import { createHash } from "node:crypto";
import fs from "node:fs";
import path from "node:path";
import { inRoot } from "./paths.mjs";
import { run } from "./run.mjs";

function onPath(program) {
  return (process.env.PATH ?? "")
    .split(path.delimiter)
    .concat("/usr/sbin", "/usr/local/sbin")
    .some((folder) => folder && fs.existsSync(path.join(folder, program)));
}

/** Debian's packages this project uses, by a program each brings. */
const PACKAGES = {
  mariadbd: "mariadb-server",
  chromium: "chromium",
  "mariadb-backup": "galera-4 mariadb-backup rsync socat",
  openssl: "openssl",
  certutil: "libnss3-tools",
  nginx: "nginx-light libnginx-mod-http-brotli-filter",
};

/** Installs the packages whose program is missing; without root or apt, says what to install. */
export async function ensurePrograms(programs) {
  const missing = programs
    .filter((program) => !onPath(program))
    .flatMap((program) => PACKAGES[program].split(" "));
  if (missing.length === 0) return;
  const list = missing.join(" ");
  if (process.getuid?.() !== 0 || !onPath("apt-get"))
    throw new Error(`Missing: ${list}. Install with: sudo apt-get install ${list}`);
  console.error(`Installing ${list}…`);
  const env = { DEBIAN_FRONTEND: "noninteractive" };
  const wait = ["-o", "DPkg::Lock::Timeout=300", "-qq"];
  await run("apt-get", [...wait, "update"], { env, quiet: true });
  await run("apt-get", [...wait, "install", "-y", "--no-install-recommends", ...missing], {
    env,
    quiet: true,
  });
}

export function hashOfFiles(files) {
  const hash = createHash("sha256");
  for (const file of files)
    hash.update(path.relative(inRoot(), file)).update("\0").update(fs.readFileSync(file)).update("\0");
  return hash.digest("hex");
}

/** Runs `make` unless `stamp` holds `state` already; the stamp is written only when it went well. */
export async function unlessDone(stamp, state, make) {
  if (fs.existsSync(stamp) && fs.readFileSync(stamp, "utf8") === state) return false;
  await make();
  fs.mkdirSync(path.dirname(stamp), { recursive: true });
  fs.writeFileSync(stamp, state);
  return true;
}

/** `npm ci`, when the lock has changed since the last. */
export async function ensureModules() {
  const state = hashOfFiles([inRoot("package-lock.json")]);
  await unlessDone(inRoot("node_modules/.scutch-installed"), state, async () => {
    console.error("Installing packages…");
    // The web server's own npm run may have set NODE_ENV=production, which would leave out what builds it.
    await run("npm", ["ci", "--no-audit", "--no-fund", "--include=dev"], { toStderr: true });
  });
}

export function checkNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  const good = (major === 20 && minor >= 19) || (major === 22 && minor >= 12) || major > 22;
  if (!good)
    throw new Error(
      `Node ${process.versions.node} is too old. Install Node 20.19 or later, or 22.12 or later.`,
    );
}

// Builds what has changed since the last build: the web app with Vite, the server as one file with esbuild.
import fs from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { promisify } from "node:util";
import { brotliCompress, constants, gzip } from "node:zlib";
import { inRoot } from "./paths.mjs";
import { binary } from "./run.mjs";
import { hashOfFiles, unlessDone } from "./setup.mjs";

function filesBelow(folder) {
  if (!fs.existsSync(folder)) return [];
  return fs.readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const file = path.join(folder, entry.name);
    return entry.isDirectory() ? filesBelow(file) : [file];
  });
}

function stateOf(...places) {
  const files = places.flatMap((place) =>
    fs.statSync(inRoot(place)).isDirectory() ? filesBelow(inRoot(place)) : [inRoot(place)],
  );
  return hashOfFiles(files.filter((file) => !/\.test\.tsx?$|\/testing\//.test(file)).sort());
}

async function buildServer() {
  const { build } = await import("esbuild");
  const { dependencies } = JSON.parse(fs.readFileSync(inRoot("server/package.json"), "utf8"));
  const packages = [...Object.keys(dependencies), "drizzle-orm", "zod-openapi"].filter(
    (name) => !name.startsWith("@scutch/"),
  );
  await build({
    entryPoints: [
      inRoot("server/src/main.ts"),
      inRoot("server/src/prepare.ts"),
      inRoot("server/src/crewCommand.ts"),
    ],
    outdir: inRoot("server/dist"),
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    sourcemap: true,
    external: packages.flatMap((name) => [name, `${name}/*`]),
    logLevel: "warning",
  });
}

const COMPRESSIBLE = /\.(?:js|css|html|svg|json|webmanifest)$/;
const brotli = promisify(brotliCompress);
const gzipped = promisify(gzip);

/** Puts a Brotli and a gzip copy beside each file that shrinks, so that the server never compresses while somebody waits. */
async function compress(folder) {
  const files = filesBelow(folder).filter((file) => COMPRESSIBLE.test(file));
  for (const file of files) {
    const bytes = fs.readFileSync(file);
    const params = {
      [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY,
      [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
    };
    fs.writeFileSync(`${file}.br`, await brotli(bytes, { params }));
    fs.writeFileSync(`${file}.gz`, await gzipped(bytes, { level: 9 }));
  }
}

/** Builds web and server where their sources differ from what the last build was made of. */
export async function buildAll() {
  const shared = ["core/src", "contract/src", "package-lock.json"];
  await unlessDone(
    inRoot("web/dist/.built"),
    stateOf(...shared, "web/src", "web/public", "web/index.html", "web/vite.config.ts", "scripts/build.mjs"),
    async () => {
      console.error("Building the web app…");
      await binary(inRoot("node_modules/vite/bin/vite.js"), ["build", "--logLevel", "warn"], {
        cwd: inRoot("web"),
        toStderr: true,
      });
      await compress(inRoot("web/dist"));
    },
  );
  await unlessDone(
    inRoot("server/dist/.built"),
    stateOf(...shared, "server/src", "scripts/build.mjs"),
    buildServer,
  );
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await buildAll();

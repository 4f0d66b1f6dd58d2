// Checks README and docs: every path they name exists, and every figure that README boasts of is in the title of a test or a row
// of the bench.
import { execFileSync } from "node:child_process";
import fs from "node:fs";
import path from "node:path";
import { inRoot } from "./paths.mjs";

const tracked = execFileSync("git", ["ls-files", "--cached", "--others", "--exclude-standard"], {
  cwd: inRoot(),
  encoding: "utf8",
})
  .trim()
  .split("\n")
  .filter((file) => fs.existsSync(inRoot(file)));
const folders = new Set(
  tracked.flatMap((file) => file.split("/").map((_, i, all) => all.slice(0, i).join("/"))),
);
/** Written by builds and runs, so not tracked. */
const MADE = /^(\.data|node_modules|server\/dist|web\/dist|mariadbd\.log)/;

const exists = (name) =>
  MADE.test(name) ||
  tracked.includes(name) ||
  folders.has(name.replace(/\/$/, "")) ||
  // Inside a paragraph a file is named by the end of its path.
  tracked.some((file) => file.endsWith(`/${name}`)) ||
  [...folders].some((folder) => folder.endsWith(`/${name.replace(/\/$/, "")}`));

const problems = [];
for (const file of tracked.filter((each) => each === "README.md" || /^docs\/.*\.md$/.test(each))) {
  const lines = fs.readFileSync(inRoot(file), "utf8").split("\n");
  for (const [i, line] of lines.entries()) {
    const links = [...line.matchAll(/\]\(([^)#\s]+)[^)]*\)/g)].map(([, target]) => target);
    for (const target of links)
      if (!/^[a-z]+:/.test(target) && !fs.existsSync(path.join(inRoot(path.dirname(file)), target)))
        problems.push(`${file}:${i + 1} links to ${target}, which doesn't exist`);
    for (const [, code] of line.matchAll(/`([^`]+)`/g))
      if (
        /^[\w.@-]+(\/[\w.@*-]+)*\.(tsx?|mjs|md|json|sql|css)$|^(core|contract|server|web|cli|e2e|scripts|docs)\/[\w./-]+$/.test(
          code,
        )
      )
        if (!code.includes("*") && !exists(code))
          problems.push(`${file}:${i + 1} names ${code}, which doesn't exist`);
  }
}

const proof = tracked
  .filter((file) => /\.(test|spec)\.tsx?$|^e2e\/bench\//.test(file))
  .map((file) => fs.readFileSync(inRoot(file), "utf8"))
  .join("\n");
const readme = fs.readFileSync(inRoot("README.md"), "utf8");
for (const [figure] of readme.matchAll(/\b\d[\d,.]*\s?(?:taps?|ms|kB|s|%|minutes?)(?![\w-])/g))
  if (!proof.includes(figure)) problems.push(`README.md claims “${figure}”, which no test or bench has`);

if (problems.length > 0) {
  console.error(problems.join("\n"));
  process.exit(1);
}

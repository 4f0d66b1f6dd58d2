import { spawn } from "node:child_process";
import { ROOT } from "./paths.mjs";

/** Runs a program to its end with its output shown; rejects when it fails. stdout can be sent to stderr instead. */
export function run(command, args, { env = {}, cwd = ROOT, quiet = false, toStderr = false } = {}) {
  return new Promise((resolve, reject) => {
    const stdout = quiet ? "ignore" : toStderr ? 2 : "inherit";
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: ["ignore", stdout, "inherit"],
    });
    child.once("error", reject);
    child.once("exit", (code, signal) => {
      if (code === 0) resolve();
      else reject(new Error(`${command} ${args.join(" ")} ended with ${signal ?? `code ${code}`}.`));
    });
  });
}

/** A package's program from node_modules, run by this Node: no shell, no PATH, spaces in the path are fine. */
export const binary = (file, args, options) => run(process.execPath, [file, ...args], options);

import { spawn } from "node:child_process";
import { ROOT } from "./paths.mjs";

/**
 * Runs a program to its end with its output shown; rejects when it fails. stdout can be sent to stderr instead. `minutes` is a
 * limit: a program that hasn't ended by then is killed with what it started, and that is a failure.
 */
export function run(command, args, { env = {}, cwd = ROOT, quiet = false, toStderr = false, minutes } = {}) {
  return new Promise((resolve, reject) => {
    const stdout = quiet ? "ignore" : toStderr ? 2 : "inherit";
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: ["ignore", stdout, "inherit"],
      detached: minutes !== undefined,
    });
    const title = `${command} ${args.join(" ")}`;
    const killAll = () => {
      try {
        process.kill(-child.pid, "SIGKILL");
      } catch {
        // It ended by itself.
      }
    };
    const limit =
      minutes === undefined
        ? undefined
        : setTimeout(() => {
            killAll();
            reject(new Error(`${title} did not end within ${minutes} minutes and was stopped.`));
          }, minutes * 60_000);
    // A group of its own doesn't hear Ctrl-C: it is passed on.
    if (minutes !== undefined) for (const signal of ["SIGINT", "SIGTERM"]) process.once(signal, killAll);
    child.once("error", reject);
    child.once("exit", (code, signal) => {
      clearTimeout(limit);
      if (minutes !== undefined)
        for (const each of ["SIGINT", "SIGTERM"]) process.removeListener(each, killAll);
      if (code === 0) resolve();
      else reject(new Error(`${title} ended with ${signal ?? `code ${code}`}.`));
    });
  });
}

/** A package's program from node_modules, run by this Node: no shell, no PATH, spaces in the path are fine. */
export const binary = (file, args, options) => run(process.execPath, [file, ...args], options);

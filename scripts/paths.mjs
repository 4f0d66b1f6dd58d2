import path from "node:path";
import { fileURLToPath } from "node:url";

/** The project's folder, wherever it was cloned to. */
export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), "..");
export const inRoot = (...parts) => path.join(ROOT, ...parts);

/** A path that a person typed, from the folder they are in: npm runs its scripts in the project's. */
export const fromHere = (typed) => path.resolve(process.env.INIT_CWD ?? ".", typed);

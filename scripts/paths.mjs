import path from "node:path";
import { fileURLToPath } from "node:url";

/** The project's folder, wherever it was cloned to. */
export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), "..");
export const inRoot = (...parts) => path.join(ROOT, ...parts);

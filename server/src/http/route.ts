import { PATHS } from "@scutch/contract";
import type { Request } from "express";

/** Words our addresses are made of. Everything else in one may be an id, an invite’s code or what someone typed. */
const WORDS = new Set<string>([
  ...Object.values(PATHS).flatMap((path) => path.split("/").filter((part) => !part.startsWith("{"))),
  ...["", "api", "auth", "sign-in", "sign-out", "email", "passkey", "health", "live", "ready", "docs"],
]);

/** Where a request goes, without anything personal and of few kinds: what logs and metrics say of it. */
export function routeOf(request: Pick<Request, "originalUrl">): string {
  const [path = ""] = request.originalUrl.split("?");
  if (!path.startsWith("/api/")) return "/";
  return path
    .split("/")
    .map((part) => (WORDS.has(part) ? part : ":"))
    .join("/");
}

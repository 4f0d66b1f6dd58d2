/** nginx with the config that ships, on ports of its own, under an authority that a browser of its own trusts. */
import { execFileSync, spawn } from "node:child_process";
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { type Browser, chromium } from "@playwright/test";
import { freePort } from "../../scripts/ports.mjs";
import { ensureCertificate } from "../../scripts/tls.mjs";

const SHIPPED = fileURLToPath(new URL("../../deploy/nginx.conf", import.meta.url));
export const NAME = "scutch.test";

export interface TlsFront {
  readonly origin: string;
  /** Starts nginx in front of the app on a port, or of several servers. */
  readonly serve: (...appPorts: readonly number[]) => Promise<void>;
  /** What makes a browser of one's own trust the authority and find the name. */
  readonly env: Record<string, string>;
  readonly args: readonly string[];
  /** A browser like a phone's: it trusts the authority, and ignores no certificate error. */
  readonly phone: () => Promise<Browser>;
  readonly stop: () => Promise<void>;
}

const wrapped = (site: string) => `
load_module /usr/lib/nginx/modules/ngx_http_brotli_filter_module.so;
daemon off; pid nginx.pid; worker_processes 1;
events {}
http {
  include /etc/nginx/mime.types; access_log off;
  client_body_temp_path tmp/b; proxy_temp_path tmp/p; fastcgi_temp_path tmp/f; uwsgi_temp_path tmp/u; scgi_temp_path tmp/s;
  ${site}
}`;

export async function makeTlsFront(dir: string): Promise<TlsFront> {
  const port = await freePort(15_443);
  const plain = await freePort(port + 1);
  const { cert, key, authority } = ensureCertificate(join(dir, "tls"), [NAME]);
  const home = join(dir, "home");
  const store = `sql:${join(home, ".pki/nssdb")}`;
  mkdirSync(join(home, ".pki/nssdb"), { recursive: true });
  execFileSync("certutil", ["-d", store, "-N", "--empty-password"]);
  execFileSync("certutil", ["-d", store, "-A", "-t", "C,,", "-n", "scutch-test", "-i", authority]);
  for (const each of ["logs", "tmp"]) mkdirSync(join(dir, each), { recursive: true });
  let nginx: ReturnType<typeof spawn> | undefined;
  const browsers: Browser[] = [];
  const env = { ...process.env, HOME: home } as Record<string, string>;
  const args = [`--host-resolver-rules=MAP ${NAME} 127.0.0.1`];
  return {
    env,
    args,
    origin: `https://${NAME}:${port}`,
    async serve(...appPorts) {
      const site = readFileSync(SHIPPED, "utf8")
        .replaceAll("scutch.example", NAME)
        .replace("listen 443", `listen 127.0.0.1:${port}`)
        .replace("listen 80", `listen 127.0.0.1:${plain}`)
        .replace(/ssl_certificate [^;]+/, `ssl_certificate ${JSON.stringify(cert)}`)
        .replace(/ssl_certificate_key [^;]+/, `ssl_certificate_key ${JSON.stringify(key)}`)
        .replace(/server 127\.0\.0\.1:4170[^;]*;/, (server) =>
          appPorts.map((each) => server.replace("4170", String(each))).join("\n  "),
        );
      writeFileSync(join(dir, "nginx.conf"), wrapped(site));
      const user = process.getuid?.() === 0 ? ["-g", "user root;"] : [];
      const path = `${process.env.PATH}:/usr/sbin`;
      nginx = spawn("nginx", ["-p", dir, "-e", "logs/error.log", "-c", "nginx.conf", ...user], {
        stdio: "inherit",
        env: { ...process.env, PATH: path },
      });
      for (let i = 0; i < 100; i++) {
        const answer = await fetch(`http://127.0.0.1:${plain}`, { redirect: "manual" }).catch(
          () => undefined,
        );
        if (answer?.status === 301) return;
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
      throw new Error(`nginx didn’t start: ${readFileSync(join(dir, "logs/error.log"), "utf8")}`);
    },
    async phone() {
      const browser = await chromium.launch({
        executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
        env,
        args: [
          "--no-sandbox",
          "--disable-gpu",
          "--disable-dev-shm-usage",
          "--disable-background-networking",
          ...args,
        ],
      });
      browsers.push(browser);
      return browser;
    },
    async stop() {
      for (const browser of browsers) await browser.close();
      const ended = new Promise((resolve) => nginx?.once("exit", resolve) ?? resolve(undefined));
      nginx?.kill("SIGTERM");
      await ended;
    },
  };
}

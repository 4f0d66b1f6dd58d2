// A certificate authority of this installation's own, made once, and the server's certificate under it. Phones trust the first.
import { execFileSync } from "node:child_process";
import { X509Certificate } from "node:crypto";
import fs from "node:fs";
import { isIP } from "node:net";
import os from "node:os";
import path from "node:path";

const DAY = 86_400_000;
/** An authority on phones is renewed by hand, so it lasts; a certificate may last 825 days at most on iPhones. */
const DAYS = { authority: 3650, certificate: 365 };
/** A certificate is made afresh when it has fewer days left than this. */
const RENEW_BEFORE = 30;

/** Addresses of this machine in its networks. */
export const lanAddresses = () =>
  Object.values(os.networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter(({ family, internal }) => family === "IPv4" && !internal)
    .map(({ address }) => address);

function openssl(args, dir) {
  execFileSync("openssl", args, { cwd: dir, stdio: ["ignore", "ignore", "pipe"] });
}

const altNames = (names) => names.map((name) => `${isIP(name) ? "IP" : "DNS"}:${name}`).join(",");

/** Networks at home and in a van: an address there may change without a phone having to trust anything new. */
const PRIVATE = [
  "10.0.0.0/255.0.0.0",
  "172.16.0.0/255.240.0.0",
  "192.168.0.0/255.255.0.0",
  "127.0.0.0/255.0.0.0",
];
const isPrivate = (name) => isIP(name) === 4 && /^(?:10|127|192\.168|172\.(?:1[6-9]|2\d|3[01]))\./.test(name);

/** Names and addresses the authority may speak for, and no others: whoever stole its key couldn't pose as a bank. */
function permitted(names) {
  const own = names.filter((name) => !isPrivate(name));
  const others = own.map((name) => (isIP(name) ? `IP:${name}/255.255.255.255` : `DNS:${name}`));
  return [...PRIVATE.map((net) => `IP:${net}`), ...others].map((each) => `permitted;${each}`).join(",");
}

function makeAuthority(dir, names) {
  const name = `Scutch on ${os.hostname()}`.slice(0, 60);
  openssl(
    [
      ...["req", "-x509", "-newkey", "ec", "-pkeyopt", "ec_paramgen_curve:P-256", "-nodes"],
      ...["-keyout", "ca.key", "-out", "ca.pem", "-days", String(DAYS.authority), "-subj", `/CN=${name}`],
      ...[
        "-addext",
        "basicConstraints=critical,CA:TRUE,pathlen:0",
        "-addext",
        "keyUsage=critical,keyCertSign,cRLSign",
      ],
      ...["-addext", `nameConstraints=critical,${permitted(names)}`],
    ],
    dir,
  );
  fs.chmodSync(path.join(dir, "ca.key"), 0o600);
}

function makeCertificate(dir, names) {
  openssl(
    [
      ...["req", "-newkey", "ec", "-pkeyopt", "ec_paramgen_curve:P-256", "-nodes"],
      ...["-keyout", "site.key", "-out", "site.csr", "-subj", `/CN=${names[0]}`.slice(0, 64)],
    ],
    dir,
  );
  const extensions = [
    "basicConstraints=CA:FALSE",
    "extendedKeyUsage=serverAuth",
    `subjectAltName=${altNames(names)}`,
  ];
  fs.writeFileSync(path.join(dir, "site.ext"), `${extensions.join("\n")}\n`);
  openssl(
    [
      ...["x509", "-req", "-in", "site.csr", "-CA", "ca.pem", "-CAkey", "ca.key", "-CAcreateserial"],
      ...["-out", "site.pem", "-days", String(DAYS.certificate), "-sha256", "-extfile", "site.ext"],
    ],
    dir,
  );
  fs.chmodSync(path.join(dir, "site.key"), 0o600);
}

const certificateIn = (file) =>
  fs.existsSync(file) ? new X509Certificate(fs.readFileSync(file)) : undefined;

const holds = (certificate, names) =>
  certificate !== undefined &&
  Date.parse(certificate.validTo) > Date.now() + RENEW_BEFORE * DAY &&
  names.every((name) => (isIP(name) ? certificate.checkIP(name) : certificate.checkHost(name)) !== undefined);

/**
 * Certificate and key for `names`, the first of them in front, under the authority in `dir`. `isNew` says that the authority was made
 * just now, so that every phone has to trust it.
 */
export function ensureCertificate(dir, names) {
  fs.mkdirSync(dir, { recursive: true, mode: 0o700 });
  const file = (name) => path.join(dir, name);
  // A name that the authority may not speak for needs another one.
  const allowed = permitted(names.toSorted());
  const known = fs.existsSync(file("names")) ? fs.readFileSync(file("names"), "utf8") : undefined;
  const isNew = !fs.existsSync(file("ca.pem")) || known !== allowed;
  if (isNew) {
    makeAuthority(dir, names);
    fs.writeFileSync(file("names"), allowed);
  }
  if (isNew || !holds(certificateIn(file("site.pem")), names)) makeCertificate(dir, names);
  return {
    cert: file("site.pem"),
    key: file("site.key"),
    authority: file("ca.pem"),
    fingerprint: certificateIn(file("ca.pem"))?.fingerprint256 ?? "",
    isNew,
  };
}

// A page over plain http, for a phone that doesn't trust this installation yet: the authority to trust, and how.
import fs from "node:fs";
import http from "node:http";
import QRCode from "qrcode";

const escaped = (text) => text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll('"', "&quot;");

const STYLE = `body{font:18px/1.5 system-ui,sans-serif;background:#F3EDE1;color:#1E241F;max-width:34rem;margin:0 auto;padding:1.5rem}
h1{font-size:1.6rem;line-height:1.2;border-top:2px solid;padding-top:1rem}h2{font-size:1.15rem;margin-bottom:.3rem}
a.main{display:block;background:#2B654A;color:#fff;text-align:center;padding:1rem;border-radius:6px;font-weight:700;text-decoration:none;margin:1rem 0}
code{font-size:.85rem;word-break:break-all}svg{width:14rem;max-width:100%;background:#fff}li{margin:.3rem 0}`;

const page = ({ app, here, fingerprint, qr }) => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<title>Open Scutch on a phone</title><style>${STYLE}</style></head><body>
<p><strong>scutch</strong></p>
<h1>Open Scutch on a phone</h1>
<p>On a laptop? Point the phone’s camera at this. It leads to this page.</p>
<p>${qr}<br><code>${escaped(here)}</code></p>
<h2>1. Save the certificate</h2>
<p>It tells the phone that this is your own server. It can speak for this server’s name and for addresses in your network, for nothing else.</p>
<a class="main" href="/scutch-ca.crt">Save the certificate</a>
<h2>2. Trust it</h2>
<p><strong>iPhone, iPad:</strong></p>
<ol><li>Settings › General › VPN &amp; Device Management: open the profile “Scutch” and install it.</li>
<li>Settings › General › About › Certificate Trust Settings: turn it on.</li></ol>
<p><strong>Android:</strong></p>
<ol><li>Settings: search for “CA certificate”.</li><li>Choose “Install anyway”, then the file you saved.</li></ol>
<p>Check that the fingerprint is the one where Scutch was started. If it isn’t, stop: something stands between.</p>
<p><code>${escaped(fingerprint)}</code></p>
<h2>3. Open it</h2>
<a class="main" href="${escaped(app)}">Open Scutch</a>
<p>Then add it to the home screen: Share › Add to Home Screen on an iPhone, menu › Install app on Android. Opened once, it works with no signal.</p>
</body></html>`;

/** Serves the page until `stop`; it has nothing to hide and takes nothing in. */
export async function serveTrustPage({ host, port, app, here, authority, fingerprint }) {
  const qr = await QRCode.toString(here, { type: "svg", margin: 2 });
  const html = page({ app, here, fingerprint, qr });
  const certificate = fs.readFileSync(authority);
  const headers = { "X-Content-Type-Options": "nosniff", "Referrer-Policy": "no-referrer" };
  const server = http.createServer((request, response) => {
    if (request.method !== "GET" && request.method !== "HEAD") return response.writeHead(405).end();
    if (request.url === "/scutch-ca.crt")
      return response
        .writeHead(200, {
          ...headers,
          "Content-Type": "application/x-x509-ca-cert",
          "Content-Disposition": 'attachment; filename="scutch-ca.crt"',
        })
        .end(certificate);
    response
      .writeHead(200, {
        ...headers,
        "Content-Type": "text/html; charset=utf-8",
        "Content-Security-Policy":
          "default-src 'none'; style-src 'unsafe-inline'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'",
      })
      .end(html);
  });
  // Enough for a page: whoever holds a line open longer isn't reading it.
  server.requestTimeout = 10_000;
  server.headersTimeout = 10_000;
  await new Promise((resolve, reject) => {
    server.once("error", reject);
    server.listen(port, host, resolve);
  });
  return {
    qr: () => QRCode.toString(here, { type: "terminal", small: true }),
    stop: () =>
      new Promise((resolve) => {
        server.close(resolve);
        server.closeAllConnections();
      }),
  };
}

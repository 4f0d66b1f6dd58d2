/** The web's layers from the top: an arrow never runs back up. */
const WEB = ["app", "features", "shared", "planning", "device", "state", "ui", "format"];
function layers() {
  return WEB.slice(1).map((layer, i) => ({
    name: `web-${layer}-looks-down`,
    severity: "error",
    from: { path: `^web/src/${layer}/`, pathNot: "\\.test\\.ts$" },
    to: { path: `^web/src/(${["main\\.tsx", ...WEB.slice(0, i + 1).map((each) => `${each}/`)].join("|")})` },
  }));
}

/** Arrows point one way: core ← contract ← server, web, cli. */
module.exports = {
  forbidden: [
    {
      name: "core-imports-nothing",
      comment: "core is pure computation: no package, no Node, no other room",
      severity: "error",
      from: { path: "^core/src", pathNot: "\\.test\\.ts$" },
      to: { pathNot: "^core/src" },
    },
    {
      name: "contract-knows-core-only",
      severity: "error",
      from: { path: "^contract/src" },
      to: { path: "^(server|web|cli)/" },
    },
    { name: "web-not-server", severity: "error", from: { path: "^web/src" }, to: { path: "^(server|cli)/" } },
    { name: "server-not-web", severity: "error", from: { path: "^server/src" }, to: { path: "^(web|cli)/" } },
    {
      name: "shipped-not-demo",
      comment: "the demo seeds the server; nothing else leans on it",
      severity: "error",
      from: { path: "^server/src", pathNot: "^server/src/(demo/|testing/|prepare\\.ts|.*\\.test\\.ts)" },
      to: { path: "^server/src/demo/" },
    },
    ...layers(),
    {
      name: "web-features-apart",
      comment: "a screen borrows nothing from another: what two need is in shared",
      severity: "error",
      from: { path: "^web/src/features/([^/]+)/", pathNot: "\\.test\\.ts$" },
      to: { path: "^web/src/features/", pathNot: "^web/src/features/$1/" },
    },
    {
      name: "server-features-keep-their-store",
      comment: "a feature's tables are read and written by its own store; another feature asks its service",
      severity: "error",
      from: { path: "^server/src/features/([^/]+)/", pathNot: "\\.test\\.ts$" },
      to: { path: "^server/src/features/.+/store\\.ts$", pathNot: "^server/src/features/$1/" },
    },
    {
      name: "server-http-knows-no-feature",
      comment: "features plug into http from app.ts, which lists them",
      severity: "error",
      from: { path: "^server/src/http/", pathNot: "\\.test\\.ts$" },
      to: { path: "^server/src/(features|demo|app)" },
    },
    {
      name: "server-db-knows-no-feature",
      comment: "db is the lowest layer; only its schema lists the features' tables",
      severity: "error",
      from: { path: "^server/src/db/", pathNot: "(\\.test\\.ts|schema\\.ts)$" },
      to: { path: "^server/src/(features|http|demo|app)" },
    },
    {
      name: "server-store-is-sql-only",
      severity: "error",
      from: { path: "^server/src/features/.+/(store|table)\\.ts$" },
      to: { path: "^server/src/(http|demo|app)|/(service|routes)\\.ts$" },
    },
    {
      name: "server-services-know-no-http",
      comment: "only routes speak HTTP: a service can be called by a command, a job or another feature",
      severity: "error",
      from: { path: "^server/src/features/", pathNot: "(routes|\\.test)\\.ts$" },
      to: { path: "^server/src/http/" },
    },
    {
      name: "no-circular",
      comment: "types included: two files that need each other's types are one subject or lack a third",
      severity: "error",
      from: {},
      to: { circular: true },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.base.json" },
    enhancedResolveOptions: { exportsFields: ["exports"], conditionNames: ["import", "default"] },
    exclude: "(dist|\\.data)",
  },
};

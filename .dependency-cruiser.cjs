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
      name: "no-circular",
      severity: "error",
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ["type-only"] } },
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

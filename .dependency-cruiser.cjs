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
      from: { path: "^server/src", pathNot: "^server/src/(demo/|testing/|main\\.ts|.*\\.test\\.ts)" },
      to: { path: "^server/src/demo/" },
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

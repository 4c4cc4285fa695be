// Proves the arrows of the code: server → app → db → core, cli → core, demo → db and core; and, inside the core,
// that each folder imports only from those before it in this list.
const core = [
  ["units"],
  ["materials"],
  ["colour", "drying", "quantity"],
  ["plan", "edit"],
  ["mixing"],
  ["surface"],
  ["rules", "safety"],
  ["judge"],
  ["schedule", "board"],
  ["shelf"],
  ["ledger"],
  ["photo"],
  ["finishes"],
  ["look"],
  ["trainer"],
  ["exchange"],
];

const inside = core.flatMap((names, at) =>
  names.map((name) => ({
    name: `core-${name}-looks-only-down`,
    comment: `core/${name} may import itself, its own row and the rows before it`,
    severity: "error",
    from: { path: `^core/${name}/`, pathNot: "\\.test\\.ts$" },
    to: {
      path: `^core/(${
        core
          .slice(at + 1)
          .flat()
          .join("|") || "none"
      })/`,
    },
  })),
);

const outside = [
  ["core", "app|db|server|cli|demo|hostile|tests|scripts"],
  ["db", "app|server|cli|demo|hostile|tests|scripts"],
  ["cli", "app|db|server|demo|hostile|tests|scripts"],
  ["demo", "app|server|cli|hostile|tests|scripts"],
  ["app", "server|cli|hostile|tests|scripts"],
  ["server", "cli|demo|hostile|tests|scripts"],
  ["hostile", "app|cli"],
].map(([from, to]) => ({
  name: `${from}-keeps-its-arrows`,
  severity: "error",
  from: { path: `^${from}/`, pathNot: "\\.test\\.tsx?$" },
  to: { path: `^(${to})/` },
}));

module.exports = {
  forbidden: [
    {
      name: "no-circles",
      severity: "error",
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ["type-only"] } },
    },
    {
      name: "core-buys-little",
      comment: "the core stands on schema validation and colour conversion alone",
      severity: "error",
      from: { path: "^core/", pathNot: "\\.test\\.ts$" },
      to: { path: "node_modules", pathNot: "node_modules/(zod|culori|@types/culori)/" },
    },
    {
      name: "core-knows-no-machine",
      severity: "error",
      from: { path: "^core/", pathNot: "\\.test\\.ts$" },
      to: { dependencyTypes: ["core"] },
    },
    ...outside,
    ...inside,
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.react-router" },
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "types", "node"],
      extensions: [".ts", ".tsx", ".js", ".cjs", ".mjs"],
    },
  },
};

// Proves the arrows of the code: server → app → db → core, cli → core, demo → db and core; and, inside the core
// and the app, that each folder imports only from those in its own row of these lists and the rows before it.
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

const app = [
  ["words", "keys", "first"],
  ["plan-of-work"],
  ["editor"],
  ["forms"],
  ["drawing", "films", "charts"],
  ["parts"],
  ["board", "ladder"],
  [
    "adding",
    "bench",
    "crust",
    "days",
    "finishes",
    "hardware",
    "jobs",
    "materials",
    "mix",
    "photo",
    "piece",
    "shelf",
    "trainer",
  ],
  ["ledger", "look", "prices", "quote"],
  ["views"],
  ["http"],
  ["routes"],
];

const downwards = (room, rows) =>
  rows.slice(0, -1).flatMap((names, row) =>
    names.map((name) => ({
      name: `${room}-${name}-looks-only-down`,
      comment: `${room}/${name} may import itself, its own row and the rows before it`,
      severity: "error",
      from: { path: `^${room}/${name}/`, pathNot: "\\.test\\.tsx?$" },
      to: {
        path: `^${room}/(${rows
          .slice(row + 1)
          .flat()
          .join("|")})/`,
        // what a route or an action answers with is typed where it is answered
        ...(room === "app" && { dependencyTypesNot: ["type-only"] }),
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
      name: "no-circles-of-types",
      comment: "a plan is checked for sense by its schema, and what checks it has to know what a plan is",
      severity: "error",
      from: { path: "^(core|db|server|cli|demo)/", pathNot: "^core/plan/(plan|sense)\\.ts$" },
      to: { circular: true },
    },
    {
      name: "core-buys-little",
      comment: "the core stands on schema validation, colour conversion and a bounded store alone",
      severity: "error",
      from: { path: "^core/", pathNot: "\\.test\\.ts$" },
      to: { path: "node_modules", pathNot: "node_modules/(zod|culori|@types/culori|lru-cache)/" },
    },
    {
      name: "core-knows-no-machine",
      severity: "error",
      from: { path: "^core/", pathNot: "\\.test\\.ts$" },
      to: { dependencyTypes: ["core"] },
    },
    ...outside,
    ...downwards("core", core),
    ...downwards("app", app),
    {
      name: "pages-run-in-the-browser",
      comment: "what the store knows comes to a page by its route's loader; only types are shared",
      severity: "error",
      from: { path: "^app/", pathNot: "^app/(http|routes)/|\\.server\\.tsx?$|^app/root\\.tsx$|\\.test\\.tsx?$" },
      to: { path: "^db/|\\.server\\.tsx?$", dependencyTypesNot: ["type-only"] },
    },
    {
      name: "keys-from-the-table",
      comment: "a view listens to a key by useKey and the table of keys, so that the list under ? has it",
      severity: "error",
      from: { path: "^app/", pathNot: "^app/keys/use-key\\.ts$" },
      to: { path: "node_modules/react-hotkeys-hook/" },
    },
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

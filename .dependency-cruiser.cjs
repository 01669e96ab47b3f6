/** The five storeys: each imports only from those below it (docs/decisions/storeys.md). */
const storey = (name, from, to) => ({
  name,
  severity: "error",
  from: { path: from, pathNot: "\\.test\\.tsx?$" },
  to: { path: to },
});
/**
 * The folders of core from the ground up: each imports from itself and from those before it. A new folder gets its place
 * here; what needs two that lie higher is itself higher.
 */
const CORE = [
  "measure",
  "month",
  "material",
  "photo",
  "words",
  "album",
  "share",
  "fit",
  "book",
  "bulk",
  "see-through",
  "craft",
  "draw",
  "sheet",
  "pace",
  "drawer",
  "finish",
  "document",
  "format",
  "journal",
];
const upwards = CORE.flatMap((folder, at) => {
  const higher = CORE.slice(at + 1).join("|");
  return higher === ""
    ? []
    : [storey(`core-${folder}-imports-nothing-higher`, `^core/${folder}/`, `^core/(${higher})/`)];
});
module.exports = {
  forbidden: [
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    storey("core-imports-nothing-above", "^core/", "^(store|press|server|app|demo|tests|scripts)/"),
    {
      name: "core-is-pure",
      severity: "error",
      from: { path: "^core/", pathNot: "\\.test\\.ts$" },
      to: {
        dependencyTypes: ["npm", "core"],
        pathNot:
          "node_modules/(temporal-polyfill|suncalc|zod|culori|fast-deep-equal|linebreak|hyphen|lru-cache|svgpath|fast-xml-parser|clipper2-ts)/",
      },
    },
    ...upwards,
    {
      name: "core-folders-have-a-place",
      severity: "error",
      from: {},
      to: { path: "^core/", pathNot: `^core/((${CORE.join("|")})/|[a-z-]+\\.ts$)` },
    },
    storey("store-imports-core-only", "^store/", "^(press|server|app|demo|tests|scripts)/"),
    storey("press-imports-below-only", "^press/", "^(server|app|demo|tests|scripts)/"),
    storey("server-imports-below-only", "^server/", "^(app|demo|tests|scripts)/"),
    storey(
      "what-people-see-imports-no-server-code",
      "^app/(places|parts|wording|drawing)/",
      "^(store|press|server|app/routes)/",
    ),
    storey("drawing-and-parts-know-no-place", "^app/(parts|wording|drawing)/", "^app/(places|http)/"),
    storey("routes-get-the-server-as-load-context", "^app/", "^server/(?!context-type)"),
    storey("nothing-shipped-imports-tests", "^(core|store|press|server|app|demo)/", "^tests/"),
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "^build/" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "types", "node"],
      extensions: [".ts", ".tsx", ".js"],
    },
  },
};

/**
 * How the scripts of the program are put into files: few enough that a page on a thin line is not kept waiting by the
 * number of them, and none that brings a place what only others need. Layers lie upon one another; a module that several
 * pages share goes into the highest layer that it needs anything of, and what one page alone has stays in its own file.
 */

type Layer = {
  readonly name: string;
  /** The modules that make this layer; what imports them lies in it, or above. */
  readonly made: RegExp;
};

const packages = (...names: string[]) => new RegExp(`/node_modules/(${names.join("|")})`);

/** Of every page: React, the router, and what the root of all pages reaches. */
const BASE = packages("react/", "react-dom/", "scheduler/", "react-router/", "cookie/", "set-cookie-parser/");
const BASE_FROM = ["app/root.tsx"];
/** Of every page of an album: what stands round its places and what is sent from there; Month, where most begin, needs no more. */
const FRAME_FROM = ["album.tsx", "member.tsx", "place.tsx", "album.month.tsx"].map((file) => `app/routes/${file}`);

const LAYERS: readonly Layer[] = [
  { name: "parts", made: /\/app\/parts\// },
  {
    name: "panels",
    made: packages(
      "@radix-ui/",
      "@floating-ui/",
      "react-remove-scroll",
      "react-style-singleton/",
      "aria-hidden/",
      "use-",
    ),
  },
  {
    name: "words",
    made: /\/core\/words\/(lay|typefaces|decks)|\/node_modules\/(hyphen|linebreak|unicode-trie|tiny-inflate|lru-cache)\//,
  },
  {
    name: "leaves",
    made: /\/core\/(book\/read|draw\/(side|print)|fit\/fit|sheet\/gang)|\/app\/places\/(arrange|day|sheets)\/|\/node_modules\/zod\//,
  },
  { name: "forms", made: packages("@conform-to/") },
  // What reckons constructions: of the bench, and of what is opened in the book once it is.
  { name: "bench", made: /\/core\/craft\/(catalog|own|pierced)|\/node_modules\/clipper2-ts\// },
];

type Modules = { getModuleInfo: (id: string) => { readonly importedIds: readonly string[] } | null };

/** The name of the file that each shared module goes into; null for one that is not shared in this way. */
function layersOf(root: string, modules: Modules): (id: string) => string | null {
  const reaches = (from: readonly string[], known: ReadonlySet<string> = new Set()) => {
    const seen = new Set<string>();
    const visit = (id: string) => {
      if (seen.has(id) || known.has(id)) return;
      seen.add(id);
      for (const next of modules.getModuleInfo(id)?.importedIds ?? []) visit(next);
    };
    for (const id of from) visit(id);
    return seen;
  };
  const absolute = (files: readonly string[]) => files.map((file) => `${root}/${file}`);
  const base = reaches(absolute(BASE_FROM));
  const frame = reaches(absolute(FRAME_FROM), base);
  const below = new Set([...base, ...frame]);
  return (id) => {
    if (BASE.test(id)) return "base";
    if (base.has(id)) return id.endsWith("/app/root.tsx") ? null : "base";
    if (frame.has(id)) return id.includes("/app/routes/") ? null : "frame";
    if (/\/app\/(routes\/|root\.tsx)/.test(id)) return null;
    const needs = [...reaches([id], below)];
    return LAYERS.findLast(({ made }) => needs.some((each) => made.test(each)))?.name ?? "parts";
  };
}

/** The groups that the bundler makes files of, lowest first: each takes its modules before those that need it. */
export function scriptFiles(root: string) {
  let layerOf: ((id: string) => string | null) | undefined;
  return ["base", "frame", ...LAYERS.map(({ name }) => name)].map((layer, at) => ({
    debugName: layer,
    priority: 20 - at,
    minShareCount: layer === "base" ? 1 : 2,
    name: (id: string, modules: Modules) => {
      layerOf ??= layersOf(root, modules);
      return layerOf(id) === layer ? layer : null;
    },
  }));
}

import { readFileSync } from "node:fs";
import path from "node:path";
import type { z } from "zod";
import { KEEP_ACT } from "../../app/places/bench/acts.ts";
import { RULER_ACT } from "../../app/places/bulk/acts.ts";
import { CARD_SHEETS_ACT } from "../../app/places/card-sheets/acts.ts";
import { DRAWER_ACT } from "../../app/places/drawer/acts.ts";
import { HANDS_ACT } from "../../app/places/hands/acts.ts";
import { CUT_ACT } from "../../app/places/paper-cutting/acts.ts";
import { PROMPTS_ACT } from "../../app/places/prompts/acts.ts";
import { SHEET_ACT } from "../../app/places/sheets/acts.ts";
import routes from "../../app/routes.ts";
import { DAY_EDIT, SENT_MOVE } from "../../core/album/edit-schema.ts";
import { SENT_TALLY } from "../../core/album/tally-schema.ts";
import { BOOK_EDIT, SENT_MATTER, SENT_TRY_OUT } from "../../core/book/edit-schema.ts";
import { ROLL_MARK } from "../../core/photo/roll-schema.ts";
import { SENT_PRINT } from "../../core/sheet/sheet-schema.ts";
import { ENTRIES } from "./entries.ts";

const APP = path.resolve(import.meta.dirname, "../../app");

type Node = { readonly file: string; readonly children?: readonly Node[] | undefined };
/** The files of all routes, as the app's own table of them says. */
export function routeFiles(nodes: readonly Node[] = routes as readonly Node[]): string[] {
  return nodes.flatMap(({ file, children }) => [file, ...routeFiles(children ?? [])]);
}

/** The values that tell the kinds of a sent thing apart, read off what checks it. */
function kindsOf(schema: z.ZodType<unknown, unknown>, name: string): string[] {
  const { options } = schema as unknown as { options: readonly z.ZodObject[] };
  return options.flatMap((option) => {
    const kind = option.shape[name] as unknown as { values?: Iterable<string>; options?: readonly string[] };
    return [...(kind.values ?? kind.options ?? [])];
  });
}
const prefixed = (prefix: string, kinds: readonly string[]) => kinds.map((kind) => `${prefix}:${kind}`);

/** What routes take whose intents are told apart by a schema. */
const BY_SCHEMA: Readonly<Record<string, readonly string[]>> = {
  "routes/album.sent.ts": [
    ...prefixed("edit", kindsOf(DAY_EDIT, "kind")),
    ...prefixed("book", kindsOf(BOOK_EDIT, "kind")),
    ...prefixed("month", kindsOf(SENT_MOVE, "how")),
    ...prefixed("try-out", kindsOf(SENT_TRY_OUT, "how")),
    ...prefixed("mark", kindsOf(ROLL_MARK, "kind")),
    ...prefixed("matter", kindsOf(SENT_MATTER, "how")),
    ...prefixed("print", kindsOf(SENT_PRINT, "how")),
    ...prefixed("tally", kindsOf(SENT_TALLY, "how")),
    ...["bring", "choices", "decline", "end", "another-picture", "move-photo", "move-jotting"],
  ],
  "routes/album.sheets.tsx": kindsOf(SHEET_ACT, "act"),
  "routes/album.prompts.tsx": kindsOf(PROMPTS_ACT, "act"),
  "routes/album.hands.tsx": kindsOf(HANDS_ACT, "act"),
  "routes/album.bulk.tsx": kindsOf(RULER_ACT, "act"),
  "routes/album.drawer.tsx": kindsOf(DRAWER_ACT, "act"),
  "routes/album.making.tsx": KEEP_ACT ? ["keep"] : [],
  "routes/album.card-sheets.tsx": CARD_SHEETS_ACT ? ["make"] : [],
  "routes/album.paper-cutting.tsx": CUT_ACT ? ["cut"] : [],
};

/** The intents of a route's action: by its schema, or as its own lines tell them apart. */
function intentsOf(file: string, source: string): readonly string[] {
  const known = BY_SCHEMA[file];
  if (known) return known;
  const told = [...source.matchAll(/(?:\bcase |intent"?\)? ===? |kind: z\.literal\()"([a-z-]+)"/g)].map(
    ([, word]) => word ?? "",
  );
  return [...new Set(told)];
}

/** What of the routes has no entry, in words; nothing when the matrix is whole. */
export function missingEntries(): string[] {
  const files = [...new Set(routeFiles())];
  const troubles = Object.keys(ENTRIES).flatMap((file) => (files.includes(file) ? [] : [`${file}: no such route`]));
  for (const file of files) {
    const entry = ENTRIES[file];
    if (!entry) {
      troubles.push(`${file}: no entry in tests/matrix/entries.ts`);
      continue;
    }
    if (entry.anybody) continue;
    const source = readFileSync(path.join(APP, file), "utf8");
    const writes = Object.keys(entry.writes ?? {});
    if (/export (async function|const) action\b/.test(source)) {
      if (writes.length === 0) troubles.push(`${file}: it has an action, and no write is entered`);
      for (const intent of intentsOf(file, source))
        if (!writes.includes(intent)) troubles.push(`${file}: what it does on “${intent}” is not entered`);
    }
    const isPage = /export default/.test(source) && /export (async function|const) loader\b/.test(source);
    const leadsOn = ["routes/member.tsx", "routes/household.tsx", "routes/album.tsx"].includes(file);
    if (isPage && !leadsOn && !entry.reads) troubles.push(`${file}: what it shows is not entered`);
  }
  return troubles;
}

import { writeFileSync } from "node:fs";
import path from "node:path";
import { parseArgs } from "node:util";
import { seedDemo } from "../demo/seed.ts";
import { openStore } from "../store/db.ts";
import { migrateStore } from "../store/migrate.ts";
import { dragFrame, measureFit } from "../tests/bench/book.ts";
import { measureBookOut, measureLeafingOut } from "../tests/bench/book-out.ts";
import { measureBulk, measureOpening } from "../tests/bench/bulk.ts";
import { dialRedraw, firstLoadKb } from "../tests/bench/client.ts";
import { measureCutting, measureNumerals } from "../tests/bench/drawer.ts";
import { firstLoads, hands } from "../tests/bench/felt.ts";
import { leafTurn, measureEnds } from "../tests/bench/finish.ts";
import { openLink } from "../tests/bench/link.ts";
import { measureLoad } from "../tests/bench/load.ts";
import { measureMaking } from "../tests/bench/making.ts";
import { measureCalendar, measureForecast, measureTonight } from "../tests/bench/pace.ts";
import { mostQueries, pageRatios, type Visit } from "../tests/bench/pages.ts";
import { measureAlike, measurePropose } from "../tests/bench/proposal.ts";
import { measureReading } from "../tests/bench/reading.ts";
import { measureRecompute } from "../tests/bench/recompute.ts";
import { fillRoll, smoothScroll } from "../tests/bench/roll.ts";
import { measureClasses, measureMonths } from "../tests/bench/sheets.ts";
import { measureDeal, measureDeal365, measureFit300 } from "../tests/bench/words.ts";
import { startPostgres } from "./postgres.ts";
import { startServer } from "./running-server.ts";

/** A figure's bound. Milliseconds are told and not judged: the machine is shared. Everything else must hold. */
type Bound = { readonly at: "least" | "most"; readonly value: number; readonly judged: boolean; readonly what: string };

const BOUNDS: Record<string, Bound> = {
  "page.month.ratio": {
    at: "least",
    value: 0.35,
    judged: true,
    what: "throughput of Month over an empty page of this stack",
  },
  "page.day.ratio": { at: "least", value: 0.35, judged: true, what: "throughput of Day over an empty page" },
  "share.opening.ratio": {
    at: "least",
    value: 0.35,
    judged: true,
    what: "throughput of an opening that a link shows over an empty page",
  },
  "page.queries.max": { at: "most", value: 6, judged: true, what: "database statements of the page that needs most" },
  "js.month.gzip_kb": { at: "most", value: 190, judged: true, what: "gzipped JavaScript of Month's first load, kB" },
  "dial.redraw_ms": { at: "most", value: 8, judged: false, what: "arrow key to dial drawn" },
  "book.fit_ms": { at: "most", value: 4, judged: false, what: "62 leaves, 600 pieces read and fitted" },
  "book.drag_ms": { at: "most", value: 8, judged: false, what: "pointer move to frame drawn, 40 pieces" },
  "sheets.months.never_worse": {
    at: "least",
    value: 1,
    judged: true,
    what: "share of 200 months on no more sheets than the reference packer",
  },
  "sheets.months.proven": { at: "least", value: 0.95, judged: true, what: "share of them proven to need no fewer" },
  "sheets.months.over_bound": {
    at: "most",
    value: 1.005,
    judged: true,
    what: "sheets over the proven bound, in total",
  },
  "sheets.months.median_ms": { at: "most", value: 300, judged: false, what: "a month laid, proven and polished" },
  "sheets.months.worst_ms": { at: "most", value: 3000, judged: false, what: "the longest of them" },
  "sheets.classes.vs_reference": {
    at: "most",
    value: 1,
    judged: true,
    what: "sheets over the reference packer's, classes I–X",
  },
  "photos.read_ratio": {
    at: "least",
    value: 0.77,
    judged: true,
    what: "reading 200 pictures of 12 MP over the bare codec",
  },
  "photos.read_mb": { at: "most", value: 600, judged: true, what: "most memory meanwhile, MB" },
  "photos.roll_smooth": { at: "least", value: 0.9, judged: false, what: "frames in time, scrolling 2,000 pictures" },
  "photos.alike_ms": { at: "most", value: 200, judged: false, what: "near-doubles among 2,000 undated pictures" },
  "photos.propose_ms": { at: "most", value: 300, judged: false, what: "100 prints given of 2,000 pictures" },
  "pace.tonight_ms": { at: "most", value: 30, judged: false, what: "90 minutes planned over 31 pages" },
  "pace.ics_ms": { at: "most", value: 300, judged: false, what: "a calendar of 5,000 events read onto a month" },
  "pace.forecast_ms": { at: "most", value: 150, judged: false, what: "the finish of a whole album, 10,000 runs" },
  "drawer.cutting_never_worse": {
    at: "least",
    value: 1,
    judged: true,
    what: "share of 100 orders that begin no more paper than the reference packer",
  },
  "drawer.cutting_ms": { at: "most", value: 300, judged: false, what: "a cutting plan of up to 20 pieces" },
  "drawer.numerals_ms": { at: "most", value: 20, judged: false, what: "the most days that short digits cover" },
  "words.fit300_ms": {
    at: "most",
    value: 10,
    judged: false,
    what: "a card of 300 words fitted, its largest size found",
  },
  "words.deal_ms": { at: "most", value: 50, judged: false, what: "a month dealt from six decks" },
  "words.deal365_ms": { at: "most", value: 1000, judged: false, what: "a year dealt from ten decks of 365" },
  "felt.lcp_ratio": {
    at: "most",
    value: 1.7,
    judged: true,
    what: "first view of the slowest place over an empty page's, slow machine, thin line",
  },
  "felt.lcp_ms": { at: "most", value: 2200, judged: false, what: "that first view" },
  "felt.tbt_ms": { at: "most", value: 200, judged: false, what: "a hand kept waiting while the worst place begins" },
  "felt.script_files": { at: "most", value: 15, judged: true, what: "script files of the place that needs most" },
  "felt.typing_ms": { at: "most", value: 50, judged: false, what: "a key in a day's prompt to its frame, 4x slower" },
  "felt.typing_longest_ms": { at: "most", value: 100, judged: false, what: "the longest of them" },
  "felt.nudge_ms": { at: "most", value: 50, judged: false, what: "an arrow on a piece to its frame" },
  "felt.nudge_longest_ms": { at: "most", value: 100, judged: false, what: "the longest of them" },
  "felt.card_ms": { at: "most", value: 50, judged: false, what: "a key in a card of 170 words to its frame" },
  "felt.card_longest_ms": { at: "most", value: 100, judged: false, what: "the longest of them" },
  "load.p95_ms": { at: "most", value: 300, judged: false, what: "95 of 100 answers, 100 keepers at two processes" },
  "load.errors": { at: "most", value: 0, judged: true, what: "refused, broken or stale answers among them" },
  "load.rss_growth_mb": { at: "most", value: 100, judged: false, what: "more memory held after five minutes of it" },
  "bulk.recompute_ms": {
    at: "most",
    value: 16,
    judged: false,
    what: "closed book of 62 leaves, 800 pieces, reckoned anew",
  },
  "bulk.split_ms": { at: "most", value: 200, judged: false, what: "where to part that book into two volumes" },
  "bench.fold_ms": {
    at: "most",
    value: 8,
    judged: false,
    what: "a booklet of 3 × 4 panels folded in all its states",
  },
  "bench.drag_ms": { at: "most", value: 16, judged: false, what: "made and drawn anew as a length changes" },
  "finish.leaf_ms": { at: "most", value: 50, judged: false, what: "a key to the next opening of the book drawn" },
  "finish.ends_ms": { at: "most", value: 100, judged: false, what: "loose ends of 62 days and 600 pieces gathered" },
  "finish.pdf_book_ratio": {
    at: "most",
    value: 1.5,
    judged: true,
    what: "a book of 62 pictures over the bare writer's",
  },
  "finish.pdf_book_mb": { at: "most", value: 300, judged: false, what: "more memory held while it is written" },
  "finish.leafing_mb": {
    ...{ at: "most", value: 300, judged: false },
    what: "more memory held while 62 leaves with 1,984 pictures are written as one file to leaf in",
  },
  "seethrough.opening_ms": {
    at: "most",
    value: 8,
    judged: false,
    what: "one opening seen through film, vellum and pockets, and drawn",
  },
  "album.recompute_ms": { at: "most", value: 16, judged: false, what: "31 days, 800 pieces, read anew" },
  "album.recompute_growth": { at: "most", value: 11, judged: true, what: "ten times the album over the album" },
};

const { values } = parseArgs({ options: { json: { type: "string" }, only: { type: "string" } } });
const wants = (...names: string[]) =>
  names.some((name) => name.startsWith(values.only ?? "") || values.only?.startsWith(name));
const root = path.resolve(import.meta.dirname, "..");
const figures: Record<string, number> = {};

if (wants("album.recompute_ms", "album.recompute_growth")) {
  const { ms, growth } = measureRecompute();
  figures["album.recompute_ms"] = ms;
  figures["album.recompute_growth"] = growth;
}

const SHEETS = Object.keys(BOUNDS).filter((name) => name.startsWith("sheets.months"));
if (wants(...SHEETS)) Object.assign(figures, measureMonths());
if (wants("sheets.classes.vs_reference")) figures["sheets.classes.vs_reference"] = measureClasses();
if (wants("photos.read_ratio", "photos.read_mb")) {
  const { ratio, megabytes } = await measureReading(root);
  figures["photos.read_ratio"] = ratio;
  figures["photos.read_mb"] = megabytes;
}
if (wants("photos.alike_ms")) figures["photos.alike_ms"] = measureAlike();
if (wants("photos.propose_ms")) figures["photos.propose_ms"] = measurePropose();
if (wants("book.fit_ms")) figures["book.fit_ms"] = measureFit();
if (wants("pace.tonight_ms")) figures["pace.tonight_ms"] = measureTonight();
if (wants("pace.ics_ms")) figures["pace.ics_ms"] = measureCalendar();
if (wants("pace.forecast_ms")) figures["pace.forecast_ms"] = measureForecast();
if (wants("drawer.cutting_never_worse", "drawer.cutting_ms")) Object.assign(figures, measureCutting());
if (wants("drawer.numerals_ms")) figures["drawer.numerals_ms"] = measureNumerals();
if (wants("bulk.recompute_ms", "bulk.split_ms")) Object.assign(figures, measureBulk());
if (wants("bench.fold_ms", "bench.drag_ms")) Object.assign(figures, measureMaking());
if (wants("finish.pdf_book_ratio", "finish.pdf_book_mb")) {
  const { ratio, megabytes } = await measureBookOut();
  figures["finish.pdf_book_ratio"] = ratio;
  figures["finish.pdf_book_mb"] = megabytes;
}
if (wants("finish.leafing_mb")) figures["finish.leafing_mb"] = await measureLeafingOut();
if (wants("finish.ends_ms")) figures["finish.ends_ms"] = measureEnds();
if (wants("seethrough.opening_ms")) figures["seethrough.opening_ms"] = measureOpening();
if (wants("words.fit300_ms")) figures["words.fit300_ms"] = measureFit300();
if (wants("words.deal_ms")) figures["words.deal_ms"] = measureDeal();
if (wants("words.deal365_ms")) figures["words.deal365_ms"] = measureDeal365();

async function signIn(base: string): Promise<{ visit: Visit; lantern: string }> {
  const entered = await fetch(`${base}/sign-in`, {
    method: "POST",
    redirect: "manual",
    headers: { origin: base, "content-type": "application/x-www-form-urlencoded" },
    body: "intent=demo",
  });
  const cookie = entered.headers.get("set-cookie")?.split(";")[0] ?? "";
  const shelf = await (await fetch(`${base}/shelf`, { headers: { cookie } })).text();
  const lantern = /\/albums\/([0-9a-f-]{36})\/month(?:(?!\/albums\/)[\s\S])*?Lantern Month/.exec(shelf)?.[1];
  if (!lantern) throw new Error("the demo's album is not on the shelf");
  return { visit: { base, cookie }, lantern: `/albums/${lantern}` };
}

if (
  wants(
    "page.month.ratio",
    "page.day.ratio",
    "share.opening.ratio",
    "page.queries.max",
    "js.month.gzip_kb",
    "dial.redraw_ms",
    "book.drag_ms",
    "finish.leaf_ms",
    "photos.roll_smooth",
    "felt.",
  )
) {
  const cluster = process.env.DATABASE_URL ? null : await startPostgres("bench");
  const databaseUrl = process.env.DATABASE_URL ?? cluster?.url ?? "";
  const store = openStore(databaseUrl);
  await migrateStore(store, path.join(root, "store/migrations"));
  await seedDemo(store.db);
  if (wants("photos.roll_smooth")) await fillRoll(store.db);
  const opening = await openLink(store);
  await store.close();
  const server = await startServer(databaseUrl);
  try {
    const { visit, lantern } = await signIn(server.base);
    const [month, day] = [`${lantern}/month`, `${lantern}/days/2026-12-09`];
    const inAlbum = ["finish", "settings", "book", "rhythm", "foundations", "pockets", "measure", "photos"]
      .concat([
        "who-goes-where",
        "sheets",
        "words",
        "prompts",
        "card-sheets",
        "hands",
        "told",
        "plan-table",
        "changes",
        "drawer",
        "numbers",
      ])
      .concat([
        "paper-cutting",
        "goes-with",
        "to-get",
        "used",
        "pace",
        "hours",
        "daylight",
        "bulk",
        "seen-through",
        "bench",
        "what-opens",
        "leaf-through",
        "years",
        "tallies",
        "share",
      ])
      .map((place) => `${lantern}/${place}`);
    const places = [month, day, "/shelf", "/tray", "/household", ...inAlbum, "/today"];
    if (wants("page.queries.max"))
      figures["page.queries.max"] = await mostQueries(visit, [...places, `${lantern}/words?q=lantern`]);
    if (wants("felt.")) {
      const words = await (await fetch(`${visit.base}${lantern}/words`, { headers: { cookie: visit.cookie } })).text();
      const [card] = /\/albums\/[0-9a-f-]{36}\/cards\/[0-9a-f-]{36}/.exec(words) ?? [];
      if (!card) throw new Error("the demo has no card");
      Object.assign(figures, await firstLoads(visit, [...places, card]));
      Object.assign(figures, await hands(visit, day, card));
    }
    if (wants("js.month.gzip_kb"))
      figures["js.month.gzip_kb"] = await firstLoadKb(visit, month, path.join(root, "build/client"));
    if (wants("dial.redraw_ms")) figures["dial.redraw_ms"] = await dialRedraw(visit, month);
    if (wants("book.drag_ms")) figures["book.drag_ms"] = await dragFrame(visit, lantern, `${lantern}/days/2026-12-10`);
    if (wants("finish.leaf_ms")) figures["finish.leaf_ms"] = await leafTurn(visit, `${lantern}/leaf-through`);
    if (wants("photos.roll_smooth")) figures["photos.roll_smooth"] = await smoothScroll(visit, `${lantern}/photos`);
    if (wants("page.month.ratio", "page.day.ratio", "share.opening.ratio")) {
      const pages = { "page.month.ratio": month, "page.day.ratio": day, "share.opening.ratio": opening };
      Object.assign(figures, await pageRatios(visit, "/empty", pages));
    }
  } finally {
    await server.stop();
    await cluster?.stop();
  }
}

// Minutes of it, so only where it is asked for by its name.
if (values.only?.startsWith("load")) {
  const cluster = process.env.DATABASE_URL ? null : await startPostgres("bench-load");
  try {
    Object.assign(figures, await measureLoad(process.env.DATABASE_URL ?? cluster?.url ?? ""));
  } finally {
    await cluster?.stop();
  }
}

const breached: string[] = [];
for (const [name, bound] of Object.entries(BOUNDS)) {
  const figure = figures[name];
  if (figure === undefined) continue;
  const holds = bound.at === "least" ? figure >= bound.value : figure <= bound.value;
  if (!holds && bound.judged) breached.push(name);
  const verdict = holds ? "holds" : bound.judged ? "BREACHED" : "over (told, not judged)";
  process.stdout.write(
    `${name.padEnd(28)} ${figure.toFixed(2).padStart(8)}   at ${bound.at} ${String(bound.value).padEnd(5)} ${verdict.padEnd(9)} ${bound.what}\n`,
  );
}
if (values.json) writeFileSync(values.json, `${JSON.stringify(figures, null, 2)}\n`);
process.exitCode = breached.length > 0 ? 1 : 0;

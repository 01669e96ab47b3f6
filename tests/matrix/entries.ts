import { randomUUID } from "node:crypto";
import { newThing } from "../../core/drawer/thing.ts";
import { USUAL_HOURS } from "../../core/pace/capacity.ts";
import { ALL_OF_IT } from "../../core/photo/preprint.ts";
import { ALL_GOES_OUT } from "../../core/share/going-out.ts";
import { firstChoices } from "../../core/sheet/printer.ts";
import { PASSPHRASE } from "../faults/visitor.ts";
import type { World } from "./world.ts";
import { GANGED } from "./world.ts";

/** One thing written: where, and what is sent. `album` is the address it is tried under, `/albums/id`. */
export type Write = {
  readonly path: (album: string, ids: World) => string;
  readonly send:
    | { readonly json: (ids: World) => object }
    | { readonly form: (ids: World) => Record<string, string> }
    | { readonly file: true }
    | { readonly part: true };
  /** The household's own, whichever of its albums it is said in. */
  readonly ofHousehold?: boolean;
  /** It says of something that it is not to be there: true of another's, and said as such. */
  readonly absent?: boolean;
};
export type Entry = {
  /** What its owner reads there; `album` as above. */
  readonly reads?: (album: string, ids: World) => readonly string[];
  /** By its intent. */
  readonly writes?: Readonly<Record<string, Write>>;
  /** Why no household stands behind it. */
  readonly anybody?: string;
};

const SIZE = { w: 32_512, h: 24_384 };
const CROP = { keep: null, slide: { x: 0, y: 0 }, closer: 100, border: 0 };
const HAND = { name: "New", em: 1600, line: 2400 };
const SET = { name: "New", high: 9, usual: 9, narrow: 5, broad: 12, between: 1, space: 4 };
const MAKE = { kind: "paper", layout: null, size: null, basePaper: "", insert: null, note: "", oldHoles: null };
const NOBODY = { kind: "nobody" };

const ofAlbum = (json: (ids: World) => object): Write => ({ path: (album) => `${album}/sent`, send: { json } });
const edit = (change: (ids: World) => object): Write =>
  ofAlbum((ids) => ({ what: "edit", dayId: ids.day, base: null, edit: change(ids) }));
const book = (change: (ids: World) => object): Write =>
  ofAlbum((ids) => ({ what: "book", seen: null, edit: change(ids) }));
const at = (place: string) => (album: string) => `${album}/${place}.data`;
const form = (place: string, fields: (ids: World) => Record<string, string>, ofHousehold = false): Write => ({
  path: at(place),
  send: { form: fields },
  ofHousehold,
});
const json = (place: string, body: (ids: World) => object, ofHousehold = false): Write => ({
  path: at(place),
  send: { json: body },
  ofHousehold,
});
/** On the page of the household. */
const ours = (intent: string, fields: (ids: World) => Record<string, string> = () => ({})): Write => ({
  path: () => "/household.data",
  send: { form: (ids) => ({ intent, ...fields(ids) }) },
  ofHousehold: true,
});
const tray = (intent: string, id: (ids: World) => string): Write => ({
  path: () => "/tray.data",
  send: { form: (ids) => ({ intent, id: id(ids) }) },
  ofHousehold: true,
});
const mark = (change: object, id: (ids: World) => string = (ids) => ids.loose): Write => ({
  ...ofAlbum((ids) => ({ what: "mark", ids: [id(ids)], mark: change })),
  ofHousehold: true,
});

const counted = (how: string, said: (ids: World) => object): Write =>
  ofAlbum((ids) => ({ what: "tally", how, ...said(ids) }));
const onPaper = (how: string, said: (ids: World) => object): Write =>
  ofAlbum((ids) => ({ what: "print", how, on: true, ...said(ids) }));

const EDITS: Readonly<Record<string, (ids: World) => object>> = {
  title: () => ({ text: "T" }),
  note: () => ({ text: "N" }),
  prompt: () => ({ text: "P", slip: null }),
  technique: () => ({ text: "Q", slip: null }),
  waive: () => ({ part: "words", on: true }),
  numeral: () => ({ style: "wood", note: "" }),
  "let-go": () => ({}),
  "add-card": () => ({ card: { id: randomUUID(), size: SIZE, text: "C" } }),
  "card-back": ({ card }) => ({ id: card, text: "B" }),
  "card-setting": ({ card }) => ({ id: card, setting: null }),
  "card-preprint": ({ card, loose }) => ({ id: card, preprint: { photoId: loose, corners: ALL_OF_IT } }),
  "card-secrecy": ({ card }) => ({ id: card, hidden: "", privateUntil: "2030-01-01" }),
  "carry-over": ({ card }) => ({ id: card, kept: "K", rest: "R", to: "back" }),
  "add-jotting": () => ({ jotting: { id: randomUUID(), text: "J", at: "2026-12-01T19:00" } }),
  "jotting-text": ({ jotting }) => ({ id: jotting, text: "J" }),
  "jotting-private": ({ jotting }) => ({ id: jotting, privateUntil: "2030-01-01" }),
  "remove-jotting": ({ jotting }) => ({ id: jotting }),
  "card-text": ({ card }) => ({ id: card, text: "C" }),
  "card-size": ({ card }) => ({ id: card, size: SIZE }),
  "remove-card": ({ card }) => ({ id: card }),
  "photo-alt": ({ use }) => ({ id: use, alt: "A" }),
  "photo-print": ({ use }) => ({ id: use, print: SIZE }),
  "photo-crop": ({ use }) => ({ id: use, crop: CROP }),
  "photo-repeat": ({ use }) => ({ id: use, repeat: SIZE }),
  "photo-together": ({ use, photo, loose }) => ({
    ...{ id: use, along: "rows", counts: [2], gap: 0 },
    pictures: [photo, loose].map((photoId) => ({ photoId, crop: CROP })),
  }),
  "photo-together-crop": ({ shared, inShared }) => ({ id: shared, photoId: inShared, crop: CROP }),
  "photo-on-it": ({ use }) => ({ id: use, onIt: [] }),
  "photo-private": ({ use }) => ({ id: use, privateUntil: "2030-01-01" }),
  "leave-alone": () => ({ slip: "twice: be merry", on: true }),
  "day-private": () => ({ privateUntil: "2030-01-01" }),
  "remove-photo": ({ use }) => ({ id: use }),
  dries: () => ({ until: "2030-01-01" }),
  "every-year": () => ({ on: true }),
  "next-year": () => ({ text: "Leave at four" }),
  step: () => ({ step: "write", done: true }),
  finish: () => ({}),
};
const RULED = { on: "2026-12-09", measured: 9000, reckoned: 10_000 };
const BOOK: Readonly<Record<string, (ids: World) => object>> = {
  arrange: ({ leaf }) => ({ leaf, face: "front", pieces: [] }),
  "arrange-many": ({ leaf }) => ({ sides: [{ leaf, face: "front", pieces: [] }] }),
  "add-leaf": ({ leaf }) => ({ id: randomUUID(), make: MAKE, after: leaf, front: NOBODY, back: NOBODY }),
  "give-leaf": ({ day }) => ({ id: randomUUID(), make: MAKE, dayId: day }),
  "copy-leaf": ({ leaf }) => ({ leaf, id: randomUUID(), front: [], back: [] }),
  "move-leaf": ({ leaf, otherLeaf }) => ({ leaf, after: otherLeaf }),
  "turn-leaf": ({ leaf }) => ({ leaf }),
  "free-leaf": ({ leaf }) => ({ leaf }),
  "remove-leaf": ({ leaf }) => ({ leaf }),
  "glue-leaf": ({ sewn, nextSewn }) => ({ leaf: sewn, next: nextSewn, glued: true }),
  "share-side": ({ leaf, day }) => ({ leaf, face: "front", dayId: day, shares: true }),
  "own-side": ({ leaf, day }) => ({ leaf, face: "front", owner: { kind: "day", dayId: day } }),
  make: ({ leaf }) => ({ leaf, make: { ...MAKE, kind: "vellum" } }),
  "tick-making": ({ leaf }) => ({ leaf, face: "front", piece: "a", nth: 0, done: true }),
  tick: ({ leaf }) => ({ leaf, face: "front", guest: null, step: "assemble", done: true }),
  lie: ({ leaf }) => ({ leaf, drop: 100, liftsOff: true }),
  part: ({ leaf }) => ({ leaf, opens: true }),
  "say-line": ({ leaf }) => ({ leaf, face: "front", line: "Snow at last" }),
  "leave-seen": ({ leaf }) => ({ leaf, slip: "back numeral", on: true }),
};
const named = (
  prefix: string,
  all: Readonly<Record<string, (ids: World) => object>>,
  wrap: (body: (ids: World) => object) => Write,
) =>
  Object.fromEntries(
    Object.entries(all).map(([kind, body]) => [`${prefix}:${kind}`, wrap((ids) => ({ kind, ...body(ids) }))]),
  );
const month = (how: string, rest: object = {}) => ofAlbum(({ day }) => ({ what: "month", how, dayId: day, ...rest }));
const matter = (how: string, body: (ids: World) => object) => ofAlbum((ids) => ({ what: "matter", how, ...body(ids) }));
const tryOut = (how: string, body: (ids: World) => object) =>
  ofAlbum((ids) => ({ what: "try-out", how, ...body(ids) }));
const sheets = (act: string, body: (ids: World) => object, ofHousehold = false) =>
  json("sheets", (ids) => ({ act, ...body(ids) }), ofHousehold);
const PLAN = { title: "New", start: "2026-12-01", end: "2026-12-05", numbering: "date", unit: "inch" };
const MEASURES = {
  nominalW: "6",
  nominalH: "8",
  openingW: "6 1/8",
  openingH: "8 1/8",
  outerW: "7",
  bareW: "7",
  bareH: "8 1/4",
  outerH: "8 1/4",
  coverW: "7 1/4",
  coverH: "8 1/2",
  margin: "7/8",
  holeInset: "1/2",
  holeDiameter: "1/4",
  holePositions: "1; 4",
  formatName: "Measured",
  binding: "ring",
  bindingEdge: "left",
  capacity: "50",
};
const page = (place: string): Entry => ({ reads: (album) => [`${album}/${place}`] });

/** What a household keeps to use again, by its kind and its name in a world. */
const OWN = [
  ["deck", "deck"],
  ["hand", "hand"],
  ["stamp-set", "set"],
  ["layout", "layout"],
  ["template", "template"],
  ["making", "making"],
  ["format", "format"],
] as const;

/** Every route with an address, by its file: what may be read and written there. A route that is missing fails the check. */
const FLIP_UP_KEPT = { kind: "flip-up", paper: "cardstock-80", lengths: { width: 24_384 }, counts: {}, own: [] };
/** A flip-up as the address of its templates has it. */
const FLIP_UP = "paper=cardstock-80&sizes=width:24384,height:32512,edge:1,wing:3048,tab:0";

export const ENTRIES: Readonly<Record<string, Entry>> = {
  "routes/home.tsx": { anybody: "leads to the shelf or to the door" },
  "routes/sign-in.tsx": { anybody: "the door" },
  "routes/sign-up.tsx": { anybody: "the door" },
  "routes/invited.tsx": { anybody: "whoever has the secret of its address; nobody else finds anything there" },
  "routes/sign-out.ts": { anybody: "ends the sender's own session" },
  "routes/look.ts": { anybody: "a cookie of the device" },
  "routes/feed.ts": { anybody: "whoever has the secret of its address; nobody else finds anything there" },
  "routes/not-found.tsx": { anybody: "nothing is there" },
  "routes/empty.tsx": { reads: () => ["/empty"] },
  "routes/household.tsx": {},
  "routes/shelf.tsx": { reads: () => ["/shelf"] },
  "routes/album-read.tsx": { reads: () => ["/albums/read"] },
  "routes/album-new.tsx": {
    reads: () => ["/albums/new"],
    writes: {
      new: {
        path: () => "/albums/new.data",
        send: { form: ({ format }) => ({ ...PLAN, book: format }) },
        ofHousehold: true,
      },
      "begun from another": {
        path: () => "/albums/new.data",
        send: { form: ({ album }) => ({ ...PLAN, book: album, from: album }) },
        ofHousehold: true,
      },
    },
  },
  "routes/our-household.tsx": {
    reads: () => ["/household"],
    writes: {
      end: ours("end", ({ session }) => ({ id: session })),
      "end-others": ours("end-others"),
      passphrase: ours("passphrase", () => ({ now: PASSPHRASE, next: "four other plain words" })),
      role: ours("role", ({ person }) => ({ id: person, role: "looker" })),
      "let-go": ours("let-go", ({ person }) => ({ id: person })),
      // Refused to a household's only keeper.
      leave: ours("leave"),
      invite: ours("invite", () => ({ name: "Ilo", role: "helper" })),
      withdraw: { ...ours("withdraw", ({ invitation }) => ({ id: invitation })), absent: true },
      go: ours("go", () => ({ now: "four other plain words" })),
      stay: ours("stay"),
    },
  },
  "routes/tray.tsx": {
    reads: () => ["/tray"],
    writes: {
      empty: { path: () => "/tray.data", send: { form: () => ({ intent: "empty" }) }, ofHousehold: true },
      album: tray("album", ({ trayAlbum }) => trayAlbum),
      leaf: tray("leaf", ({ trayLeaf }) => trayLeaf),
      "try-out": tray("try-out", ({ trayTryOut }) => trayTryOut),
      "a piece": tray("card", ({ trayCard }) => trayCard),
      "a thing of the household": tray("deck", ({ trayDeck }) => trayDeck),
    },
  },
  "routes/member.tsx": {},
  "routes/album.tsx": {},
  "routes/album.sent.ts": {
    writes: {
      ...named("edit", EDITS, edit),
      ...named("book", BOOK, book),
      "book:remove-leaf": { ...book(({ leaf }) => ({ kind: "remove-leaf", leaf })), absent: true },
      "month:skip": month("skip", { on: true }),
      "month:merge": month("merge", { side: "after" }),
      // Refused on a day that is alone, by its owner too.
      "month:split": month("split"),
      "month:move": month("move", { to: "2026-12-03" }),
      "matter:add": matter("add", () => ({ id: randomUUID(), matter: "closing" })),
      "matter:date": matter("date", (ids) => ({ id: ids.matter, date: "2026-11-29" })),
      "matter:month": matter("month", (ids) => ({ id: ids.matter, month: { kind: "titles", weekStart: 7 } })),
      "matter:remove": matter("remove", (ids) => ({ id: ids.matter })),
      "try-out:add": tryOut("add", ({ leaf }) => ({ id: randomUUID(), leafId: leaf, face: "back", pieces: [] })),
      "try-out:arrange": tryOut("arrange", (ids) => ({ id: ids.tryOut, base: null, pieces: [] })),
      "try-out:drop": tryOut("drop", (ids) => ({ id: ids.tryOut })),
      "try-out:keep": tryOut("keep", (ids) => ({ id: ids.tryOut, leafId: ids.leaf, face: "front" })),
      bring: ofAlbum(({ day, loose }) => ({
        ...{ what: "bring", dayId: day, jotting: { id: randomUUID(), text: "J", at: "2026-12-01T19:00" } },
        pictures: [{ useId: randomUUID(), photoId: loose }],
      })),
      decline: ofAlbum(() => ({ what: "decline", offer: "one-printing" })),
      choices: {
        ...ofAlbum(({ printer }) => ({ what: "choices", printer, choices: firstChoices("inch"), unit: "inch" })),
        ofHousehold: true,
      },
      "another-picture": ofAlbum(({ day, use, loose }) => ({
        ...{ what: "another-picture", dayId: day, useId: use, photoId: loose },
      })),
      "move-photo": ofAlbum(({ day, use }) => ({ what: "move-photo", dayId: day, useId: use, to: "2026-12-02" })),
      "move-jotting": ofAlbum(({ day, jotting }) => ({
        what: "move-jotting",
        dayId: day,
        id: jotting,
        to: "2026-12-02",
      })),
      "tally:add": counted("add", () => ({ id: randomUUID(), name: "Songs" })),
      "tally:name": counted("name", ({ tally }) => ({ id: tally, name: "Films" })),
      "tally:mark": counted("mark", ({ tally }) => ({
        ...{ id: tally, mark: { id: randomUUID(), date: "2026-12-02", text: "One" } },
      })),
      "tally:mark-text": counted("mark-text", ({ tallyMark }) => ({ id: tallyMark, text: "Two" })),
      "tally:unmark": { ...counted("unmark", ({ tallyMark }) => ({ id: tallyMark })), absent: true },
      "tally:remove": { ...counted("remove", ({ tally }) => ({ id: tally })), absent: true },
      "print:printed": onPaper("printed", ({ sheet }) => ({ sheets: [sheet] })),
      "print:all-cut": onPaper("all-cut", ({ sheet }) => ({ sheet })),
      "print:cut": onPaper("cut", ({ sheet }) => ({ sheet, cut: 0 })),
      "print:spoiled": onPaper("spoiled", ({ print }) => ({ print })),
      "print:elsewhere": onPaper("elsewhere", ({ use }) => ({ of: "photos", ids: [use] })),
      "print:arrived": onPaper("arrived", ({ order }) => ({ order })),
      "print:cut-out": onPaper("cut-out", ({ order }) => ({ order })),
      "mark:star": mark({ kind: "star", on: true }),
      "mark:set-aside": mark({ kind: "set-aside", on: true }),
      "mark:banked": mark({ kind: "banked", on: true }),
      "mark:faces": mark({ kind: "faces", faces: [{ x: 4000, y: 3000, w: 1000, h: 1200 }] }),
      "mark:person": mark({ kind: "person", name: "Ilo", on: true }),
      "mark:nobody": mark({ kind: "nobody", on: true }),
      end: ofAlbum(({ day }) => ({ what: "end", kind: "note", entry: day, of: ["811c9dc5"], as: "left" })),
      "mark:away": mark({ kind: "away" }),
      "mark:date": mark({ kind: "date", date: "2026-12-02" }),
      "mark:look": mark({ kind: "look", look: { blackAndWhite: true, straighten: 0, light: 0, contrast: 0 } }),
    },
  },
  "routes/album-index.ts": {},
  "routes/place.tsx": {},
  "routes/album.latest-pictures.ts": { reads: (album) => [`${album}/latest-pictures`] },
  "routes/album.stock.ts": { reads: (album) => [`${album}/stock`] },
  "routes/album.tones.ts": { reads: (album) => [`${album}/tones`] },
  "routes/album.free-pictures.ts": { reads: (album) => [`${album}/free-pictures/2026-12-01`] },
  "routes/album.find.ts": { reads: (album) => [`${album}/find?q=light`] },
  "routes/album.month.tsx": {
    ...page("month"),
    writes: { leave: form("month", () => ({ intent: "leave", step: "prompts" })) },
  },
  "routes/album.plan-table.tsx": {
    ...page("plan-table"),
    writes: {
      take: form("plan-table", ({ secondDay }) => ({
        changes: JSON.stringify([{ dayId: secondDay, field: "note", was: "", becomes: "From a table" }]),
      })),
    },
  },
  "routes/album.told.tsx": {
    ...page("told"),
    writes: { told: form("told", ({ day }) => ({ change: JSON.stringify({ tell: [], skip: [day] }) })) },
  },
  "routes/album.pace.tsx": {
    ...page("pace"),
    writes: {
      begin: form("pace", () => ({ intent: "begin" })),
      end: form("pace", () => ({ intent: "end" }), true),
      drop: form("pace", () => ({ intent: "drop" }), true),
      "feed-open": form("pace", () => ({ intent: "feed-open" })),
      "feed-close": form("pace", () => ({ intent: "feed-close" }), true),
    },
  },
  "routes/album.hours.tsx": {
    ...page("hours"),
    writes: {
      hours: form("hours", () => ({ intent: "hours", version: "0", hours: JSON.stringify(USUAL_HOURS) }), true),
      minutes: form("hours", () => ({ intent: "minutes", version: "1", minutes: JSON.stringify({ write: 9 }) }), true),
      forget: form("hours", () => ({ intent: "forget" }), true),
    },
  },
  "routes/album.known.tsx": {
    ...page("known"),
    writes: {
      own: form("known", () => ({ intent: "own", id: randomUUID(), title: "A visit", date: "2026-12-02" })),
      ...Object.fromEntries(
        ["on-page", "off-page", "note", "prompt", "full", "free", "drop"].map((intent) => [
          intent,
          form("known", () => ({ intent, key: "visit", date: "2026-12-02" })),
        ]),
      ),
    },
  },
  "routes/album.daylight.tsx": {
    ...page("daylight"),
    writes: {
      place: form("daylight", () => ({ intent: "place", latitude: "54.6", longitude: "-1.2" }), true),
      nowhere: form("daylight", () => ({ intent: "nowhere" }), true),
    },
  },
  "routes/album.day.tsx": page("days/2026-12-01"),
  "routes/album.page.tsx": {
    reads: (album, { matter: entry }) => [`${album}/pages/${entry}`],
  },
  "routes/album.photos.tsx": page("photos"),
  "routes/album.who-goes-where.tsx": {
    ...page("who-goes-where"),
    writes: {
      rule: form("who-goes-where", () => ({ intent: "rule", rule: "any" })),
      picks: form("who-goes-where", ({ loose }) => ({
        picks: JSON.stringify([{ wanted: "none", photo: loose, turned: false }]),
      })),
    },
  },
  "routes/album.crop.tsx": { reads: (album, { use }) => [`${album}/crops/${use}`] },
  "routes/album.sheets.tsx": {
    ...page("sheets"),
    writes: {
      make: sheets("make", ({ use }) => ({ sheets: [GANGED(use)] })),
      drop: sheets("drop", ({ sheet }) => ({ sheet })),
      printer: sheets(
        "printer",
        ({ printer: id }) => ({
          ...{ id, name: "Second", margin: 800, across: 48_768, along: 48_768, bar: 48_768, borderless: null },
        }),
        true,
      ),
      "drop-printer": sheets("drop-printer", ({ printer }) => ({ printer }), true),
      order: sheets("order", ({ use }) => ({ uses: [use] })),
      "drop-order": sheets("drop-order", ({ order }) => ({ order })),
    },
  },
  "routes/album.cutting.tsx": { reads: (album, { sheet }) => [`${album}/sheets/${sheet}`] },
  "routes/album.words.tsx": {
    ...page("words"),
    writes: { people: form("words", () => ({ people: "Isolde, Quill" }), true) },
  },
  "routes/album.card.tsx": { reads: (album, { card }) => [`${album}/cards/${card}`] },
  "routes/album.prompts.tsx": {
    ...page("prompts"),
    writes: {
      "hand-out": json("prompts", ({ day, deck }) => ({
        act: "hand-out",
        jar: "prompt",
        handed: [{ dayId: day, slip: `${deck}/none`, saw: "" }],
      })),
    },
  },
  "routes/album.card-sheets.tsx": {
    ...page("card-sheets"),
    writes: { make: json("card-sheets", ({ card }) => ({ sheets: [GANGED(card)] })) },
  },
  "routes/album.hands.tsx": {
    ...page("hands"),
    writes: {
      "keep-hand": json("hands", () => ({ act: "keep-hand", hand: HAND }), true),
      "keep-set": json("hands", () => ({ act: "keep-set", set: SET }), true),
    },
  },
  "routes/album.drawer.tsx": {
    ...page("drawer"),
    writes: {
      keep: json(
        "drawer",
        ({ thing }) => ({ act: "keep", id: thing, thing: newThing("Another name", "numbers") }),
        true,
      ),
      count: json("drawer", ({ thing }) => ({ act: "count", id: thing, by: 1 }), true),
      "put-on": json(
        "drawer",
        ({ paper, day }) => ({
          act: "put-on",
          id: paper,
          day,
          as: "photo-mat",
          piece: "00000000-0000-4000-8000-00000000d0d0",
        }),
        true,
      ),
      picture: json("drawer", ({ thing, photo }) => ({ act: "picture", id: thing, photo }), true),
      drop: json("drawer", ({ thing }) => ({ act: "drop", id: thing }), true),
      list: json("drawer", () => ({ act: "list", text: "Linen Stars 12 x 12, 6" }), true),
    },
  },
  "routes/album.numbers.tsx": page("numbers"),
  "routes/album.to-get.tsx": page("to-get"),
  "routes/album.goes-with.tsx": page("goes-with"),
  "routes/album.used.tsx": page("used"),
  "routes/album.paper-cutting.tsx": {
    ...page("paper-cutting"),
    writes: { cut: json("paper-cutting", ({ paper }) => ({ thing: paper, cut: [], rests: [] }), true) },
  },
  "routes/album.book.tsx": page("book"),
  "routes/album.seen-through.tsx": page("seen-through"),
  "routes/album.bench.tsx": page("bench"),
  "routes/album.making.tsx": {
    ...page("bench/tabbed-pocket"),
    writes: {
      keep: json("bench/flip-up", () => ({ act: "keep", ...FLIP_UP_KEPT, name: "Another" }), true),
    },
  },
  "routes/album.bulk.tsx": {
    ...page("bulk"),
    writes: {
      measured: json("bulk", () => ({ act: "measured", mark: RULED }), true),
      forget: json("bulk", () => ({ act: "forget", mark: RULED }), true),
    },
  },
  "routes/album.rhythm.tsx": page("rhythm"),
  "routes/album.what-opens.tsx": page("what-opens"),
  "routes/album.leaf-through.tsx": page("leaf-through"),
  "routes/album.share.tsx": {
    ...page("share"),
    writes: {
      add: form("share", () => ({ intent: "add", id: randomUUID(), name: "Bram" })),
      name: form("share", ({ share }) => ({ intent: "name", id: share, name: "Odette" })),
      ends: form("share", ({ share }) => ({ intent: "ends", id: share, date: "2027-01-06" })),
      choose: form("share", ({ share }) => ({ intent: "choose", id: share, goes: JSON.stringify(ALL_GOES_OUT) })),
      open: form("share", ({ share }) => ({ intent: "open", id: share })),
      close: form("share", ({ share }) => ({ intent: "close", id: share })),
      remove: { ...form("share", ({ share }) => ({ intent: "remove", id: share })), absent: true },
    },
  },
  "routes/album.shown.ts": { reads: (album) => [`${album}/shown`] },
  "routes/album.shown-picture.ts": {},
  "routes/album.shared.ts": { reads: (album, { share }) => [`${album}/shared/${share}`] },
  "routes/album.shared-picture.ts": {},
  "routes/shared.ts": { anybody: "whoever has the secret in its address, as tests/faults/shared.test.ts tries" },
  "routes/shared-picture.ts": { anybody: "as routes/shared.ts" },
  "routes/letters.ts": { anybody: "font files, the same for all" },
  "routes/album.tallies.tsx": page("tallies"),
  "routes/album.years.tsx": {
    ...page("years"),
    writes: { "next-album": form("years", () => ({ was: "", text: "Paper sooner" })) },
  },
  "routes/album.foundations.tsx": {
    ...page("foundations"),
    writes: {
      keep: {
        path: (album, { leaf }) => `${album}/foundations.data?keep=${leaf}.front`,
        send: { form: () => ({ intent: "keep", name: "Kept" }) },
      },
      set: form(
        "foundations",
        (ids) => ({
          intent: "set",
          pattern: JSON.stringify({
            cycle: [],
            without: [],
            rules: [{ when: "dates", dates: ["2026-12-04"], template: ids.template }],
          }),
        }),
        true,
      ),
    },
  },
  "routes/album.pockets.tsx": {
    ...page("pockets"),
    writes: {
      save: form(
        "pockets",
        () => ({
          intent: "save",
          name: "New",
          layout: JSON.stringify({ page: { w: 48_768, h: 65_024 }, margin: 0, root: { kind: "pocket" } }),
        }),
        true,
      ),
    },
  },
  "routes/album.measure.tsx": {
    ...page("measure"),
    writes: {
      keep: form("measure", () => ({ ...MEASURES, intent: "keep" }), true),
      save: form("measure", () => ({ ...MEASURES, intent: "save-anyway", version: "1" })),
    },
  },
  "routes/album.try-outs.tsx": { reads: (album, { leaf }) => [`${album}/leaves/${leaf}/front`] },
  "routes/album.finish.tsx": page("finish"),
  "routes/album.settings.tsx": {
    ...page("settings"),
    writes: {
      "put-away": form("settings", () => ({ intent: "put-away" })),
      "time-zone": form("settings", () => ({ intent: "time-zone", timeZone: "Europe/Lisbon" }), true),
      settings: form("settings", () => ({ ...PLAN, version: "1" })),
    },
  },
  "routes/album.craft.tsx": page("craft"),
  "routes/album.changes.tsx": {
    ...page("changes"),
    writes: {
      back: form("changes", () => ({ way: "back" })),
      again: form("changes", () => ({ way: "again" })),
      "back by name": form("changes", ({ line }) => ({ way: "back", line })),
    },
  },
  "routes/album.library.ts": {
    writes: Object.fromEntries(
      OWN.flatMap(([kind, id]) =>
        (["rename", "put-away"] as const).map((act) => [
          `${act} ${kind}`,
          form("library", (ids) => ({ act, kind, id: ids[id], name: "Another name" }), true),
        ]),
      ),
    ),
  },
  "routes/album.document.ts": {
    reads: (album, { leaf, order, deck, card, hand, construction }) => [
      `${album}/documents/leaf/${leaf}.front.pdf`,
      `${album}/documents/leaf/${leaf}.back.svg`,
      `${album}/documents/opening/${leaf}.front.pdf`,
      `${album}/documents/punch-guide/guide.pdf`,
      `${album}/documents/openers/card.pdf`,
      `${album}/documents/book/openings.letter.others.pdf`,
      `${album}/documents/making/flip-up.pdf?${FLIP_UP}`,
      `${album}/documents/cut-file/flip-up.svg?${FLIP_UP}`,
      `${album}/documents/makings/chosen.pdf?pieces=${construction}&sheet=1`,
      `${album}/documents/cut-file/chosen.svg?pieces=${construction}`,
      `${album}/documents/scale-test/page.pdf`,
      `${album}/documents/print-sheets/1.pdf`,
      `${album}/documents/carriers/carrier.pdf?paper=letter&cards=${card}`,
      `${album}/documents/day-plan/plan.csv`,
      `${album}/documents/words/others.txt`,
      `${album}/documents/words/self.html`,
      `${album}/documents/calendar/days.ics`,
      `${album}/documents/calendar/evenings.ics`,
      `${album}/documents/lab-order/${order}.zip`,
      `${album}/documents/deck/${deck}.csv`,
      `${album}/documents/drawer/drawer.csv`,
      `${album}/documents/drawer/to-get.csv`,
      `${album}/documents/drawer/drawer.zip`,
      `${album}/documents/library/hand.${hand}.json`,
    ],
  },
  "routes/work.ts": {
    writes: {
      "read-archive": {
        path: () => "/work",
        send: { json: () => ({ kind: "read-archive", id: randomUUID(), copy: false, bytes: 9 }) },
        ofHousehold: true,
      },
      "write-document": {
        path: () => "/work",
        send: {
          json: ({ album }) => ({
            kind: "write-document",
            id: randomUUID(),
            albumId: album,
            document: { kind: "print-sheets", which: 1 },
          }),
        },
        ofHousehold: true,
      },
      "write-household": {
        path: () => "/work",
        send: { json: () => ({ kind: "write-household", id: randomUUID() }) },
        ofHousehold: true,
      },
      "write-archive": {
        path: () => "/work",
        send: { json: ({ album }) => ({ kind: "write-archive", id: randomUUID(), albumId: album, forWhom: "self" }) },
        ofHousehold: true,
      },
    },
  },
  "routes/work.one.ts": {
    reads: (_, { work }) => [`/work/${work}`],
    writes: {
      begin: { path: (_, { work }) => `/work/${work}`, send: { json: () => ({ act: "begin" }) }, ofHousehold: true },
      cancel: { path: (_, { work }) => `/work/${work}`, send: { json: () => ({ act: "cancel" }) }, ofHousehold: true },
      "read-as-copy": {
        path: (_, { work }) => `/work/${work}`,
        send: { json: () => ({ act: "read-as-copy" }) },
        ofHousehold: true,
      },
    },
  },
  "routes/work.part.ts": {
    writes: { part: { path: (_, { work }) => `/work/${work}/parts/0`, send: { part: true }, ofHousehold: true } },
  },
  "routes/today.tsx": {
    reads: () => ["/today"],
    writes: {
      jot: {
        path: (album) => `/today.data?album=${album.split("/").pop()}`,
        send: { form: () => ({ jotting: "Seen from the slip", day: "2026-12-01", page: randomUUID() }) },
      },
    },
  },
  "routes/photos.ts": {
    writes: {
      picture: { path: () => "/photos", send: { file: true }, ofHousehold: true },
      known: { path: () => "/photos", send: { json: () => ({ hashes: [] }) }, ofHousehold: true },
    },
  },
  "routes/photo-straight.ts": {
    reads: (_, { photo }) => [`/photos/${photo}/straight/0-0_10000-0_10000-10000_0-10000_133`],
  },
  "routes/photo.ts": { reads: (_, { photo }) => [`/photos/${photo}/480`] },
  "routes/phone.ts": { reads: () => ["/stand-ins/phone"] },
  "routes/phone-picture.ts": { reads: () => ["/stand-ins/phone/0"] },
};

/** Addresses that the server answers beside the app's routes. */
export const BESIDE_ROUTES: Entry = { reads: (_, { written }) => [`/work/${written}/file`] };

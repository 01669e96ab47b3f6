/**
 * The one table of places: the routes, the rail, the tabs, the bar of the phone, the keys and what `/` finds come from it.
 * A new part of a place is one line here and one route file; a new place is one entry.
 */
export type PlaceGroup = "Plan" | "Make" | "Keep";

/** What one address of a place shows. `path` is after the album's own address. */
type Part = {
  readonly path: string;
  readonly file: string;
  /** Its name among the tabs of its place, for parts that can be gone to without saying of what. */
  readonly tab?: string;
  /** Other words by which `/` finds it: what is set or done there. */
  readonly holds?: string;
  /** What is done there is a keeper's; others look. `leafed`: they turn and choose what they look at, which stays open to them. */
  readonly keepers?: true | "leafed";
};

type Place = {
  readonly id: string;
  readonly group: PlaceGroup;
  readonly name: string;
  /** Leads to it from anywhere in the album. */
  readonly key: string;
  /** Whether the bar of the phone has it; the others are behind More. */
  readonly onPhoneBar: boolean;
  readonly parts: readonly Part[];
};

export const PLACES = [
  {
    id: "month",
    group: "Plan",
    name: "Month",
    key: "1",
    onPhoneBar: true,
    parts: [
      {
        path: "month",
        file: "routes/album.month.tsx",
        tab: "Month",
        holds: "the dial, a list of days, tonight",
      },
      {
        path: "told",
        keepers: true,
        file: "routes/album.told.tsx",
        tab: "Which days are told",
        holds: "skip several days, tell fewer stories",
      },
      {
        path: "plan-table",
        keepers: true,
        file: "routes/album.plan-table.tsx",
        tab: "As a table",
        holds: "plan as a table, spreadsheet, CSV out and back in",
      },
    ],
  },
  {
    id: "pace",
    group: "Plan",
    name: "Pace",
    key: "8",
    onPhoneBar: false,
    parts: [
      {
        path: "pace",
        file: "routes/album.pace.tsx",
        tab: "When it is done",
        holds: "finish, forecast, before day 1, tonight, timer",
      },
      {
        path: "hours",
        file: "routes/album.hours.tsx",
        tab: "Hours",
        holds: "minutes for each weekday, full evenings, journeys, away from home, minutes of your own",
      },
      {
        path: "daylight",
        keepers: true,
        file: "routes/album.daylight.tsx",
        tab: "Daylight",
        holds: "sunrise, sunset, twilight, dark days, place on the globe",
      },
      {
        path: "known",
        keepers: true,
        file: "routes/album.known.tsx",
        tab: "Known ahead",
        holds: "read a calendar file, events, feasts, visits, the month calendar page",
      },
    ],
  },
  {
    id: "day",
    group: "Make",
    name: "Day",
    key: "2",
    onPhoneBar: true,
    parts: [
      { path: "days/:date", file: "routes/album.day.tsx" },
      { path: "pages/:entry", file: "routes/album.page.tsx" },
    ],
  },
  {
    id: "photos",
    group: "Make",
    name: "Photos",
    key: "3",
    onPhoneBar: true,
    parts: [
      { path: "photos", file: "routes/album.photos.tsx", tab: "Roll", holds: "add pictures, stars, banked, set aside" },
      {
        path: "who-goes-where",
        file: "routes/album.who-goes-where.tsx",
        tab: "Who goes where",
        holds: "pictures for prints that wait, which pictures a day may have",
      },
      { path: "crops/:use", file: "routes/album.crop.tsx" },
      {
        path: "sheets",
        file: "routes/album.sheets.tsx",
        tab: "Print sheets",
        holds: "print, paper size, printer correction, lab order",
      },
      { path: "sheets/:sheet", file: "routes/album.cutting.tsx" },
    ],
  },
  {
    id: "words",
    group: "Make",
    name: "Words",
    key: "4",
    onPhoneBar: false,
    parts: [
      { path: "words", file: "routes/album.words.tsx", tab: "Words", holds: "jottings, mistakes, names of people" },
      { path: "cards/:card", file: "routes/album.card.tsx" },
      {
        path: "prompts",
        keepers: true,
        file: "routes/album.prompts.tsx",
        tab: "Prompts",
        holds: "decks, deal, shuffle",
      },
      {
        path: "tallies",
        file: "routes/album.tallies.tsx",
        tab: "Tallies",
        holds: "count songs, films, visitors over the month, a list card",
      },
      {
        path: "card-sheets",
        keepers: true,
        file: "routes/album.card-sheets.tsx",
        tab: "Print cards",
        holds: "carrier sheet",
      },
      {
        path: "hands",
        keepers: true,
        file: "routes/album.hands.tsx",
        tab: "Hands and stamps",
        holds: "handwriting, lettering",
      },
    ],
  },
  {
    id: "bench",
    group: "Make",
    name: "Bench",
    key: "0",
    onPhoneBar: false,
    parts: [
      {
        path: "bench",
        file: "routes/album.bench.tsx",
        tab: "Things that open",
        holds:
          "pocket, flip, fold-out, envelope, booklet, pop-up, pull-out, shaker, tags, hinge, blueprint, template, cut and score",
      },
      { path: "bench/:kind", file: "routes/album.making.tsx" },
    ],
  },
  {
    id: "drawer",
    group: "Make",
    name: "Drawer",
    key: "9",
    onPhoneBar: false,
    parts: [
      {
        path: "drawer",
        keepers: true,
        file: "routes/album.drawer.tsx",
        tab: "What there is",
        holds:
          "paper, stickers, film, tape, protectors, stash, how many are left, materials, thickness, adhesive, glue",
      },
      {
        path: "numbers",
        file: "routes/album.numbers.tsx",
        tab: "Numbers and letters",
        holds: "which days a set of numbers covers, missing digits, alphabets, does a title go",
      },
      {
        path: "paper-cutting",
        keepers: true,
        file: "routes/album.paper-cutting.tsx",
        tab: "Cut from paper",
        holds: "cutting plan, scraps, remainders, which card from which sheet, bases, mats",
      },
      {
        path: "goes-with",
        file: "routes/album.goes-with.tsx",
        tab: "Goes with",
        holds: "colours of a photo, which paper goes with this photo, carry a colour across, lettering reads",
      },
      {
        path: "to-get",
        file: "routes/album.to-get.tsx",
        tab: "To get",
        holds: "shopping list, what is short, what to use up, buy, stash first",
      },
      {
        path: "used",
        file: "routes/album.used.tsx",
        tab: "What was used",
        holds: "supplies of each page, list to copy",
      },
    ],
  },
  {
    id: "book",
    group: "Keep",
    name: "Book",
    key: "5",
    onPhoneBar: false,
    parts: [
      {
        path: "book",
        keepers: "leafed",
        file: "routes/album.book.tsx",
        tab: "Spreads",
        holds: "leaves in order, title page",
      },
      { path: "rhythm", file: "routes/album.rhythm.tsx", tab: "Rhythm" },
      {
        path: "seen-through",
        file: "routes/album.seen-through.tsx",
        tab: "Seen through",
        holds: "film, vellum, clear pages, empty pockets, another day peeping out, backs in sight",
      },
      {
        path: "bulk",
        keepers: "leafed",
        file: "routes/album.bulk.tsx",
        tab: "Bulk",
        holds: "will it close, how thick, rings, volumes, closed book, ruler, pockets that jam",
      },
      {
        path: "foundations",
        keepers: true,
        file: "routes/album.foundations.tsx",
        tab: "Foundation pages",
        holds: "templates, pattern",
      },
      {
        path: "pockets",
        keepers: true,
        file: "routes/album.pockets.tsx",
        tab: "Pockets",
        holds: "pocket layouts, cut a protector down",
      },
      {
        path: "measure",
        keepers: true,
        file: "routes/album.measure.tsx",
        tab: "Measures",
        holds: "page size, opening, cover, margin, holes, punch guide",
      },
      { path: "leaves/:leaf/:face", keepers: true, file: "routes/album.try-outs.tsx" },
    ],
  },
  {
    id: "finish",
    group: "Keep",
    name: "Finish",
    key: "6",
    onPhoneBar: false,
    parts: [
      {
        path: "finish",
        file: "routes/album.finish.tsx",
        tab: "Loose ends",
        holds: "what is still open, archive, day plan, take it with you",
      },
      {
        path: "what-opens",
        file: "routes/album.what-opens.tsx",
        tab: "What opens where",
        holds: "flips, pockets, hidden words, a card for the back of the book, hints",
      },
      {
        path: "leaf-through",
        file: "routes/album.leaf-through.tsx",
        tab: "Leaf through",
        holds: "turn the pages, look at the whole book, a line under each opening, beside last year’s",
      },
      {
        path: "share",
        keepers: true,
        file: "routes/album.share.tsx",
        tab: "Share",
        holds: "a link for family and friends, what goes out, close it",
      },
      {
        path: "years",
        keepers: true,
        file: "routes/album.years.tsx",
        tab: "Year to year",
        holds:
          "the same question with its answers, last year, every year, notes for next year, what repeats, begin the next album from this one",
      },
    ],
  },
  {
    id: "settings",
    group: "Keep",
    name: "Settings",
    key: "7",
    onPhoneBar: false,
    parts: [
      {
        path: "settings",
        keepers: true,
        file: "routes/album.settings.tsx",
        tab: "Settings",
        holds: "title, first day, last day, numbers, inches or centimetres, put the album away",
      },
      {
        path: "changes",
        file: "routes/album.changes.tsx",
        tab: "Changes",
        holds: "take back, do again, who did what, undo",
      },
      {
        path: "craft",
        file: "routes/album.craft.tsx",
        tab: "The craft’s words",
        holds: "what a leaf, a spread, an insert, a foundation page is; glossary, help",
      },
    ],
  },
] as const satisfies readonly Place[];

export type PlaceId = (typeof PLACES)[number]["id"];
type AnyPart = (typeof PLACES)[number]["parts"][number];
/** The parts that an album's address alone leads to. */
export type PartPath = Exclude<AnyPart["path"], `${string}:${string}`>;

/** The parts of a place as its tabs show them. */
export const tabsOf = (id: PlaceId): readonly (readonly [path: PartPath, name: string])[] => {
  const parts: readonly Part[] = PLACES.find((place) => place.id === id)?.parts ?? [];
  return parts.flatMap(({ path, tab }) => (tab ? [[path as PartPath, tab] as const] : []));
};

/** The place whose part an address shows, by what comes after the album's own; null where it is no place's. */
export function placeAt(after: string): PlaceId | null {
  const [first = ""] = after.split("/");
  const place = PLACES.find(({ parts }) => parts.some(({ path }) => path.split("/")[0] === first));
  return first === "" ? null : (place?.id ?? null);
}

/** Whether what is done at an address is a keeper's alone, by what comes after the album's own; as its part says it. */
export function keepersAt(after: string): true | "leafed" | null {
  const [first = ""] = after.split("/");
  const parts: readonly Part[] = PLACES.flatMap((place: Place) => place.parts);
  return parts.find(({ path, keepers }) => keepers && path.split("/")[0] === first)?.keepers ?? null;
}

/** Places of the household, outside any album, as `/` finds them. */
export const HOUSEHOLD_PLACES = [
  { go: "shelf", name: "Shelf", holds: "all albums" },
  { go: "today", name: "Today", holds: "jot something down, take a picture" },
  { go: "household", name: "Household", holds: "who writes here, passphrase, where you are signed in" },
  { go: "tray", name: "Tray", holds: "what was put away, for 30 days" },
  { go: "newAlbum", name: "New album", holds: "" },
  { go: "readArchive", name: "Read an archive", holds: "an album from a file" },
] as const;

import { href } from "react-router";
import type { DocumentAsked } from "#core/document/asked.ts";
import type { PartPath } from "./places.ts";

/**
 * The address of everything, each checked by the compiler against the table of routes. `album` and the like are ids as
 * they stand in an address; a query's value that is null or left out is not in it.
 */
type Query = Readonly<Record<string, string | null | undefined>>;

type DocumentKind =
  | DocumentAsked["kind"]
  | "calendar"
  | "cut-file"
  | "day-plan"
  | "deck"
  | "drawer"
  | "lab-order"
  | "lab-test"
  | "library"
  | "words";

const asked = (path: string, query: Query): string => {
  const said = Object.entries(query).flatMap(([name, value]) => (value ? [[name, value] as const] : []));
  return said.length === 0 ? path : `${path}?${new URLSearchParams(said.map((pair) => [...pair]))}`;
};

export const to = {
  home: () => href("/"),
  shelf: () => href("/shelf"),
  newAlbum: (query: { from?: string | null } = {}) => asked(href("/albums/new"), query),
  readArchive: () => href("/albums/read"),
  tray: () => href("/tray"),
  household: () => href("/household"),
  /** `album`: another than the one under way. */
  today: (query: { album?: string | null; day?: string | null } = {}) => asked(href("/today"), query),
  /** The door of the roll. */
  photos: () => href("/photos"),
  signIn: (query: { to?: string | null; ended?: string | null } = {}) => asked(href("/sign-in"), query),
  signUp: () => href("/sign-up"),
  signOut: () => href("/sign-out"),

  album: (album: string) => href("/albums/:album", { album }),
  /** The album as somebody of the household sees it who only looks. */
  shown: (album: string) => href("/albums/:album/shown/:opening?", { album }),
  /** Where whoever was invited comes in. */
  invited: (secret: string) => href("/invited/:secret", { secret }),
  /** Where every change of the album is sent. */
  sent: (album: string) => href("/albums/:album/sent", { album }),
  /** The list of changes, and where one is sent to be taken back or done again. */
  changes: (album: string, query: { before?: string } = {}) => asked(href("/albums/:album/changes", { album }), query),
  /** A part of the album that needs nothing more said. */
  part: (album: string, path: PartPath) => href(`/albums/:album/${path}`, { album }),
  /** What the album and the household have of these words, as data. */
  find: (album: string) => href("/albums/:album/find", { album }),
  month: (album: string, query: { day?: string | null } = {}) => asked(href("/albums/:album/month", { album }), query),
  told: (album: string) => href("/albums/:album/told", { album }),
  day: (album: string, date: string) => href("/albums/:album/days/:date", { album, date }),
  /** What a calendar fetches by a private address. */
  feed: (secret: string) => href("/feeds/:file", { file: `${secret}.ics` }),
  /** A page of the front or back matter. */
  page: (album: string, entry: string) => href("/albums/:album/pages/:entry", { album, entry }),
  entry: (album: string, at: { readonly date: string } | { readonly entry: string }): string =>
    "date" in at ? to.day(album, at.date) : to.page(album, at.entry),
  /** The pictures a day may have, as data. */
  latestPictures: (album: string) => href("/albums/:album/latest-pictures", { album }),
  goesWith: (album: string, query: { day?: string | null } = {}) =>
    asked(href("/albums/:album/goes-with", { album }), query),
  /**
   * A construction at the bench; `leaf`, `face` and `piece`: the one on a page that is looked at; `day`: the day it
   * is for; `like`: the piece it is begun from, `kept`: the settings that are kept; `show`: `steps`, where it is to be made.
   */
  making: (
    album: string,
    kind: string,
    query: {
      leaf?: string | null;
      face?: string | null;
      piece?: string | null;
      day?: string | null;
      like?: string | null;
      kept?: string | null;
      show?: "steps";
    } = {},
  ) => asked(href("/albums/:album/bench/:kind", { album, kind }), query),
  bench: (album: string, query: { day?: string | null } = {}) => asked(href("/albums/:album/bench", { album }), query),
  stock: (album: string) => href("/albums/:album/stock", { album }),
  /** `at`: the leaf by which an opening is looked at at once. */
  seenThrough: (album: string, query: { at?: string | null } = {}) =>
    asked(href("/albums/:album/seen-through", { album }), query),
  tones: (album: string) => href("/albums/:album/tones", { album }),
  freePictures: (album: string, date: string) => href("/albums/:album/free-pictures/:date", { album, date }),
  /** `for`: the date of a day that a picture is looked for; `instead`: the use of one that another is looked for. */
  roll: (
    album: string,
    query: { picture?: string | null; for?: string | null; instead?: string | null; shown?: "unnamed" } = {},
  ) => asked(href("/albums/:album/photos", { album }), query),
  whoGoesWhere: (album: string, query: { twice?: string | null; bare?: string | null } = {}) =>
    asked(href("/albums/:album/who-goes-where", { album }), query),
  crop: (album: string, use: string) => href("/albums/:album/crops/:use", { album, use }),
  sheets: (album: string) => href("/albums/:album/sheets", { album }),
  cutting: (album: string, sheet: string) => href("/albums/:album/sheets/:sheet", { album, sheet }),
  words: (album: string, query: { q?: string | null } = {}) => asked(href("/albums/:album/words", { album }), query),
  card: (album: string, card: string) => href("/albums/:album/cards/:card", { album, card }),
  prompts: (album: string, query: { jar?: string | null } = {}) =>
    asked(href("/albums/:album/prompts", { album }), query),
  cardSheets: (album: string) => href("/albums/:album/card-sheets", { album }),
  tallies: (album: string) => href("/albums/:album/tallies", { album }),
  hands: (album: string) => href("/albums/:album/hands", { album }),
  book: (album: string, query: { at?: string | null; face?: string | null } = {}) =>
    asked(href("/albums/:album/book", { album }), query),
  /** `at` and `face`: a side that is up in the opening it begins at; `beside`: the album that lies open beside it. */
  leafThrough: (album: string, query: { at?: string | null; face?: string | null; beside?: string | null } = {}) =>
    asked(href("/albums/:album/leaf-through", { album }), query),
  /** How a link's openings are seen before it is open. */
  previewed: (album: string, share: string) => href("/albums/:album/shared/:share/:opening?", { album, share }),
  shared: (secret: string) => href("/shared/:secret/:opening?", { secret }),
  share: (album: string) => href("/albums/:album/share", { album }),
  years: (album: string) => href("/albums/:album/years", { album }),
  foundations: (album: string, query: { days?: string | null; copy?: string; keep?: string } = {}) =>
    asked(href("/albums/:album/foundations", { album }), query),
  pockets: (album: string) => href("/albums/:album/pockets", { album }),
  tryOuts: (album: string, leaf: string, face: string) =>
    href("/albums/:album/leaves/:leaf/:face", { album, leaf, face }),
  settings: (album: string) => href("/albums/:album/settings", { album }),

  /** Where what the household keeps to use again is renamed or put away. */
  library: (album: string) => href("/albums/:album/library", { album }),
  /** Everything of an album that is printed or written out; `file` is its name with the ending that says what it is written as. */
  document: (album: string, kind: DocumentKind, file: string, query: Query = {}) =>
    asked(href("/albums/:album/documents/:kind/:file", { album, kind, file: encodeURIComponent(file) }), query),
} as const;

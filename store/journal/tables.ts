/** How the rows of a table are put back as they were. */
export type Journaled = {
  readonly key: readonly string[];
  /** Columns that only count changes: neither compared nor put back. */
  readonly counts: readonly string[];
  /** Columns that are put back and not compared: they follow from what stands beside the row. */
  readonly follows: readonly string[];
  /** Columns that hold a set: what a line put in or took out of it is, and the rest stays as it is. */
  readonly sets: readonly string[];
  /**
   * What becomes of a row whose coming is taken back: `tray`: it has a place in the tray; `gone`: it is deleted; `stays`: it
   * is part of another row, or keeps what hangs on it.
   */
  readonly leaves: "tray" | "gone" | "stays";
};

const plain: Journaled = { key: ["id"], counts: [], follows: [], sets: [], leaves: "gone" };
const inTray: Journaled = { ...plain, leaves: "tray" };
const ofDay: Journaled = { ...inTray, follows: ["position"] };

/**
 * The tables whose changes the journal keeps, as the triggers of `0018_journal.sql` do, parents before children: rows are
 * put back in this order and taken away in the other.
 */
export const JOURNALED = {
  household: { ...plain, leaves: "stays" },
  hours: { ...plain, key: ["member_id"], counts: ["version"] },
  album: { ...plain, counts: ["version", "revision"], leaves: "stays" },
  photo: inTray,
  deck: inTray,
  hand: inTray,
  thing: inTray,
  stamp_set: inTray,
  pocket_layout: inTray,
  template: inTray,
  kept_making: inTray,
  measured_format: inTray,
  printer: { ...plain, counts: ["last", "used_at"] },
  day: {
    ...plain,
    counts: ["version", "updated_at", "updated_by"],
    sets: ["waived", "done", "undone", "left_alone"],
    leaves: "stays",
  },
  card: ofDay,
  jotting: ofDay,
  day_photo: ofDay,
  leaf: { ...inTray, counts: ["version", "updated_at", "updated_by", "position"], sets: ["done"] },
  side: { ...plain, key: ["leaf_id", "face"], sets: ["done"], leaves: "stays" },
  side_guest: { ...plain, key: ["leaf_id", "face", "day_id"], follows: ["position"], sets: ["done"] },
  try_out: { ...inTray, counts: ["version"] },
  print_sheet: { ...plain, counts: ["version"], sets: ["cuts_done"] },
  lab_order: plain,
  print: plain,
  declined_offer: { ...plain, key: ["album_id", "offer"] },
  known_event: { ...plain, key: ["album_id", "key"] },
  tally: { ...plain, follows: ["place"] },
  tally_mark: { ...plain, follows: ["place"] },
} as const satisfies Record<string, Journaled>;

export type JournaledTable = keyof typeof JOURNALED;
export const TABLES = Object.keys(JOURNALED) as readonly JournaledTable[];
export const isJournaled = (name: string): name is JournaledTable => name in JOURNALED;

/** The name under which a line keeps in which order the leaves of its album stood. No table: the leaves' places follow from it. */
export const LEAF_ORDER = "leaf order";

/** Tables of the household's own, which every album of it may show. */
export const OF_HOUSEHOLD: readonly JournaledTable[] = [
  "household",
  "photo",
  "deck",
  "hand",
  "thing",
  "stamp_set",
  "pocket_layout",
  "template",
  "kept_making",
  "measured_format",
  "printer",
];

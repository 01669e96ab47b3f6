import { randomUUID } from "node:crypto";
import { type Card, newCard } from "../core/album/model.ts";
import { inches, ticks } from "../core/measure/length.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { findSlip } from "../core/words/decks.ts";
import { type CardSetting, type Lettering, type StampSet, usualSetting } from "../core/words/lettering.ts";
import { ANY_DAY, type On } from "../core/words/slip.ts";
import { readPicture } from "../press/picture.ts";
import { readAlbum } from "../store/album.ts";
import type { Author } from "../store/author.ts";
import { saveDayEdit } from "../store/day.ts";
import type { Db } from "../store/db.ts";
import { setPeople } from "../store/household.ts";
import { saveDeck } from "../store/library/decks.ts";
import { keepHand, keepStampSet } from "../store/library/hands.ts";
import { keepPhoto } from "../store/photo.ts";
import { by } from "./day-maker.ts";
import { paint } from "./pictures/paint.ts";
import { cornersOfPrintedCard } from "./pictures/printed-card.ts";

/** What Petra caught on the signal station's steps, with the minute it was. */
const JOTTED: Readonly<Record<string, readonly (readonly [time: string, text: string])[]>> = {
  "07": [
    ["15:26", "Eleven parcels, one of them ticking."],
    ["15:40", "Tobiah says the ticking one is for Gran. Gran says nothing."],
  ],
  "08": [
    ["18:02", "“It’s not crooked, it’s seen from the side.”"],
    ["20:15", "Lights out at ten past eight. Candle, letter, the storm reading over my shoulder."],
  ],
  "09": [
    ["07:50", "Watch. Ice on the rail, gulls on the ice."],
    ["17:49", "Twenty-six windows from the slip. Twenty-seven if the schoolhouse counts twice."],
    ["18:05", "Quill: the one over the net loft is new. Somebody has come home."],
  ],
};

const typed = (change: Partial<Extract<Lettering, { kind: "typed" }>> = {}): Lettering => ({
  kind: "typed",
  typeface: "book",
  size: 42,
  leading: 125,
  align: "left",
  ...change,
});
const TYPEWRITER: Lettering = { kind: "typewriter", pitch: 12, spacing: 1, align: "left" };

/** A set Petra measured: the letters off a ship chandler's labels. */
const CHANDLER: StampSet = {
  name: "Chandler’s letters",
  high: inches(3 / 8),
  usual: inches(5 / 16),
  narrow: inches(5 / 32),
  broad: inches(7 / 16),
  between: inches(1 / 32),
  space: inches(1 / 4),
};

type Written = {
  readonly w: number;
  readonly h: number;
  readonly text: string;
  readonly back?: string;
  readonly lettering?: Lettering;
  readonly more?: Partial<CardSetting>;
  readonly hidden?: string;
  readonly privateUntil?: string;
};

const WRITTEN: Readonly<Record<string, readonly Written[]>> = {
  "10": [
    {
      w: 3,
      h: 4,
      text: "Watch till four. The tide will do most of the work.",
      more: { stock: "printed", stands: "middle" },
      lettering: typed({ typeface: "typed", size: 36, align: "centre" }),
    },
    {
      w: 3,
      h: 4,
      lettering: TYPEWRITER,
      text: "Up the tower with me:\n- the flask\n- second gloves\n- the tide table\n- Quill’s list of lights, to be checked\n- nothing to read",
    },
    {
      w: 3,
      h: 4,
      text: "Till four",
      more: { stands: "middle" },
      lettering: { kind: "stamped", set: CHANDLER, align: "centre" },
    },
  ],
  "12": [
    {
      w: 4,
      h: 6,
      lettering: typed({ size: 48, leading: 130, align: "justified" }),
      text: "The mail boat went first with Tobiah at the bow and the big lantern roped to the mast, and everybody who owns anything that floats went after it. From the tower I could see the line bend round the skerry and come back on itself, so that for a minute the first boat and the last were side by side. Nobody had planned that. On the slip they sang the long version, all nine verses, and Isolde held the note at the end until her lantern went out, which she says was the wind. Quill walked the causeway with the schoolchildren and counted them out and counted them home: nineteen both ways, and one dog. Gran had loaves in both coat pockets. When it was over nobody wanted to be the first to blow theirs out, so we hung them along the harbour wall and let the candles decide. Two were still burning when I went up for the morning watch, low and blue, and I let those be as well.",
      back: "Sung by heart:\n- the long one\n- the one about the bell\n- the one Gran says is not a song",
    },
  ],
  "15": [
    {
      w: 3,
      h: 4,
      text: "Loaves: six.\nNeighbours: eleven.",
      more: { stock: "printed", stands: "middle" },
      lettering: typed({ typeface: "numeral", size: 48, align: "centre" }),
    },
  ],
  "16": [
    {
      w: 3,
      h: 4,
      hidden: "the flip",
      privateUntil: "2026-12-25",
      text: "The spyglass came on the Thursday boat and is in the lamp room behind the spare wicks. They have looked straight at it twice.",
    },
  ],
};

const TECHNIQUES: Readonly<Record<string, string>> = {
  "09": "techniques/letters-1",
  "10": "techniques/paper-2",
  "11": "techniques/moving-1",
};

const OWN_DECK: readonly (readonly [text: string, kind: string, on?: On])[] = [
  ["What the flag said at noon.", "station"],
  ["Who crossed the causeway last, and how wet.", "causeway"],
  ["The mail boat’s list, as Tobiah reads it out.", "boat", { kind: "weekdays", days: [1, 4] }],
  ["What Marrow brought up the beach.", "dog"],
  ["The bell, and why it was rung.", "station"],
  ["One thing the twins agree on.", "twins"],
  ["Something seen through the spyglass.", "station"],
  ["The last parcel.", "boat", { kind: "date", date: "12-23" }],
  ["What Gran says the weather will do, and what it did.", "gran"],
];

function cardOf({ w, h, text, back = "", lettering, more, hidden = "", privateUntil }: Written): Card {
  const size = by(w, h);
  const usual = usualSetting(size);
  return {
    ...newCard(randomUUID(), size, text),
    back,
    hidden,
    privateUntil: (privateUntil ?? null) as CalendarDate | null,
    setting: lettering || more ? { ...usual, ...(lettering ? { lettering } : {}), ...more } : null,
  };
}

/** The line beside each sign of the printed card, on a card of three by four inches. */
const LINES = [1.08, 2.08, 3.08];

/** The 14th has a card with its own print: photographed on the table, laid straight, a box on each of its lines. */
async function layPrintedCard(db: Db, author: Author, dayId: string): Promise<void> {
  const painted = await paint({ subject: "printedCard", seed: 401, light: "day", at: "2026-12-02T20:10:00" });
  const read = await readPicture(painted, "IMG_0790.JPG");
  const aggregate = await readAlbum(db, author.householdId, author.albumId);
  const [card] = aggregate?.days.find(({ id }) => id === dayId)?.content.cards ?? [];
  if (!read.ok || !card) throw new Error("the demo's printed card was refused");
  const { id: photoId } = await keepPhoto(db, author.householdId, read.photo);
  const preprint = { photoId, corners: cornersOfPrintedCard(read.photo.width, read.photo.height) };
  await saveDayEdit(db, author, dayId, null, { kind: "card-preprint", id: card.id, preprint });
  const boxes = LINES.map((y) => ({
    ...{ id: randomUUID(), text: "", typeface: "book" as const, size: 48 },
    at: { x: inches(1.1), y: inches(y), w: inches(1.58), h: inches(0.36) },
  }));
  const setting: CardSetting = { ...usualSetting(card.size), stock: "printed", boxes };
  await saveDayEdit(db, author, dayId, null, { kind: "card-setting", id: card.id, setting });
}

/** Jottings, cards in every lettering, techniques, a deck and a hand of the household's own. */
export async function writeLantern(db: Db, author: Author): Promise<void> {
  const aggregate = await readAlbum(db, author.householdId, author.albumId);
  const dayId = (key: string) => aggregate?.days.find(({ date }) => date === `2026-12-${key}`)?.id ?? "";
  for (const [key, all] of Object.entries(JOTTED))
    for (const [time, text] of all) {
      const jotting = { id: randomUUID(), text, at: `2026-12-${key}T${time}`, privateUntil: null };
      await saveDayEdit(db, author, dayId(key), null, { kind: "add-jotting", jotting });
    }
  for (const [key, cards] of Object.entries(WRITTEN)) {
    const empty = aggregate?.days
      .find(({ date }) => date === `2026-12-${key}`)
      ?.content.cards.find(({ text }) => text === "");
    for (const [at, written] of cards.entries()) {
      const card = cardOf(written);
      // The first words of a day go on the card that waits for them.
      if (at === 0 && empty) {
        const { text, back, setting } = card;
        const { id } = empty;
        await saveDayEdit(db, author, dayId(key), null, { kind: "card-text", id, text });
        if (back) await saveDayEdit(db, author, dayId(key), null, { kind: "card-back", id, text: back });
        await saveDayEdit(db, author, dayId(key), null, { kind: "card-setting", id, setting });
      } else await saveDayEdit(db, author, dayId(key), null, { kind: "add-card", card });
    }
  }
  await layPrintedCard(db, author, dayId("14"));
  for (const [key, slip] of Object.entries(TECHNIQUES)) {
    const text = findSlip(slip)?.text ?? "";
    await saveDayEdit(db, author, dayId(key), null, { kind: "technique", text, slip });
  }
  const { householdId } = author;
  await setPeople(db, householdId, ["Petra", "Tobiah", "Isolde", "Quill", "Gran Hespera", "Marrow"]);
  await keepHand(db, householdId, { name: "Petra", em: ticks(2240), line: inches(9 / 32) });
  await keepStampSet(db, householdId, CHANDLER);
  const id = randomUUID();
  const slips = OWN_DECK.map(([text, kind, on = ANY_DAY], at) => ({ id: `${id}/${at + 1}`, text, kind, on }));
  await saveDeck(db, householdId, { id, name: "The island’s own", jar: "prompt", slips });
}

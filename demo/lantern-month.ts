import { by, page, type Story } from "./day-maker.ts";
import type { Light, Sitting, Subject } from "./pictures/paint.ts";

/** Petra's December, foundation pages ahead, as it stands on the evening of the 9th. */
const taken = (subject: Subject, light: Light, date: string, time: string, more: Partial<Sitting> = {}): Sitting => ({
  subject,
  light,
  at: `2026-12-${date}T${time}:00`,
  seed: Number(date) * 31 + Number(time.slice(3)),
  ...more,
});

const pockets = (layout: string, paper: string) => page("pocket", layout, paper);
const brass = { style: "sticker" as const, note: "Brass Numerals 1–25" };
const cut = { style: "cut" as const, note: "Cut from Tide Chart 6×8" };
const BASE = ["base", "number"] as const;

export const LANTERN_MONTH: Record<string, Story> = {
  "01": {
    title: "The fog bell, tried by hand",
    slip: "noticing/sound-3",
    photos: [
      {
        sitting: taken("fogBell", "dawn", "01", "08:41", { place: true }),
        print: by(6, 4),
        alt: "A keeper in a blue coat pulls the rope of the brass fog bell at first light",
      },
    ],
    cards: [
      {
        size: by(3, 4),
        text: "Tested the bell before watch. One pull too many, and three kitchens on the east side put their kettles on.",
      },
    ],
    page: pockets("one-over-two", "Linen Stars 12×12"),
    numeral: brass,
    done: "all",
  },
  "02": {
    title: "Mending the slip’s rail",
    slip: "noticing/person-1",
    photos: [
      {
        sitting: taken("slipRail", "day", "02", "11:20"),
        print: by(6, 4),
        alt: "Two people on the slipway beside a rusted rail",
      },
      {
        sitting: taken("parcels", "day", "02", "12:02", { shape: "upright" }),
        print: by(3, 4),
        alt: "The mail boat alongside, boxes on the quay",
      },
    ],
    cards: [
      { size: by(3, 4), text: "Tobiah held, Quill hammered, the tide gave us forty minutes and took back thirty." },
    ],
    page: pockets("one-over-two", "Harbour Slate 12×12"),
    numeral: brass,
    done: "all",
  },
  "03": {
    title: "First frost on the nets",
    slip: "noticing/light-5",
    photos: [
      {
        sitting: taken("frostNets", "dawn", "03", "08:55", { shape: "upright", sideways: true }),
        print: by(6, 8),
        alt: "Frosted nets hung between posts, the sun just up",
      },
    ],
    cards: [
      { size: by(3, 4), text: "Every knot had its own small star. Isolde breathed on one and said sorry to it." },
    ],
    page: page("full", null, "Frost White cardstock"),
    numeral: { style: "acrylic", note: "Clear 3, on the photo’s sky" },
    inserts: [{ kind: "tag", size: by(2, 4), note: "Vellum tag with the temperature at eight" }],
    done: "all",
  },
  "04": {
    title: "Saffron Friday",
    slip: "noticing/table-2",
    photos: [
      {
        sitting: taken("saffronLoaves", "dusk", "04", "16:30"),
        print: by(6, 4),
        alt: "Gran Hespera behind three saffron loaves, steam rising",
      },
    ],
    cards: [
      {
        size: by(3, 4),
        text: "Gran’s loaves: flour until it feels right, saffron until the neighbours notice, currants, patience.\nWrong turn: the salt.",
      },
      { size: by(3, 4), text: "Eaten by:\nQuill, 4\nIsolde, 4\nTobiah, 3\nMarrow, 1 (found)" },
    ],
    page: pockets("one-over-two", "Linen Stars 12×12"),
    numeral: { style: "stamped", note: "Stamped on the list card" },
    inserts: [{ kind: "menu", size: by(3, 8), note: "The recipe in Gran’s hand" }],
    done: "all",
  },
  "05": {
    title: "Between two tides",
    slip: "noticing/place-3",
    photos: [
      {
        sitting: taken("causeway", "day", "05", "13:10", { place: true }),
        print: by(4, 3),
        alt: "Four of us and the dog on the bare causeway",
      },
      {
        sitting: taken("signalTower", "dusk", "05", "15:31"),
        print: by(3, 4),
        alt: "The signal tower, lit, from the far end",
      },
      {
        sitting: taken("causeway", "dusk", "05", "15:44", { shape: "square" }),
        print: by(3, 3),
        alt: "Walking home with the water coming",
      },
    ],
    cards: [
      { size: by(3, 4), text: "Over at one, back by half past three, boots wet at the last ten yards as every year." },
    ],
    page: pockets("four", "Tide Chart 6×8"),
    numeral: brass,
    done: "all",
  },
  "06": {
    title: "Marrow’s sea bath",
    slip: "noticing/minute-2",
    photos: [
      {
        sitting: taken("dogBath", "day", "06", "12:14", { shape: "camera" }),
        print: by(6, 4),
        alt: "A grey lurcher standing in the shallows, spray all round",
      },
    ],
    cards: [{ size: by(3, 4), text: "He meant to look at the seal. The seal meant to be looked at from further out." }],
    page: pockets("one-over-two", "Harbour Slate 12×12"),
    numeral: brass,
    done: "all",
  },
  "07": {
    title: "Parcels off the mail boat",
    slip: "noticing/count-4",
    note: "Loose end: who is the second child on the quay?",
    photos: [
      {
        sitting: taken("parcels", "dusk", "07", "15:20"),
        print: by(6, 4),
        alt: "The red mail boat alongside at dusk, parcels on the quay",
      },
    ],
    cards: [{ size: by(3, 4), text: "" }],
    page: pockets("one-over-two", "Brown Kraft 12×12"),
    numeral: brass,
    done: ["choose", "print", "trim", "base", "number"],
  },
  "08": {
    title: "Paper stars",
    slip: "noticing/person-2",
    photos: [
      {
        sitting: taken("paperStars", "night", "08", "18:05"),
        print: by(6, 4),
        alt: "The twins at the table among cut paper stars",
      },
      {
        sitting: taken("stormCandle", "storm", "08", "20:12", { shape: "upright", grey: true }),
        print: by(3, 4),
        alt: "A candle and a letter on the kitchen table",
      },
    ],
    cards: [
      {
        size: by(3, 4),
        text: "“It’s not crooked, it’s seen from the side.” Said by one twin at six, by the other at half past.",
      },
    ],
    page: pockets("one-over-two", "Linen Stars 12×12"),
    numeral: brass,
    done: ["choose", "write", "letter", "base", "number"],
  },
  "09": {
    title: "Counting lit windows",
    slip: "noticing/count-1",
    photos: [
      {
        sitting: taken("litWindows", "night", "09", "17:48"),
        print: by(6, 4),
        alt: "Lit windows across the sound and their reflections under the moon",
      },
    ],
    cards: [
      {
        size: by(3, 4),
        text: "Twenty-six from the slip, if the schoolhouse counts twice. Quill says the one over the net loft is new. Gran’s is always first and last.",
      },
    ],
    inserts: [{ kind: "leaf", size: by(3, 8), note: "Who was counting, ruled by hand" }],
    page: pockets("one-over-two", "Brass Stars 6×8"),
    numeral: brass,
    done: ["choose"],
  },
  "10": {
    title: "Watch till four",
    slip: "noticing/place-2",
    page: pockets("four", "Tide Chart 6×8"),
    numeral: brass,
    done: [...BASE],
  },
  "11": {
    title: "The shipwreck play",
    slip: "noticing/sound-2",
    note: "Loose end: ask the school for the names of the wreckers.",
    photos: [
      {
        sitting: taken("schoolPlay", "night", "04", "18:40"),
        print: by(6, 4),
        alt: "Two small sailors in a cardboard boat on the school stage",
      },
    ],
    page: pockets("one-over-two", "Harbour Slate 12×12"),
    numeral: brass,
    done: ["base", "number"],
  },
  "12": {
    title: "The lantern parade",
    prompt: "All of it: the boats, the walk, the song on the slip.",
    note: "Four pages if the pictures hold. Move what Friday leaves over to the 15th.",
    photos: [
      {
        sitting: taken("lanternParade", "night", "06", "17:10"),
        print: by(6, 4),
        alt: "Last rehearsal: a row of people with lanterns before lit cottages",
      },
    ],
    cards: [
      { size: by(4, 6), text: "" },
      { size: by(3, 4), text: "" },
    ],
    inserts: [
      { kind: "envelope", size: by(4, 6), note: "Holds the song sheet" },
      { kind: "leaf", size: by(4, 6), note: "Clear, printed with the route" },
    ],
    page: page("full", null, "Midnight cardstock"),
    numeral: { style: "wood", note: "Veneer 12" },
    done: ["base", "number"],
  },
  "13": {
    title: "The day after",
    slip: "noticing/minute-1",
    page: pockets("two-rows", "Linen Stars 12×12"),
    numeral: brass,
    done: [...BASE],
  },
  "14": { title: "Nets in", cards: [{ size: by(3, 4), text: "" }], numeral: brass },
  "15": { slip: "noticing/light-2", page: pockets("four", "Tide Chart 6×8"), numeral: brass, done: [...BASE] },
  "16": {
    title: "From the tower",
    slip: "noticing/place-1",
    photos: [
      {
        sitting: taken("signalTower", "night", "03", "19:02", { shape: "upright" }),
        print: by(3, 4),
        alt: "The signal tower at night, its beam out to sea",
      },
    ],
    page: pockets("four", "Brass Stars 6×8"),
    numeral: brass,
    done: [...BASE],
  },
  "17": { slip: "noticing/table-1", page: page("paper", null, "Brown Kraft 12×12"), numeral: brass, done: ["base"] },
  "18": {
    title: "Storm watch by candle",
    slip: "noticing/sound-4",
    photos: [
      {
        sitting: taken("stormCandle", "storm", "02", "21:30"),
        print: by(6, 4),
        alt: "A candle burning on a table under a rain-streaked window",
      },
    ],
    page: page("vellum", null, "Plain vellum over Harbour Slate"),
    numeral: { style: "stamped", note: "" },
  },
  "19": { slip: "noticing/person-4", page: pockets("one-over-two", "Linen Stars 12×12"), numeral: brass },
  "20": { title: "Boat day" },
  "21": {
    slip: "noticing/light-1",
    title: "Shortest day",
    page: page("paper", null, "Dusk Blue cardstock", "Its back is the 22nd’s"),
  },
  "22": {
    page: pockets("two-over-one", "Harbour Slate 12×12"),
    slip: "noticing/place-4",
    photos: [
      {
        sitting: taken("frostNets", "day", "03", "09:20", { shape: "small" }),
        print: by(3, 4),
        alt: "The frosted nets again, from the path",
      },
    ],
  },
  "23": { slip: "noticing/count-3" },
  "24": { prompt: "Last light, who lit it.", page: page("full", null, "Midnight cardstock") },
  "25": { slip: "noticing/table-3", numeral: brass },
  "26": { numeral: cut },
  "27": {},
  "28": { numeral: cut, waived: ["photos"] },
  "29": {},
  "30": {},
  "31": { prompt: "The first and the last page, side by side.", numeral: cut },
};

import type { Length, Unit } from "../measure/length.ts";
import type { Size } from "../measure/size.ts";
import type { CalendarDate } from "../month/dates.ts";
import type { MonthPage } from "../month/month-kind.ts";
import type { Numbering } from "../month/numbering.ts";
import type { Slot } from "../month/slots.ts";
import type { Span } from "../month/span.ts";
import type { PictureFacts, PrintCrop } from "../photo/crop.ts";
import type { Preprint } from "../photo/preprint.ts";
import type { Together } from "../photo/together.ts";
import type { CardSetting } from "../words/lettering.ts";
import type { PrintedOn } from "../words/printed-on.ts";

/** How leaves are held: rings through a punched margin, two filing holes, or a sewn spine. */
export const BINDINGS = ["ring", "two-hole", "sewn"] as const;
export type Binding = (typeof BINDINGS)[number];

/** The edge of a leaf that the book holds. */
export const BINDING_EDGES = ["left", "top"] as const;
export type BindingEdge = (typeof BINDING_EDGES)[number];

/** Holes along the binding edge of a whole leaf: centres from its upper (or left) end, and from the edge itself. */
export type HolePattern = {
  readonly positions: readonly Length[];
  readonly inset: Length;
  readonly diameter: Length;
};

/** A page size is measured, not named: what it is called, what really goes in, and what stands out of the book. */
export type AlbumFormat = {
  readonly name: string;
  readonly binding: Binding;
  /** What the page size is called. */
  readonly nominal: Size;
  /** The opening that takes a page. */
  readonly opening: Size;
  /** The whole leaf, binding margin included. */
  readonly outer: Size;
  /** A leaf that goes into the book without a protector, whole: often smaller than the page size is called. */
  readonly bare: Size;
  readonly margin: Length;
  readonly bindingEdge: BindingEdge;
  readonly holes: HolePattern;
  /** The front board, beyond which nothing should stand. */
  readonly cover: Size;
  /** What the rings or the spine hold, in micrometres. */
  readonly capacity: number;
  /** How many leaves a bound book was sewn with; null where leaves are put in, or nobody has counted. */
  readonly leaves: number | null;
};

export const NUMERAL_STYLES = ["sticker", "chipboard", "wood", "acrylic", "stamped", "cut", "printed", "none"] as const;
export type NumeralStyle = (typeof NUMERAL_STYLES)[number];

export type Card = {
  readonly id: string;
  readonly size: Size;
  /** The words of its front, and of its back. */
  readonly text: string;
  readonly back: string;
  /** How it is written; null: as usual for its size. */
  readonly setting: CardSetting | null;
  /** What is printed on it already, as a picture shows it; null where it is plain, or nobody took one. */
  readonly preprint: Preprint | null;
  /** What its words lie behind: a flip, a pocket, a print; empty when they are in sight. */
  readonly hidden: string;
  /** It is left out of everything that leaves the household until this day; null: it never is. */
  readonly privateUntil: CalendarDate | null;
};
/** A few words caught on the day, before they are written on any card. */
export type Jotting = {
  readonly id: string;
  readonly text: string;
  /** When, by the household's own clock: `YYYY-MM-DDTHH:MM`. */
  readonly at: string;
  readonly privateUntil: CalendarDate | null;
};
/**
 * A picture of the roll as one day uses it: the print to make of it, how it is cropped for that, and the words for who
 * cannot see it. `picture` is what the roll knows of the picture; a day never changes it.
 */
export type PhotoUse = {
  readonly id: string;
  readonly photoId: string;
  readonly print: Size;
  readonly alt: string;
  readonly crop: PrintCrop;
  readonly picture: PictureFacts;
  /** How large one repetition is where the picture is a pattern that is repeated over the print; null where it fills it once. */
  readonly repeat: Size | null;
  /** The pictures that share the print with this one, which lies first; null where it has the print to itself. */
  readonly together: Together | null;
  /** What is printed on it, the lowest first. */
  readonly onIt: readonly PrintedOn[];
  readonly privateUntil: CalendarDate | null;
};

/** The parts of a day that a keeper may say it does without. */
export const PARTS = ["prompt", "photos", "words", "paper"] as const;
export type Part = (typeof PARTS)[number];

export const STEPS = [
  ...(["choose", "print", "trim"] as const),
  ...(["write", "letter"] as const),
  ...(["base", "number", "insert", "build"] as const),
  ...(["assemble", "punch", "file"] as const),
];
export type Step = (typeof STEPS)[number];

export type Prompt = { readonly text: string /** The deck's slip it was taken from. */; readonly slip: string | null };

/** Everything a day holds, apart from where it stands in the month and from its paper, which is the leaves it has sides of. */
export type DayContent = {
  readonly title: string;
  readonly note: string;
  readonly prompt: Prompt;
  /** What to try with one's hands that day: a slip from the other jar. */
  readonly technique: Prompt;
  readonly waived: readonly Part[];
  readonly numeral: { readonly style: NumeralStyle; readonly note: string };
  readonly photos: readonly PhotoUse[];
  readonly cards: readonly Card[];
  readonly jottings: readonly Jotting[];
  /**
   * What a keeper says is done of the day itself; what the program knows counts beside it. What is done of a leaf or a side
   * is ticked there; until the day has one, "assemble" and "file" are ticked here.
   */
  readonly done: readonly Step[];
  /** Steps of which a keeper says that they are not done, whatever the program knows. */
  readonly undone: readonly Step[];
  /** Slips in the words that a keeper saw and is content with, by their keys. */
  readonly leftAlone: readonly string[];
  /** All of it is left out of everything that leaves the household until this day; null: it never is. */
  readonly privateUntil: CalendarDate | null;
  /** Its page was made wet: nothing goes on it before this day; null: nothing dries. */
  readonly driesUntil: CalendarDate | null;
  /** A tradition: a new album begun from this one has its title on the same day. */
  readonly everyYear: boolean;
  /** What to do otherwise next year: it comes up on the same day of the next album. */
  readonly nextYear: string;
};

export type Day = Slot & { readonly version: number; readonly content: DayContent };

/** What a page that is no day's is for: before the days, between them, after them. */
export const MATTERS = ["title", "opening-note", "month-calendar", "before", "section", "closing"] as const;
export type Matter = (typeof MATTERS)[number];

/**
 * A page of the front or back matter: it holds what a day holds, and has no number. A date only where one is given: that of
 * what it tells from before day 1, or of the day that a section begins with.
 */
export type MatterEntry = {
  readonly id: string;
  readonly matter: Matter;
  readonly date: CalendarDate | null;
  /** What a month calendar page has in its squares; null: as usual where nothing lies on it. Other pages have none. */
  readonly month: MonthPage | null;
  readonly version: number;
  readonly content: DayContent;
};

/** How much of the pages is made before their days: all of each page, the small parts of it, or nothing. */
export const PREPARING = ["all", "parts", "nothing"] as const;
export type Preparing = (typeof PREPARING)[number];
export const USUAL_PREPARING: Preparing = "parts";

export type AlbumPlan = {
  readonly title: string;
  readonly unit: Unit;
  readonly numbering: Numbering;
  readonly span: Span;
  readonly preparing: Preparing;
  readonly format: AlbumFormat;
};

export const EMPTY_DAY: DayContent = {
  title: "",
  note: "",
  prompt: { text: "", slip: null },
  technique: { text: "", slip: null },
  waived: [],
  numeral: { style: "printed", note: "" },
  photos: [],
  cards: [],
  jottings: [],
  done: [],
  undone: [],
  leftAlone: [],
  privateUntil: null,
  driesUntil: null,
  everyYear: false,
  nextYear: "",
};

/** A card with words and nothing else said about it. */
export const newCard = (id: string, size: Size, text = ""): Card => ({
  id,
  size,
  text,
  back: "",
  setting: null,
  preprint: null,
  hidden: "",
  privateUntil: null,
});

import type { PHOTO_PROBLEM } from "#app/wording/photo.ts";
import type { Away } from "#app/wording/sending.ts";
import type { SavedChange } from "#core/album/edit.ts";
import type { DayContent } from "#core/album/model.ts";
import type { Sent } from "#core/format/sent.ts";
import type { CalendarDate } from "#core/month/dates.ts";

/** A picture on its way. What is in it lies beside the entry, under its id; on a day, that is the id of its use. */
export type SentPicture = { readonly id: string; readonly name: string; readonly size: number };

/** What was jotted for a day, with the pictures taken for it; `day` says which day in a few words. */
export type SentJotting = {
  readonly what: "jotting";
  readonly dayId: string;
  readonly day: string;
  readonly jotting: { readonly id: string; readonly text: string; readonly at: string } | null;
  readonly pictures: readonly SentPicture[];
};

/** A picture handed in to the roll; with a day, it is put on that day too. */
export type SentPhoto = { readonly what: "picture"; readonly picture: SentPicture; readonly dayId: string | null };

/** Everything that leaves this device by itself. */
export type Sendable = Sent | SentJotting | SentPhoto;

/** A thing on its way to the server, kept on this device until the server has said it is saved. */
export type Entry = {
  readonly id: string;
  /** The album it is for; null where it is the household's. */
  readonly album: string | null;
  /** What it writes; a newer change of the same thing takes the older one's place. */
  readonly key: string;
  readonly sent: Sendable;
  /** Not before this time, in milliseconds: words wait until the typing pauses. */
  readonly due: number;
  /** How often the server broke over it. */
  readonly broke?: number;
};

/** A thing that the server would not take, with the words or pictures in it: kept until its keeper has done something with them. */
export type Returned = { readonly entry: Entry; readonly reason: string };

export type Clash =
  | {
      readonly kind: "day";
      readonly entry: Entry;
      readonly change: SavedChange;
      readonly current: DayContent;
      readonly version: number;
    }
  | {
      readonly kind: "leaf";
      readonly entry: Entry;
      readonly leaf: string;
      readonly by: string;
      readonly at: string;
      readonly version: number;
    };

/** Why what waits has not left yet. */
export type Trouble = Exclude<Away, "not-taken" | "not-yours">;
const TROUBLES: readonly string[] = ["unreachable", "store-gone", "busy", "signed-out", "broken"] satisfies Trouble[];
export const troubleIn = (reason: string): Trouble | null => (TROUBLES.includes(reason) ? (reason as Trouble) : null);

/** What the door of the roll answers to one picture. */
export type TakenIn =
  | { readonly ok: true; readonly id: string; readonly isNew: boolean; readonly taken: CalendarDate | null }
  | {
      readonly ok: false;
      readonly reason: "not-a-picture" | "damaged" | "too-large" | "too-many-pixels" | "no-room";
    };

/** What is known of a picture once it is in. */
export type Arrived = { readonly isNew: boolean; readonly taken: CalendarDate | null };

/** What the server may answer to a thing that was sent. */
export type Answer =
  | { ok: true; version?: number; made?: Readonly<Record<string, number>>; arrived?: Arrived }
  | { ok: false; reason: Trouble }
  | { ok: false; reason: "clash"; clash: { change: SavedChange; current: DayContent; version: number } }
  | { ok: false; reason: "leaf-clash"; bookClash: { leaf: string; by: string; at: string; version: number } }
  | { ok: false; reason: string };

/** A picture that had its turn: what came of it, and how long that took, in milliseconds. */
export type Came = {
  readonly picture: SentPicture;
  readonly dayId: string | null;
  readonly took: number;
  readonly result:
    | ({ readonly ok: true } & Arrived)
    | { readonly ok: false; readonly reason: keyof typeof PHOTO_PROBLEM };
};

/** The pictures that an entry carries. */
export const picturesIn = ({ sent }: Entry): readonly SentPicture[] =>
  sent.what === "picture" ? [sent.picture] : sent.what === "jotting" ? sent.pictures : [];

const WORDS = new Set(["text", "back", "note", "alt", "kept", "rest", "hidden", "basePaper"]);

/** The words that a thing carries, as they were written; none where it carries none. */
export function wordsIn(sent: Sendable): string {
  if (sent.what === "jotting") return sent.jotting?.text ?? "";
  if (sent.what === "tally")
    return sent.how === "mark"
      ? sent.mark.text
      : sent.how === "mark-text"
        ? sent.text
        : "name" in sent
          ? sent.name
          : "";
  if (sent.what !== "edit" && sent.what !== "book") return "";
  const found: string[] = [];
  const look = (value: unknown, name: string): void => {
    if (typeof value === "string" && WORDS.has(name)) found.push(value);
    else if (typeof value === "object" && value !== null)
      for (const [key, inner] of Object.entries(value)) look(inner, key);
  };
  look(sent.what === "edit" ? sent.edit : "make" in sent.edit ? sent.edit.make : null, "");
  return found.filter((text) => text.trim() !== "").join("\n");
}

/** How many of each kind of thing there are. */
export type Counts = { readonly changes: number; readonly jottings: number; readonly pictures: number };
export function countEntries(entries: readonly Entry[]): Counts {
  const of = (what: string) => entries.filter(({ sent }) => sent.what === what).length;
  const [jottings, pictures] = [of("jotting"), of("picture")];
  return { changes: entries.length - jottings - pictures, jottings, pictures };
}

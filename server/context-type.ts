import type { PictureReader } from "../press/reading-pool.ts";
import type { AlbumAggregate } from "../store/album.ts";
import type { Db } from "../store/db.ts";
import type { Member } from "../store/household.ts";
import type { Auth } from "./auth.ts";
import type { Wall } from "./clock.ts";
import type { Allowed } from "./limiter.ts";

/** What loaders and actions are given. Each reading is done once a request, however many loaders ask. */
export type HearthContext = {
  readonly db: Db;
  readonly auth: Auth;
  readonly now: Date;
  readonly nonce: string;
  /** Statements sent to the database so far in this request. */
  readonly queries: () => number;
  readonly member: () => Promise<Member | null>;
  /** What was asked for: the page's path with its query, as a browser shows it. */
  readonly address: string;
  /** Whether a page's own script asks, which can be answered with a reason; a browser itself is led somewhere. */
  readonly byScript: boolean;
  readonly isWrite: boolean;
  readonly album: (householdId: string, albumId: string) => Promise<AlbumAggregate | null>;
  readonly wall: (member: Pick<Member, "household">) => Wall;
  /** Counts a page or a picture of a link that is asked for. */
  readonly visit: () => Promise<Allowed>;
  /** Counts an address of a link that leads nowhere. */
  readonly guessed: () => Promise<Allowed>;
  /** Reads a picture in a thread of its own. */
  readonly readPicture: PictureReader;
  /** Tells those who work in the background that there is something to do. */
  readonly poke: () => void;
  /** How many bytes a household may keep. */
  readonly room: number;
  /** Does something that holds so many bytes in memory, when there is room for them beside the others'. */
  readonly inMemory: <T>(bytes: number, work: () => Promise<T>) => Promise<T>;
  readonly logError: (error: unknown) => void;
};

declare module "react-router" {
  interface AppLoadContext extends HearthContext {}
}

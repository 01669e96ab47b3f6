/** A picture taken with a jotting: its use on the day has its id before anything is sent. */
export type JotPicture = {
  readonly useId: string;
  readonly name: string;
  readonly type: string;
  readonly bytes: ArrayBuffer;
};

/** What was jotted on this device and is not known to be at home yet. */
export type Jot = {
  readonly id: string;
  readonly albumId: string;
  readonly dayId: string;
  /** The day it is for, in a few words. */
  readonly day: string;
  readonly at: string;
  readonly text: string;
  readonly pictures: readonly JotPicture[];
  /** Its place among those of this device: the oldest is sent first. */
  readonly order: number;
  /** Why the server would not take it; null while it only waits. */
  readonly refused: JotRefusal | null;
};
export type JotRefusal = "no-day" | "no-picture";

/** What a jotting is sent as, once its pictures are in the roll. */
export type SentJot = {
  readonly albumId: string;
  readonly dayId: string;
  readonly jotting: { readonly id: string; readonly text: string; readonly at: string } | null;
  readonly pictures: readonly { readonly useId: string; readonly photoId: string }[];
};

/** What a jot box works with: where it keeps jottings, and how it sends one. Sending throws where there is no connection. */
export type JotSender = {
  /** Writes one jotting down, in place of an earlier one of its id. Each lies by itself: two open pages are not in each other's way. */
  readonly keep: (jot: Jot) => Promise<void>;
  readonly forget: (id: string) => Promise<void>;
  readonly kept: () => Promise<readonly Jot[]>;
  readonly sendPicture: (picture: JotPicture) => Promise<{ ok: true; id: string } | { ok: false }>;
  readonly sendJot: (jot: SentJot) => Promise<{ ok: true } | { ok: false }>;
};

export class SignedOut extends Error {}

export type BoxState = {
  readonly jots: readonly Jot[];
  readonly state: "idle" | "sending" | "offline" | "sign-in";
};

/**
 * Jottings on their way to the server. Each is written down on the device before anything else happens, and forgotten when the
 * server has it; ids are given here, so that one sent again because its answer was lost is still there once.
 */
export class JotBox {
  #state: BoxState = { jots: [], state: "idle" };
  readonly #sender: JotSender;
  readonly #listeners = new Set<() => void>();
  #busy = false;

  constructor(sender: JotSender) {
    this.#sender = sender;
  }

  readonly subscribe = (listener: () => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };
  readonly snapshot = (): BoxState => this.#state;

  #set(change: Partial<BoxState>): void {
    this.#state = { ...this.#state, ...change };
    for (const listener of this.#listeners) listener();
  }

  /** Takes up what this device kept from before. */
  async open(): Promise<void> {
    const kept = await this.#sender.kept();
    const known = new Set(this.#state.jots.map(({ id }) => id));
    for (const jot of kept) if (!known.has(jot.id)) this.#show(jot);
  }

  /** Keeps a jotting on the device; it is safe from then on. Throws where the device would not keep it. */
  async put(given: Omit<Jot, "order" | "refused">): Promise<void> {
    const order = Math.max(0, ...this.#state.jots.map((jot) => jot.order)) + 1;
    await this.#write({ ...given, order, refused: null });
  }

  /** Takes a jotting off the device: it is at home, or was refused and its keeper says so. */
  async drop(id: string): Promise<void> {
    await this.#sender.forget(id);
    this.#set({ jots: this.#state.jots.filter((jot) => jot.id !== id) });
  }

  /** Lets what was refused be sent once more. */
  async again(): Promise<void> {
    for (const jot of this.#state.jots) if (jot.refused !== null) await this.#write({ ...jot, refused: null });
  }

  async #write(jot: Jot): Promise<void> {
    await this.#sender.keep(jot);
    this.#show(jot);
  }

  // The list is read anew after every wait: what another act did meanwhile stays done.
  #show(jot: Jot): void {
    const others = this.#state.jots.filter(({ id }) => id !== jot.id);
    this.#set({ jots: [...others, jot].sort((a, b) => a.order - b.order) });
  }

  /** Sends what waits, the oldest first; returns how many arrived. What cannot be sent now stays for the next time. */
  async send(): Promise<number> {
    if (this.#busy) return 0;
    this.#busy = true;
    let arrived = 0;
    try {
      for (let next = this.#next(); next; next = this.#next()) {
        this.#set({ state: "sending" });
        const refused = await this.#one(next);
        if (refused) await this.#write({ ...next, refused });
        else await this.drop(next.id);
        if (!refused) arrived += 1;
      }
      this.#set({ state: "idle" });
    } catch (error) {
      this.#set({ state: error instanceof SignedOut ? "sign-in" : "offline" });
    } finally {
      this.#busy = false;
    }
    return arrived;
  }

  #next = (): Jot | undefined => this.#state.jots.find(({ refused }) => refused === null);

  async #one({ id, albumId, dayId, text, at, pictures }: Jot): Promise<JotRefusal | null> {
    const there: { useId: string; photoId: string }[] = [];
    for (const picture of pictures) {
      const sent = await this.#sender.sendPicture(picture);
      if (!sent.ok) return "no-picture";
      there.push({ useId: picture.useId, photoId: sent.id });
    }
    const jotting = text.trim() === "" ? null : { id, text, at };
    const taken = await this.#sender.sendJot({ albumId, dayId, jotting, pictures: there });
    return taken.ok ? null : "no-day";
  }
}

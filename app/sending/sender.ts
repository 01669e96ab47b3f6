import { type Answer, type Entry, troubleIn } from "./entry.ts";
import type { Outbox } from "./outbox.ts";

/** What a sender works with beside its outbox. */
export type Ways = {
  /** Sends one thing; what goes wrong on the way may be thrown. */
  readonly carry: (entry: Entry) => Promise<Answer>;
  /** What is done when the server has answered, before a thing stops counting as on its way: the page is read anew. */
  readonly answered: (entry: Entry) => Promise<void>;
  readonly now: () => number;
  /** Milliseconds after which what could not be sent is tried again. */
  readonly tryAgain: number;
};

/** Sends what waits in an outbox, of each queue in order, and tries again what could not be sent, until `signal` ends. */
export function sendFrom(outbox: Outbox, { carry, answered, now, tryAgain }: Ways, signal: AbortSignal): void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const send = async (entry: Entry) => {
    const answer = await carry(entry).catch(() => null);
    if (answer && !(answer.ok === false && troubleIn(answer.reason))) await answered(entry).catch(() => undefined);
    outbox.answer(entry.id, answer, now(), now() + tryAgain);
  };
  const look = () => {
    clearTimeout(timer);
    if (signal.aborted) return;
    // One moment for both questions: what comes due between two would be in neither answer.
    const at = now();
    const [entry] = outbox.next(at);
    if (entry) {
      // Its departure is a change of the outbox, and looks again for what else may leave.
      outbox.depart(entry.id, at);
      void send(entry);
      return;
    }
    const due = outbox.nextDue(at);
    if (due !== null) timer = setTimeout(look, due - at);
  };
  const end = outbox.subscribe(look);
  signal.addEventListener("abort", () => {
    clearTimeout(timer);
    end();
  });
  look();
}

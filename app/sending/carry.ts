import { to } from "#app/addresses.ts";
import { awayFor } from "#app/http/keep-page.ts";
import { LIMITS } from "#core/limits.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import type { Answer, Entry, SentPicture, TakenIn } from "./entry.ts";

/** How long the server may take, in milliseconds, before it counts as away. */
const PATIENCE = { words: 45_000, picture: 300_000 };

/** What is in a picture; null where it can be read no more. */
type Pictures = (id: string) => Promise<Blob | null>;

type Refusal = Extract<Answer, { ok: false }>;
/** Thrown where something was not taken: the whole of what was to be sent waits, or goes back. */
class NotTaken extends Error {
  constructor(readonly answer: Refusal) {
    super(answer.reason);
  }
}
const refuse = (reason: string): never => {
  throw new NotTaken({ ok: false, reason });
};

/** Posts, and reads what our server answers; anything else is thrown as what it means for what was sent. */
async function post<T>(address: string, body: FormData | object, patience: number): Promise<T> {
  const isForm = body instanceof FormData;
  const response = await fetch(address, {
    method: "POST",
    body: isForm ? body : JSON.stringify(body),
    headers: isForm ? {} : { "content-type": "application/json" },
    // Sent to the door, nobody is signed in any more.
    redirect: "manual",
    signal: AbortSignal.timeout(patience),
  }).catch(() => refuse("unreachable"));
  if (response.type === "opaqueredirect") return refuse("signed-out");
  if (!response.ok) return refuse(awayFor(response.status));
  return (await response.json().catch(() => refuse("unreachable"))) as T;
}

/** Sends one thing to the server, and says what came of it. Sent again because its answer was lost, it is done once. */
export async function carry(entry: Entry, pictures: Pictures): Promise<Answer> {
  try {
    return await carried(entry, pictures);
  } catch (error) {
    if (error instanceof NotTaken) return error.answer;
    throw error;
  }
}

async function carried({ id, album, sent }: Entry, pictures: Pictures): Promise<Answer> {
  switch (sent.what) {
    case "picture": {
      const { picture, dayId } = sent;
      const known = dayId === null && (await isKnown(picture, pictures));
      if (known) return { ok: true, arrived: { isNew: false, taken: null } };
      const { id: photoId, ...arrived } = await handIn(picture, pictures);
      if (dayId !== null) {
        const brought = { what: "bring", dayId, jotting: null, pictures: [{ useId: picture.id, photoId }] };
        const put = await change<{ ok: true; there: readonly string[] }>(album, id, brought);
        if (put.there.length > 0) return refuse("already-there");
      }
      return { ok: true, arrived };
    }
    case "jotting": {
      const { dayId, jotting } = sent;
      const there: { useId: string; photoId: string }[] = [];
      for (const picture of sent.pictures)
        there.push({ useId: picture.id, photoId: (await handIn(picture, pictures)).id });
      return change(album, id, { what: "bring", dayId, jotting, pictures: there });
    }
    default:
      return change(album, id, sent);
  }
}

/** Sends a change to an album under its own name: sent twice, it is done once. */
async function change<T extends Extract<Answer, { ok: true }>>(
  album: string | null,
  act: string,
  sent: object,
): Promise<T> {
  const answer = await post<T | Refusal>(to.sent(album ?? ""), { ...sent, act }, PATIENCE.words);
  if (answer.ok !== true) throw new NotTaken(answer);
  return answer;
}

/** Hands one picture in at the door of the roll. */
async function handIn(
  { id, name, size }: SentPicture,
  pictures: Pictures,
): Promise<{ id: string; isNew: boolean; taken: CalendarDate | null }> {
  if (size > LIMITS.pictureBytes.most) return refuse("too-large");
  const picture = await pictures(id);
  if (!picture || !(await canBeRead(picture))) return refuse("gone");
  const form = new FormData();
  form.append("photo", new File([picture], name, { type: picture.type }));
  const answer = await post<TakenIn>(to.photos(), form, PATIENCE.picture);
  if (!answer.ok) return refuse(answer.reason);
  return { id: answer.id, isNew: answer.isNew, taken: answer.taken };
}

/** A card that was pulled out takes its files along; then sending one looks like a server that is away. */
const canBeRead = (picture: Blob): Promise<boolean> =>
  picture
    .slice(0, 1)
    .arrayBuffer()
    .then(
      () => true,
      () => false,
    );

const hex = (bytes: ArrayBuffer) =>
  [...new Uint8Array(bytes)].map((each) => each.toString(16).padStart(2, "0")).join("");

/** Whether the roll has a picture already, by what is in it: asking is cheap, sending is not. */
async function isKnown({ id, size }: SentPicture, pictures: Pictures): Promise<boolean> {
  // Only a secure page may hash; elsewhere every picture is sent and the server tells doubles.
  if (globalThis.crypto?.subtle === undefined || size > LIMITS.pictureBytes.most) return false;
  const bytes = await pictures(id)
    .then((picture) => picture?.arrayBuffer())
    .catch(() => undefined);
  if (!bytes) return false;
  const hash = hex(await crypto.subtle.digest("SHA-256", bytes));
  const { known } = await post<{ known: readonly string[] }>(to.photos(), { hashes: [hash] }, PATIENCE.words);
  return known.includes(hash);
}

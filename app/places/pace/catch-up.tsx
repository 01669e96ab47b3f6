import { useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { usePut } from "#app/sending/sending.tsx";
import { many } from "#app/wording/count.ts";
import { shortDate } from "#app/wording/dates.ts";
import { minutesLong } from "#app/wording/pace.ts";
import { type Offer, offerKey, type Valued } from "#core/pace/catch-up.ts";

const MOST = 4;

/** What could be done to catch up, what each does to the finish, and yes or no to it. */
export function CatchUp({ albumId, offers }: { albumId: string; offers: readonly Valued[] | null }) {
  // What was answered is gone at once, before the plan is read anew.
  const [answered, setAnswered] = useState<ReadonlySet<string>>(new Set());
  const shown = (offers ?? []).filter(({ offer }) => !answered.has(offerKey(offer))).slice(0, MOST);
  if (shown.length === 0) return null;
  return (
    <section aria-labelledby="catch-up" className="grid gap-2 rounded-md border border-line bg-panel p-4">
      <h2 id="catch-up" className="text-xl">
        Ways to make it less
      </h2>
      <p className="text-sm text-quiet">
        None of them has to be. Whatever is taken can be taken back, and what is answered with “No” is not asked again.
      </p>
      <ul className="grid" aria-label="Ways to make it less">
        {shown.map((each) => (
          <Way
            key={offerKey(each.offer)}
            albumId={albumId}
            valued={each}
            onAnswer={() => setAnswered(new Set([...answered, offerKey(each.offer)]))}
          />
        ))}
      </ul>
    </section>
  );
}

function Way({ albumId, valued, onAnswer }: { albumId: string; valued: Valued; onAnswer: () => void }) {
  const put = usePut();
  const { offer, minutes, even, sure } = valued;
  const take = () => {
    if (!("day" in offer)) return;
    const key = `${offer.day}:catch-up:${offer.kind}`;
    const { day: dayId } = offer;
    if (offer.kind === "merge") put(key, { what: "month", how: "merge", dayId, side: "after" });
    else if (offer.kind === "skip") put(key, { what: "month", how: "skip", dayId, on: true });
    else if (offer.kind === "no-insert")
      put(`book:${key}`, { what: "book", seen: null, edit: { kind: "remove-leaf", leaf: offer.leaf } });
    else {
      const part = offer.kind === "words-only" ? "photos" : "words";
      put(key, { what: "edit", dayId, base: null, edit: { kind: "waive", part, on: true } });
    }
    onAnswer();
  };
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 gap-y-1 border-b border-line py-2 last:border-b-0">
      <span>
        {offerSaid(offer)}
        <span className="block text-sm text-quiet">
          {minutesLong(minutes)} less{even > 0 && `, done ${many(even, "day")} sooner`}
          {even === 0 && sure > 0 && `, nine in ten ${many(sure, "day")} sooner`}
          {even > 0 && sure > 0 && sure !== even && ` (nine in ten: ${many(sure, "day")})`}
        </span>
      </span>
      <span className="flex gap-2">
        {offer.kind === "spread" ? (
          <Link to={to.day(albumId, offer.date)} className="link content-center text-sm">
            To the day
          </Link>
        ) : "day" in offer ? (
          <Button small keepers onClick={take}>
            Do it<span className="sr-only">: {offerSaid(offer)}</span>
          </Button>
        ) : (
          <Link to={to.part(albumId, "sheets")} className="link content-center text-sm">
            To the sheets
          </Link>
        )}
        <Button
          small
          keepers
          look="quiet"
          onClick={() => {
            put(`decline:${offerKey(offer)}`, { what: "decline", offer: offerKey(offer) });
            onAnswer();
          }}
        >
          No<span className="sr-only">: {offerSaid(offer)}</span>
        </Button>
      </span>
    </li>
  );
}

function offerSaid(offer: Offer): string {
  switch (offer.kind) {
    case "merge":
      return `${shortDate(offer.date)} and ${shortDate(offer.with)} share a page`;
    case "skip":
      return `${shortDate(offer.date)} is not told`;
    case "words-only":
      return `${shortDate(offer.date)} with words alone`;
    case "photo-only":
      return `${shortDate(offer.date)} with its picture, page-wide, and a number`;
    case "no-insert":
      return `${shortDate(offer.date)} without its insert, on which nothing lies yet`;
    case "spread":
      return `Two stories stand on ${shortDate(offer.date)}: one of them told on ${shortDate(offer.to)}, which has none`;
    case "one-printing":
      return `One printing for all ${offer.pages} pages that wait for prints`;
    case "lab":
      return `The prints of ${offer.pages} pages to a lab, a week away`;
  }
}

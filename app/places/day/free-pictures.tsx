import { useEffect } from "react";
import { Link, useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Button } from "#app/parts/button.tsx";
import { carry } from "#app/parts/carried.ts";
import { newId } from "#app/parts/new-id.ts";
import { Tools } from "#app/parts/tools.tsx";
import { broughtTo } from "#app/sending/hand-in.ts";
import { pendingSent } from "#app/sending/pending.ts";
import { useOutbox } from "#app/sending/sending.tsx";
import { many } from "#app/wording/count.ts";
import type { PictureFacts } from "#core/photo/crop.ts";

/** A picture that a day may have. */
export type FreePicture = {
  readonly id: string;
  readonly name: string;
  readonly date: string | null;
  readonly time: string | null;
  readonly facts: PictureFacts;
};
export type FreeForDay = {
  readonly own: readonly FreePicture[];
  readonly banked: readonly FreePicture[];
  /** What stands in the descriptions of its pictures and was not jotted yet. */
  readonly words: readonly { readonly photoId: string; readonly text: string; readonly at: string }[];
};

/** How many banked ones are offered beside a day's own. */
const MOST_BANKED = 6;

/**
 * What a picture is looked for: to be added to the day, to take the place of one that it has, as that is called, or to
 * share a print with others.
 */
export type Wanted =
  | { readonly kind: "more" }
  | { readonly kind: "instead"; readonly useId: string; readonly said: string; readonly onPut: () => void }
  | { readonly kind: "beside"; readonly onTake: (picture: FreePicture) => void };

/** Pictures that were taken on the day and lie on no page yet, and those banked: one press puts one there. */
export function FreePictures({
  albumId,
  date,
  dayId,
  isBare,
  wanted,
}: {
  albumId: string;
  date: string;
  dayId: string;
  /** The day has no picture yet. */
  isBare: boolean;
  wanted: Wanted;
}) {
  const { state, put } = useOutbox();
  const { data, load } = useFetcher<FreeForDay>();
  useEffect(() => {
    void load(to.freePictures(albumId, date));
  }, [load, albumId, date]);
  const onTheirWay = new Set([
    ...pendingSent(state, "bring").flatMap(({ pictures }) => pictures.map((each) => each.photoId)),
    ...pendingSent(state, "another-picture").map(({ photoId }) => photoId),
    ...pendingSent(state, "edit").flatMap(({ edit }) =>
      edit.kind === "photo-together" ? edit.pictures.map(({ photoId }) => photoId) : [],
    ),
  ]);
  const take = (picture: FreePicture) => {
    const photoId = picture.id;
    if (wanted.kind === "beside") return wanted.onTake(picture);
    if (wanted.kind === "more") return put(`bring:${newId()}`, broughtTo(dayId, [photoId]));
    put(`another:${wanted.useId}`, { what: "another-picture", dayId, useId: wanted.useId, photoId });
    wanted.onPut();
  };
  const way = { more: "on this day", beside: "into this print too" };
  const goes = wanted.kind === "instead" ? `in place of ${wanted.said}` : way[wanted.kind];
  const jotted = pendingSent(state, "edit").flatMap(({ edit }) =>
    edit.kind === "add-jotting" ? [edit.jotting.text] : [],
  );
  const jot = (text: string, at: string) => {
    const jotting = { id: newId(), text, at, privateUntil: null };
    put(`${dayId}:jotting:${jotting.id}`, { what: "edit", dayId, base: null, edit: { kind: "add-jotting", jotting } });
  };
  const free = (all: readonly FreePicture[]) => all.filter(({ id }) => !onTheirWay.has(id));
  const [own, banked] = [free(data?.own ?? []), free(data?.banked ?? []).slice(0, MOST_BANKED)];
  const words = (data?.words ?? []).filter(({ text }) => !jotted.includes(text));
  const row = (name: string, pictures: readonly FreePicture[], isSaid = true) =>
    pictures.length > 0 && (
      <div className="grid gap-1">
        {isSaid && <p className="text-sm text-quiet">{name}</p>}
        <Tools name={name} className="flex flex-wrap gap-1.5">
          {pictures.map((picture) => (
            <button
              key={picture.id}
              type="button"
              aria-label={`Put ${picture.name}${picture.time ? ` of ${picture.time}` : ""} ${goes}`}
              title={`Put it ${goes}`}
              draggable
              onDragStart={(event) => carry(event, [picture.id])}
              onClick={() => take(picture)}
              className="block border-2 border-transparent hover:border-ember"
            >
              <img
                src={pictureAddress(picture.id, 480, picture.facts.look)}
                alt=""
                // As wide as it will be, before it is there: what is pressed does not move under the hand.
                width={picture.facts.width}
                height={picture.facts.height}
                draggable={false}
                className="h-14 w-auto"
              />
            </button>
          ))}
        </Tools>
      </div>
    );
  return (
    <div className="grid gap-2">
      {row("Taken this day, on no page yet", own)}
      {wanted.kind === "more" &&
        words.map(({ photoId, text, at }) => (
          <div key={photoId} className="grid gap-1 border-l-4 border-ring-words pl-3 text-sm">
            <p>
              <span className="text-quiet">A picture of {at.slice(11)} says:</span> “{text}”
            </p>
            <div>
              <Button small onClick={() => jot(text, at)}>
                Jot it down for this day
              </Button>
            </div>
          </div>
        ))}
      {banked.length > 0 && (
        // Of a day that has pictures of its own they are asked for, and in nobody's way.
        <details open={wanted.kind !== "more" || (isBare && own.length === 0)}>
          <summary className="min-h-8 content-center text-sm text-quiet">
            {many(banked.length, "picture")} banked for a dark day
          </summary>
          {row("Banked", banked, false)}
        </details>
      )}
      {wanted.kind !== "beside" && (
        <p className="text-sm">
          <Link
            to={to.roll(albumId, wanted.kind === "instead" ? { instead: wanted.useId } : { for: date })}
            className="link"
          >
            Choose from the whole roll
          </Link>
        </p>
      )}
    </div>
  );
}

import { ImagePlus } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { Link, useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { SizePicker } from "#app/parts/size-picker.tsx";
import { useOutbox } from "#app/sending/outbox-provider.tsx";
import { PHOTO_PROBLEM } from "#app/wording/photo.ts";
import { type Away, UNREACHABLE } from "#app/wording/sending.ts";
import { PRINT_SIZES } from "#core/album/formats.ts";
import { MOST_BYTES } from "#core/photo/roll.ts";
import { KeptText } from "./kept-fields.tsx";
import { Panel, Without } from "./panel.tsx";
import type { DayView } from "./view.ts";

/** What came of one file handed in. */
export type Added =
  | {
      readonly name: string;
      readonly ok: true;
      readonly useId: string;
      readonly dayId: string;
      readonly date: "this-day" | "none" | "outside" | { readonly other: string; readonly said: string };
    }
  | { readonly name: string; readonly ok: false; readonly reason: keyof typeof PHOTO_PROBLEM };
type Answer = { ok: true; added: readonly Added[] } | { ok: false; reason: Away };

export function PhotosPanel({ view }: { view: DayView }) {
  const { put } = useOutbox();
  const [first] = view.parts;
  if (!first) return null;
  const photos = view.parts.flatMap((part) => part.content.photos.map((photo) => ({ part, photo })));
  return (
    <Panel
      id="photos"
      ring="photos"
      state={view.states.photos}
      name="Photos"
      aside={photos.length > 0 && `${photos.length} on this ${view.matter ? "page" : "day"}`}
    >
      {photos.map(({ part, photo }, at) => {
        const info = view.photoInfo[photo.id];
        return (
          <div key={photo.id} className="grid grid-cols-[96px_minmax(0,1fr)] gap-3">
            <img
              src={pictureAddress(photo.photoId, 480, photo.picture.look)}
              alt={photo.alt || `Photo ${at + 1}, not described yet`}
              className="aspect-square w-full rounded-sm object-cover"
            />
            <div className="grid content-start gap-1">
              <KeptText
                part={part}
                maxLength={500}
                className="text-sm"
                name={`photo:${photo.id}`}
                label={`Description of photo ${at + 1}`}
                saved={photo.alt}
                toEdit={(alt) => ({ kind: "photo-alt", id: photo.id, alt })}
                placeholder="What it shows, for who cannot see it"
              />
              <p className="px-1 text-sm text-quiet">
                {info?.taken ? `Taken ${info.taken}. ` : "No date in the picture. "}
                {info?.pixels}. {info?.standing}
              </p>
              <div className="flex flex-wrap items-center gap-2">
                <SizePicker
                  label={`Print size of photo ${at + 1}`}
                  value={photo.print}
                  choices={PRINT_SIZES}
                  unit={view.unit}
                  onPick={(print) =>
                    put(`${part.id}:photo-print:${photo.id}`, {
                      what: "edit",
                      dayId: part.id,
                      base: null,
                      edit: { kind: "photo-print", id: photo.id, print },
                    })
                  }
                />
                <Link
                  to={to.crop(view.albumId, photo.id)}
                  className={buttonLook("plain", true)}
                  aria-label={`Crop photo ${at + 1}`}
                >
                  Crop
                </Link>
                <Button
                  look="quiet"
                  small
                  aria-label={`Remove photo ${at + 1}`}
                  onClick={() =>
                    put(`${part.id}:remove:${photo.id}`, {
                      what: "edit",
                      dayId: part.id,
                      base: null,
                      edit: { kind: "remove-photo", id: photo.id },
                    })
                  }
                >
                  Remove
                </Button>
              </div>
            </div>
          </div>
        );
      })}
      <AddPhotos view={view} />
      {photos.length === 0 && <Without day={first} part="photos" />}
    </Panel>
  );
}

/**
 * Pictures on their way to a day, one after the other, and what came of those that have arrived. More may be handed in
 * meanwhile; those that did not reach the server wait until they are sent again.
 */
function useAddPhotos(action: string) {
  const { state, data, submit } = useFetcher<Answer>();
  const [waiting, setWaiting] = useState<readonly File[]>([]);
  const [came, setCame] = useState<readonly Added[]>([]);
  const [trouble, setTrouble] = useState<Away | null>(null);
  const [flying, setFlying] = useState<File | null>(null);
  const out = useRef<File | null>(null);
  useEffect(() => {
    const sent = out.current;
    if (state !== "idle" || !sent) return;
    out.current = null;
    setFlying(null);
    if (!data?.ok) return setTrouble(data?.reason ?? "unreachable");
    setCame((was) => [...was, ...data.added]);
    setWaiting((was) => was.filter((each) => each !== sent));
  }, [state, data]);
  useEffect(() => {
    const [next] = waiting;
    if (!next || flying || trouble) return;
    out.current = next;
    setFlying(next);
    const form = new FormData();
    form.append("photo", next);
    void submit(form, { method: "post", action, encType: "multipart/form-data" });
  }, [waiting, flying, trouble, submit, action]);
  const add = (files: readonly File[]) => {
    const tooLarge = files.filter(({ size }) => size > MOST_BYTES);
    const refused = tooLarge.map(({ name }): Added => ({ name, ok: false, reason: "too-large" }));
    setCame((was) => [...(waiting.length > 0 ? was : []), ...refused]);
    setWaiting((was) => [...was, ...files.filter((file) => !tooLarge.includes(file))]);
  };
  return { waiting: waiting.length, came, trouble, add, again: () => setTrouble(null) };
}

/** Hands pictures in, keeps them at hand while the server is away, and says what came of each. */
function AddPhotos({ view }: { view: DayView }) {
  const { waiting, came, trouble, add, again } = useAddPhotos(to.dayPhotos(view.albumId, view.key));
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: a place to drop files on; the button inside does the same
    <div
      className="grid gap-2"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        add([...event.dataTransfer.files]);
      }}
    >
      <label className="flex min-h-11 items-center justify-center gap-2 rounded-sm border border-dashed border-edge px-3 text-sm font-medium hover:border-ember hover:text-ember has-focus-visible:outline-2 has-focus-visible:outline-ember">
        <ImagePlus className="size-5" aria-hidden="true" />
        {waiting > 0 && !trouble ? `Taking them in, ${waiting} to go` : "Add photos, or drop them here"}
        <input
          type="file"
          aria-label="Add photos"
          accept="image/jpeg,image/png,image/webp,image/avif,image/tiff,image/heic,image/heif,.heic,.heif"
          multiple
          className="sr-only"
          onChange={(event) => {
            add([...(event.target.files ?? [])]);
            event.target.value = "";
          }}
        />
      </label>
      {trouble && (
        <p role="alert" className="text-sm font-medium text-ember">
          {UNREACHABLE[trouble].replace(
            "What you wrote is kept on this device and sent when it is back.",
            "The pictures are still here.",
          )}{" "}
          <button type="button" className="underline" onClick={again}>
            Try again
          </button>
        </p>
      )}
      <div role="status" className="grid gap-1 text-sm">
        {came.map((added) => (
          <AddedLine key={added.ok ? added.useId : added.name} added={added} view={view} />
        ))}
      </div>
    </div>
  );
}

function AddedLine({ added, view }: { added: Added; view: DayView }) {
  const { put } = useOutbox();
  if (!added.ok) {
    return (
      <p className="font-medium text-ember">
        {added.name} {PHOTO_PROBLEM[added.reason]}
      </p>
    );
  }
  if (!view.parts.some(({ content }) => content.photos.some(({ id }) => id === added.useId))) return null;
  if (added.date === "this-day") return null;
  if (added.date === "none") return <p>{added.name} carries no date. It is on this day.</p>;
  if (added.date === "outside")
    return <p>{added.name} was taken outside this album’s days. It is on this day all the same.</p>;
  const { other, said } = added.date;
  return (
    <p className="flex flex-wrap items-center gap-x-3">
      {added.name} was taken on {said}.
      <Button
        small
        onClick={() =>
          put(`${added.dayId}:move-photo:${added.useId}`, {
            what: "move-photo",
            dayId: added.dayId,
            useId: added.useId,
            to: other,
          })
        }
      >
        Put it on {said}
      </Button>
      <span className="text-quiet">or leave it here.</span>
    </p>
  );
}

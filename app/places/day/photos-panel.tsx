import { ImagePlus } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { SizePicker } from "#app/parts/size-picker.tsx";
import { Tools } from "#app/parts/tools.tsx";
import type { Came } from "#app/sending/entry.ts";
import { handIn, runOf } from "#app/sending/hand-in.ts";
import { usePut, useSending } from "#app/sending/sending.tsx";
import { PHOTO_PROBLEM } from "#app/wording/photo.ts";
import { PRINT_SIZES } from "#core/album/formats.ts";
import { printShort } from "#core/month/dates.ts";
import { inSpan } from "#core/month/span.ts";
import { FreePictures } from "./free-pictures.tsx";
import { KeptText } from "./kept-fields.tsx";
import { Panel, Without } from "./panel.tsx";
import type { DayView } from "./view.ts";

export function PhotosPanel({ view }: { view: DayView }) {
  const put = usePut();
  const [insteadOf, setInsteadOf] = useState<string | null>(null);
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
                text={photo.alt}
                toEdit={(alt) => ({ kind: "photo-alt", id: photo.id, alt })}
                placeholder="What it shows, for who cannot see it"
              />
              <p className="px-1 text-sm text-quiet">
                {info?.taken ? `Taken ${info.taken}. ` : "No date in the picture. "}
                {info?.pixels}. {photo.together && `${photo.together.others.length + 1} pictures share this print. `}
                {info?.standing}
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
                <Tools name={`Photo ${at + 1}`} className="flex flex-wrap items-center gap-2">
                  <Link
                    to={to.crop(view.albumId, photo.id)}
                    className={buttonLook("plain", true)}
                    aria-label={`Crop photo ${at + 1}`}
                  >
                    Crop
                  </Link>
                  {view.date ? (
                    <Button
                      look="quiet"
                      small
                      aria-expanded={insteadOf === photo.id}
                      aria-label={`Another picture in place of photo ${at + 1}`}
                      onClick={() => setInsteadOf(insteadOf === photo.id ? null : photo.id)}
                    >
                      Another
                    </Button>
                  ) : (
                    <Link
                      to={to.roll(view.albumId, { instead: photo.id })}
                      className={buttonLook("quiet", true)}
                      aria-label={`Another picture in place of photo ${at + 1}`}
                    >
                      Another
                    </Link>
                  )}
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
                </Tools>
              </div>
              {view.date && insteadOf === photo.id && (
                <FreePictures
                  albumId={view.albumId}
                  date={view.date}
                  dayId={part.id}
                  isBare
                  wanted={{
                    ...{ kind: "instead", useId: photo.id, said: `photo ${at + 1}` },
                    onPut: () => setInsteadOf(null),
                  }}
                />
              )}
            </div>
          </div>
        );
      })}
      {view.date && insteadOf === null && (
        <FreePictures
          albumId={view.albumId}
          date={view.date}
          dayId={first.id}
          isBare={photos.length === 0}
          wanted={{ kind: "more" }}
        />
      )}
      {photos.length > 0 && (
        <p className="text-sm">
          <Link to={to.goesWith(view.albumId, { day: first.id })} className="link">
            What of the drawer goes with {photos.length === 1 ? "it" : "them"}
          </Link>
        </p>
      )}
      <AddPhotos view={view} dayId={first.id} />
      {photos.length === 0 && <Without day={first} part="photos" />}
    </Panel>
  );
}

/** Hands pictures in to the page's first day, and says what came of each. */
function AddPhotos({ view, dayId }: { view: DayView; dayId: string }) {
  const { state, send } = useSending();
  const { waiting, came } = runOf(state, dayId);
  const add = (files: readonly File[]) => handIn(send, files, { album: view.albumId, dayId });
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
        {waiting > 0 ? `Taking them in, ${waiting} to go` : "Add photos, or drop them here"}
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
      <div role="status" className="grid gap-1 text-sm">
        {came.map((each) => (
          <CameLine key={each.picture.id} came={each} view={view} dayId={dayId} />
        ))}
      </div>
    </div>
  );
}

/** What is to be said of one picture that was handed in: why it was not taken, or that it is of another day. */
function CameLine({ came: { picture, result }, view, dayId }: { came: Came; view: DayView; dayId: string }) {
  const put = usePut();
  if (!result.ok)
    return (
      <p className="font-medium text-ember">
        {picture.name} {PHOTO_PROBLEM[result.reason]}
      </p>
    );
  if (!view.parts.some(({ content }) => content.photos.some(({ id }) => id === picture.id))) return null;
  const { taken } = result;
  // A page that is no day's takes a picture of any.
  if (view.date === null) return null;
  if (taken === null) return <p>{picture.name} carries no date. It is on this day.</p>;
  if (view.dates.includes(taken)) return null;
  if (!inSpan(view.span, taken))
    return <p>{picture.name} was taken outside this album’s days. It is on this day all the same.</p>;
  const said = printShort(taken);
  return (
    <p className="flex flex-wrap items-center gap-x-3">
      {picture.name} was taken on {said}.
      <Button
        small
        onClick={() =>
          put(`${dayId}:move-photo:${picture.id}`, { what: "move-photo", dayId, useId: picture.id, to: taken })
        }
      >
        Put it on {said}
      </Button>
      <span className="text-quiet">or leave it here.</span>
    </p>
  );
}

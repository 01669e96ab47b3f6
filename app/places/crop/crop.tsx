import { useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { drawingOf, nearPicture } from "#app/drawing/mat-text.ts";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PRIVATE_MEANS, PrivateUntil } from "#app/parts/private-until.tsx";
import { SizePicker } from "#app/parts/size-picker.tsx";
import { MatStage, Workplace } from "#app/parts/workplace.tsx";
import { Zoomed } from "#app/parts/zoomed.tsx";
import { withPendingPart } from "#app/sending/pending.ts";
import { useOutbox } from "#app/sending/sending.tsx";
import type { DayEdit } from "#core/album/edit.ts";
import { PRINT_SIZES } from "#core/album/formats.ts";
import { EMPTY_DAY, type PhotoUse } from "#core/album/model.ts";
import { clearCrop, coveringKept } from "#core/book/keep-clear.ts";
import { printMarks } from "#core/draw/print.ts";
import { inches, type Length, millimetres, sayLength, ticks, type Unit } from "#core/measure/length.ts";
import { contains, type Rect, rect } from "#core/measure/rect.ts";
import { type Size, size } from "#core/measure/size.ts";
import {
  AS_IT_COMES,
  frameFor,
  insideBorder,
  keptPoint,
  lostOf,
  MOST_CLOSER,
  type PrintCrop,
  slideTo,
} from "#core/photo/crop.ts";
import { MOST_FACES } from "#core/photo/picture-face.ts";
import { quietSpots } from "#core/photo/quiet.ts";
import { pictureCropOf, pictureSizeOf } from "#core/photo/repeat.ts";
import { picturesOf } from "#core/photo/together.ts";
import type { PrintedOn } from "#core/words/printed-on.ts";
import { AnotherPicture } from "./another-picture.tsx";
import { CropDrawing, type Pointing } from "./crop-drawing.tsx";
import { FaceButtons, FacesCut, useFaces } from "./faces.tsx";
import { Lost, Pixels, Repeated, Turned } from "./how-it-prints.tsx";
import { InThisPrint, type Shared } from "./in-this-print.tsx";
import { PrintedOnPanel } from "./printed-on.tsx";
import { Colours, LABELS, Quiet } from "./quiet-spots.tsx";
import type { CropView } from "./view.ts";

const BORDERS: Record<Unit, readonly Length[]> = {
  inch: [ticks(0), inches(1 / 8), inches(3 / 16), inches(1 / 4)],
  cm: [ticks(0), millimetres(3), millimetres(5), millimetres(7)],
};

/** The print as a drawing of its pattern, without what is printed on it. */
const patternOf = (use: PhotoUse): string => {
  const whole = rect(0, 0, use.print.w, use.print.h);
  return drawingOf(printMarks({ ...use, onIt: [] }, whole, whole), nearPicture);
};

/** The pictures that share the print with the one that is cropped, drawn. */
const othersOf = (use: PhotoUse, at: number): string => {
  const whole = rect(0, 0, use.print.w, use.print.h);
  return drawingOf(
    printMarks({ ...use, onIt: [] }, whole, whole).filter((_mark, nth) => nth !== at),
    nearPicture,
  );
};
const rectIn = (room: Rect, inner: Rect): Rect => rect(room.x + inner.x, room.y + inner.y, inner.w, inner.h);

/** One picture fitted to its print: what is lost, what is kept, what lies over it, and where a label reads. */
export function Crop({ view }: { view: CropView }) {
  const { use: saved, dayId, unit, over, traits, albumId } = view;
  const { state, put } = useOutbox();
  const [cropKey, printKey] = [`${dayId}:photo-crop:${saved.id}`, `${dayId}:photo-print:${saved.id}`];
  const [use = saved] = withPendingPart(dayId, { ...EMPTY_DAY, photos: [saved] }, state).photos;
  const [pointing, setPointing] = useState<Pointing>("picture");
  const [label, setLabel] = useState<number | null>(null);
  const [chosenOn, setChosenOn] = useState<string | null>(null);
  const putOn = (next: readonly PrintedOn[]) =>
    put(
      `${dayId}:photo-on-it:${saved.id}`,
      { what: "edit", dayId, base: null, edit: { kind: "photo-on-it", id: saved.id, onIt: [...next] } },
      true,
    );
  const { print, onIt, repeat, privateUntil, together } = use;
  const [chosenPicture, setChosenPicture] = useState(0);
  const pictures = picturesOf(use);
  const at = Math.min(chosenPicture, pictures.length - 1);
  const now = pictures[at] ?? { ...use, at: rect(0, 0, print.w, print.h) };
  const { photoId, at: room } = now;
  const { faces, takeFaces, face, setFace } = useFaces(photoId, now.picture.faces);
  const facts = { ...now.picture, faces };
  const crop = together ? now.crop : pictureCropOf(use);
  // What the picture is cropped for: the print, its part of it, or one repetition of the pattern.
  const made = together ? size(room.w, room.h) : pictureSizeOf(use);
  const share = (shared: Shared) =>
    put(`${dayId}:photo-together:${saved.id}`, {
      what: "edit",
      dayId,
      base: null,
      edit: {
        kind: "photo-together",
        id: saved.id,
        ...shared,
        counts: [...shared.counts],
        pictures: [...shared.pictures],
      },
    });
  const takeRepeat = (next: Size | null) =>
    put(`${dayId}:photo-repeat:${saved.id}`, {
      what: "edit",
      dayId,
      base: null,
      edit: { kind: "photo-repeat", id: saved.id, repeat: next },
    });
  const frame = frameFor(facts, made, crop);
  const wanted = label === null ? undefined : LABELS[label];
  const spots =
    traits && wanted && !together
      ? quietSpots(
          traits,
          { print, crop, frame, look: facts.look },
          wanted.size,
          over.filter(({ kind }) => kind !== "seam").map(({ at }) => at),
        )
      : [];
  const take = (next: PrintCrop) => {
    const { id } = saved;
    // The white border is the print's: round all the pictures that share it.
    const edit: DayEdit =
      at > 0
        ? { kind: "photo-together-crop", id, photoId, crop: next }
        : { kind: "photo-crop", id, crop: together ? { ...next, border: use.crop.border } : next };
    put(at > 0 ? `${cropKey}:${photoId}` : cropKey, { what: "edit", dayId, base: null, edit }, true);
  };
  const takeBorder = (border: Length) => {
    const edit: DayEdit = { kind: "photo-crop", id: saved.id, crop: { ...use.crop, border } };
    put(cropKey, { what: "edit", dayId, base: null, edit }, true);
  };
  const takePrint = (next: Size) =>
    put(printKey, { what: "edit", dayId, base: null, edit: { kind: "photo-print", id: saved.id, print: next } });
  const overIt = over.map((each) => ({
    ...each,
    at: rect(each.at.x - room.x, each.at.y - room.y, each.at.w, each.at.h),
  }));
  const covering = coveringKept(facts, made, crop, overIt);
  const clear = covering.length > 0 ? clearCrop(facts, made, crop, overIt) : null;
  const isAsItComes =
    crop.keep === null && crop.slide.x === 0 && crop.slide.y === 0 && crop.closer === 100 && crop.border === 0;
  const step = (id: string | null, words: string) =>
    id ? (
      <Link to={to.crop(albumId, id)} className={buttonLook("plain", true)}>
        {words}
      </Link>
    ) : null;
  return (
    <Workplace
      width="usual"
      tabs={<PlaceTabs place="photos" albumId={albumId} here={null} />}
      panel={
        <>
          <div className="flex flex-wrap items-baseline justify-between gap-2">
            <h1 className="text-2xl">
              <Link to={to.entry(albumId, view.at)} className="hover:text-ember">
                {view.day}
              </Link>
            </h1>
            <p className="text-sm text-quiet">
              Print {view.place.at} of {view.place.of}
            </p>
          </div>
          {view.printed && (
            <p className="border-l-4 border-ring-paper pl-3 text-sm">
              It is printed as it is now. Another crop, size or border puts it back among what is to be printed.
            </p>
          )}
          <SizePicker label="Print size" value={print} choices={PRINT_SIZES} unit={unit} onPick={takePrint} />
          {!together && <Repeated {...{ use, unit }} onRepeat={takeRepeat} />}
          {!repeat && <InThisPrint {...{ view, use }} chosen={at} onChoose={setChosenPicture} onShare={share} />}
          <Lost lost={lostOf(frame)} />
          {!repeat && !together && <Turned {...{ facts, print, crop }} onPrint={takePrint} />}
          <Pixels {...{ facts, print: made, crop, unit }} onPrint={repeat || together ? null : takePrint} />
          {covering.length > 0 && (
            <div className="grid gap-2 border-l-4 border-ember pl-3">
              <p className="font-medium">
                The {covering.map(({ name }) => name).join(" and the ")} lies over{" "}
                {faces.length > 0 ? "a face" : "the point to keep"}.
              </p>
              {clear ? (
                <div>
                  <Button small onClick={() => take(clear)}>
                    Slide it clear
                  </Button>
                </div>
              ) : (
                <p className="text-sm">
                  No crop at this size gets it clear. Move what lies over it, or print the picture larger.
                </p>
              )}
            </div>
          )}
          {!repeat && (
            <FacesCut {...{ facts, frame }} onFrame={(to) => take({ ...crop, slide: slideTo(facts, crop, to) })} />
          )}
          {over.some(({ kind }) => kind === "seam") && (
            <p className="text-sm">The dashed white line is where it is cut for two pockets: keep faces off it.</p>
          )}
          <fieldset className={repeat ? "hidden" : "border-t border-line pt-3"}>
            <legend className="sr-only">White border</legend>
            <p className="mb-1.5 font-medium">White border</p>
            <div className="flex flex-wrap gap-2">
              {BORDERS[unit].map((border) => (
                <button
                  key={border}
                  type="button"
                  aria-pressed={use.crop.border === border}
                  onClick={() => takeBorder(border)}
                  className={`min-h-9 rounded-sm border px-3 text-sm ${use.crop.border === border ? "border-text bg-text text-ground" : "border-edge bg-raised hover:border-ember"}`}
                >
                  {border === 0 ? "None" : sayLength(border, unit)}
                </button>
              ))}
            </div>
          </fieldset>
          <PrintedOnPanel
            items={onIt}
            chosen={chosenOn}
            onChoose={setChosenOn}
            onChange={putOn}
            {...{ facts, print, crop, frame, unit }}
            traits={together ? null : traits}
            taken={over.filter(({ kind }) => kind !== "seam").map(({ at }) => at)}
          />
          <AnotherPicture view={view} />
          <div className="flex flex-wrap items-center gap-x-3 border-t border-line pt-3 text-sm">
            <PrivateUntil
              name="this picture"
              until={privateUntil}
              onKeep={(until) =>
                put(`${dayId}:photo-private:${saved.id}`, {
                  what: "edit",
                  dayId,
                  base: null,
                  edit: { kind: "photo-private", id: saved.id, privateUntil: until },
                })
              }
            />
            {privateUntil && <p className="text-quiet">{PRIVATE_MEANS}</p>}
          </div>
          {traits && !together && (
            <>
              <Quiet label={label} onLabel={setLabel} spots={spots} unit={unit} />
              <Colours colours={traits.colours} />
            </>
          )}
          <div className="flex gap-2 border-t border-line pt-3">
            {step(view.before, "Print before")}
            {step(view.after, "Next print")}
          </div>
        </>
      }
    >
      <MatStage
        label="The print, to scale"
        bar={
          <>
            <button
              type="button"
              className="mat-button"
              aria-pressed={pointing === "point"}
              onClick={() => setPointing(pointing === "point" ? "picture" : "point")}
            >
              {pointing === "point" ? "Press on what must stay" : "Set the point to keep"}
            </button>
            {!repeat && (
              <FaceButtons
                {...{ facts, faces, face, setFace }}
                isOn={pointing === "faces"}
                onTurn={(on) => setPointing(on ? "faces" : "picture")}
                onFaces={takeFaces}
              />
            )}
            {pointing !== "faces" && (
              <label className="flex min-h-8 flex-1 items-center gap-2">
                Closer
                <input
                  type="range"
                  min={100}
                  max={MOST_CLOSER}
                  value={crop.closer}
                  onChange={(event) => take({ ...crop, closer: Number(event.target.value) })}
                  className="min-w-24 flex-1 accent-flame"
                />
                <span className="w-12 text-right tabular-nums">{crop.closer} %</span>
              </label>
            )}
            {!isAsItComes && (
              <button type="button" className="mat-button" onClick={() => take(AS_IT_COMES)}>
                As it comes
              </button>
            )}
            <p className="w-full text-on-soot-quiet">
              {pointing === "faces"
                ? "Press on each face, or draw a box round it. A press on one that is marked chooses it; arrow keys move it."
                : "Slide the picture with the pointer or the arrow keys. What is outside the orange edge is not printed."}
            </p>
          </>
        }
      >
        <Zoomed>
          <CropDrawing
            {...{ photoId, facts, print, frame, over, spots, unit, pointing, onIt, chosenOn, face }}
            room={rectIn(room, insideBorder(made, crop))}
            pattern={repeat ? patternOf(use) : null}
            others={together ? othersOf(use, at) : null}
            onPress={(x, y) => {
              const pressed = pictures.findIndex(({ at: { x: left, y: top, w, h } }) =>
                contains(rect(left, top, w, h), rect(x, y, 0, 0)),
              );
              if (pressed < 0 || pressed === at) return false;
              setChosenPicture(pressed);
              return true;
            }}
            onChooseOn={setChosenOn}
            onMoveOn={(id, at) => putOn(onIt.map((each) => (each.id === id ? { ...each, at } : each)))}
            kept={keptPoint(facts, crop)}
            onSlide={(to) => take({ ...crop, slide: slideTo(facts, crop, to) })}
            onFace={(made) => {
              if (typeof made === "number") setFace(made);
              else takeFaces([...faces, made].slice(0, MOST_FACES), faces.length);
            }}
            onMoveFace={(moved) => takeFaces(faces.map((each, nth) => (nth === face ? moved : each)))}
            onKeep={(keep) => take({ ...crop, keep, slide: { x: 0, y: 0 } })}
          />
        </Zoomed>
      </MatStage>
    </Workplace>
  );
}

import { mm } from "#app/drawing/mat-text.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Button } from "#app/parts/button.tsx";
import { Options } from "#app/parts/options.tsx";
import { Tools } from "#app/parts/tools.tsx";
import { FreePictures } from "#app/places/day/free-pictures.tsx";
import type { PhotoUse } from "#core/album/model.ts";
import { inches, type Length, millimetres, sayLength, ticks, type Unit } from "#core/measure/length.ts";
import { AS_IT_COMES } from "#core/photo/crop.ts";
import {
  type Arrangement,
  arranged,
  arrangementsOf,
  hasRoom,
  type InPrint,
  MOST_TOGETHER,
  picturesOf,
  roomsOf,
  type Together,
  USUAL_GAP,
} from "#core/photo/together.ts";
import type { CropView } from "./view.ts";

const GAPS: Record<Unit, readonly Length[]> = {
  inch: [ticks(0), inches(1 / 16), inches(1 / 8), inches(1 / 4)],
  cm: [ticks(0), millimetres(1.5), millimetres(3), millimetres(6)],
};

/** What is put in a print: its pictures in order, and how they lie. */
export type Shared = Omit<Together, "others"> & { readonly pictures: readonly InPrint[] };

type Props = {
  readonly view: CropView;
  readonly use: PhotoUse;
  /** Which of its pictures is being cropped. */
  readonly chosen: number;
  readonly onChoose: (at: number) => void;
  readonly onShare: (shared: Shared) => void;
};

const listed = (counts: readonly number[]): string =>
  counts.length < 2 ? String(counts[0]) : `${counts.slice(0, -1).join(", ")} and ${counts.at(-1)}`;

const sayArrangement = ({ along, counts }: Arrangement): string => {
  if (counts.length === 1) return along === "rows" ? "Side by side" : "One above the other";
  if (along === "rows" && counts.every((count) => count === 1)) return "One above the other";
  return `${along === "rows" ? "Rows" : "Columns"} of ${listed(counts)}`;
};

/** The pictures that share one print: which, in what order, how they lie, and how far apart. */
export function InThisPrint({ view, use, chosen, onChoose, onShare }: Props) {
  const { unit, at, dayId, albumId, alone } = view;
  const { together } = use;
  const pictures = picturesOf(use).map(({ photoId, crop, picture }) => ({ photoId, crop, picture }));
  const many = pictures.length;
  const gap = together?.gap ?? USUAL_GAP[unit];
  const share = (next: readonly InPrint[]) => {
    const [first, ...others] = next;
    if (!first) return;
    const { along, counts } = arranged(together, others, gap) ?? { along: "rows" as const, counts: [1] };
    onShare({ along, counts, gap, pictures: next });
  };
  const add = (picture: Pick<InPrint, "photoId" | "picture">) =>
    share([...pictures, { ...picture, crop: AS_IT_COMES }]);
  const takeOut = () => {
    share(pictures.filter((_each, nth) => nth !== chosen));
    onChoose(0);
  };
  const sooner = () => {
    const next = [...pictures];
    const [moved] = next.splice(chosen, 1);
    if (moved) next.splice(chosen - 1, 0, moved);
    share(next);
    onChoose(chosen - 1);
  };
  const joining = alone.filter(({ photoId }) => !pictures.some((each) => each.photoId === photoId));
  return (
    <section aria-label="Pictures in this print" className="grid gap-2 border-t border-line pt-3">
      {together && (
        <>
          <p className="font-medium">{many} pictures in this print</p>
          <Tools name="Which picture is cropped" className="flex flex-wrap gap-1.5">
            {pictures.map(({ photoId, picture }, nth) => (
              <button
                key={photoId}
                type="button"
                aria-pressed={nth === chosen}
                aria-label={`Crop picture ${nth + 1}`}
                onClick={() => onChoose(nth)}
                className={`block border-2 ${nth === chosen ? "border-flame" : "border-transparent hover:border-ember"}`}
              >
                <img src={pictureAddress(photoId, 480, picture.look)} alt="" className="h-14 w-auto" />
              </button>
            ))}
          </Tools>
          <div className="flex flex-wrap gap-x-1">
            {chosen > 0 && (
              <Button small look="quiet" className="-ml-2.5" onClick={sooner}>
                One place sooner
              </Button>
            )}
            <Button small look="quiet" className={chosen > 0 ? "" : "-ml-2.5"} onClick={takeOut}>
              Take picture {chosen + 1} out
            </Button>
          </div>
          <Tools name="How they lie" className="flex flex-wrap gap-1.5">
            {arrangementsOf(many).map((each) => {
              const isNow = each.along === together.along && each.counts.join() === together.counts.join();
              return (
                <button
                  key={`${each.along}${each.counts}`}
                  type="button"
                  aria-pressed={isNow}
                  aria-label={sayArrangement(each)}
                  title={sayArrangement(each)}
                  onClick={() => onShare({ ...each, gap, pictures })}
                  className={`rounded-sm border p-1.5 ${isNow ? "border-text bg-text text-ground" : "border-edge bg-raised hover:border-ember"}`}
                >
                  <Figure use={use} arrangement={each} />
                </button>
              );
            })}
          </Tools>
          <label className="flex flex-wrap items-center gap-2 text-sm font-medium">
            Between them
            <select
              className="field w-auto py-1 font-normal"
              value={gap}
              onChange={(event) => onShare({ ...together, gap: ticks(Number(event.target.value)), pictures })}
            >
              <Options
                all={[...new Set([...GAPS[unit], gap])]
                  .sort((a, b) => a - b)
                  .map((each) => [String(each), each === 0 ? "nothing" : `${sayLength(each, unit)} of white`] as const)}
              />
            </select>
          </label>
          {!hasRoom(use.print, use.crop, together) && (
            <p className="text-sm">They are narrower than a finger. Make the print larger, or put fewer in it.</p>
          )}
        </>
      )}
      {many < MOST_TOGETHER && (
        <details>
          <summary className="min-h-8 content-center font-medium">
            {together ? "One more picture in it" : "Several pictures in this print"}
          </summary>
          <div className="grid gap-2 pt-1">
            {joining.length > 0 && (
              <div className="grid gap-1">
                <p className="text-sm text-quiet">This day’s other prints: one comes in here instead</p>
                <Tools name="This day’s other prints" className="flex flex-wrap gap-1.5">
                  {joining.map(({ id, photoId, picture, alt }) => (
                    <button
                      key={id}
                      type="button"
                      aria-label={`Put ${alt === "" ? "a picture of this day" : alt} into this print too`}
                      title="Put it into this print too"
                      onClick={() => add({ photoId, picture })}
                      className="block border-2 border-transparent hover:border-ember"
                    >
                      <img src={pictureAddress(photoId, 480, picture.look)} alt="" className="h-14 w-auto" />
                    </button>
                  ))}
                </Tools>
              </div>
            )}
            {"date" in at && (
              <FreePictures
                {...{ albumId, dayId, date: at.date }}
                isBare={false}
                wanted={{ kind: "beside", onTake: ({ id, facts }) => add({ photoId: id, picture: facts }) }}
              />
            )}
            <p className="text-sm text-quiet">Any other picture: put it on this page first, then it is offered here.</p>
          </div>
        </details>
      )}
    </section>
  );
}

/** A small figure of how pictures would lie in the print. */
function Figure({ use: { print }, arrangement }: { use: PhotoUse; arrangement: Arrangement }) {
  const rooms = roomsOf(print, { border: ticks(0) }, { ...arrangement, gap: ticks(Math.min(print.w, print.h) / 16) });
  const high = 26;
  return (
    <svg
      viewBox={`0 0 ${mm(print.w)} ${mm(print.h)}`}
      width={(high * print.w) / print.h}
      height={high}
      aria-hidden="true"
    >
      {rooms.map(({ x, y, w, h }) => (
        <rect key={`${x} ${y}`} x={mm(x)} y={mm(y)} width={mm(w)} height={mm(h)} fill="currentColor" />
      ))}
    </svg>
  );
}

import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Button } from "#app/parts/button.tsx";
import { LatestPicturesToTake } from "#app/parts/latest-pictures.tsx";
import { type Spot, WHOLE } from "#core/photo/crop.ts";
import { ALL_OF_IT, areCorners, type Corners, type Preprint } from "#core/photo/preprint.ts";
import type { CardDesk } from "./use-card.ts";

const CORNERS = ["Left upper", "Right upper", "Right lower", "Left lower"] as const;
/** How far an arrow key moves a corner, in ten-thousandths of the picture. */
const STEP = 40;

/** What is printed on the card already: a picture of it, laid straight and to size under the words. */
export function PreprintPanel({ desk, albumId }: { desk: CardDesk; albumId: string }) {
  const { preprint } = desk.card;
  const [isChoosing, setChoosing] = useState(false);
  const take = (photoId: string) => {
    desk.putUnder({ photoId, corners: ALL_OF_IT });
    if (desk.setting.stock !== "printed") desk.set({ ...desk.setting, stock: "printed" });
    setChoosing(false);
  };
  return (
    <details open={preprint !== null || undefined} className="border-t border-line pt-3">
      <summary className="min-h-8 cursor-pointer font-medium">What is printed on the card already</summary>
      <div className="mt-2 grid gap-2">
        {preprint ? (
          <>
            <p className="text-sm text-quiet">
              Put the four marks on the card’s corners: it is laid straight and to size under the words. It is shown,
              and not printed.
            </p>
            <CornerMarks preprint={preprint} onPut={desk.putUnder} />
            <div className="flex flex-wrap gap-x-2">
              <Button small look="quiet" className="-ml-2.5" onClick={() => setChoosing(!isChoosing)}>
                Another picture of it
              </Button>
              <Button small look="quiet" onClick={() => desk.putUnder(null)}>
                Take the picture away
              </Button>
            </div>
          </>
        ) : (
          <p className="text-sm">
            Photograph or scan the card with its lines and boxes, add it to the{" "}
            <Link className="link" to={to.roll(albumId)}>
              roll
            </Link>
            , and choose it here: then you see the words where they will stand on it.
          </p>
        )}
        {(preprint === null || isChoosing) && (
          <LatestPicturesToTake
            albumId={albumId}
            said={(name) => `Lay ${name} under the words`}
            title="Lay it under the words"
            onTake={take}
          />
        )}
      </div>
    </details>
  );
}

const percent = (share: number) => `${share / 100}%`;
const within = (share: number) => Math.round(Math.min(WHOLE, Math.max(0, share)));

/** The picture with a mark on each corner of the card: moved by hand, or with the arrow keys. */
function CornerMarks({ preprint, onPut }: { preprint: Preprint; onPut: (preprint: Preprint) => void }) {
  const { photoId, corners } = preprint;
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<number | null>(null);
  const put = (at: number, spot: Spot) => {
    const next = corners.map((each, nth) => (nth === at ? { x: within(spot.x), y: within(spot.y) } : each));
    // A mark that is pushed past its neighbours stays where it was.
    if (areCorners(next as unknown as Corners)) onPut({ photoId, corners: next as unknown as Corners });
  };
  const onMove = (event: PointerEvent) => {
    const box = svg.current?.getBoundingClientRect();
    if (held === null || !box) return;
    put(held, {
      x: ((event.clientX - box.left) / box.width) * WHOLE,
      y: ((event.clientY - box.top) / box.height) * WHOLE,
    });
  };
  const onKey = (event: KeyboardEvent, at: number) => {
    const by = event.shiftKey ? STEP * 5 : STEP;
    const move = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[event.key];
    const corner = corners[at];
    if (!move || !corner) return;
    event.preventDefault();
    event.stopPropagation();
    put(at, { x: corner.x + (move[0] ?? 0), y: corner.y + (move[1] ?? 0) });
  };
  return (
    <div className="relative w-fit max-w-full">
      <img src={pictureAddress(photoId, 1600)} alt="The card as it was taken" className="block max-h-72 w-auto" />
      <svg
        ref={svg}
        className="absolute inset-0 h-full w-full touch-none overflow-visible"
        aria-label="Corners of the card"
        onPointerMove={onMove}
        onPointerUp={() => setHeld(null)}
        onPointerCancel={() => setHeld(null)}
      >
        {corners.map((corner, at) => {
          const next = corners[(at + 1) % corners.length] ?? corner;
          return (
            <line
              key={CORNERS[at]}
              x1={percent(corner.x)}
              y1={percent(corner.y)}
              x2={percent(next.x)}
              y2={percent(next.y)}
              className="stroke-flame"
              strokeWidth={1.5}
            />
          );
        })}
        {corners.map((corner, at) => (
          // biome-ignore lint/a11y/useSemanticElements: an SVG has no button of its own
          <circle
            key={CORNERS[at]}
            cx={percent(corner.x)}
            cy={percent(corner.y)}
            r={12}
            className="cursor-move fill-soot/40 stroke-flame"
            strokeWidth={2.5}
            role="button"
            tabIndex={0}
            aria-label={`${CORNERS[at]} corner of the card. Arrow keys move it.`}
            onPointerDown={(event) => {
              event.preventDefault();
              svg.current?.setPointerCapture(event.pointerId);
              setHeld(at);
            }}
            onKeyDown={(event) => onKey(event, at)}
          />
        ))}
      </svg>
    </div>
  );
}

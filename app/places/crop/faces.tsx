import { useState } from "react";
import { Button } from "#app/parts/button.tsx";
import { newId } from "#app/parts/new-id.ts";
import { pendingSent } from "#app/sending/pending.ts";
import { useOutbox } from "#app/sending/sending.tsx";
import { type Frame, MIDDLE, type PictureFace, type PictureFacts } from "#core/photo/crop.ts";
import { faceAround, faceScaled, facesCut, frameWithFaces, MOST_FACES } from "#core/photo/picture-face.ts";

/** The faces of a picture with what is on its way, which of them is chosen, and how they are kept. */
export function useFaces(photoId: string, saved: readonly PictureFace[]) {
  const { state, put } = useOutbox();
  const [chosen, setChosen] = useState<{ photoId: string; at: number } | null>(null);
  const faces = pendingSent(state, "mark").reduce<readonly PictureFace[]>(
    (now, { ids, mark }) => (mark.kind === "faces" && ids.includes(photoId) ? mark.faces : now),
    saved,
  );
  const face = chosen?.photoId === photoId && chosen.at < faces.length ? chosen.at : null;
  const setFace = (at: number | null) => setChosen(at === null ? null : { photoId, at });
  const takeFaces = (next: readonly PictureFace[], choose?: number | null) => {
    put(`mark:${newId()}`, { what: "mark", ids: [photoId], mark: { kind: "faces", faces: [...next] } });
    if (choose !== undefined) setFace(choose);
  };
  return { faces, takeFaces, face, setFace };
}

type Buttons = {
  readonly facts: PictureFacts;
  readonly faces: readonly PictureFace[];
  readonly face: number | null;
  readonly setFace: (at: number | null) => void;
  readonly isOn: boolean;
  readonly onTurn: (on: boolean) => void;
  readonly onFaces: (faces: readonly PictureFace[], choose?: number | null) => void;
};

/** Marking faces, and what can be done with the chosen one. */
export function FaceButtons({ facts, faces, face, setFace, isOn, onTurn, onFaces }: Buttons) {
  const chosen = face === null ? undefined : faces[face];
  const scale = (by: number) => onFaces(faces.map((each, nth) => (nth === face ? faceScaled(each, by) : each)));
  return (
    <>
      <button type="button" className="mat-button" aria-pressed={isOn} onClick={() => onTurn(!isOn)}>
        {faces.length > 0 ? `Faces: ${faces.length}` : "Mark faces"}
      </button>
      {isOn && (
        <>
          <button
            type="button"
            className="mat-button"
            disabled={faces.length >= MOST_FACES}
            onClick={() => onFaces([...faces, faceAround(MIDDLE, facts, faces.at(-1))], faces.length)}
          >
            Another
          </button>
          {faces.length > 1 && (
            <button type="button" className="mat-button" onClick={() => setFace(((face ?? -1) + 1) % faces.length)}>
              Next face
            </button>
          )}
          {chosen && (
            <>
              <button type="button" className="mat-button" onClick={() => scale(1 / 1.2)}>
                Smaller
              </button>
              <button type="button" className="mat-button" onClick={() => scale(1.2)}>
                Larger
              </button>
              <button
                type="button"
                className="mat-button"
                onClick={() =>
                  onFaces(
                    faces.filter((_each, nth) => nth !== face),
                    null,
                  )
                }
              >
                No face there
              </button>
            </>
          )}
        </>
      )}
    </>
  );
}

/** Faces that the print's edge goes through, and the crop that has them whole. */
export function FacesCut({
  facts: { faces },
  frame,
  onFrame,
}: {
  facts: PictureFacts;
  frame: Frame;
  onFrame: (to: Frame) => void;
}) {
  const cut = facesCut(faces, frame).length;
  if (cut === 0) return null;
  const whole = frameWithFaces(faces, frame);
  return (
    <div className="grid gap-2 border-l-4 border-ember pl-3">
      <p className="font-medium">The print’s edge goes through {cut === 1 ? "a face" : `${cut} faces`}.</p>
      {whole ? (
        <div>
          <Button small onClick={() => onFrame(whole)}>
            Slide {faces.length === 1 ? "it" : "them"} in
          </Button>
        </div>
      ) : (
        <p className="text-sm">Not all of them go on a print of this shape: another size, or less close.</p>
      )}
    </div>
  );
}

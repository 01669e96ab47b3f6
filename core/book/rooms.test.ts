import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyPageSize, anyPiece } from "../../tests/samples.ts";
import type { Piece, Turn } from "../album/leaf.ts";
import { inches } from "../measure/length.ts";
import { contains, overlap, rect, rectOf } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import { MIDDLE, type PictureFacts } from "../photo/crop.ts";
import { NO_LOOK } from "../photo/look.ts";
import { pieceRect } from "./piece.ts";
import { fillRoom, firstRoom, freePlace, lostIn, roomsOn, suits } from "./rooms.ts";

const by = (w: number, h: number) => size(inches(w), inches(h));
const picture = (width: number, height: number): PictureFacts => ({
  width,
  height,
  focus: MIDDLE,
  look: NO_LOOK,
  faces: [],
});
const room = (id: string, keeps: "photo" | "card", w: number, h: number, turn: Turn = 0): Piece => ({
  id,
  what: { kind: "room", keeps, size: by(w, h) },
  at: { x: inches(1), y: inches(2) },
  turn,
  outside: false,
  dayId: null,
});

describe("the room something takes", () => {
  it("is the first of its kind in which a picture loses no more than a quarter, as the room lies", () => {
    const side = [room("words", "card", 3, 4), room("tall", "photo", 4, 6), room("wide", "photo", 6, 4)];
    // A phone's picture loses a ninth on 4 × 6, upright and lying (common practice).
    expect(lostIn(picture(4032, 3024), by(6, 4))).toBeCloseTo(1 / 9, 3);
    expect(firstRoom(side, { what: "photo", picture: picture(4032, 3024) })?.id).toBe("wide");
    expect(firstRoom(side, { what: "photo", picture: picture(3024, 4032) })?.id).toBe("tall");
    expect(firstRoom(side, { what: "card" })?.id).toBe("words");
    // A room turned by a quarter is of the shape it lies in.
    const [turned] = roomsOn([room("turned", "photo", 4, 6, 1)]);
    expect(turned && suits({ what: "photo", picture: picture(4032, 3024) }, turned)).toBe("yes");
    // 4 : 3 in a square loses exactly a quarter, 3 : 2 a third.
    const [square] = roomsOn([room("square", "photo", 3, 3)]);
    expect(square && suits({ what: "photo", picture: picture(4000, 3000) }, square)).toBe("yes");
    expect(square && suits({ what: "photo", picture: picture(3000, 2000) }, square)).toBe("other-shape");
    expect(square && suits({ what: "card" }, square)).toBe("other-kind");
  });

  it("is gone then: what took it lies where it lay, as large, and nothing else has moved", () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(anyPiece, { selector: ({ id }) => id, minLength: 1, maxLength: 6 }),
        fc.nat(),
        (pieces, nth) => {
          const [first] = roomsOn(pieces.slice(nth % pieces.length));
          if (!first) return;
          const { w, h } = first.lies;
          const card = { kind: "filler" as const, size: size(w, h), name: "" };
          const filled = fillRoom(pieces, first, "new", card);
          const lies = filled.find(({ id }) => id === "new");
          expect(lies && pieceRect(lies, null)).toEqual(first.lies);
          expect(filled.filter(({ id }) => id !== "new")).toEqual(pieces.filter(({ id }) => id !== first.id));
        },
      ),
    );
  });
});

describe("a free place", () => {
  it("lies on the page and over nothing, and where none is told there is none an eighth of an inch apart", () => {
    fc.assert(
      fc.property(anyPageSize, anyPageSize, fc.array(anyPiece, { maxLength: 5 }), (page, made, pieces) => {
        const taken = pieces.flatMap((piece) => {
          const lies = pieceRect(piece, null);
          return lies ? [{ rect: lies, pocket: null }] : [];
        });
        const place = freePlace(made, taken, [], page);
        if (place) {
          expect(contains(rectOf(page), place)).toBe(true);
          for (const each of taken) expect(overlap(place, each.rect)).toBeNull();
        } else {
          const corner = rect(0, 0, made.w, made.h);
          const fits = contains(rectOf(page), corner);
          expect(fits && taken.every((each) => overlap(corner, each.rect) === null)).toBe(false);
        }
      }),
    );
  });

  it("is the first pocket that nothing lies in and that takes it either way up", () => {
    const pockets = [rect(0, 0, inches(3), inches(4)), rect(inches(3), 0, inches(3), inches(4))];
    const lies = { rect: rect(0, 0, 1, 1), pocket: 0 };
    expect(freePlace(by(4, 3), [], pockets, by(6, 4))).toBe(pockets[0]);
    expect(freePlace(by(4, 3), [lies], pockets, by(6, 4))).toBe(pockets[1]);
    expect(freePlace(by(4, 4), [], pockets, by(6, 4))).toBeNull();
    expect(freePlace(by(3, 4), [lies, { ...lies, pocket: 1 }], pockets, by(6, 4))).toBeNull();
  });
});

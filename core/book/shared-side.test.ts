import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyAlbum, anyLeaves, anyPiece, decemberDays, fullDay, makeOf } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import { FACES, type Face, type Leaf, leafOfDay, numeralOf, type Piece } from "../album/leaf.ts";
import { type Day, EMPTY_DAY } from "../album/model.ts";
import { pagesOf } from "../album/page.ts";
import { firstFitSide, leavesOfDays } from "../album/page-leaves.ts";
import { poolContent, stepsFor } from "../album/steps.ts";
import { tickSteps } from "../album/ticks.ts";
import { inches, ticks } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import type { CalendarDate } from "../month/dates.ts";
import { applyBookEdit, type BookEdit } from "./edit.ts";
import { numeralText } from "./numeral.ts";
import { type BookPage, markedFor, movedTo, pageOfPiece, pieceFrom, readBook } from "./read.ts";
import { fillRoom, roomsOn } from "./rooms.ts";
import { waitingPrints } from "./waiting.ts";

const preset = presetById("ring-6x8");
if (!preset) throw new Error("shipped");
const plan = { format: preset, unit: "inch" as const };

/** Two days on one front: the host owns it, the guest shares it. Each has a print of 6 × 4 and a card of 3 × 4. */
const pageOf = (id: string): BookPage => ({
  label: id,
  skipped: false,
  content: poolContent(fullDay(id), []),
  days: [{ id }],
});
const [host, guest] = [pageOf("4"), pageOf("5")];
const edited = (leaves: readonly Leaf[], edit: BookEdit): Leaf[] => {
  const done = applyBookEdit(leaves, edit);
  if (!done.ok) throw new Error(done.reason);
  return done.leaves;
};
const page = leafOfDay("leaf", makeOf({ kind: "full" }), "4");
const shares = (shares: boolean, leaf = "leaf", face: Face = "front", dayId = "5"): BookEdit => ({
  ...({ kind: "share-side", leaf, face, dayId, shares } as const),
});
const shared = edited([page], shares(true));
const frontOf = (leaves: readonly Leaf[]) => {
  const [read] = readBook(plan, [host, guest], leaves).leaves;
  if (!read) throw new Error("one leaf");
  return read.front;
};

describe("a side that two days share", () => {
  it("has the things of both, each number its own, and neither is merged", () => {
    const front = frontOf(shared);
    const whose = front.pieces.map(({ piece }) => [piece.what.kind, pageOfPiece(front, piece)?.label]);
    // A page of 6 × 8 takes the two prints; what finds no room lies beside its own day.
    expect(whose).toContainEqual(["photo", "4"]);
    expect(whose).toContainEqual(["photo", "5"]);
    const book = readBook(plan, [host, guest], shared);
    const beside = [host, guest].map((of) => book.beside.get(of)?.length ?? 0);
    expect(front.pieces.length + (beside[0] ?? 0) + (beside[1] ?? 0)).toBe(6);
    const number = (of: BookPage) => {
      const piece = markedFor(
        pieceFrom({ id: "numeral", what: "numeral", size: size(inches(1), inches(1)) }, rect(0, 0, 1, 1), false),
        front,
        of,
      );
      return [
        piece.id,
        piece.what.kind === "numeral" && numeralText(piece.what, piece.dayId, pageOfPiece(front, piece) ?? host),
      ];
    };
    expect([number(host), number(guest)]).toEqual([
      ["numeral", "4"],
      ["5", "5"],
    ]);
  });

  it("is the day's own where it was nobody's; shared twice it is shared once; its owner is no guest of itself", () => {
    expect(edited(shared, shares(true))).toEqual(shared);
    expect(edited([page], shares(true, "leaf", "front", "4"))).toEqual([page]);
    const free = edited(shared, { kind: "own-side", leaf: "leaf", face: "back", owner: { kind: "nobody" } });
    expect(edited(free, shares(true, "leaf", "back"))[0]?.back.owner).toEqual({ kind: "day", dayId: "5" });
    const taken = edited(shared, { kind: "own-side", leaf: "leaf", face: "front", owner: { kind: "day", dayId: "5" } });
    expect(taken[0]?.front).toMatchObject({ owner: { dayId: "5" }, guests: [] });
    // Its number and ticks are the side's then, and the one that was is no longer the number of another day.
    const number = (id: string, dayId: string | null): Piece => ({
      ...{ ...base(id), what: numeralOf(size(inches(1), inches(1))), dayId },
    });
    const both = shared.map((leaf) => ({
      ...leaf,
      front: {
        ...leaf.front,
        pieces: [number("a", null), number("b", "5")],
        guests: [{ dayId: "5", done: ["number" as const] }],
      },
    }));
    const heir = edited(both, { kind: "own-side", leaf: "leaf", face: "front", owner: { kind: "day", dayId: "5" } });
    expect(heir[0]?.front).toMatchObject({ done: ["number"], pieces: [number("b", null)] });
    expect(applyBookEdit(shared, shares(true, "gone"))).toEqual({ ok: false, reason: "leaf-gone" });
    const full = Array.from({ length: 62 }, (_, nth) => `g${nth}`).reduce<Leaf[]>(
      (now, id) => edited(now, shares(true, "leaf", "front", id)),
      [page],
    );
    expect(applyBookEdit(full, shares(true, "leaf", "front", "one more"))).toEqual({ ok: false, reason: "side-full" });
  });

  it("shared and left again, any side is as it was, but that made pieces which were the guest's are the side's", () => {
    fc.assert(
      fc.property(
        anyLeaves,
        fc.constantFrom(...FACES),
        fc.uuid(),
        fc.array(anyPiece, { maxLength: 3 }),
        (leaves, face, dayId, added) => {
          const leaf = leaves[0] as Leaf;
          if (leaf[face].owner.kind === "nobody") return;
          const joined = edited(leaves, shares(true, leaf.id, face, dayId));
          const own = added.map((piece, nth): Piece => ({ ...piece, id: `own${nth}`, dayId }));
          const pieces = [...(joined[0]?.[face].pieces ?? []), ...own];
          const laid = edited(joined, { kind: "arrange", leaf: leaf.id, face, pieces });
          const left = edited(laid, shares(false, leaf.id, face, dayId));
          const stays = own.filter(({ what }) => what.kind !== "numeral").map((piece) => ({ ...piece, dayId: null }));
          expect(left.slice(1)).toEqual(leaves.slice(1));
          expect(left[0]).toEqual({
            ...leaf,
            [face]: { ...leaf[face], pieces: [...(leaf[face].pieces ?? []), ...stays] },
          });
        },
      ),
      { numRuns: 60 },
    );
  });

  it("keeps what is taken from one to another its day's: refused where that day has nothing to do with the side", () => {
    const two = [...shared, leafOfDay("other", makeOf({ kind: "paper" }), "5")];
    const [first, second] = readBook(plan, [host, guest], two).leaves;
    if (!first || !second) throw new Error("two leaves");
    const number: Piece = { ...base("n"), what: numeralOf(size(inches(1), inches(1))), dayId: "5" };
    // Onto its own side it needs no mark; back onto the shared one it has it again.
    const home = movedTo(number, first.front, second.front);
    expect(home).toEqual({ ...number, dayId: null });
    expect(home && movedTo(home, second.front, first.front)).toEqual({ ...number, id: "n" });
    expect(movedTo({ ...number, dayId: null }, first.front, second.front)).toBeNull();
    expect(movedTo(number, first.front, first.front)).toEqual(number);
  });

  it("is where a day's things are first laid out only while it has no side of its own", () => {
    const own = leafOfDay("own", makeOf({ kind: "paper" }), "5");
    for (const leaves of [
      [...shared, own],
      [own, ...shared],
    ])
      expect(firstFitSide(leavesOfDays(leaves, ["5"]))).toEqual({ leaf: "own", face: "front" });
    expect(firstFitSide(leavesOfDays(shared, ["5"]))).toEqual({ leaf: "leaf", face: "front" });
    const back = shared.map((leaf) => ({ ...leaf, front: { ...leaf.front, pieces: [] } }));
    expect(firstFitSide(leavesOfDays(back, ["5"]))).toBeUndefined();
  });

  it("waits for a print of the day whose room is kept there", () => {
    const days = (["2026-12-04", "2026-12-05"] as CalendarDate[]).map(
      (date): Day => ({ id: date.slice(-1), date, skipped: false, mergedInto: null, version: 0, content: EMPTY_DAY }),
    );
    const room = (id: string, dayId: string | null): Piece => ({
      ...{ ...base(id), what: { kind: "room", keeps: "photo", size: size(inches(3), inches(4)) }, dayId },
    });
    const leaves = shared.map((leaf) => ({
      ...leaf,
      front: { ...leaf.front, pieces: [room("a", "5"), room("b", null), room("c", "5")] },
    }));
    const { plan: album } = decemberDays({});
    const pages = pagesOf({ album, days, leaves, prints: [] });
    const waiting = waitingPrints(readBook(album, pages, leaves), pages, album.format);
    expect(waiting.map(({ dayId, place }) => [dayId, place?.piece])).toEqual([
      ["4", "b"],
      ["5", "a"],
      ["5", "c"],
    ]);
    // A room is of its shape; a first print that lies nowhere yet may be turned, and its day may have no page at all.
    expect(waiting.map(({ canTurn, hasPage }) => [canTurn, hasPage])).toEqual(waiting.map(() => [false, true]));
    const bare = days.map((day) => ({ ...day, content: { ...day.content, photos: [] } }));
    const unlaid = pagesOf({ album, days: bare, leaves: [], prints: [] });
    const first = waitingPrints(readBook(album, unlaid, []), unlaid, album.format);
    expect(first.map(({ canTurn, hasPage }) => [canTurn, hasPage])).toEqual(unlaid.map(() => [true, false]));
  });

  it("a room filled is its room no more, whosever it was", () => {
    const room: Piece = {
      ...base("room"),
      what: { kind: "room", keeps: "card", size: size(inches(3), inches(4)) },
      dayId: "5",
    };
    const [kept] = roomsOn([room]);
    expect(kept && fillRoom([room], kept, "c", { kind: "card", card: "c" })[0]?.dayId).toBeNull();
  });

  it("is ticked for each of them alone, and each is in the book by its own ticks and the leaf's", () => {
    const stepsOf = (leaves: readonly Leaf[], of: BookPage) =>
      stepsFor(of.content, leavesOfDays(leaves, [of.days[0]?.id ?? ""]), "ring");
    const done = (leaves: readonly Leaf[], of: BookPage, step: string) =>
      stepsOf(leaves, of).find((each) => each.step === step)?.done;
    const assembled = tickSteps(shared, stepsOf(shared, guest), ["assemble", "number"], true);
    expect([done(assembled, guest, "assemble"), done(assembled, host, "assemble")]).toEqual([true, false]);
    expect(assembled[0]?.front).toEqual({
      ...shared[0]?.front,
      guests: [{ dayId: "5", done: ["number", "assemble"] }],
    });
    // What is done once for the leaf is done for both.
    const filed = tickSteps(assembled, stepsOf(assembled, guest), ["base", "file"], true);
    for (const of of [host, guest]) expect([done(filed, of, "base"), done(filed, of, "file")]).toEqual([true, true]);
    expect([done(filed, guest, "assemble"), done(filed, host, "assemble")]).toEqual([true, false]);
    expect(tickSteps(filed, stepsOf(filed, guest), ["assemble", "number", "base", "file"], false)).toEqual(shared);
  });
});

const base = (id: string) => ({ id, at: { x: ticks(0), y: ticks(0) }, turn: 0, outside: false }) as const;

describe("random books with shared sides", () => {
  it("no piece is two days', and what one lays or takes off leaves every piece of the others where it is", () => {
    let seen = 0;
    fc.assert(
      fc.property(anyAlbum, fc.nat(), ({ plan: album, days, leaves }, nth) => {
        const pages = pagesOf({ album, days, leaves, prints: [] });
        const book = readBook(album, pages, leaves);
        const sides = book.leaves.flatMap((read) => FACES.map((face) => ({ read, face, side: read[face] })));
        const both = sides.filter(({ side }) => side.page && side.guests.length > 0);
        const one = both[nth % Math.max(1, both.length)];
        if (!one) return;
        seen++;
        const { side, read, face } = one;
        const mine = side.guests[0];
        if (!mine || !side.page) return;
        const pieces = side.pieces.map(({ piece }) => piece);
        const theirs = pieces.filter((piece) => pageOfPiece(side, piece) !== mine);
        // The guest takes all of its own off, and lays a number on.
        const number = markedFor(
          { ...base("numeral"), what: numeralOf(size(inches(1), inches(1))), dayId: null },
          side,
          mine,
        );
        const after = edited(leaves, { kind: "arrange", leaf: read.leaf.id, face, pieces: [...theirs, number] });
        const again = readBook(album, pagesOf({ album, days, leaves: after, prints: [] }), after).leaves.find(
          ({ leaf }) => leaf.id === read.leaf.id,
        )?.[face];
        expect(again?.pieces.map(({ piece }) => piece)).toEqual([...theirs, number]);
        for (const { piece } of again?.pieces ?? [])
          expect(again && pageOfPiece(again, piece)?.days[0]?.id).toBe(
            (piece === number || piece.id === number.id ? mine : pageOfPiece(side, piece))?.days[0]?.id,
          );
      }),
      { numRuns: 60 },
    );
    expect(seen).toBeGreaterThan(10);
  });
});

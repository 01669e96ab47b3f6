import type { Piece } from "#core/album/leaf.ts";
import type { Loose } from "#core/book/read.ts";
import { firstRoom, freePlace, type Room, roomsOn, suits, type Wanting } from "#core/book/rooms.ts";
import { contains, type Rect, rect, rectOf } from "#core/measure/rect.ts";
import { type Board, isAnothers } from "./boards.ts";

/** Where something that lies beside goes: into a room kept for it, into the middle of a pocket, or to a spot. */
export type Target =
  | { readonly board: Board; readonly room: Room }
  | { readonly board: Board; readonly pocket: Rect }
  | { readonly board: Board; readonly lies: Rect };

type Chosen = { readonly kind: string; readonly board?: string } | null;

/** What on a board can be moved or filled where it lies. */
const ownPieces = (board: Board): Piece[] =>
  board.read[board.face].pieces.flatMap(({ piece }) => (isAnothers(board, piece) ? [] : [piece]));

/** What a loose thing looks for; null where no room is kept for its kind. */
export function wantingOf(board: Board, { id, what }: Loose): Wanting | null {
  if (what === "card") return { what };
  const use = board.read[board.face].content?.photos.find((each) => each.id === id);
  return what === "photo" && use ? { what, picture: use.picture } : null;
}

/** One's own boards in the order in which they are asked: the chosen one, pages, inserts. */
function ownBoards(boards: readonly Board[], chosen: Chosen): Board[] {
  const own = boards.filter(({ whose, read }) => whose.kind === "own" && read.leaf.id !== "ghost");
  const rank = (board: Board) => (board.key === chosen?.board ? 0 : board.read.build.insert === null ? 1 : 2);
  return [...own].sort((a, b) => rank(a) - rank(b));
}

/**
 * Where a thing beside goes by key or button: into the first room that suits, else where nothing lies yet, else onto the
 * middle of the first page. Undefined where there is no page.
 */
export function targetFor(boards: readonly Board[], loose: Loose, chosen: Chosen, rooms: boolean): Target | undefined {
  const own = ownBoards(boards, chosen);
  for (const board of rooms ? own : []) {
    const wanting = wantingOf(board, loose);
    const room = wanting && firstRoom(ownPieces(board), wanting);
    if (room) return { board, room };
  }
  for (const board of own) {
    const { pieces, pockets } = board.read[board.face];
    const place = freePlace(loose.size, pieces, pockets, board.read.build.page);
    if (place) return pockets.length > 0 ? { board, pocket: place } : { board, lies: place };
  }
  const [home] = own;
  return home && { board: home, pocket: rectOf(home.read.build.page) };
}

/** The room of its kind that a thing is dropped on: its middle lies in it. */
export function roomUnder(board: Board, loose: Loose, lies: Rect): Room | undefined {
  const middle = rect(lies.x + Math.floor(lies.w / 2), lies.y + Math.floor(lies.h / 2), 1, 1);
  return roomsOn(ownPieces(board)).find((room) => room.keeps === loose.what && contains(room.lies, middle));
}

/** Why no room on one's own sides takes it by itself; null where one does, or where none is kept for anything. */
export function whyNoRoom(boards: readonly Board[], loose: Loose): "other-kind" | "other-shape" | null {
  const answers = ownBoards(boards, null).flatMap((board) => {
    const wanting = wantingOf(board, loose);
    return wanting ? roomsOn(ownPieces(board)).map((room) => suits(wanting, room)) : [];
  });
  if (answers.length === 0 || answers.includes("yes")) return null;
  return answers.includes("other-shape") ? "other-shape" : "other-kind";
}

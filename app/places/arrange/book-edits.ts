import { newId } from "#app/parts/new-id.ts";
import { usePut } from "#app/sending/sending.tsx";
import type { Leaf } from "#core/album/leaf.ts";
import type { Matter } from "#core/album/model.ts";
import type { Arrangement, BookEdit } from "#core/book/edit.ts";
import { leavesTouched } from "#core/book/edit.ts";

/** Sends changes of the book through the outbox: only what changed of a leaf, from the versions that were seen. */
export function useBookEdits() {
  const put = usePut();
  const change = (leaves: readonly Leaf[], edit: BookEdit, key: string = newId(), pause = false) => {
    const touched = new Set(leavesTouched(edit));
    const versions = leaves.filter(({ id }) => touched.has(id)).map(({ id, version }) => [id, version] as const);
    const seen = edit.kind === "move-leaf" ? null : Object.fromEntries(versions);
    put(`book:${key}`, { what: "book", seen, edit }, pause);
  };
  return {
    change,
    /** New arrangements of one or more sides, as one act. */
    arrange: (leaves: readonly Leaf[], changes: readonly Arrangement[], pause = false) => {
      const [only] = changes;
      if (changes.length === 1 && only)
        change(leaves, { kind: "arrange", ...only }, `${only.leaf}:${only.face}`, pause);
      else change(leaves, { kind: "arrange-many", sides: changes });
    },
    /** A new page of the front or back matter; its id. */
    addMatter: (matter: Matter): string => {
      const id = newId();
      put(`matter:${id}`, { what: "matter", how: "add", id, matter });
      return id;
    },
    addTryOut: (leafId: string, face: Arrangement["face"], pieces: Leaf["front"]["pieces"]) => {
      const id = newId();
      put(`try-out:${id}`, { what: "try-out", how: "add", id, leafId, face, pieces: [...(pieces ?? [])] });
    },
  };
}

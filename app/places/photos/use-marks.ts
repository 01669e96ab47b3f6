import { useCallback, useMemo } from "react";
import { newId } from "#app/parts/new-id.ts";
import { broughtTo } from "#app/sending/hand-in.ts";
import { pendingSent } from "#app/sending/pending.ts";
import { useOutbox } from "#app/sending/sending.tsx";
import type { RollMark } from "#core/photo/roll.ts";
import { withBrought, withMark } from "./marks.ts";
import type { OnPlace } from "./place-on.tsx";
import type { InsteadOf, RollPicture, RollView } from "./view.ts";

/** The pictures with everything that is on its way already done, and how to mark them or put them on a day. */
export function useMarks({ pictures: saved, days }: RollView) {
  const { state, put } = useOutbox();
  const mark = useCallback(
    (ids: readonly string[], each: RollMark) => {
      const id = newId();
      put(`mark:${id}`, { what: "mark", ids: [...ids], mark: each });
    },
    [put],
  );
  const pictures = useMemo(() => {
    const pending = pendingSent(state, "mark");
    const brought = pendingSent(state, "bring");
    if (pending.length + brought.length === 0) return saved;
    const marked = saved.flatMap(
      (picture) =>
        pending.reduce<RollPicture | null>(
          (now, { ids, mark: each }) => (now && ids.includes(picture.id) ? withMark(now, each) : now),
          picture,
        ) ?? [],
    );
    return brought.reduce((now, sent) => now.map((picture) => withBrought(picture, sent, days)), marked);
  }, [saved, days, state]);
  const place: OnPlace = useCallback(
    (ids, date) => {
      const day = days[date];
      if (day && ids.length > 0) put(`bring:${newId()}`, broughtTo(day.dayId, ids));
    },
    [put, days],
  );
  const putInstead = useCallback(
    ({ dayId, useId }: InsteadOf, photoId: string) =>
      put(`another:${useId}`, { what: "another-picture", dayId, useId, photoId }),
    [put],
  );
  return { pictures, mark, place, putInstead };
}

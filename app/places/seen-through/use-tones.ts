import { useEffect, useMemo } from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import type { ToneMap } from "#core/photo/quiet.ts";
import type { Tones } from "#core/see-through/ground.ts";

export type TonesAnswer = { readonly tones: Readonly<Record<string, ToneMap>> };

/** How light the album's pictures are, as far as that is here: it comes after the page does, and once. */
export function useTones(albumId: string): Tones {
  const { data, load } = useFetcher<TonesAnswer>();
  useEffect(() => {
    void load(to.tones(albumId));
  }, [load, albumId]);
  return useMemo(() => new Map(Object.entries(data?.tones ?? {})), [data]);
}

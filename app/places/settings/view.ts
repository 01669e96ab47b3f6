import type { AlbumPlan } from "#core/album/model.ts";
import { printNumber } from "#core/measure/length.ts";

/** The settings form's fields, as text to edit. */
export function settingsView(album: AlbumPlan & { version: number }) {
  const { format, unit } = album;
  const say = (length: typeof format.margin) => (length === 0 ? "0" : printNumber(length, unit));
  return {
    version: album.version,
    title: album.title,
    unit,
    numbering: album.numbering,
    start: album.span.start as string,
    end: album.span.end as string,
    formatName: format.name,
    binding: format.binding,
    lengths: {
      nominalW: say(format.nominal.w),
      nominalH: say(format.nominal.h),
      openingW: say(format.opening.w),
      openingH: say(format.opening.h),
      outerW: say(format.outer.w),
      outerH: say(format.outer.h),
      margin: say(format.margin),
    },
    capacity: String(format.capacity / 1000),
  };
}

export type SettingsView = ReturnType<typeof settingsView> & { readonly aside: readonly string[] };

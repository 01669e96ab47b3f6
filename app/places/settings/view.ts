import type { AlbumPlan } from "#core/album/model.ts";

/** The settings form's fields, as text to edit. */
export function settingsView(album: AlbumPlan & { version: number }) {
  return {
    version: album.version,
    title: album.title,
    unit: album.unit,
    numbering: album.numbering,
    preparing: album.preparing,
    start: album.span.start as string,
    end: album.span.end as string,
    formatName: album.format.name,
  };
}

export type SettingsView = ReturnType<typeof settingsView> & {
  readonly albumId: string;
  readonly aside: readonly string[];
  /** The clock the household goes by: its zone, those there are, and what it says now. */
  readonly clock: { readonly timeZone: string; readonly zones: readonly string[]; readonly now: string };
};

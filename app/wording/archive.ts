/** The words for archives. */

export const ARCHIVE_PROBLEM = {
  "no-file": "Choose an archive: a file ending in .zip that Hearth Clock wrote.",
  "no-room":
    "Your household has no room for that file here. Empty the tray, or ask whoever runs this Hearth Clock for more.",
  "too-many": "Enough is being read and written for your household already. Wait until some of it is done.",
  "not-found": "It is not there any more. Begin again.",
  "not-a-zip": "That file is not a whole ZIP archive. It may have been cut off on its way; copy it again.",
  "not-an-archive": "That ZIP is no archive of an album, and no household’s file.",
  "newer-format": "That archive was written by a newer Hearth Clock. Update this one, then read it again.",
  damaged: "The archive is damaged, so nothing was read from it. Use another copy.",
  "path-climbs": "The archive holds a file whose path leads outside it. It was refused.",
  "too-much-inside": "The archive unpacks to far more than an album can hold. It was refused.",
  "photo-missing": "A photo that the archive lists is not in it. Use another copy.",
  "photo-unreadable": "A photo in the archive cannot be read. Use another copy.",
} as const;

/** `where` as `album.json` itself would be read: days[3].jottings[0].at */
export const damagedAt = (where: string): string =>
  `Nothing was read from the archive: in its file album.json, what stands at ${where} is no such thing, or contradicts the rest. Put it right there, or use another copy.`;

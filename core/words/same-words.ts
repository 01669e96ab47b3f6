/** A text by its words alone, to tell whether two say the same: small letters and digits, whatever stands between them. */
export const sameWords = (text: string): string =>
  text
    .normalize("NFC")
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, " ")
    .trim();

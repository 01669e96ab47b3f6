/** Text as it can be stored anywhere: without the null character, and with halves of a broken pair shown as such. */
export const clean = (text: string): string => text.replaceAll("\0", "").replace(/\p{Surrogate}/gu, "\uFFFD");

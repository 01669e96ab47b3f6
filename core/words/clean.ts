/**
 * Characters that steer a device and mean nothing in a text: all but the line break, the tab and the carriage return. XML
 * takes none of them but U+007F, which it advises against. Source: W3C XML 1.0, 2.2.
 */
// biome-ignore lint/suspicious/noControlCharactersInRegex: these are what is looked for
const STEERING = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\ufffe\uffff]/g;

/** Text as it can be stored and drawn anywhere: without steering characters, and with halves of a broken pair shown as such. */
export const clean = (text: string): string => text.replace(STEERING, "").replace(/\p{Surrogate}/gu, "\uFFFD");

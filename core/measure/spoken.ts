import { FRACTION_SIGNS, plainFractions } from "./length.ts";

/** Parts of an inch as they are called. */
const PARTS: Readonly<Record<string, string>> = {
  ...{ 2: "half", 3: "third", 4: "quarter", 5: "fifth", 6: "sixth", 8: "eighth" },
  ...{ 16: "sixteenth", 32: "thirty-second", 64: "sixty-fourth" },
};
const SIGNS = new RegExp(`[${Object.keys(FRACTION_SIGNS).join("")}]`, "g");

/** Printed lengths, alone or within a sentence, in the words of who reads them aloud: `6³⁄₁₆″` as `6 and 3 sixteenths inches`. */
export const spoken = (text: string): string =>
  plainFractions(text.replace(SIGNS, (sign) => ` ${FRACTION_SIGNS[sign]}`))
    .replace(
      /(\d+ +)?(\d+)\/(\d+)(″?)/g,
      (all, whole: string | undefined, over: string, under: string, inch: string) => {
        const part = PARTS[under];
        if (!part) return all;
        const many = `${over} ${part}${over === "1" ? "" : "s"}`;
        if (whole) return `${whole.trim()} and ${many}${inch}`;
        if (!inch) return many;
        return under === "2" ? "half an inch" : `${many} of an inch`;
      },
    )
    .replaceAll("″", " inches")
    .replace(/ +/g, " ")
    .trim();

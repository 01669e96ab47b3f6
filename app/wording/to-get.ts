import type { ToGet } from "#core/drawer/to-get.ts";
import type { Unit } from "#core/measure/length.ts";
import { printSize } from "#core/measure/size.ts";
import { many } from "./count.ts";
import { KIND_NAME } from "./drawer.ts";

/** What is to be got, as it stands on a list: `Linen Stars`, `protectors 6 × 8`. */
export function toGetName(what: ToGet["what"], unit: Unit): string {
  switch (what.kind) {
    case "thing":
      return what.without.length > 0 ? `${what.name}: ${what.without.join(" ")}` : what.name;
    case "protectors":
      return `${KIND_NAME.protector.toLowerCase()} ${printSize(what.size, unit)}`;
    case "photo-paper":
      return `photo paper for ${many(what.prints, "print")}, at least`;
  }
}

/** `Gold star, 3 times`: what a page has of a thing. */
export const usedLine = ({ name, times }: { name: string; times: number }): string =>
  times > 1 ? `${name}, ${times} times` : name;

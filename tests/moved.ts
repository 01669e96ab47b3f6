import { unzipSync } from "fflate";

/** Lists of a household's file that stand in no order of their own. */
const LOOSE = [
  "prints",
  "written",
  "declined",
  "photos",
  "members",
  "drawer",
  "decks",
  "library",
  "printers",
  "links",
  "things",
  "layouts",
];
const UUIDS = /[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/g;

/** What a household's file says, with every id as the number at which it is met first: the same wherever it was moved. */
export function saidIn(zip: Uint8Array): Record<string, unknown> {
  const files = unzipSync(zip, { filter: ({ name }) => name.endsWith(".json") });
  const blank = (value: unknown) => JSON.stringify(value).replaceAll(UUIDS, "");
  const sorted = (value: unknown, name = ""): unknown => {
    if (Array.isArray(value)) {
      const all = value.map((each) => sorted(each));
      return LOOSE.includes(name) ? all.sort((a, b) => (blank(a) < blank(b) ? -1 : 1)) : all;
    }
    if (typeof value !== "object" || value === null) return value;
    return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, sorted(each, key)]));
  };
  const all = Object.fromEntries(
    Object.entries(files)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([name, bytes]) => [name, sorted(JSON.parse(Buffer.from(bytes).toString("utf8")))]),
  );
  const met = new Map<string, string>();
  const numbered = JSON.stringify(all).replaceAll(UUIDS, (id) => {
    const number = met.get(id) ?? `#${met.size + 1}`;
    met.set(id, number);
    return number;
  });
  return JSON.parse(numbered);
}

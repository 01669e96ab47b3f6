/** A text with its letters made plain: small, without accents, one way of writing quotes. Each keeps its place. */
function plain(text: string): string {
  let out = "";
  for (let at = 0; at < text.length; at++) {
    const letter = text[at] ?? "";
    const bare = letter.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase();
    // One for one, so that what is found stands at the same place in the text itself.
    out += bare.length === 1 ? (QUOTES[bare] ?? bare) : letter;
  }
  return out;
}
const QUOTES: Readonly<Record<string, string>> = { "’": "'", "‘": "'", "“": '"', "”": '"', "‐": "-", "‑": "-" };

/** Where something was found, and the words round it. */
export type Snippet = { readonly before: string; readonly found: string; readonly after: string };

const AROUND = 48;

/** The first place where every word of a query occurs in a text, the words round the first of them; null when one does not. */
export function findIn(text: string, query: string): Snippet | null {
  const whole = plain(text.normalize("NFC"));
  const words = plain(query.normalize("NFC")).split(/\s+/).filter(Boolean);
  if (words.length === 0 || !words.every((word) => whole.includes(word))) return null;
  const phrase = whole.indexOf(words.join(" "));
  const at = phrase >= 0 ? phrase : whole.indexOf(words[0] ?? "");
  const long = phrase >= 0 ? words.join(" ").length : (words[0]?.length ?? 0);
  const said = text.normalize("NFC");
  const from = at <= AROUND ? 0 : said.lastIndexOf(" ", at - AROUND) + 1;
  const after = said.slice(at + long);
  const end = after.length <= AROUND ? after.length : after.indexOf(" ", AROUND);
  return {
    before: `${from > 0 ? "… " : ""}${said.slice(from, at)}`,
    found: said.slice(at, at + long),
    after: end < 0 || end >= after.length ? after : `${after.slice(0, end)} …`,
  };
}

import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { to } from "#app/addresses.ts";
import { TextField } from "#app/parts/field.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { many } from "#app/wording/count.ts";
import { stockSaid } from "#app/wording/drawer.ts";
import { missingLetters } from "#core/drawer/letters.ts";
import { digitsNeeded } from "#core/drawer/numerals.ts";
import type { KeptThing } from "#core/drawer/thing.ts";
import type { NumberRow, NumbersView } from "./view.ts";

/** Which days the sets of numbers cover, and whether a title goes with the letters there are. */
export function Numbers({ view }: { view: NumbersView }) {
  const { albumId, numbers, zero, sets } = view;
  const needed = digitsNeeded(numbers, zero);
  const [query] = useSearchParams();
  const other = new URLSearchParams(query);
  if (zero) other.delete("zero");
  else other.set("zero", "yes");
  return (
    <Workplace
      width="broad"
      tabs={<PlaceTabs place="drawer" albumId={albumId} here="numbers" />}
      panel={<Letters view={view} />}
    >
      <PageStage>
        <div className="grid content-start gap-5">
          <div>
            <h1 className="text-2xl">Numbers</h1>
            <p className="text-sm text-quiet">
              {view.title} has {many(numbers.length, "number")},{" "}
              {many(
                needed.reduce((sum, each) => sum + each, 0),
                "digit",
              )}
              {zero ? ", with a nought before the small ones" : ""}.{" "}
              <Link to={`?${other}`} replace preventScrollReset className="link">
                {zero ? "Without the nought: 7" : "With a nought: 07"}
              </Link>
            </p>
          </div>
          <table className="w-fit border-collapse text-center text-sm">
            <caption className="sr-only">How often each digit is needed</caption>
            <thead>
              <tr>
                <th scope="row" className="pr-3 text-left font-normal text-quiet">
                  Digit
                </th>
                {needed.map((_, digit) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a digit is its place
                  <th key={digit} scope="col" className="px-2 font-numeral text-lg font-semibold">
                    {digit}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              <tr className="border-t border-line">
                <th scope="row" className="pr-3 text-left font-normal text-quiet">
                  needed
                </th>
                {needed.map((each, digit) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a digit is its place
                  <td key={digit} className="px-2">
                    {each}
                  </td>
                ))}
              </tr>
            </tbody>
          </table>
          {sets.length === 0 ? (
            <p className="max-w-prose">
              No set of numbers is in the{" "}
              <Link to={to.part(albumId, "drawer")} className="link">
                drawer
              </Link>{" "}
              yet. Put one in, and say what numbers are in it: here stands which days it covers.
            </p>
          ) : (
            <ul className="grid gap-4">
              {sets.map((set) => (
                <SetOf key={set.id} set={set} total={numbers.length} albumId={albumId} />
              ))}
            </ul>
          )}
        </div>
      </PageStage>
    </Workplace>
  );
}

/** One set: how far it goes, and what is to be made instead. */
function SetOf({ set, total, albumId }: { set: NumberRow; total: number; albumId: string }) {
  const { name, count, covered, without, missing, isProven, stock, places } = set;
  const cut = covered.filter(({ source }) => source === "cut").map(({ number }) => number);
  return (
    <li className="grid gap-1 border-b border-line pb-4">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <span className="font-medium">
          {name}
          {count !== 1 && `, ${many(count, "set")}`}
        </span>
        <span className={without.length === 0 ? "" : "font-semibold text-ember"}>
          {without.length === 0 ? `covers all ${total}` : `covers ${covered.length} of ${total}`}
        </span>
      </p>
      {without.length > 0 && (
        <p className="text-sm">
          To be made instead: <span className="font-numeral">{runsOf(without)}</span>.
          {missing.length > 0 && ` Missing for them: ${timesOf(missing)}.`}
        </p>
      )}
      {cut.length > 0 && (
        <p className="text-sm text-quiet">
          Cut from numbers that are left over: <span className="font-numeral">{runsOf(cut)}</span>.
        </p>
      )}
      {places.length > 0 && (
        <p className="text-sm">
          Taken from it so far: {stockSaid(stock)}.{" "}
          {places.map((place, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: two pages may be called alike
            <span key={at}>
              {at > 0 && ", "}
              {place.at ? (
                <Link to={to.entry(albumId, place.at)} className="link">
                  {place.name}
                </Link>
              ) : (
                [place.name, place.album].filter(Boolean).join(" of ")
              )}
            </span>
          ))}
        </p>
      )}
      {!isProven && <p className="text-sm text-quiet">A good choice; there may be one that covers more.</p>}
    </li>
  );
}

/** `4 of 1, 3 of 2, one 9`: digits that are missing, with how many of each. */
function timesOf(digits: readonly number[]): string {
  const counts = new Map<number, number>();
  for (const digit of digits) counts.set(digit, (counts.get(digit) ?? 0) + 1);
  return [...counts].map(([digit, count]) => (count === 1 ? `one ${digit}` : `${count} of ${digit}`)).join(", ");
}

/** `1 to 9, 12, 14 to 20`, of numbers in the album's order. */
function runsOf(numbers: readonly number[]): string {
  const sorted = [...numbers].sort((a, b) => a - b);
  const runs = sorted.reduce<[number, number][]>((all, number) => {
    const run = all.at(-1);
    if (run && number === run[1] + 1) run[1] = number;
    else all.push([number, number]);
    return all;
  }, []);
  return runs
    .map(([from, to]) => (from === to ? from : to === from + 1 ? `${from}, ${to}` : `${from} to ${to}`))
    .join(", ");
}

/** Whether a title goes with the letters of each set. */
function Letters({ view: { alphabets, titles, albumId } }: { view: NumbersView }) {
  const [title, setTitle] = useState(titles[0] ?? "");
  return (
    <section aria-labelledby="letters" className="grid content-start gap-3">
      <h2 id="letters" className="border-b border-line pb-1 text-xl">
        Does a title go
      </h2>
      <TextField label="Words" value={title} maxLength={200} onChange={(event) => setTitle(event.target.value)} />
      {alphabets.length === 0 ? (
        <p className="text-sm">
          No letters are in the{" "}
          <Link to={to.part(albumId, "drawer")} className="link">
            drawer
          </Link>{" "}
          yet.
        </p>
      ) : (
        <ul className="grid gap-2" aria-live="polite">
          {alphabets.map((each) => (
            <Alphabet key={each.id} alphabet={each} {...{ title, titles }} />
          ))}
        </ul>
      )}
    </section>
  );
}

function Alphabet({
  alphabet: { name, count, letters },
  title,
  titles,
}: {
  alphabet: KeptThing;
  title: string;
  titles: readonly string[];
}) {
  if (!letters) return null;
  const all = {
    ...letters,
    counts: Object.fromEntries(Object.entries(letters.counts).map(([sign, each]) => [sign, each * count])),
  };
  const missing = missingLetters(all, title);
  const going = titles.filter((each) => missingLetters(all, each).length === 0).length;
  return (
    <li className="border-b border-line pb-2">
      <span className="font-medium">{name}</span>:{" "}
      {title.trim() === "" ? (
        "write some words"
      ) : missing.length === 0 ? (
        "it goes"
      ) : (
        <span className="font-semibold text-ember">missing {missing.join(", ")}</span>
      )}
      {titles.length > 0 && (
        <span className="block text-sm text-quiet">
          Of this album’s {many(titles.length, "title")} it sets {going}.
        </span>
      )}
    </li>
  );
}

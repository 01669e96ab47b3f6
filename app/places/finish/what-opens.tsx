import { Download } from "lucide-react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Drawn } from "#app/drawing/drawn.tsx";
import { buttonLook } from "#app/parts/button.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { many } from "#app/wording/count.ts";
import type { OpenerLine } from "./openers-view.ts";

type Props = { readonly albumId: string; readonly openers: readonly OpenerLine[]; readonly pageSaid: string };

/** What opens where: for who leafs through the book in twenty years and cannot ask. */
export function WhatOpens({ albumId, openers, pageSaid }: Props) {
  const before = openers.filter(({ noHint, intoRings }) => noHint || intoRings);
  const card = (of: "page" | "card", name: string) => (
    <a href={to.document(albumId, "openers", `${of}.pdf`)} download className={buttonLook("plain", true)}>
      <Download className="size-4" aria-hidden="true" /> {name}
    </a>
  );
  return (
    <Workplace
      tabs={<PlaceTabs place="finish" albumId={albumId} here="what-opens" />}
      panel={
        openers.length > 0 && (
          <section aria-labelledby="card" className="grid content-start gap-3">
            <h2 id="card" className="border-b border-line pb-2 text-xl">
              A card for the back of the book
            </h2>
            <p className="text-sm text-quiet">
              The same list with its small drawings, at true size, to be cut out and put in last. What is private today
              is not on it.
            </p>
            <p className="flex flex-wrap gap-2">
              {card("page", `As a page, ${pageSaid}`)}
              {card("card", "As cards, 4 × 6")}
            </p>
          </section>
        )
      }
    >
      <PageStage>
        <h1 className="text-3xl">What opens where</h1>
        <p className="max-w-prose pb-4 text-quiet">
          {openers.length === 0
            ? "Nothing in this book lifts, pulls or folds out. What is made at the bench and laid on a page is listed here."
            : `${many(openers.length, "thing")} in the order of the book.`}
        </p>
        {before.length > 0 && (
          <section aria-labelledby="before" className="mb-5 border-l-4 border-ember pl-3">
            <h2 id="before" className="font-medium">
              Before it goes to the shelf
            </h2>
            <ul className="text-sm">
              {before.map(({ key, name, where, intoRings, href }) => (
                <li key={key}>
                  <Link to={href} className="link">
                    {name}
                  </Link>
                  , {where}:{" "}
                  {intoRings ? "it opens towards the rings and catches there." : "nothing on it says that it opens."}
                </li>
              ))}
            </ul>
          </section>
        )}
        <ol className="grid gap-x-8 gap-y-6 lg:grid-cols-2">
          {openers.map(({ key, name, where, does, inside, box, drawing, leafed, href }, nth) => (
            <li key={key} className="grid grid-cols-[7rem_1fr] gap-4">
              <Drawn
                as="svg"
                viewBox={`${box.x} ${box.y} ${box.w} ${box.h}`}
                className="max-h-36 w-full"
                aria-hidden="true"
                markup={drawing}
              />
              <div className="grid content-start gap-1">
                <h2 className="text-lg leading-snug">
                  <span className="font-numeral text-quiet">{nth + 1}</span> {name}
                </h2>
                <p className="text-sm text-quiet">{where}</p>
                {does.length > 1 ? (
                  <ol className="list-decimal pl-5">
                    {does.map((each) => (
                      <li key={each}>{each}</li>
                    ))}
                  </ol>
                ) : (
                  <p>{does[0]}</p>
                )}
                {inside && <p>{inside}</p>}
                <p className="flex gap-4 text-sm">
                  <Link to={leafed} className="link">
                    Leaf to it
                  </Link>
                  <Link to={href} className="link">
                    Work on it
                  </Link>
                </p>
              </div>
            </li>
          ))}
        </ol>
      </PageStage>
    </Workplace>
  );
}

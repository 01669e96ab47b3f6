import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { MATERIALS } from "#core/material/material.ts";
import { PageLinks } from "./page-links.tsx";
import type { ToGetView } from "./view.ts";

/** What the rest of the plan needs and is not there, to take along; and what is there and wants to be used up. */
export function ToGet({ view }: { view: ToGetView }) {
  const { albumId, title, rows, useUp, noSet } = view;
  return (
    <Workplace tabs={<PlaceTabs place="drawer" albumId={albumId} here="to-get" />}>
      <PageStage>
        <div className="grid max-w-3xl content-start gap-6">
          <div className="flex flex-wrap items-end justify-between gap-3">
            <div>
              <h1 className="text-2xl">To get</h1>
              <p className="text-sm text-quiet">
                {rows.length > 0
                  ? `What ${title} still needs, and the drawer has not.`
                  : `The drawer has everything that ${title} is planned to take from it.`}
              </p>
            </div>
            {rows.length > 0 && (
              <div className="not-printed flex flex-wrap gap-2">
                <Button small onClick={() => window.print()}>
                  Print the list
                </Button>
                <a className={buttonLook("plain", true)} href={to.document(albumId, "drawer", "to-get.csv")} download>
                  Save it as a table
                </a>
              </div>
            )}
          </div>
          {rows.length > 0 && (
            <ul className="border-t border-line">
              {rows.map(({ name, count, needed, there, pages, instead }) => (
                <li key={name} className="grid grid-cols-[3.5rem_minmax(0,1fr)] gap-x-3 border-b border-line py-3">
                  <span className="font-numeral text-3xl leading-none font-semibold tabular-nums">{count}</span>
                  <span>
                    <span className="font-medium">{name}</span>
                    <span className="block text-sm text-quiet">
                      {needed} needed, {there} there
                      {pages.length > 0 && (
                        <>
                          {" · for "}
                          <PageLinks albumId={albumId} pages={pages} />
                        </>
                      )}
                    </span>
                    {instead.length > 0 && (
                      <span className="block text-sm">
                        In the drawer instead:{" "}
                        {instead
                          .map((each) => `${each.name} (${each.left} left${each.lies ? `, ${each.lies}` : ""})`)
                          .join("; ")}
                      </span>
                    )}
                  </span>
                </li>
              ))}
            </ul>
          )}
          {noSet.length > 0 && (
            <section aria-labelledby="no-set" className="grid gap-1">
              <h2 id="no-set" className="text-lg">
                Numbers of no set yet
              </h2>
              <ul className="text-sm">
                {noSet.map(({ material, pages }) => (
                  <li key={material}>
                    {material ? MATERIALS[material].name : "a number"}: <PageLinks albumId={albumId} pages={pages} />
                  </li>
                ))}
              </ul>
              <p className="text-sm text-quiet">
                <Link to={to.part(albumId, "numbers")} className="link">
                  Numbers and letters
                </Link>{" "}
                says which of them a set covers.
              </p>
            </section>
          )}
          {useUp.length > 0 && (
            <section aria-labelledby="use-up" className="grid gap-1">
              <h2 id="use-up" className="text-lg">
                To be used up, and planned for nothing yet
              </h2>
              <ul className="text-sm">
                {useUp.map(({ id, name, free, lies }) => (
                  <li key={id}>
                    {name}: {free} left
                    {lies && <span className="text-quiet">, {lies}</span>}
                  </li>
                ))}
              </ul>
            </section>
          )}
        </div>
      </PageStage>
    </Workplace>
  );
}

import { useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { PageLinks } from "./page-links.tsx";
import type { UsedView } from "./view.ts";

/** The same in plain words, to be copied: others ask what a page was made with. */
const asText = ({ title, pages }: UsedView): string =>
  [title, ...pages.map(({ name, lines }) => `${name}: ${lines.map(({ said }) => said).join("; ")}`)].join("\n");

/** What every page was made with, from the drawer. */
export function Used({ view }: { view: UsedView }) {
  const { albumId, pages, all } = view;
  const [copied, setCopied] = useState(false);
  const copy = () => {
    void navigator.clipboard?.writeText(asText(view)).then(() => setCopied(true));
  };
  return (
    <Workplace
      width="broad"
      tabs={<PlaceTabs place="drawer" albumId={albumId} here="used" />}
      panel={
        pages.length > 0 ? (
          <section aria-labelledby="in-all" className="grid gap-2">
            <h2 id="in-all" className="border-b border-line pb-1 text-xl">
              In the whole album
            </h2>
            <ul className="text-sm">
              {all.map((said) => (
                <li key={said}>{said}</li>
              ))}
            </ul>
          </section>
        ) : undefined
      }
    >
      <PageStage>
        <div className="grid content-start gap-5">
          <div className="flex flex-wrap items-end justify-between gap-3">
            <h1 className="text-2xl">What was used</h1>
            {pages.length > 0 && (
              <div className="not-printed flex items-center gap-3">
                <span role="status" className="text-sm text-quiet">
                  {copied && "Copied."}
                </span>
                <Button small onClick={copy}>
                  Copy the list
                </Button>
              </div>
            )}
          </div>
          {pages.length === 0 ? (
            <p className="max-w-prose">
              Nothing of the{" "}
              <Link to={to.part(albumId, "drawer")} className="link">
                drawer
              </Link>{" "}
              is on a page yet. Say of a page, or of a piece on it, what it is made of: here it is written down.
            </p>
          ) : (
            <dl className="border-t border-line">
              {pages.map((page) => (
                <div
                  key={page.name}
                  className="grid gap-x-4 border-b border-line py-2 wide:grid-cols-[10rem_minmax(0,1fr)]"
                >
                  <dt className="font-medium">
                    <PageLinks albumId={albumId} pages={[page]} />
                  </dt>
                  <dd className="text-sm">
                    {page.lines.map(({ said, used }, at) => (
                      <span key={said}>
                        {at > 0 && "; "}
                        {said}
                        {!used && <span className="text-quiet"> (planned)</span>}
                      </span>
                    ))}
                  </dd>
                </div>
              ))}
            </dl>
          )}
        </div>
      </PageStage>
    </Workplace>
  );
}

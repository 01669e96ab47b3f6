import { useEffect, useState } from "react";
import { Link, useLocation } from "react-router";
import { to } from "#app/addresses.ts";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { CRAFT } from "#app/wording/craft.ts";

/** The words of the craft, each said once, with the way to where it is met. */
export function Craft({ albumId }: { albumId: string }) {
  // The word that was asked for: a link within the program moves no `:target`, and the server is told of no hash.
  const { hash } = useLocation();
  const [asked, setAsked] = useState("");
  useEffect(() => {
    setAsked(hash.slice(1));
    document.getElementById(hash.slice(1))?.scrollIntoView({ block: "center" });
  }, [hash]);
  return (
    <Workplace tabs={<PlaceTabs place="settings" albumId={albumId} here="craft" />}>
      <PageStage label="The craft’s words">
        <div className="mx-auto grid max-w-4xl gap-8">
          <div>
            <h1 className="text-3xl">The craft’s words</h1>
            <p className="mt-1 text-quiet">
              What they mean here. Keepers call some of these otherwise; the thing is the same.
            </p>
          </div>
          {CRAFT.map(({ about, words }) => (
            <section key={about} aria-label={about}>
              <h2 className="border-b border-line pb-1 text-xl">{about}</h2>
              <dl className="grid gap-x-8 sm:grid-cols-2">
                {words.map(({ id, word, says, at }) => (
                  <div
                    key={id}
                    id={id}
                    data-asked={id === asked || undefined}
                    className="border-b border-line py-2.5 data-asked:border-l-4 data-asked:border-l-ember data-asked:pl-3"
                  >
                    <dt className="font-semibold">{word}</dt>
                    <dd>
                      {says}{" "}
                      {at && (
                        <Link to={to.part(albumId, at[0])} className="link text-sm whitespace-nowrap">
                          {at[1]}
                        </Link>
                      )}
                    </dd>
                  </div>
                ))}
              </dl>
            </section>
          ))}
        </div>
      </PageStage>
    </Workplace>
  );
}

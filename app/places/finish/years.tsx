import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { buttonLook } from "#app/parts/button.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { shortDate } from "#app/wording/dates.ts";
import type { Asked, BuiltAgain, InYear } from "#core/finish/years.ts";

type Props = {
  readonly albumId: string;
  /** How many other albums the household has. */
  readonly others: number;
  readonly asked: readonly Asked[];
  readonly built: readonly BuiltAgain[];
};

/** What stays from year to year: questions with their answers, pages that repeat, and the next album. */
export function Years({ albumId, others, asked, built }: Props) {
  return (
    <Workplace
      tabs={<PlaceTabs place="finish" albumId={albumId} here="years" />}
      panel={
        <section aria-labelledby="next" className="grid content-start gap-3">
          <h2 id="next" className="border-b border-line pb-2 text-xl">
            The next one
          </h2>
          <p className="text-sm text-quiet">
            A new album takes over this one’s book, its numbers, its prompts on the same days and its pattern of pages.
            Photos and words stay here.
          </p>
          <div>
            <Link to={to.newAlbum({ from: albumId })} className={buttonLook("main")}>
              Begin the next from this
            </Link>
          </div>
          {others > 0 && (
            <p className="pt-2 text-sm text-quiet">
              To see two books side by side,{" "}
              <Link to={to.leafThrough(albumId)} className="link">
                leaf through
              </Link>{" "}
              with another beside this one.
            </p>
          )}
        </section>
      }
    >
      <PageStage>
        <h1 className="text-3xl">Year to year</h1>
        {others === 0 ? (
          <p className="max-w-prose pt-3 text-lg">
            This is the only album on the shelf. With a second one, the questions that both ask stand here with both
            answers, and each day shows what the earlier album had on it.
          </p>
        ) : (
          <div className="grid gap-8 pt-4">
            <AskedAgain asked={asked} />
            <Built built={built} />
          </div>
        )}
      </PageStage>
    </Workplace>
  );
}

const dayLink = ({ albumId, album, date }: InYear) => (
  <Link to={to.day(albumId, date)} className="link">
    {album}, {shortDate(date)} {date.slice(0, 4)}
  </Link>
);

function AskedAgain({ asked }: { asked: readonly Asked[] }) {
  return (
    <section aria-labelledby="asked">
      <h2 id="asked" className="border-b border-line pb-1 text-xl">
        Asked again
      </h2>
      {asked.length === 0 && <p className="pt-2 text-quiet">No prompt is in two albums yet.</p>}
      <ul className="divide-y divide-line">
        {asked.map(({ question, answers }) => (
          <li key={question} className="grid gap-2 py-4">
            <h3 className="font-medium">{question}</h3>
            <ul className="grid gap-3 wide:grid-cols-2">
              {answers.map((each) => (
                <li key={each.albumId} className="border-l-2 border-line pl-3">
                  <p className="text-sm">{dayLink(each)}</p>
                  {each.title && <p className="text-quiet">{each.title}</p>}
                  {each.words.map((words, nth) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: two cards may say the same
                    <p key={nth} className="line-clamp-6 whitespace-pre-line">
                      {words}
                    </p>
                  ))}
                  {each.words.length === 0 && <p className="text-quiet">Nothing written.</p>}
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Built({ built }: { built: readonly BuiltAgain[] }) {
  if (built.length === 0) return null;
  return (
    <section aria-labelledby="built">
      <h2 id="built" className="border-b border-line pb-1 text-xl">
        Built as before
      </h2>
      <p className="pt-2 text-quiet">The same leaf with as many of the same things on it, on the same day.</p>
      <ul className="divide-y divide-line">
        {built.map(({ date, title, before }) => (
          <li key={date} className="grid gap-1 py-3 wide:grid-cols-[12rem_1fr]">
            <p className="font-medium">
              {shortDate(date)}
              {title ? `, ${title}` : ""}
            </p>
            <p>
              As in{" "}
              {before.map((each, nth) => (
                <span key={each.albumId}>
                  {nth === 0 ? "" : nth === before.length - 1 ? " and " : ", "}
                  {dayLink(each)}
                </span>
              ))}
              .
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}

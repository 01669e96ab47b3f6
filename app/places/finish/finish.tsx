import { Download } from "lucide-react";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { buttonLook } from "#app/parts/button.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { Refusal } from "#app/parts/refusal.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { WriteFile } from "#app/places/background/write-file.tsx";
import { BookOut } from "./book-out.tsx";
import { Ends } from "./ends.tsx";
import type { EndLine } from "./view.ts";

type Props = {
  readonly albumId: string;
  readonly photos: number;
  /** How many leaves the book has. */
  readonly leaves: number;
  /** How many things are private as of today: days, pictures, cards and jottings. */
  readonly secret: number;
  readonly inBook: number;
  readonly wanted: number;
  readonly ends: readonly EndLine[];
};

/** What is loose, and the ways out of the program. */
export function Finish({ albumId, photos, leaves, secret, inBook, wanted, ends }: Props) {
  return (
    <Workplace
      tabs={<PlaceTabs place="finish" albumId={albumId} here="finish" />}
      panel={
        <section aria-labelledby="out" className="grid content-start gap-5">
          <h2 id="out" className="border-b border-line pb-2 text-xl">
            Take it with you
          </h2>
          {leaves > 0 && (
            <div className="grid gap-1.5">
              <h3 className="font-medium">The book to look at</h3>
              <BookOut {...{ albumId, secret }} />
            </div>
          )}
          <Way
            title="Archive for yourself"
            way={<WriteFile wanted={{ kind: "write-archive", albumId, forWhom: "self" }} action="Write everything" />}
          >
            A ZIP with the whole plan in one readable file and {photos === 1 ? "the photo" : `all ${photos} photos`} as
            they came, places included{secret > 0 ? ", and all that is private" : ""}. It reads back into any Hearth
            Clock. Keep it where only you come by.
          </Way>
          <hr className="border-line" />
          {secret > 0 && (
            <p className="border-l-4 border-ember pl-3 text-sm">
              {secret === 1 ? "One private thing stays" : `${secret} private things stay`} here and{" "}
              {secret === 1 ? "is" : "are"} in nothing below.
            </p>
          )}
          <Way
            title="Archive to hand on"
            way={
              <WriteFile wanted={{ kind: "write-archive", albumId, forWhom: "others" }} action="Write it to hand on" />
            }
          >
            The same without what is private, and with the place taken out of every photo. Names, faces and the other
            words are still in it: look before you share.
          </Way>
          <Way
            title="Day plan as a table"
            way={
              <a href={to.document(albumId, "day-plan", "plan.csv")} download className={buttonLook("plain", true)}>
                <Download className="size-4" aria-hidden="true" /> Save the table
              </a>
            }
          >
            One row a day, as CSV for any spreadsheet. Changed there, it is{" "}
            <Link to={to.part(albumId, "plan-table")} className="link">
              read back
            </Link>
            .
          </Way>
          <hr className="border-line" />
          <Way
            title="The days in a calendar"
            way={
              <a href={to.document(albumId, "calendar", "days.ics")} download className={buttonLook("plain", true)}>
                <Download className="size-4" aria-hidden="true" /> Save the calendar
              </a>
            }
          >
            An .ics file that calendars read: a whole-day entry for each page, with its title and prompt. Read twice, it
            doubles nothing.
          </Way>
        </section>
      }
    >
      <PageStage>
        <section aria-label="Finish">
          <h1 className="text-3xl">Finish</h1>
          <p className="pb-4 text-quiet">
            {inBook} of {wanted} in the book. There is no last day for finishing.
          </p>
          <Refusal />
          <Ends lines={ends} />
        </section>
      </PageStage>
    </Workplace>
  );
}

/** A way out of the program: what it is, and how to go. */
function Way({ title, way, children }: { title: string; way: ReactNode; children: ReactNode }) {
  return (
    <div className="grid gap-1.5">
      <h3 className="font-medium">{title}</h3>
      <p className="text-sm text-quiet">{children}</p>
      <div>{way}</div>
    </div>
  );
}

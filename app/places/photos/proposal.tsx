import { useState } from "react";
import { Form, Link, useNavigation, useSubmit } from "react-router";
import { to } from "#app/addresses.ts";
import { Drawn } from "#app/drawing/drawn.tsx";
import { drawingOf, mm, thumbPicture } from "#app/drawing/mat-text.ts";
import { Button } from "#app/parts/button.tsx";
import { ChoiceCard } from "#app/parts/choice-card.tsx";
import { Outcome } from "#app/parts/outcome.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { many } from "#app/wording/count.ts";
import { PHOTO_RULE } from "#app/wording/photo.ts";
import type { Away } from "#app/wording/sending.ts";
import type { Unit } from "#core/measure/length.ts";
import { rectOf } from "#core/measure/rect.ts";
import { printSize } from "#core/measure/size.ts";
import { AS_IT_COMES, verdictOn } from "#core/photo/crop.ts";
import { losesMuch, PHOTO_RULES } from "#core/photo/propose.ts";
import type { ProposalRow, ProposalView } from "./proposal-view.ts";

export type ProposalAnswer = { ok: true; said: string } | { ok: false; reason: "changed-since" | Away };

type Found = NonNullable<ProposalRow["proposal"]>;

/** Why this picture, in a line. */
export function sayWhy({ why, taken }: Pick<Found, "why" | "taken">): string {
  const date = {
    "that-day": "taken that day",
    banked: `banked${taken ? `, taken ${taken}` : ""}`,
    "other-day": `taken ${taken}, ${many(why.daysOff, "day")} off`,
    "no-date": "carries no date",
  }[why.date];
  const verdict = verdictOn(why.ppi);
  const parts = [
    date,
    why.lost < 0.005 ? "nothing cropped" : `${Math.round(why.lost * 100)} % cropped`,
    `${Math.round(why.ppi)} pixels an inch${verdict === "soft" ? ", looks soft" : verdict === "just" ? ", a little soft" : ""}`,
    why.star && "starred",
    why.double && "one of several alike",
    why.again && "on another page too",
  ].filter(Boolean);
  const [first = "", ...rest] = parts;
  return `${String(first)[0]?.toUpperCase()}${String(first).slice(1)}; ${rest.join("; ")}.`;
}

/** The proposal for every waiting print, to take all, some or none of. */
export function Proposal({ view, answer }: { view: ProposalView; answer: ProposalAnswer | null }) {
  const submit = useSubmit();
  const busy = useNavigation().state !== "idle";
  const found = view.rows.filter(({ proposal }) => proposal !== null);
  const [turned, setTurned] = useState<ReadonlyMap<string, boolean>>(new Map());
  // What would lose much of a picture is ticked by its keeper or not at all.
  const isTaken = ({ wanted, proposal }: ProposalRow) =>
    turned.get(wanted.id) ?? !(proposal && losesMuch(proposal.why));
  const turnAll = (on: boolean) => setTurned(new Map(found.map(({ wanted }) => [wanted.id, on])));
  const taken = found.filter(isTaken);
  const days = new Set(view.rows.map(({ date }) => date)).size;
  const empty = view.rows.length - found.length;
  return (
    <Workplace
      width="narrow"
      tabs={<PlaceTabs place="photos" albumId={view.albumId} here="who-goes-where" />}
      panel={
        <>
          <Form method="post" className="grid gap-3">
            <input type="hidden" name="intent" value="take" />
            <input
              type="hidden"
              name="picks"
              value={JSON.stringify(
                taken.map(({ wanted, proposal }) => ({ wanted: wanted.id, photo: proposal?.photo })),
              )}
            />
            <p className="font-numeral text-3xl font-semibold">
              {taken.length} <span className="text-lg">of {view.rows.length}</span>
            </p>
            <p className="text-sm text-quiet">
              {empty === 0
                ? "Every waiting print has a picture."
                : `${many(empty, "print stays", "prints stay")} without: nothing free suits under the rule below.`}
            </p>
            <Button look="main" type="submit" disabled={busy || taken.length === 0}>
              {taken.length === 1 ? "Put it on its day" : `Put these ${taken.length} on their days`}
            </Button>
            <div className="flex gap-2">
              <Button small onClick={() => turnAll(true)} disabled={taken.length === found.length}>
                All
              </Button>
              <Button small onClick={() => turnAll(false)} disabled={taken.length === 0}>
                None
              </Button>
            </div>
            <p className="text-sm text-quiet">“Take back” undoes all of it at once.</p>
          </Form>
          <Form
            method="post"
            className="grid gap-2.5 border-t border-line pt-4"
            onChange={(event) => void submit(event.currentTarget)}
          >
            <input type="hidden" name="intent" value="rule" />
            <fieldset className="grid gap-2">
              <legend className="mb-1 font-medium">Which pictures a day may have</legend>
              {PHOTO_RULES.map((rule) => (
                <ChoiceCard
                  key={rule}
                  name="rule"
                  value={rule}
                  checked={view.rule === rule}
                  onChoose={() => {}}
                  label={PHOTO_RULE[rule].name}
                  hint={PHOTO_RULE[rule].hint}
                />
              ))}
            </fieldset>
            <label className="flex min-h-8 items-center gap-2 text-sm">
              <input
                type="checkbox"
                name="twice"
                value="yes"
                defaultChecked={view.twice}
                className="size-4 accent-ember"
              />
              A picture may be on a second page
            </label>
          </Form>
        </>
      }
    >
      <PageStage>
        <h1 className="text-2xl">Who goes where</h1>
        <p className="max-w-prose pb-3 text-sm text-quiet">
          {view.rows.length === 0
            ? "No page waits for a print. Keep room for photos on a foundation page, and it is proposed here."
            : `${many(view.rows.length, "print waits", "prints wait")} on ${many(days, "day")}; ${many(view.from, "picture is", "pictures are")} free. What is on a page already stays.`}
        </p>
        <Outcome answer={answer} why={REFUSED} kept="Nothing was placed." />
        {found.length > 0 && (
          <ol className="grid border-t border-line">
            {found.map((row) => (
              <Row
                key={row.wanted.id}
                row={row}
                unit={view.unit}
                isTaken={isTaken(row)}
                onTake={(on) => setTurned(new Map([...turned, [row.wanted.id, on]]))}
              />
            ))}
          </ol>
        )}
        <StillEmpty view={view} />
      </PageStage>
    </Workplace>
  );
}

const REFUSED = {
  "changed-since":
    "The pages changed meanwhile, in another window. Here is the proposal as it is now; nothing was placed.",
} as const;

/** The days whose prints have no picture, each once with what it waits for. */
function StillEmpty({ view: { albumId, rows, unit } }: { view: ProposalView }) {
  const days = new Map<string, ProposalRow[]>();
  for (const row of rows) if (!row.proposal) days.set(row.date, [...(days.get(row.date) ?? []), row]);
  if (days.size === 0) return null;
  return (
    <section aria-label="Still without a picture" className="pt-5">
      <h2 className="mb-1 text-lg">Still without</h2>
      <p className="mb-2 max-w-prose text-sm text-quiet">
        Their rooms stay kept. Fill the roll, bank a picture for a dark day, or allow more days.
      </p>
      <ul className="grid gap-x-6 wide:grid-cols-2">
        {[...days].map(([date, waiting]) => (
          <li key={date} className="flex items-baseline gap-2 border-b border-line py-1.5">
            <Link className="min-w-0 truncate font-numeral font-semibold hover:text-ember" to={to.day(albumId, date)}>
              {waiting[0]?.day}
            </Link>
            <span className="ml-auto text-sm whitespace-nowrap text-quiet">{countSizes(waiting, unit)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** `2 of 3 × 4, 1 of 6 × 4`. */
function countSizes(rows: readonly ProposalRow[], unit: Unit): string {
  const sizes = new Map<string, number>();
  for (const { wanted } of rows)
    sizes.set(printSize(wanted.print, unit), (sizes.get(printSize(wanted.print, unit)) ?? 0) + 1);
  return [...sizes].map(([said, count]) => (count === 1 ? said : `${count} of ${said}`)).join(", ");
}

function Row({
  row,
  unit,
  isTaken,
  onTake,
}: {
  row: ProposalRow;
  unit: Unit;
  isTaken: boolean;
  onTake: (on: boolean) => void;
}) {
  const { wanted, proposal, day } = row;
  if (!proposal) return null;
  return (
    <li
      className={`grid grid-cols-[24px_112px_minmax(0,1fr)] items-center gap-3 border-b border-line py-2.5 wide:grid-cols-[24px_132px_minmax(0,1fr)] ${isTaken ? "" : "opacity-60"}`}
    >
      <input
        type="checkbox"
        checked={isTaken}
        onChange={(event) => onTake(event.target.checked)}
        aria-label={`${proposal.name} on ${day}`}
        className="size-5 accent-ember"
      />
      <Preview row={row} />
      <div className="min-w-0">
        <p className="flex flex-wrap items-baseline gap-x-2.5">
          <span className="font-numeral text-lg font-semibold">{day}</span>
          <span className="text-sm text-quiet">{printSize(wanted.print, unit)}</span>
        </p>
        <p className="text-sm">{sayWhy(proposal)}</p>
        {losesMuch(proposal.why) && !isTaken && (
          <p className="text-sm text-quiet">More than a quarter of it would be lost: tick it if that is well.</p>
        )}
      </div>
    </li>
  );
}

/** The picture as it would be cropped for its print, or the empty room; both to one scale. */
function Preview({ row: { wanted, proposal } }: { row: ProposalRow }) {
  const at = rectOf(wanted.print);
  const [w, h] = [mm(wanted.print.w), mm(wanted.print.h)];
  // Every print at the same scale: an eight-inch side fills the height of the row.
  const high = 84 * Math.min(1, h / 160);
  return (
    <Drawn
      as="svg"
      viewBox={`0 0 ${w} ${h}`}
      height={Math.max(40, high)}
      className="max-w-full justify-self-center bg-line"
      role="img"
      aria-label={proposal ? `${proposal.name}, as it would be cropped` : "No picture"}
      markup={
        proposal
          ? drawingOf(
              [
                {
                  kind: "picture",
                  photoId: proposal.photo,
                  alt: proposal.name,
                  crop: AS_IT_COMES,
                  picture: proposal.facts,
                  at,
                  shown: at,
                },
              ],
              thumbPicture,
            )
          : ""
      }
    />
  );
}

import { useState } from "react";
import { Form, Link, useNavigation, useSubmit } from "react-router";
import { to } from "#app/addresses.ts";
import { Drawn } from "#app/drawing/drawn.tsx";
import { drawingOf, mm } from "#app/drawing/mat-text.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Button } from "#app/parts/button.tsx";
import { ChoiceCard } from "#app/parts/choice-card.tsx";
import { Outcome } from "#app/parts/outcome.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { useIsKeeper } from "#app/parts/role.tsx";
import { Tools } from "#app/parts/tools.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { many } from "#app/wording/count.ts";
import { PHOTO_RULE } from "#app/wording/photo.ts";
import type { Away } from "#app/wording/sending.ts";
import type { Unit } from "#core/measure/length.ts";
import { rectOf } from "#core/measure/rect.ts";
import { printSize, type Size, turned } from "#core/measure/size.ts";
import { AS_IT_COMES, verdictOn } from "#core/photo/crop.ts";
import { losesMuch, PHOTO_RULES, type Why } from "#core/photo/propose.ts";
import type { Pick, ProposalRow, ProposalView } from "./proposal-view.ts";

export type ProposalAnswer = { ok: true; said: string } | { ok: false; reason: "changed-since" | Away };

/** Why this picture, in a line. */
export function sayWhy({ why, taken }: { readonly why: Why; readonly taken: string | null }): string {
  const date = {
    "that-day": "taken that day",
    banked: `banked${taken ? `, taken ${taken}` : ""}`,
    "other-day": `taken ${taken}, ${many(why.daysOff, "day")} off`,
    "no-date": "carries no date",
  }[why.date];
  const verdict = verdictOn(why.ppi);
  const parts = [
    date,
    why.turned && "the print turned for it",
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
  const isKeeper = useIsKeeper();
  const busy = useNavigation().state !== "idle";
  const [chosen, setChosen] = useState<ReadonlyMap<string, Pick>>(new Map());
  const [ticked, setTicked] = useState<ReadonlyMap<string, boolean>>(new Map());
  const rows = view.rows.map((row) => ({ ...row, pick: chosen.get(row.wanted.id) ?? row.proposal }));
  const found = rows.flatMap(({ pick, ...row }) => (pick || row.others.length > 0 ? [{ ...row, pick }] : []));
  // What would lose much of a picture is ticked by its keeper or not at all.
  const isTaken = ({ wanted, pick }: (typeof found)[number]) =>
    pick !== null && (ticked.get(wanted.id) ?? !losesMuch(pick.why));
  const tickAll = (on: boolean) => setTicked(new Map(found.map(({ wanted }) => [wanted.id, on])));
  const taken = found.filter(isTaken);
  // One picture goes to one print, unless it may be on a second page.
  const gone = new Set(view.twice ? [] : taken.map(({ pick }) => pick?.photo));
  const choose = (row: ProposalRow, pick: Pick) => {
    setChosen(new Map([...chosen, [row.wanted.id, pick]]));
    setTicked(new Map([...ticked, [row.wanted.id, true]]));
  };
  const days = new Set(view.rows.map(({ date }) => date)).size;
  const empty = rows.filter(({ pick }) => pick === null).length;
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
                taken.map(({ wanted, pick }) => ({
                  ...{ wanted: wanted.id, photo: pick?.photo, turned: pick?.why.turned },
                })),
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
              <Button small onClick={() => tickAll(true)} disabled={taken.length === found.length}>
                All
              </Button>
              <Button small onClick={() => tickAll(false)} disabled={taken.length === 0}>
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
            <fieldset className="grid gap-2" disabled={!isKeeper}>
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
            {view.bareDays > 0 && (
              <label className="flex min-h-8 items-center gap-2 text-sm">
                <input
                  type="checkbox"
                  name="bare"
                  value="yes"
                  defaultChecked={view.bare}
                  className="size-4 accent-ember"
                />
                Also the {many(view.bareDays, "day")} without a page
              </label>
            )}
          </Form>
        </>
      }
    >
      <PageStage>
        <h1 className="text-2xl">Who goes where</h1>
        <p className="max-w-prose pb-3 text-sm text-quiet">
          {view.rows.length === 0
            ? `No page waits for a print. Keep room for photos on a foundation page, and it is proposed here.${
                view.bareDays > 0 ? ` ${many(view.bareDays, "day has", "days have")} no page yet.` : ""
              }`
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
                others={
                  [row.proposal, ...row.others].filter(
                    (each) => each !== null && each.photo !== row.pick?.photo && !gone.has(each.photo),
                  ) as Pick[]
                }
                onTake={(on) => setTicked(new Map([...ticked, [row.wanted.id, on]]))}
                onChoose={(pick) => choose(row, pick)}
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
  for (const row of rows)
    if (!row.proposal && row.others.length === 0) days.set(row.date, [...(days.get(row.date) ?? []), row]);
  if (days.size === 0) return null;
  return (
    <section aria-label="Still without a picture" className="pt-5">
      <h2 className="mb-1 text-lg">Still without</h2>
      <p className="mb-2 max-w-prose text-sm text-quiet">
        Each keeps its room on the page. Add pictures to the roll, bank one for a dark day, or allow pictures of other
        days.
      </p>
      <ul className="grid gap-x-6 wide:grid-cols-2">
        {[...days].map(([date, waiting]) => (
          <li key={date} className="flex items-baseline gap-2 border-b border-line py-1.5">
            <Link
              className="block min-h-6 min-w-6 truncate leading-6 font-numeral font-semibold hover:text-ember"
              to={to.day(albumId, date)}
            >
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
  others,
  onTake,
  onChoose,
}: {
  row: ProposalRow & { readonly pick: Pick | null };
  unit: Unit;
  isTaken: boolean;
  others: readonly Pick[];
  onTake: (on: boolean) => void;
  onChoose: (pick: Pick) => void;
}) {
  const { wanted, pick, day } = row;
  const print = pick?.why.turned ? turned(wanted.print) : wanted.print;
  return (
    <li
      className={`grid grid-cols-[24px_112px_minmax(0,1fr)] items-center gap-3 border-b border-line py-2.5 wide:grid-cols-[24px_132px_minmax(0,1fr)] ${isTaken ? "" : "opacity-60"}`}
    >
      <input
        type="checkbox"
        checked={isTaken}
        disabled={pick === null}
        onChange={(event) => onTake(event.target.checked)}
        aria-label={pick ? `${pick.name} on ${day}` : `${day}, nothing chosen yet`}
        className="size-6 accent-ember"
      />
      <Preview print={print} pick={pick} />
      <div className="min-w-0">
        <p className="flex flex-wrap items-baseline gap-x-2.5">
          <span className="font-numeral text-lg font-semibold">{day}</span>
          <span className="text-sm text-quiet">{printSize(print, unit)}</span>
        </p>
        <p className="text-sm">{pick ? sayWhy(pick) : "None is free that suits; these come nearest."}</p>
        {pick && losesMuch(pick.why) && !isTaken && (
          <p className="text-sm text-quiet">More than a quarter of it would be lost: tick it if that is well.</p>
        )}
        {others.length > 0 && (
          <Tools name={`Others for ${day}`} className="mt-1 flex flex-wrap items-center gap-1.5">
            <span className="text-sm text-quiet">or</span>
            {others.map((each) => (
              <button
                key={each.photo}
                type="button"
                aria-label={`Rather ${each.name}. ${sayWhy(each)}`}
                title={sayWhy(each)}
                onClick={() => onChoose(each)}
                className="border-2 border-transparent hover:border-ember"
              >
                <img
                  src={pictureAddress(each.photo, 480, each.facts.look)}
                  alt=""
                  className="h-9 w-auto"
                  loading="lazy"
                />
              </button>
            ))}
          </Tools>
        )}
      </div>
    </li>
  );
}

/** The picture as it would be cropped for its print, or the empty room; both to one scale. */
function Preview({ print, pick: proposal }: { print: Size; pick: Pick | null }) {
  const at = rectOf(print);
  const [w, h] = [mm(print.w), mm(print.h)];
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
          ? drawingOf([
              {
                kind: "picture",
                photoId: proposal.photo,
                alt: proposal.name,
                crop: AS_IT_COMES,
                picture: proposal.facts,
                at,
                shown: at,
              },
            ])
          : ""
      }
    />
  );
}

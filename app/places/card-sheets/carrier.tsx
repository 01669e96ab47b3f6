import type { ReactNode } from "react";
import { to } from "#app/addresses.ts";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { Options } from "#app/parts/options.tsx";
import { many } from "#app/wording/count.ts";
import type { LyingCard } from "#core/sheet/card-sheet.ts";
import { PRINT_PAPERS } from "#core/sheet/paper.ts";

type Props = {
  readonly albumId: string;
  readonly paper: string;
  readonly onPaper: (paper: string) => void;
  readonly sheets: readonly (readonly LyingCard[])[];
  readonly tooLarge: number;
  /** The words of these cards are on them. */
  readonly onDone: (cards: readonly string[]) => void;
  readonly children: ReactNode;
};

/** Words onto cards that have a print of their own: outlines once, the cards stuck on them, then the words in place. */
export function Carrier({ albumId, paper, onPaper, sheets, tooLarge, onDone, children }: Props) {
  const cards = sheets.flat().map(({ card }) => card);
  const file = (name: string) =>
    to.document(albumId, "carriers", `${name}.pdf`, { paper, cards: cards.map(({ id }) => id).join(",") });
  const anyBack = cards.some(({ back }) => back.trim() !== "");
  return (
    <section aria-label="Carrier sheet" className="grid gap-3">
      <h2 className="text-lg">Carrier sheet</h2>
      {children}
      <label className="flex items-center gap-2 text-sm font-medium">
        Paper
        <select
          className="field w-auto py-1 font-normal"
          value={paper}
          onChange={(event) => onPaper(event.target.value)}
        >
          <Options all={PRINT_PAPERS.map(({ id, name }) => [id, name] as const)} />
        </select>
      </label>
      {tooLarge > 0 && (
        <p className="border-l-4 border-ember pl-3 text-sm">
          {many(tooLarge, "card is", "cards are")} larger than this paper. Choose a larger one.
        </p>
      )}
      {cards.length > 0 && (
        <ol className="grid gap-3">
          <Step
            at={1}
            said="Print the outlines once, at 100 per cent. Keep the sheet: it serves again for cards of these sizes."
          >
            <a className={buttonLook("plain", true)} href={file("carrier")} download>
              The outlines
            </a>
          </Step>
          <Step at={2} said="Stick each card on its number with a little low-tack tape, flat, corner to corner." />
          <Step at={3} said="Feed the sheet the same way round, and print the words. They fall into their cards.">
            <a className={buttonLook("main", true)} href={file("words-front")} download>
              Words of the fronts
            </a>
          </Step>
          {anyBack && (
            <Step at={4} said="When they are dry, turn each card over on its own place, and print the backs.">
              <a className={buttonLook("plain", true)} href={file("words-back")} download>
                Words of the backs
              </a>
            </Step>
          )}
          <Step
            at={anyBack ? 5 : 4}
            said="Take the cards off and say so; their days then know that the words are on them."
          >
            <Button small onClick={() => onDone(cards.map(({ id }) => id))}>
              {cards.length === 1 ? "It is printed" : `All ${cards.length} are printed`}
            </Button>
          </Step>
        </ol>
      )}
      <p className="border-l-4 border-ring-paper pl-3 text-sm">
        Only flat cards go through a printer: nothing glued on, no brads, no glitter. Follow the printer’s own limits
        for thick paper, and try one sheet of plain paper first.
      </p>
    </section>
  );
}

function Step({ at, said, children }: { at: number; said: string; children?: ReactNode }) {
  return (
    <li className="grid grid-cols-[1.75rem_minmax(0,1fr)] gap-x-2 text-sm">
      <span className="font-numeral text-xl leading-tight font-semibold">{at}</span>
      <div className="grid justify-items-start gap-1.5">
        <p>{said}</p>
        {children}
      </div>
    </li>
  );
}

import { useState } from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Outcome } from "#app/parts/outcome.tsx";
import { many } from "#app/wording/count.ts";
import { type GoesOut, isGoingOut, WHICH_PAGES } from "#core/share/going-out.ts";
import { type ShareAnswer, WHY } from "./answer.ts";
import type { ShareLink, SharePage, ShareView } from "./view.ts";

const WHICH: Record<GoesOut["pages"], string> = {
  "all-but": "Pages that are made later go out too",
  only: "Pages that are made later wait until they are ticked here",
};

/** Each page and each piece of it, to tick what goes out by a link. It is kept as it is ticked. */
export function Choosing({ link, view }: { link: ShareLink; view: ShareView }) {
  const fetcher = useFetcher<ShareAnswer>();
  const [goes, setGoes] = useState(link.goes);
  const answer = fetcher.data ?? null;
  const send = (fields: Record<string, string>) =>
    void fetcher.submit({ id: link.id, ...fields }, { method: "post", action: to.share(view.albumId) });
  const keep = (next: GoesOut) => {
    setGoes(next);
    send({ intent: "choose", goes: JSON.stringify(next) });
  };
  const turnPage = ({ entries }: SharePage, out: boolean) => {
    const rest = goes.entries.filter((each) => !entries.includes(each));
    keep({ ...goes, entries: out === (goes.pages === "only") ? [...rest, ...entries] : rest });
  };
  const turnPiece = (id: string, out: boolean) =>
    keep({ ...goes, pieces: out ? goes.pieces.filter((each) => each !== id) : [...goes.pieces, id] });
  // The ticks stay as they are; what changes is what becomes of pages that are not here yet.
  const turnWhich = (pages: GoesOut["pages"]) => {
    if (pages === goes.pages) return;
    const named = view.pages
      .flatMap(({ entries }) => entries)
      .filter((each) => isGoingOut(goes, each) === (pages === "only"));
    keep({ ...goes, pages, entries: named });
  };
  return (
    <div className="grid gap-3">
      <fieldset className="flex flex-wrap gap-x-6 gap-y-1">
        <legend className="sr-only">Pages that are made later</legend>
        {WHICH_PAGES.map((each) => (
          <label key={each} className="flex min-h-8 items-center gap-2 text-sm">
            <input
              type="radio"
              name={`which ${link.id}`}
              checked={goes.pages === each}
              onChange={() => turnWhich(each)}
              className="size-4 accent-ember"
            />
            {WHICH[each]}
          </label>
        ))}
      </fieldset>
      <label className="flex flex-wrap items-center gap-2 text-sm">
        Whom it is for
        <input
          className="field w-64 py-1"
          defaultValue={link.name}
          maxLength={200}
          onBlur={({ target }) => {
            const name = target.value.trim();
            if (name === "") target.value = link.name;
            else if (name !== link.name) send({ intent: "name", name });
          }}
        />
      </label>
      <Outcome answer={answer?.ok ? null : answer} why={WHY} kept="Nothing of it was kept: tick it once more." />
      <ul aria-label="What goes out" className="divide-y divide-line border-y border-line">
        {view.pages.map((page) => (
          <PageRow key={page.entries[0]} page={page} goes={goes} turnPage={turnPage} turnPiece={turnPiece} />
        ))}
      </ul>
    </div>
  );
}

function PageRow({
  page,
  goes,
  turnPage,
  turnPiece,
}: {
  page: SharePage;
  goes: GoesOut;
  turnPage: (page: SharePage, out: boolean) => void;
  turnPiece: (id: string, out: boolean) => void;
}) {
  const { entries, said, secret, pieces } = page;
  const isOut = secret === null && entries.some((entry) => isGoingOut(goes, entry));
  const kept = pieces.filter(({ id }) => goes.pieces.includes(id)).length;
  return (
    <li className="py-1">
      <div className="flex flex-wrap items-center justify-between gap-x-4">
        <label className={`flex min-h-8 items-center gap-2 ${isOut ? "" : "text-quiet"}`}>
          <input
            type="checkbox"
            checked={isOut}
            disabled={secret !== null}
            onChange={(event) => turnPage(page, event.target.checked)}
            className="size-4 accent-ember"
          />
          {said}
          {secret && <span className="text-sm">, {secret}</span>}
        </label>
        {kept > 0 && isOut && <span className="text-sm text-quiet">{many(kept, "piece")} kept back</span>}
      </div>
      {isOut && pieces.length > 0 && (
        <details className="pl-6">
          <summary className="w-fit min-h-8 cursor-pointer content-center text-sm text-quiet hover:text-ember">
            {many(pieces.length, "piece")} on it
          </summary>
          <ul aria-label={`On ${said}`} className="grid gap-1 pb-2">
            {pieces.map((piece) => (
              <li key={piece.id}>
                <label className={`flex min-h-8 items-center gap-2 text-sm ${piece.secret ? "text-quiet" : ""}`}>
                  <input
                    type="checkbox"
                    checked={piece.secret === null && !goes.pieces.includes(piece.id)}
                    disabled={piece.secret !== null}
                    onChange={(event) => turnPiece(piece.id, event.target.checked)}
                    className="size-4 shrink-0 accent-ember"
                  />
                  {piece.photoId && (
                    <img src={pictureAddress(piece.photoId, 96)} alt="" loading="lazy" className="h-8 w-auto" />
                  )}
                  {piece.said}
                  {piece.secret && `, ${piece.secret}`}
                </label>
              </li>
            ))}
          </ul>
        </details>
      )}
    </li>
  );
}

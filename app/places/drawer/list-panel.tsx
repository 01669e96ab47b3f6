import { useState } from "react";
import { to } from "#app/addresses.ts";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { Said } from "#app/parts/said.tsx";
import { many } from "#app/wording/count.ts";
import type { Unit } from "#core/measure/length.ts";
import type { DrawerAnswer } from "./acts.ts";
import { useAnswered, useDrawer } from "./use-drawer.ts";

/** Many things at once: pasted, or read from a list, and the whole drawer as one. */
export function ListPanel({ albumId, unit, count }: { albumId: string; unit: Unit; count: number }) {
  const drawer = useDrawer(albumId);
  const { send, fetcher, busy, answer } = drawer;
  const sent = useAnswered(drawer, ({ ok }) => ok && setText(""));
  const [text, setText] = useState("");
  return (
    <section aria-labelledby="list" className="grid gap-3">
      <h2 id="list" className="border-b border-line pb-1 text-xl">
        Many at once
      </h2>
      <label className="grid gap-1 text-sm">
        <span className="font-medium">One thing on each line, or a table with its head</span>
        <textarea
          className="field min-h-28"
          value={text}
          placeholder={
            unit === "inch" ? "Linen Stars 12 × 12, 6\nBrass numerals" : "Linen Stars 30 × 30, 6\nBrass numerals"
          }
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <div className="flex flex-wrap items-center gap-3">
        <Button
          disabled={busy || text.trim() === ""}
          onClick={() => {
            sent();
            send({ act: "list", text });
          }}
        >
          Put them in
        </Button>
        <label className={`${buttonLook("plain")} cursor-pointer focus-within:outline-2 focus-within:outline-ember`}>
          Read a list
          <input
            type="file"
            accept=".csv,.txt,text/csv,.zip,application/zip"
            className="sr-only"
            disabled={busy}
            onChange={(event) => {
              const [file] = event.target.files ?? [];
              if (!file) return;
              const form = new FormData();
              form.set("file", file);
              event.target.value = "";
              void fetcher.submit(form, {
                method: "post",
                action: to.part(albumId, "drawer"),
                encType: "multipart/form-data",
              });
            }}
          />
        </label>
        {count > 0 && (
          <>
            <a href={to.document(albumId, "drawer", "drawer.csv")} download className="link min-h-9 content-center">
              Save the drawer as a list
            </a>
            <a href={to.document(albumId, "drawer", "drawer.zip")} download className="link min-h-9 content-center">
              with its pictures
            </a>
          </>
        )}
      </div>
      {answer?.ok && answer.list && <WhatCame {...answer} />}
    </section>
  );
}

type Came = Extract<DrawerAnswer, { readonly list: object }>;

/** What of a list was new, what was changed, and what could not be read. */
function WhatCame({ list: { fresh, changed, same }, troubles }: Came) {
  const parts = [
    fresh > 0 && many(fresh, "new thing"),
    changed > 0 && `${changed} changed`,
    same > 0 && `${same} as before`,
  ].filter(Boolean);
  return (
    <Said good>
      <p>{parts.length === 0 ? "There was nothing on that list." : `${parts.join(", ")}.`}</p>
      {troubles.length > 0 && (
        <ul className="text-sm">
          {troubles.slice(0, MOST_SHOWN).map(({ line, column }) => (
            <li key={`${line} ${column}`}>
              Line {line}: “{column}” could not be read, and was left out.
            </li>
          ))}
          {troubles.length > MOST_SHOWN && <li>And {troubles.length - MOST_SHOWN} more.</li>}
        </ul>
      )}
    </Said>
  );
}
const MOST_SHOWN = 8;

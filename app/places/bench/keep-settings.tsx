import { useFetcher } from "react-router";
import { Button } from "#app/parts/button.tsx";
import { TextField } from "#app/parts/field.tsx";
import { Said } from "#app/parts/said.tsx";
import { isAway, nothingDone } from "#app/wording/sending.ts";
import type { Built } from "#core/album/leaf.ts";
import type { MaterialId } from "#core/material/material.ts";
import type { KeepAnswer } from "./acts.ts";

const WHY = {
  "name-taken": "Other settings have that name already. Choose a different one.",
  "too-many": "Your household keeps as many as there can be. Put one away on the bench first.",
} as const;

const said = (answer: KeepAnswer): string =>
  answer.ok ? answer.said : isAway(answer.reason) ? nothingDone(answer.reason) : WHY[answer.reason];

type Props = {
  readonly set: Pick<Built, "kind" | "lengths" | "counts" | "own">;
  readonly paper: MaterialId;
  /** Under which they may be kept. */
  readonly name: string;
};

/** Keeps what is set under a name, for every album of the household. */
export function KeepSettings({ set, paper, name }: Props) {
  const fetcher = useFetcher<KeepAnswer>();
  return (
    <form
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const typed = String(new FormData(event.currentTarget).get("name")).trim();
        if (typed === "") return;
        const kept = { act: "keep", name: typed, paper, ...set, own: set.own ?? [] };
        void fetcher.submit(kept as never, { method: "post", encType: "application/json" });
      }}
    >
      <div className="flex flex-wrap items-end gap-3">
        <div className="min-w-44 flex-1">
          <TextField label="Keep these settings as" name="name" defaultValue={name} maxLength={80} />
        </div>
        <Button small type="submit" disabled={fetcher.state !== "idle"}>
          Keep
        </Button>
      </div>
      {fetcher.data && <Said good={fetcher.data.ok}>{said(fetcher.data)}</Said>}
    </form>
  );
}

import { ExternalLink } from "lucide-react";
import { useId, useState } from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { TextField } from "#app/parts/field.tsx";
import { newId } from "#app/parts/new-id.ts";
import { Outcome } from "#app/parts/outcome.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { many } from "#app/wording/count.ts";
import { shortDate } from "#app/wording/dates.ts";
import { type ShareAnswer, WHY } from "./answer.ts";
import { Choosing } from "./choosing.tsx";
import type { ShareLink, ShareView } from "./view.ts";

const KEPT = "Nothing was changed.";

/** Links by which the album is looked at from outside: whom each is for, what goes out by it, and whether it is open. */
export function Share({ view }: { view: ShareView }) {
  const { albumId, links } = view;
  return (
    <Workplace tabs={<PlaceTabs place="finish" albumId={albumId} here="share" />} panel={<NewLink albumId={albumId} />}>
      <PageStage>
        <h1 className="text-3xl">Share</h1>
        <p className="max-w-prose pt-1 text-sm text-quiet">
          Whoever has the address of a link leafs through the album and can change nothing. What is private is not in it
          before its day; nor is where a photo was taken, your notes, or any other album.
        </p>
        {links.length === 0 && (
          <p className="pt-6 text-lg">No link yet. Make one, look at it as they will, then open it.</p>
        )}
        <div className="grid gap-8 pt-6">
          {links.map((link) => (
            <OneLink key={link.id} link={link} view={view} />
          ))}
        </div>
      </PageStage>
    </Workplace>
  );
}

function NewLink({ albumId }: { albumId: string }) {
  const fetcher = useFetcher<ShareAnswer>();
  const [id, setId] = useState(newId);
  const [name, setName] = useState("");
  const answer = fetcher.data ?? null;
  return (
    <section aria-labelledby="new-link" className="grid content-start gap-3">
      <h2 id="new-link" className="border-b border-line pb-2 text-xl">
        A link
      </h2>
      <fetcher.Form
        method="post"
        action={to.share(albumId)}
        className="grid gap-2"
        onSubmit={() => {
          setName("");
          // The next one is another.
          setTimeout(() => setId(newId()));
        }}
      >
        <input type="hidden" name="intent" value="add" />
        <input type="hidden" name="id" value={id} />
        <TextField
          label="Whom it is for"
          name="name"
          value={name}
          maxLength={200}
          onChange={(event) => setName(event.target.value)}
        />
        <div>
          <Button type="submit" disabled={fetcher.state !== "idle" || name.trim() === ""}>
            Make a link
          </Button>
        </div>
      </fetcher.Form>
      <Outcome answer={answer?.ok ? null : answer} why={WHY} kept={KEPT} />
      <p className="text-sm text-quiet">
        It is closed at first. Search engines are told to leave it alone. Whoever has the address can hand it on: close
        it, or give it a new one, and the old leads nowhere.
      </p>
    </section>
  );
}

const STATE: Record<ShareLink["state"], string> = { open: "Open", closed: "Closed", over: "Over" };

function OneLink({ link, view }: { link: ShareLink; view: ShareView }) {
  const { id, name, state, since, endsOn, shows } = link;
  const { albumId } = view;
  const fetcher = useFetcher<ShareAnswer>();
  const answer = fetcher.data ?? null;
  const [choosing, setChoosing] = useState(false);
  const busy = fetcher.state !== "idle";
  const heading = useId();
  const send = (intent: string, more: Record<string, string> = {}) =>
    void fetcher.submit({ intent, id, ...more }, { method: "post", action: to.share(albumId) });
  const address = answer?.ok && state !== "closed" ? answer.address : undefined;
  const when =
    state === "over"
      ? `since ${shortDate(endsOn ?? "")} has passed`
      : state === "open"
        ? `since ${since}${endsOn ? `, until ${shortDate(endsOn)}` : ""}`
        : "";
  return (
    <section aria-labelledby={heading} className="grid gap-3 border-t border-line pt-4">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
        <h2 id={heading} className="text-xl">
          {name}
        </h2>
        <p className={state === "open" ? "font-medium" : "text-quiet"}>
          {STATE[state]} {when}
        </p>
      </div>
      <p className="text-sm">
        {many(shows.pages, "page")} {shows.pages === 1 ? "goes" : "go"} out
        {shows.kept > 0 && `, ${many(shows.kept, "piece")} on them kept back`}.
      </p>
      <div className="flex flex-wrap items-center gap-3">
        <a
          href={to.previewed(albumId, id)}
          target="_blank"
          rel="noreferrer"
          className={buttonLook(state === "closed" ? "main" : "plain")}
        >
          <ExternalLink className="size-4" aria-hidden="true" /> See it as they will
        </a>
        <Button aria-expanded={choosing} onClick={() => setChoosing(!choosing)}>
          {choosing ? "Done choosing" : "Choose what goes out"}
        </Button>
        <Button disabled={busy} onClick={() => send("open")}>
          {state === "closed" ? "Open it" : "Give it a new address"}
        </Button>
        {state === "closed" ? (
          <Button look="quiet" disabled={busy} onClick={() => send("remove")}>
            Take away
          </Button>
        ) : (
          <Button look="quiet" disabled={busy} onClick={() => send("close")}>
            Close it
          </Button>
        )}
        <label className="flex items-center gap-2 text-sm">
          Last day
          <input
            type="date"
            className="field w-auto py-1"
            value={endsOn ?? ""}
            onChange={(event) => send("ends", { date: event.target.value })}
          />
        </label>
      </div>
      {address && (
        <label className="grid gap-1 border-l-4 border-ember pl-3" role="status">
          <span className="text-sm">Copy this address for {name} now: it is shown once.</span>
          <input
            readOnly
            value={address}
            onFocus={(event) => event.target.select()}
            className="field w-full font-typed text-sm"
          />
        </label>
      )}
      <Outcome answer={answer?.ok ? null : answer} why={WHY} kept={KEPT} />
      {choosing && <Choosing link={link} view={view} />}
    </section>
  );
}

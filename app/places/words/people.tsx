import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { Button } from "#app/parts/button.tsx";

/** Those who are written about, by the names they are called: a page that asks who is who is looked through for them. */
export function People({ people, action }: { people: readonly string[]; action: string }) {
  const fetcher = useFetcher<{ ok: boolean }>();
  const [text, setText] = useState(people.join(", "));
  const kept = people.join(", ");
  useEffect(() => setText(kept), [kept]);
  return (
    <fetcher.Form method="post" action={action} className="grid gap-2 border-t border-line pt-4">
      <label className="grid gap-1">
        <span className="text-lg font-medium">Who is who</span>
        <span className="text-sm text-quiet">
          Names divided by commas. Where the note of a page asks who is who, its words are looked through for these
          names.
        </span>
        <textarea
          name="people"
          value={text}
          onChange={(event) => setText(event.target.value)}
          className="field"
          rows={2}
          maxLength={2000}
        />
      </label>
      <div className="flex items-center gap-3">
        <Button type="submit" small disabled={text === kept || fetcher.state !== "idle"}>
          Keep the names
        </Button>
        <span role="status" className="text-sm">
          {fetcher.data && !fetcher.data.ok ? "The server does not answer. The names are still here." : ""}
        </span>
      </div>
    </fetcher.Form>
  );
}

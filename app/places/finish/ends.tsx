import { Check } from "lucide-react";
import { Link } from "react-router";
import { Button } from "#app/parts/button.tsx";
import { many } from "#app/wording/count.ts";
import { END_GROUP } from "#app/wording/finish.ts";
import { END_GROUPS, type EndGroup } from "#core/finish/end-mark.ts";
import { useEnds } from "./use-ends.ts";
import type { EndLine } from "./view.ts";

const GROUPS = Object.keys(END_GROUPS) as EndGroup[];

/** Everything that hangs loose, the few that matter first; each leads to its cause, is left once, or is kept for tonight. */
export function Ends({ lines }: { lines: readonly EndLine[] }) {
  const { ends, mark, leave } = useEnds(lines);
  const groups = GROUPS.map((group) => [group, ends.filter((end) => end.group === group)] as const);
  return (
    <section aria-labelledby="ends" className="grid gap-6">
      <h2 id="ends" className="sr-only">
        Loose ends
      </h2>
      {ends.length === 0 && <p className="py-3 text-lg">Nothing hangs loose.</p>}
      {groups.map(([group, own]) =>
        own.length === 0 ? null : (
          <section key={group} aria-labelledby={`ends-${group}`}>
            <h3 id={`ends-${group}`} className="flex items-baseline gap-3 border-b border-line pb-1 text-xl">
              {END_GROUP[group]}
              <span className="text-sm text-quiet">{many(own.length, "loose end")}</span>
            </h3>
            <ul>
              {own.map((end) => (
                <End
                  key={end.key}
                  end={end}
                  onTonight={() => mark(end, end.tonight ? null : "tonight")}
                  onLeave={() => leave(end)}
                />
              ))}
            </ul>
          </section>
        ),
      )}
    </section>
  );
}

function End({ end, onTonight, onLeave }: { end: EndLine; onTonight: () => void; onLeave: () => void }) {
  const { name, said, href, tonight, minutes } = end;
  const about = name === "" ? said : `${name}: ${said}`;
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line py-1.5">
      <Link to={href} className="grid min-w-0 grow basis-80 gap-x-4 py-1 hover:text-ember sm:grid-cols-[11rem_1fr]">
        <span className="font-medium">{name === "" ? "The album" : name}</span>
        <span>{said}</span>
      </Link>
      <span className="flex items-center gap-2">
        <Button
          look={tonight ? "plain" : "quiet"}
          small
          keepers
          aria-pressed={tonight}
          aria-label={`Tonight: ${about}`}
          onClick={onTonight}
        >
          {tonight && <Check className="size-4" aria-hidden="true" />} Tonight{tonight && `, ${minutes} min`}
        </Button>
        <Button look="quiet" small keepers aria-label={`Leave it: ${about}`} onClick={onLeave}>
          Leave it
        </Button>
      </span>
    </li>
  );
}

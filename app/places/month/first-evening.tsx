import { Check } from "lucide-react";
import { Link, useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { FIRST_STEP } from "#app/wording/first-evening.ts";
import { type Away, nothingDone } from "#app/wording/sending.ts";
import type { FirstEvening as Steps } from "#core/pace/first-evening.ts";

type Props = { readonly albumId: string; readonly steps: Steps };

/** The first evening of an album: what makes the rest of it easy, one step after the other. It goes away when it is done. */
export function FirstEvening({ albumId, steps }: Props) {
  const now = steps.find(({ open }) => open)?.step;
  const fetcher = useFetcher<{ ok: true } | { ok: false; reason: Away }>();
  const leave = (step: string) =>
    void fetcher.submit({ intent: "leave", step }, { method: "post", action: to.month(albumId) });
  return (
    <section aria-labelledby="first-evening" className="rounded-md border border-line bg-panel p-4">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 id="first-evening" className="text-xl">
          The first evening
        </h2>
        <Button small look="quiet" className="-mr-2.5" onClick={() => leave("all")}>
          I know my way
        </Button>
      </div>
      <p className="text-sm text-quiet">What makes the rest of the month easy. In this order nothing is done twice.</p>
      <ol className="grid gap-1 pt-2">
        {steps.map(({ step, open }, at) => {
          const { toDo, why, at: where } = FIRST_STEP[step];
          return (
            <li
              key={step}
              aria-current={step === now ? "step" : undefined}
              className="grid grid-cols-[1.75rem_1fr] items-start py-1"
            >
              {open ? (
                <span className="font-numeral font-semibold text-quiet">{at + 1}</span>
              ) : (
                <Check className="mt-1 size-4 text-quiet" aria-label="Done or left" />
              )}
              {step === now ? (
                <div className="grid gap-2">
                  <span>
                    <strong className="font-semibold">{toDo}</strong>
                    <span className="block text-sm text-quiet">{why}</span>
                  </span>
                  <span className="flex flex-wrap items-center gap-2">
                    <Link to={where(albumId)} className={buttonLook("main", true)}>
                      {toDo}
                    </Link>
                    <Button small look="quiet" onClick={() => leave(step)}>
                      Leave it
                    </Button>
                  </span>
                </div>
              ) : open ? (
                <Link to={where(albumId)} className="hover:text-ember">
                  {toDo}
                </Link>
              ) : (
                <span className="text-quiet">{toDo}</span>
              )}
            </li>
          );
        })}
      </ol>
      {fetcher.data && !fetcher.data.ok && (
        <p role="alert" className="pt-2 text-sm font-medium text-ember">
          {nothingDone(fetcher.data.reason)}
        </p>
      )}
    </section>
  );
}

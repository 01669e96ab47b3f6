import { leadDate, pageName } from "#app/places/album/view.ts";
import { STEP_TO_DO } from "#app/wording/day.ts";
import { nextStep, type Page } from "#core/album/page.ts";

export type LooseEnd = { readonly date: string; readonly name: string; readonly said: string };

/** What is still open on pages that were begun, and the keeper's own notes on any page. */
export function looseEnds(pages: readonly Page[]): LooseEnd[] {
  return pages.flatMap((page) => {
    const of = (said: string): LooseEnd => ({ date: leadDate(page), name: pageName(page), said });
    const notes = page.days
      .map((day) => day.content.note)
      .filter(Boolean)
      .map(of);
    const undescribed = page.content.photos.filter(({ alt }) => alt === "").length;
    const missing =
      undescribed > 0
        ? [of(undescribed === 1 ? "A photo has no description." : `${undescribed} photos have no description.`)]
        : [];
    const left = page.steps.filter(({ done }) => !done).length;
    const next = nextStep(page);
    const told = page.content.photos.length > 0 || page.content.cards.length > 0;
    const nearly = next && told && left <= 3 ? [of(`Nearly there: ${STEP_TO_DO[next.step].toLowerCase()}.`)] : [];
    return [...notes, ...missing, ...nearly];
  });
}

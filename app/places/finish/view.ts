import { leadDate, pageName } from "#app/places/album/view.ts";
import { many } from "#app/wording/count.ts";
import { STEP_TO_DO } from "#app/wording/day.ts";
import { nextStep, type Page } from "#core/album/page.ts";

export type LooseEnd = { readonly date: string; readonly name: string; readonly said: string };

/** What is still open on pages that were begun, and the keeper's own notes on any page. */
export function looseEnds(pages: readonly Page[]): LooseEnd[] {
  const onPages = pages.flatMap((page) => {
    const of = (said: string): LooseEnd => ({ date: leadDate(page), name: pageName(page), said });
    const notes = page.days
      .map((day) => day.content.note)
      .filter(Boolean)
      .map(of);
    const left = page.steps.filter(({ done }) => !done).length;
    const next = nextStep(page);
    const told = page.content.photos.length > 0 || page.content.cards.length > 0;
    const nearly = next && told && left <= 3 ? [of(`Nearly there: ${STEP_TO_DO[next.step].toLowerCase()}.`)] : [];
    return [...notes, ...nearly];
  });
  return [...onPages, ...undescribed(pages)];
}

/** Photos that nobody described, in one line however many there are: it leads to the first. */
function undescribed(pages: readonly Page[]): LooseEnd[] {
  const among = pages.flatMap((page) => {
    const photos = page.content.photos.filter(({ alt }) => alt === "").length;
    return photos > 0 ? [{ page, photos }] : [];
  });
  const [first] = among;
  if (!first) return [];
  const photos = among.reduce((sum, each) => sum + each.photos, 0);
  const others = among.length > 1 ? `, on ${among.length} pages; this is the first` : "";
  const said = `${many(photos, "photo has", "photos have")} no description${others}.`;
  return [{ date: leadDate(first.page), name: pageName(first.page), said }];
}

import type { Matter } from "./model.ts";

/** What a page of the front or back matter is for, as it is called. */
export const MATTER_NAME: Record<Matter, string> = {
  title: "Title page",
  "opening-note": "Opening note",
  "month-calendar": "Month calendar",
  before: "Page before day 1",
  section: "Section page",
  closing: "Closing page",
};

/** A page of the front or back matter by its title, or by what it is for. */
export const matterName = ({ kind, title }: { readonly kind: Matter; readonly title: string }): string =>
  title || MATTER_NAME[kind];

/** The weekday that a week begins with, 1 Monday to 7 Sunday (ISO 8601). */
export const WEEK_STARTS = [1, 6, 7] as const;
export type WeekStart = (typeof WEEK_STARTS)[number];

/**
 * What a month calendar page has in its squares: titles of days and what is known ahead, one of the two, or numbers alone
 * with room to write. `by-hand`: no squares are drawn, because the page is made by hand or bought.
 */
export const MONTH_KINDS = ["both", "titles", "known", "room", "by-hand"] as const;
export type MonthKind = (typeof MONTH_KINDS)[number];
export type MonthPage = { readonly kind: MonthKind; readonly weekStart: WeekStart };
export const USUAL_MONTH: MonthPage = { kind: "both", weekStart: 1 };

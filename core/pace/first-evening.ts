/** What makes the rest of an album easy when it is done first, in the order that wastes least: common practice. */
export const FIRST_STEPS = ["measure", "prompts", "pages", "pictures"] as const;
export type FirstStep = (typeof FIRST_STEPS)[number];
export const isFirstStep = (name: string): name is FirstStep => FIRST_STEPS.some((step) => step === name);

/** What an album has by now. */
export type Begun = {
  /** Days that have a prompt. */
  readonly prompts: number;
  readonly leaves: number;
  /** Pictures on its days, or on the roll and taken on one of its days. */
  readonly pictures: number;
  /** Pages that are in the book. */
  readonly inBook: number;
};

export type FirstEvening = readonly { readonly step: FirstStep; readonly open: boolean }[];

/**
 * The first evening of an album, step by step; null once it is over: when nothing of it is open, or a page is in the book.
 * `settled` are steps that were done where it cannot be seen, or that a keeper left.
 */
export function firstEvening(has: Begun, settled: readonly string[]): FirstEvening | null {
  if (has.inBook > 0) return null;
  const isThere: Record<FirstStep, boolean> = {
    measure: false,
    prompts: has.prompts > 0,
    pages: has.leaves > 0,
    pictures: has.pictures > 0,
  };
  const steps = FIRST_STEPS.map((step) => ({ step, open: !isThere[step] && !settled.includes(step) }));
  return steps.some(({ open }) => open) ? steps : null;
}

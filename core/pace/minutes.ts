import { STEPS, type Step } from "../album/model.ts";
import { TYPICAL_MINUTES } from "../album/steps.ts";

/**
 * Of a step's typical minutes those that are setting up: printer, trimmer, glue and mat out and away again. Done for five
 * pages in one sitting they are spent once. From memory.
 */
const SETTING_UP: Readonly<Record<Step, number>> = {
  choose: 0,
  print: 4,
  trim: 2,
  write: 0,
  letter: 3,
  base: 5,
  number: 2,
  insert: 4,
  build: 5,
  assemble: 5,
  punch: 2,
  file: 0,
};

/** A step that somebody did and how long it took them, setting up included. */
export type Timed = { readonly step: Step; readonly minutes: number };

/** How a person's minutes of one kind of step stand to the typical ones. */
export type Learned = {
  /** Theirs divided by the typical ones, in the middle. */
  readonly factor: number;
  /** How unsure that is: one standard deviation of its natural logarithm. */
  readonly doubt: number;
  /** How many were timed. */
  readonly seen: number;
  /** Said by hand: nothing is learned beside it. */
  readonly isSet: boolean;
};
export type OwnMinutes = Readonly<Record<Step, Learned>>;

/** One time differs from another by about this, in logarithms: half as much again, or two thirds. From memory. */
export const VARIES = 0.45;
/** What is typical weighs as much as so many of one's own. From memory. */
export const TYPICAL_WEIGHS = 3;
/** Longer than this and the kettle was on: such a time is no evidence. */
const MOST_TIMES_TYPICAL = 8;

/**
 * What is known of a person's minutes. Times are taken as lognormal about a factor of the typical ones, whose logarithm is
 * normal about nought: so the logarithms' mean, with the typical counted as `TYPICAL_WEIGHS` more of them, is what is known
 * after them, and its variance `VARIES`² over their number (the normal model with a known variance, any textbook).
 */
export function ownMinutes(timed: readonly Timed[], set: Readonly<Partial<Record<Step, number>>>): OwnMinutes {
  const learn = (step: Step): Learned => {
    const said = set[step];
    if (said !== undefined) return { factor: said / TYPICAL_MINUTES[step], doubt: 0, seen: 0, isSet: true };
    const logs = timed.flatMap((each) => {
      const times = each.minutes / TYPICAL_MINUTES[step];
      const isTold = each.step === step && times > 1 / MOST_TIMES_TYPICAL && times < MOST_TIMES_TYPICAL;
      return isTold ? [Math.log(times)] : [];
    });
    const weight = TYPICAL_WEIGHS + logs.length;
    const mean = logs.reduce((sum, each) => sum + each, 0) / weight;
    return { factor: Math.exp(mean), doubt: VARIES / Math.sqrt(weight), seen: logs.length, isSet: false };
  };
  return Object.fromEntries(STEPS.map((step) => [step, learn(step)])) as Record<Step, Learned>;
}

/** Nobody's in particular. */
export const TYPICAL: OwnMinutes = ownMinutes([], {});

/**
 * What a step costs: once to set up for all of its kind in a sitting, and for each. Whole minutes, at least one in all.
 * `typical`: what this one takes, where it is not what its kind usually does.
 */
export type Cost = { readonly setUp: number; readonly each: number };
export function costOf(own: OwnMinutes, step: Step, typical = TYPICAL_MINUTES[step]): Cost {
  const all = Math.max(1, Math.round(typical * own[step].factor));
  const setUp = Math.min(all - 1, Math.round(SETTING_UP[step] * own[step].factor));
  return { setUp, each: all - setUp };
}

/** The minutes of one, setting up included; and the range that they lie in nine times of ten. */
export function minutesSaid(own: OwnMinutes, step: Step): { minutes: number; low: number; high: number } {
  const { factor, doubt } = own[step];
  const minutes = TYPICAL_MINUTES[step] * factor;
  // 1.645: between minus and plus so many standard deviations of a normal lie nine tenths.
  const times = Math.exp(1.645 * doubt);
  const whole = (each: number) => Math.max(1, Math.round(each));
  return { minutes: whole(minutes), low: whole(minutes / times), high: whole(minutes * times) };
}

/** A sitting's minutes shared among what was done in it, in the proportion of what is typical. */
export function shared(minutes: number, steps: readonly Step[]): Timed[] {
  const typical = steps.reduce((sum, step) => sum + TYPICAL_MINUTES[step], 0);
  return steps.map((step) => ({ step, minutes: (minutes * TYPICAL_MINUTES[step]) / typical }));
}

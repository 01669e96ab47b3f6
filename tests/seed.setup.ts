import fc from "fast-check";

/**
 * Every run tries the same made-up cases, so that a run that fails says something about the change and not about its luck.
 * `./hearth test --large`, or HEARTH_SEED=any before a command, tries others each time; HEARTH_SEED=<number> tries those
 * of a run that failed. A case that was once wrong is kept beside its property, as an example.
 */
const SEED = 1224;

const { HEARTH_SEED: asked, HEARTH_LARGE: large } = process.env;
if (asked ? asked !== "any" : !large) fc.configureGlobal({ seed: Number(asked ?? SEED) });

import type { KeptMaking } from "#core/craft/kept.ts";

/** Settings that the household keeps. */
export type Kept = KeptMaking & { readonly id: string };

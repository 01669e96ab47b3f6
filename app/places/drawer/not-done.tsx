import { Said } from "#app/parts/said.tsx";
import { WHY } from "#app/wording/drawer.ts";
import { isAway, nothingDone } from "#app/wording/sending.ts";
import type { DrawerAnswer } from "./acts.ts";

/** Why nothing was done to the drawer, where it was asked for. */
export const NotDone = ({ answer }: { answer: DrawerAnswer | null }) =>
  answer && !answer.ok ? (
    <Said good={false}>{isAway(answer.reason) ? nothingDone(answer.reason) : WHY[answer.reason]}</Said>
  ) : null;

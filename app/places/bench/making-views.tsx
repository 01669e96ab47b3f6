import { FocusRow } from "#app/parts/workplace.tsx";
import type { Made } from "#core/craft/craft.ts";

/** What is looked at of a construction, beside the states it can be in: its blueprint, each fold, its steps. */
export const BLUEPRINT = "blueprint";
export const FOLDING = "folding";
export const STEPS = "steps";

type ViewsProps = {
  states: Made["states"];
  /** Whether any part of it folds. */
  folds: boolean;
  shown: string;
  onShow: (id: string) => void;
};

/** The ways to look at a construction; one of them is chosen. */
export function Views({ states, folds, shown, onShow }: ViewsProps) {
  const things = [
    ...(folds ? [{ id: FOLDING, name: "Fold by fold" }] : []),
    ...states.map(({ id, name }) => ({ id, name })),
    { id: STEPS, name: "Steps" },
  ];
  return (
    <FocusRow
      label="What is looked at"
      all="Blueprint"
      things={things}
      chosen={shown === BLUEPRINT ? null : shown}
      onChoose={(id) => onShow(id ?? BLUEPRINT)}
    />
  );
}

import { Button } from "#app/parts/button.tsx";

/** Something that is on paper by another way than our sheets: which, and the day it is for. */
export type Had = { readonly id: string; readonly day: string; readonly said: string };

type Props = {
  readonly title: string;
  readonly all: readonly Had[];
  /** What the button says that takes it back, and what it does. */
  readonly back: string;
  readonly onBack: (id: string) => void;
};

/** What needs no sheet any more because its keeper says so, each to be taken back. */
export function HadList({ title, all, back, onBack }: Props) {
  if (all.length === 0) return null;
  return (
    <section aria-label={title} className="grid gap-1 border-t border-line pt-4">
      <h2 className="text-lg">{title}</h2>
      <ul className="grid">
        {all.map(({ id, day, said }) => (
          <li key={id} className="flex items-center gap-2 border-b border-line py-1 text-sm last:border-0">
            <span className="min-w-0 flex-1 truncate">{day}</span>
            <span className="whitespace-nowrap text-quiet">{said}</span>
            <Button small look="quiet" aria-label={`${day}: ${back}`} onClick={() => onBack(id)}>
              {back}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

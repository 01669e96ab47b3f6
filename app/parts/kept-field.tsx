import { type ComponentProps, useState } from "react";

type Props = Omit<ComponentProps<"textarea">, "value" | "onChange"> & {
  /** The words as the page has them by now. */
  readonly text: string;
  /** Takes what was typed; `typed` says that the field shows it already. */
  readonly onWords: (next: string, typed: boolean) => void;
  /** Line breaks become spaces. */
  readonly oneLine?: boolean;
};

/**
 * A field of words that save themselves. It shows each letter at once and the page follows when there is time, so that a
 * letter never waits for a drawing.
 */
export function KeptField({ text, onWords, oneLine = false, ...rest }: Props) {
  const [draft, setDraft] = useState<{ readonly now: string; readonly typed: readonly string[] } | null>(null);
  // The page caught up; or it has words that were never typed here, as when a change is taken back.
  if (draft && (text === draft.now || !draft.typed.includes(text))) setDraft(null);
  return (
    <textarea
      {...rest}
      value={draft?.now ?? text}
      onChange={({ target }) => {
        const next = oneLine ? target.value.replaceAll("\n", " ") : target.value;
        setDraft({ now: next, typed: [...(draft?.typed ?? [text]), next] });
        onWords(next, true);
      }}
      onBlur={() => setDraft(null)}
    />
  );
}

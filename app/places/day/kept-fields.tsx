import { KeptField } from "#app/parts/kept-field.tsx";
import { useKeptWords } from "#app/sending/sending.tsx";
import type { DayEdit } from "#core/album/edit.ts";
import type { DayPart } from "./view.ts";

type Props = {
  readonly part: DayPart;
  /** What of the day the words are, unique within it. */
  readonly name: string;
  readonly label: string;
  /** As it is now, what is still on its way among it. */
  readonly text: string;
  readonly toEdit: (text: string) => DayEdit;
  readonly placeholder?: string;
  readonly className?: string;
  readonly maxLength?: number;
};

/** One line that saves itself; a long one wraps, and Enter does not break it. */
export function KeptLine({ part, name, label, text, toEdit, placeholder, className = "", maxLength = 500 }: Props) {
  const change = useKeptWords(`${part.id}:${name}`, part.id, part.version, toEdit);
  return (
    <KeptField
      text={text}
      onWords={change}
      oneLine
      aria-label={label}
      rows={1}
      onKeyDown={(event) => event.key === "Enter" && event.preventDefault()}
      placeholder={placeholder}
      maxLength={maxLength}
      className={`field-sizing-content w-full min-w-0 resize-none rounded-sm border border-transparent bg-transparent px-1 py-0.5 leading-tight hover:border-line focus:border-edge focus:bg-raised ${className}`}
    />
  );
}

/** Words over several lines that save themselves. */
export function KeptText({ part, name, label, text, toEdit, placeholder, className = "", maxLength = 100_000 }: Props) {
  const change = useKeptWords(`${part.id}:${name}`, part.id, part.version, toEdit);
  return (
    <KeptField
      text={text}
      onWords={change}
      aria-label={label}
      placeholder={placeholder}
      maxLength={maxLength}
      rows={2}
      className={`field ${className}`}
    />
  );
}

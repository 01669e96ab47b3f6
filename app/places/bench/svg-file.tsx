/** One more than is read at all: what is longer is told, and never held whole. */
const MOST_BYTES = 2_000_001;

type Props = { readonly label: string; readonly onText: (text: string, name: string) => unknown };

/** A drawing from one's own files, as text. */
export const SvgFile = ({ label, onText }: Props) => (
  <label className="link cursor-pointer text-sm has-focus-visible:outline-2 has-focus-visible:outline-ember">
    {label}
    <input
      type="file"
      accept=".svg,image/svg+xml"
      className="sr-only"
      onChange={async ({ target }) => {
        const file = target.files?.[0];
        target.value = "";
        if (file) await onText(await file.slice(0, MOST_BYTES).text(), file.name);
      }}
    />
  </label>
);

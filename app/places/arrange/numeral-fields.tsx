import { MatButton } from "#app/parts/mat-button.tsx";
import { NUMERAL_COLOUR_NAME, NUMERAL_NAME } from "#app/wording/day.ts";
import { NUMERAL_COLOURS, type NumeralLook, type NumeralPiece } from "#core/album/leaf.ts";
import { NUMERAL_STYLES } from "#core/album/model.ts";

type Props = {
  readonly what: NumeralPiece;
  readonly onChange: (what: NumeralPiece) => void;
  readonly onOtherSide: (() => void) | undefined;
};

/** A number's own look: what it is made of, its colour, a nought before it, its other side. */
export function NumeralFields({ what, onChange, onOtherSide }: Props) {
  const { look } = what;
  return (
    <>
      <select
        aria-label="What the number is made of"
        className="mat-field"
        value={look?.style ?? ""}
        onChange={(event) => {
          const style = NUMERAL_STYLES.find((each) => each === event.target.value && each !== "none");
          onChange({
            ...what,
            look: style ? { style: style as NumeralLook["style"], colour: look?.colour ?? "brass" } : null,
          });
        }}
      >
        <option value="">As the day says</option>
        {NUMERAL_STYLES.filter((style) => style !== "none").map((style) => (
          <option key={style} value={style}>
            {NUMERAL_NAME[style]}
          </option>
        ))}
      </select>
      {look && (
        <select
          aria-label="Colour of the number"
          className="mat-field"
          value={look.colour}
          onChange={(event) => {
            const colour = NUMERAL_COLOURS.find((each) => each === event.target.value) ?? "brass";
            onChange({ ...what, look: { ...look, colour } });
          }}
        >
          {NUMERAL_COLOURS.map((colour) => (
            <option key={colour} value={colour}>
              {NUMERAL_COLOUR_NAME[colour]}
            </option>
          ))}
        </select>
      )}
      <MatButton pressed={what.zero} onClick={() => onChange({ ...what, zero: !what.zero })}>
        Leading zero
      </MatButton>
      {onOtherSide && <MatButton onClick={onOtherSide}>On the other side too</MatButton>}
    </>
  );
}

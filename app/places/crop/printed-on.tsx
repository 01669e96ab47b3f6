import { Button } from "#app/parts/button.tsx";
import { LengthBox } from "#app/parts/length-box.tsx";
import { newId } from "#app/parts/new-id.ts";
import { Options } from "#app/parts/options.tsx";
import { Why } from "#app/parts/why.tsx";
import { TYPEFACE_NAME } from "#app/wording/card.ts";
import { whyReads } from "#app/wording/why.ts";
import { inches, ticks, type Unit } from "#core/measure/length.ts";
import { type Rect, rect } from "#core/measure/rect.ts";
import type { Size } from "#core/measure/size.ts";
import { type Frame, onPicture, type PictureFacts, type PrintCrop } from "#core/photo/crop.ts";
import { quietSpots, readOn } from "#core/photo/quiet.ts";
import type { Traits } from "#core/photo/traits.ts";
import { saySize, TYPED_IN, type TypedIn } from "#core/words/lettering.ts";
import { ON_KINDS, type OnKind, type PrintedOn, TONES, type Tone } from "#core/words/printed-on.ts";
import { wordsOfOn } from "#core/words/printed-on-lines.ts";

type Props = {
  readonly items: readonly PrintedOn[];
  readonly chosen: string | null;
  readonly onChoose: (id: string | null) => void;
  readonly onChange: (items: readonly PrintedOn[]) => void;
  readonly facts: PictureFacts;
  readonly print: Size;
  readonly crop: PrintCrop;
  readonly frame: Frame;
  readonly traits: Pick<Traits, "tone" | "busy"> | null;
  /** What lies over the print wherever it is laid: nothing is put there by itself. */
  readonly taken: readonly Rect[];
  readonly unit: Unit;
};

const KIND_NAME: Record<OnKind, string> = { words: "Words", label: "Label", disc: "Disc", frame: "Frame" };
const ADD_NAME: Record<OnKind, string> = {
  words: "Words on it",
  label: "A label",
  disc: "A disc",
  frame: "A frame",
};
const TONE_NAME: Record<Tone, string> = { light: "Light", dark: "Dark" };
const POINTS = [7, 8, 9, 10, 11, 12, 14, 16, 18, 21, 24, 30, 36, 48, 60, 72].map((points) => points * 4);
/** What is kept free about what is put on by itself. */
const CLEAR = inches(1 / 8);
/** Large lettering needs 3 : 1 (WCAG 2.2). */
const READABLE = 3;

/** How large each is when it is new; it is as large as the print lets it. */
const USUAL: Record<OnKind, Size> = {
  words: { w: inches(2), h: inches(0.5) },
  label: { w: inches(1.5), h: inches(0.75) },
  disc: { w: inches(1.25), h: inches(1.25) },
  frame: { w: inches(2.5), h: inches(1) },
};
const within = (usual: Size, print: Size): Size => ({
  w: ticks(Math.min(usual.w, Math.floor(print.w * 0.8))),
  h: ticks(Math.min(usual.h, Math.floor(print.h * 0.8))),
});

/** What a thing is called among the others: its first line, or its kind; numbered where an earlier one is called so too. */
function nameOf(items: readonly PrintedOn[], at: number): string {
  const plain = ({ kind, text }: PrintedOn) => text.split("\n")[0] || KIND_NAME[kind];
  const own = items[at];
  if (!own) return "";
  const before = items.slice(0, at).filter((each) => plain(each) === plain(own)).length;
  return before > 0 ? `${plain(own)}, ${before + 1}` : plain(own);
}

/** What is printed on the picture, in the house's typefaces: put where it reads, light or dark by what is under it. */
export function PrintedOnPanel(props: Props) {
  const { items, chosen, onChoose, onChange, facts, print, crop, frame, traits, taken, unit } = props;
  const add = (kind: OnKind) => {
    const size = within(USUAL[kind], print);
    const busy = [...taken, ...items.map(({ at }) => at)];
    // With room about it: at the very edge it would be cut into.
    const roomy = { w: ticks(size.w + 2 * CLEAR), h: ticks(size.h + 2 * CLEAR) };
    const [spot] = traits ? quietSpots(traits, { print, crop, frame, look: facts.look }, roomy, busy, 1) : [];
    const middle = rect(Math.round((print.w - size.w) / 2), Math.round((print.h - size.h) / 2), size.w, size.h);
    const item: PrintedOn = {
      ...({ id: newId(), kind, text: "", typeface: "book", size: kind === "disc" ? 96 : 56 } as const),
      // A label and a disc bring their own ground, and a light one goes with most pictures.
      tone: kind === "label" || kind === "disc" ? "light" : (spot?.lettering ?? "light"),
      at: spot ? rect(spot.at.x + CLEAR, spot.at.y + CLEAR, size.w, size.h) : middle,
    };
    onChange([...items, item]);
    onChoose(item.id);
  };
  const item = items.find(({ id }) => id === chosen);
  const change = (next: Partial<PrintedOn>) =>
    item && onChange(items.map((each) => (each === item ? { ...each, ...next } : each)));
  const place = (next: Partial<Rect>) => item && change({ at: { ...item.at, ...next } });
  return (
    <section aria-label="Printed on it" className="grid gap-2 border-t border-line pt-3">
      <p className="font-medium">Printed on it</p>
      <div className="flex flex-wrap gap-2">
        {ON_KINDS.map((kind) => (
          <Button key={kind} small onClick={() => add(kind)}>
            {ADD_NAME[kind]}
          </Button>
        ))}
      </div>
      {items.length > 0 && (
        <ul className="flex flex-wrap gap-1.5" aria-label="Things printed on it">
          {items.map(({ id }, at) => (
            <li key={id}>
              <button
                type="button"
                aria-pressed={id === chosen}
                onClick={() => onChoose(id === chosen ? null : id)}
                className={`min-h-8 max-w-48 truncate rounded-sm border px-2.5 text-sm ${id === chosen ? "border-text bg-text text-ground" : "border-edge bg-raised hover:border-ember"}`}
              >
                {nameOf(items, at)}
              </button>
            </li>
          ))}
        </ul>
      )}
      {item && (
        <div className="grid gap-2 border-l-4 border-ring-words pl-3">
          <textarea
            aria-label="Its words"
            className="field min-h-16 text-sm"
            value={item.text}
            maxLength={500}
            placeholder={item.kind === "words" ? "What it says, a line a line" : "What it says, if anything"}
            onChange={(event) => change({ text: event.target.value })}
          />
          <div className="flex flex-wrap items-center gap-2">
            <select
              aria-label="Its typeface"
              className="field w-auto py-1 text-sm"
              value={item.typeface}
              onChange={(event) => change({ typeface: event.target.value as TypedIn })}
            >
              <Options all={TYPED_IN.map((each) => [each, TYPEFACE_NAME[each]] as const)} />
            </select>
            <select
              aria-label="How large its letters are"
              className="field w-auto py-1 text-sm"
              value={item.size}
              onChange={(event) => change({ size: Number(event.target.value) })}
            >
              <Options
                all={[...new Set([...POINTS, item.size])]
                  .sort((a, b) => a - b)
                  .map((size) => [String(size), `${saySize(size)} points`] as const)}
              />
            </select>
            <select
              aria-label="Light or dark"
              className="field w-auto py-1 text-sm"
              value={item.tone}
              onChange={(event) => change({ tone: event.target.value as Tone })}
            >
              <Options all={TONES.map((each) => [each, TONE_NAME[each]] as const)} />
            </select>
          </div>
          <div className="grid grid-cols-4 gap-2">
            {(
              [
                ["Wide", "w"],
                ["High", "h"],
                ["From left", "x"],
                ["From top", "y"],
              ] as const
            ).map(([label, side]) => (
              <span key={side}>
                <LengthBox
                  label={label}
                  value={item.at[side]}
                  unit={unit}
                  inBar={false}
                  range={side === "w" || side === "h" ? "positive" : "signed"}
                  onTake={(length) => place({ [side]: length })}
                />
              </span>
            ))}
          </div>
          <Verdict item={item} {...{ facts, print, crop, frame, traits }} />
          <div>
            <Button
              small
              look="quiet"
              className="-ml-2.5"
              onClick={() => {
                onChange(items.filter((each) => each !== item));
                onChoose(null);
              }}
            >
              Take it off
            </Button>
          </div>
        </div>
      )}
    </section>
  );
}

/** Whether its words fit where they stand, and whether they read there. */
function Verdict({
  item,
  facts,
  print,
  crop,
  frame,
  traits,
}: { item: PrintedOn } & Pick<Props, "facts" | "print" | "crop" | "frame" | "traits">) {
  const { fits } = wordsOfOn(item);
  const { x, y, w, h } = item.at;
  const isInside = x >= 0 && y >= 0 && x + w <= print.w && y + h <= print.h;
  const hasGround = item.kind === "label" || item.kind === "disc";
  const read = traits && !hasGround ? readOn(traits, onPicture(item.at, print, crop, frame), facts.look) : null;
  const isOther = read !== null && read.lettering !== item.tone;
  return (
    <p aria-live="polite" className="text-sm">
      {!isInside ? (
        <strong className="font-semibold">Part of it lies beyond the print.</strong>
      ) : !fits ? (
        <strong className="font-semibold">Its words are larger than its room: fewer, smaller, or more room.</strong>
      ) : (
        "It fits."
      )}{" "}
      {read &&
        (isOther
          ? `Here ${read.lettering} lettering reads better, ${read.contrast} to 1.`
          : read.contrast < READABLE || read.reads === "busy"
            ? "The picture is busy here: a label, or another spot."
            : `It reads, ${read.contrast} to 1.`)}
      {read && <Why of="whether it reads" reckoning={whyReads(read.contrast, read.lettering)} />}
    </p>
  );
}

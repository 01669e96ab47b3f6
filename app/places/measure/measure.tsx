import { useRef, useState } from "react";
import { Form, useNavigation } from "react-router";
import { to } from "#app/addresses.ts";
import { Mat } from "#app/drawing/mat.tsx";
import { Button } from "#app/parts/button.tsx";
import { SelectField, TextField } from "#app/parts/field.tsx";
import { Outcome } from "#app/parts/outcome.tsx";
import { OwnFromFile, OwnSaid, OwnThing } from "#app/parts/own-thing.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { useSeenVersion } from "#app/parts/use-seen-version.ts";
import { MatStage, Workplace } from "#app/parts/workplace.tsx";
import { Zoomed } from "#app/parts/zoomed.tsx";
import { many } from "#app/wording/count.ts";
import { BINDING_NAME, HOLE_PRESET_NAME } from "#app/wording/format.ts";
import type { Away } from "#app/wording/sending.ts";
import { HOLE_PRESETS, type HolePresetId, holePreset } from "#core/album/holes.ts";
import { type AlbumFormat, BINDINGS } from "#core/album/model.ts";
import { type Length, parseLength, printNumber, type Unit } from "#core/measure/length.ts";
import { formatMat } from "./format-drawing.ts";
import { type FormatErrors, type FormatField, type FormatText, formatText, readFormat } from "./format-form.ts";

export type MeasureAnswer =
  | { ok: true; said: string }
  | { ok: false; reason: "fields"; errors: FormatErrors }
  /** These would no longer fit; saved only when said again. */
  | { ok: false; reason: "stops-fitting"; pieces: readonly string[]; more: number }
  | { ok: false; reason: "changed-since" | Away };

type Props = {
  readonly albumId: string;
  readonly version: number;
  readonly format: AlbumFormat;
  readonly unit: Unit;
  readonly measured: readonly { id: string; name: string }[];
  readonly answer: MeasureAnswer | null;
};

/** What to put the ruler to, for each field. */
const HOW: Partial<Record<FormatField, string>> = {
  nominalW: "What the page size is called: the width said first.",
  nominalH: "What the page size is called: the height said second.",
  openingW: "Inside a full protector, weld to weld: what a page can really be.",
  openingH: "Inside a full protector, foot weld to mouth.",
  outerW: "The whole leaf, binding margin and all, from edge to edge.",
  outerH: "The whole leaf, from upper to lower edge.",
  bareW: "A leaf that goes straight into the rings, edge to edge. It turns with the others when it is as large.",
  bareH: "The same leaf, from upper to lower edge.",
  coverW: "The front board, from spine to fore-edge. A tab beyond it would bend.",
  coverH: "The front board, from head to foot.",
  margin: "From the binding edge to where the opening begins. None in a sewn book.",
  holePositions: "From the upper end of the whole leaf to the middle of each hole, divided by semicolons.",
  holeInset: "From the binding edge to the middle of a hole.",
  holeDiameter: "Across one hole.",
  leaves:
    "How many leaves it was sewn with: they stay where they are, and days take one after the other. Empty: not counted.",
  capacity: "How thick a pile of leaves the rings or the spine close over.",
};

/** The book measured once, with a drawing that shows where the ruler goes. */
export function Measure({ albumId, version, format, unit, measured, answer }: Props) {
  const busy = useNavigation().state !== "idle";
  const seen = useSeenVersion(version, answer);
  const [text, setText] = useState<FormatText>(() => formatText(format, unit));
  const [field, setField] = useState<FormatField | null>("openingW");
  const lastGood = useRef(format);
  const read = readFormat(text, unit);
  if (read.ok) lastGood.current = read.format;
  const errors: FormatErrors = read.ok ? {} : read.errors;
  const put = (name: FormatField) => (value: string) => setText((was) => ({ ...was, [name]: value }));
  const box = (name: FormatField, label: string) => (
    <TextField
      label={label}
      name={name}
      value={text[name]}
      error={errors[name]}
      onChange={(event) => put(name)(event.target.value)}
      onFocus={() => setField(name)}
    />
  );
  const startFrom = (id: HolePresetId) => {
    const along = parseLength(text.bindingEdge === "top" ? text.outerW : text.outerH, unit);
    const holes = holePreset(id, along.ok ? along.length : format.outer.h);
    const say = (length: Length) => (length === 0 ? "0" : printNumber(length, unit));
    setText((was) => ({
      ...was,
      holePositions: holes.positions.map(say).join("; "),
      holeInset: say(holes.inset),
      holeDiameter: say(holes.diameter),
    }));
    setField("holePositions");
  };
  return (
    <Workplace
      width="broad"
      tabs={<PlaceTabs place="book" albumId={albumId} here="measure" />}
      panel={
        <>
          <Form method="post" className="grid gap-5">
            <div>
              <h1 className="text-3xl">Measure the book</h1>
              <p className="text-sm text-quiet">
                Makers’ sizes differ, so a book is measured, not named. Put a ruler to yours: 4½, 4 1/2, 4.5, 11.4 cm
                and 114 mm are all understood.
              </p>
            </div>
            <input type="hidden" name="version" value={seen} />
            <Outcome
              answer={answer}
              kept="Your measures are still in the form. Save again in a moment."
              why={{
                // Said beside the fields themselves.
                fields: null,
                "changed-since":
                  "Somebody changed this album’s settings after you opened them. Your measures are still in the form; load the page in another window to compare, or save again to keep yours.",
                "stops-fitting": answer && "pieces" in answer ? <StopsFitting {...answer} /> : null,
              }}
            />
            <div className="grid grid-cols-2 gap-3">
              <div className="col-span-2">{box("formatName", "What it is called")}</div>
              <SelectField
                label="Held by"
                name="binding"
                value={text.binding}
                error={errors.binding}
                onChange={(event) => put("binding")(event.target.value)}
              >
                {BINDINGS.map((each) => (
                  <option key={each} value={each}>
                    {BINDING_NAME[each]}
                  </option>
                ))}
              </SelectField>
              <SelectField
                label="Bound at the"
                name="bindingEdge"
                value={text.bindingEdge}
                error={errors.bindingEdge}
                onChange={(event) => put("bindingEdge")(event.target.value)}
              >
                <option value="left">left edge</option>
                <option value="top">upper edge</option>
              </SelectField>
              {box("nominalW", "Page, wide")}
              {box("nominalH", "Page, high")}
              {box("openingW", "Opening, wide")}
              {box("openingH", "Opening, high")}
              {box("outerW", "Whole leaf, wide")}
              {box("outerH", "Whole leaf, high")}
              {box("bareW", "Leaf without a protector, wide")}
              {box("bareH", "Leaf without a protector, high")}
              {box("coverW", "Cover, wide")}
              {box("coverH", "Cover, high")}
              {box("margin", "Binding margin")}
              {box("capacity", "Holds a stack of, mm")}
              {text.binding === "sewn" && box("leaves", "Leaves sewn in")}
            </div>
            <fieldset className="grid grid-cols-2 gap-3 border-t border-line pt-4">
              <legend className="sr-only">Holes</legend>
              <SelectField
                label="Holes, as a start"
                value=""
                onChange={(event) => startFrom(event.target.value as HolePresetId)}
              >
                <option value="">Choose</option>
                {HOLE_PRESETS.map((each) => (
                  <option key={each} value={each}>
                    {HOLE_PRESET_NAME[each]}
                  </option>
                ))}
              </SelectField>
              {box("holeDiameter", "Each, across")}
              <div className="col-span-2">{box("holePositions", "Middle of each, from the upper end")}</div>
              {box("holeInset", "From the binding edge")}
              <p className="self-end pb-2 text-sm">
                <a href={to.document(albumId, "punch-guide", "guide.pdf")} download className="link">
                  Punch guide, PDF
                </a>{" "}
                <a href={to.document(albumId, "punch-guide", "guide.svg")} download className="link">
                  SVG
                </a>
              </p>
              <p className="col-span-2 text-sm text-quiet">
                Punches and eyelet setters: keep fingers clear, and the punch away from children. Follow its label.
              </p>
            </fieldset>
            <div className="flex flex-wrap gap-3 border-t border-line pt-4">
              <Button type="submit" look="main" disabled={busy || !read.ok} name="intent" value="save">
                {busy ? "Saving" : "Save the measures"}
              </Button>
              <Button type="submit" disabled={busy || !read.ok} name="intent" value="keep">
                Keep for other albums
              </Button>
              {answer && !answer.ok && answer.reason === "stops-fitting" && (
                <Button type="submit" disabled={busy || !read.ok} name="intent" value="save-anyway">
                  Save all the same
                </Button>
              )}
            </div>
          </Form>
          <div className="mx-4 wide:mx-6">
            <OwnSaid kind="format" />
            <OwnFromFile kind="format" albumId={albumId} />
          </div>
          {measured.length > 0 && (
            <section className="mx-4 grid gap-1 border-t border-line py-4 wide:mx-6" aria-labelledby="kept-books">
              <h2 id="kept-books" className="text-lg">
                Kept for other albums
              </h2>
              {measured.map(({ id, name }) => (
                <OwnThing key={id} kind="format" {...{ albumId, id, name }} />
              ))}
              <p className="text-sm text-quiet">
                Albums have measures of their own: putting one away here changes none of them.
              </p>
            </section>
          )}
        </>
      }
    >
      <MatStage
        label="The book, to scale"
        bar={
          <p aria-live="polite">
            {(field && HOW[field]) ?? "Cover, leaf, opening and page, as they lie over each other."}
          </p>
        }
      >
        <Zoomed>
          <Mat
            mat={formatMat(lastGood.current, unit, field)}
            label={`${text.formatName}, as measured: cover, leaf, opening, page and holes over each other`}
          />
        </Zoomed>
      </MatStage>
    </Workplace>
  );
}

/** What no longer fits with the measures as typed. */
function StopsFitting({ pieces, more }: { pieces: readonly string[]; more: number }) {
  const count = pieces.length + more;
  return (
    <>
      With these measures, {many(count, "piece stops", "pieces stop")} fitting. Nothing was saved yet.
      <ul className="text-sm font-normal">
        {pieces.map((words) => (
          <li key={words}>{words}</li>
        ))}
        {more > 0 && <li>And {more} more.</li>}
      </ul>
    </>
  );
}

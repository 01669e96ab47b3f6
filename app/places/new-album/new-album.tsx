import { useEffect, useRef, useState } from "react";
import { Form, useNavigation } from "react-router";
import { Button } from "#app/parts/button.tsx";
import { ChoiceCard } from "#app/parts/choice-card.tsx";
import { SelectField, TextField } from "#app/parts/field.tsx";
import { many } from "#app/wording/count.ts";
import { NUMBERING_HINT, NUMBERING_NAME } from "#app/wording/month.ts";
import { type Away, nothingDone } from "#app/wording/sending.ts";
import { NUMBERINGS, type Numbering } from "#core/month/numbering.ts";
import type { BookChoice, MonthChoice, OldChoice } from "./view.ts";

type Answer = { ok: false; reason: "fields"; errors: Readonly<Record<string, string>> } | { ok: false; reason: Away };
type Props = {
  readonly months: readonly MonthChoice[];
  readonly usual: number;
  readonly books: readonly BookChoice[];
  /** The household's albums, to begin from; and the one that is chosen from the start. */
  readonly olds: readonly OldChoice[];
  readonly from: string | null;
  readonly answer: Answer | null;
};

const STEPS = ["Which days", "What the number means", "Which book"] as const;
/** Which step a field stands on, to go back to when it is refused. */
const STEP_OF: Record<string, number> = { from: 0, title: 0, start: 0, end: 0, numbering: 1, book: 2, unit: 2 };

/** A new album in three short steps; every step has an answer already. */
export function NewAlbum({ months: offered, usual, books: known, olds, from: begun, answer }: Props) {
  const [step, setStep] = useState(0);
  const [from, setFrom] = useState(begun);
  const old = olds.find(({ id }) => id === from);
  const months =
    old && !offered.some(({ start, end }) => isSpan(old.next, start, end)) ? [...offered, old.next] : offered;
  const first = old?.next ?? months[usual] ?? months[0];
  const [span, setSpan] = useState({ start: first?.start ?? "", end: first?.end ?? "" });
  const [title, setTitle] = useState<string | null>(null);
  const books = old ? [old.book, ...known] : known;
  const [numbering, setNumbering] = useState<Numbering>(old?.numbering ?? "date");
  const [book, setBook] = useState(books[0]?.id ?? "");
  const [unit, setUnit] = useState<"inch" | "cm" | null>(null);
  const beginFrom = (id: string) => {
    const chosen = olds.find((each) => each.id === id);
    setFrom(chosen?.id ?? null);
    setNumbering(chosen?.numbering ?? "date");
    setBook(chosen?.book.id ?? known[0]?.id ?? "");
    const days = chosen?.next ?? offered[usual] ?? offered[0];
    if (days) setSpan({ start: days.start, end: days.end });
  };
  const busy = useNavigation().state !== "idle";
  const heading = useRef<HTMLHeadingElement>(null);
  const errors = answer?.reason === "fields" ? answer.errors : {};
  const month = months.find(({ start, end }) => start === span.start && end === span.end);
  const titleShown = title ?? month?.name ?? "";

  useEffect(() => {
    const wrong = answer?.reason === "fields" ? Object.keys(answer.errors).map((name) => STEP_OF[name] ?? 0) : [];
    if (wrong.length > 0) setStep(Math.min(...wrong));
  }, [answer]);
  const go = (to: number) => {
    setStep(to);
    requestAnimationFrame(() => heading.current?.focus());
  };

  return (
    <Form
      method="post"
      className="mx-auto grid max-w-3xl gap-6"
      onSubmit={(event) => {
        if (step === 2) return;
        event.preventDefault();
        go(step + 1);
      }}
    >
      <div>
        <p className="text-sm text-quiet">New album, step {step + 1} of 3</p>
        <h1 ref={heading} tabIndex={-1} className="text-3xl outline-none">
          {STEPS[step]}
        </h1>
      </div>
      {answer && answer.reason !== "fields" && (
        <p role="alert" className="border-l-4 border-ember pl-3 font-medium">
          {nothingDone(answer.reason)}
        </p>
      )}
      <div className={step === 0 ? "grid gap-5" : "hidden"}>
        {olds.length > 0 && (
          <div className="grid gap-1 sm:max-w-md">
            <SelectField
              label="Begin from"
              name="from"
              value={from ?? ""}
              onChange={({ target }) => beginFrom(target.value)}
              error={errors.from}
            >
              <option value="">Nothing</option>
              {olds.map(({ id, title: name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </SelectField>
            {old && <p className="text-sm text-quiet">{comesAlong(old)}</p>}
          </div>
        )}
        <fieldset className="grid gap-3">
          <legend className="sr-only">Month</legend>
          <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
            {months.map((each) => (
              <ChoiceCard
                key={each.start}
                name="month"
                value={each.start}
                checked={month === each}
                onChoose={() => setSpan({ start: each.start, end: each.end })}
                label={each.name}
              />
            ))}
            <ChoiceCard
              name="month"
              value="own"
              checked={!month}
              onChoose={() => setSpan({ start: span.start, end: "" })}
              label="Other days"
              hint="1 to 62 of them, past or to come"
            />
          </div>
        </fieldset>
        <div className="grid gap-4 sm:grid-cols-3">
          <TextField
            label="First day"
            type="date"
            name="start"
            value={span.start}
            onChange={(event) => setSpan({ ...span, start: event.target.value })}
            required
            error={errors.start}
          />
          <TextField
            label="Last day"
            type="date"
            name="end"
            value={span.end}
            onChange={(event) => setSpan({ ...span, end: event.target.value })}
            required
            error={errors.end}
          />
          <TextField
            label="Title"
            name="title"
            value={titleShown}
            onChange={(event) => setTitle(event.target.value)}
            maxLength={120}
            required
            error={errors.title}
          />
        </div>
      </div>
      <fieldset className={step === 1 ? "grid gap-2 sm:grid-cols-3" : "hidden"}>
        <legend className="sr-only">What the number means</legend>
        {NUMBERINGS.map((each) => (
          <ChoiceCard
            key={each}
            name="numbering"
            value={each}
            checked={numbering === each}
            onChoose={() => setNumbering(each)}
            label={NUMBERING_NAME[each]}
            hint={NUMBERING_HINT[each]}
          />
        ))}
      </fieldset>
      <div className={step === 2 ? "grid gap-5" : "hidden"}>
        <fieldset className="grid grid-cols-2 gap-2 sm:grid-cols-3 wide:grid-cols-5">
          <legend className="sr-only">Book</legend>
          {books.map((each) => (
            <ChoiceCard
              key={each.id}
              name="book"
              value={each.id}
              checked={book === each.id}
              onChoose={() => setBook(each.id)}
              label={each.name}
              picture={<BookOutline book={each} />}
            />
          ))}
        </fieldset>
        <p className="text-sm text-quiet">
          Sizes are typical. Makers differ: measure your own protector later under Book, Measures, and the plan follows.
        </p>
        <fieldset className="flex gap-6">
          <legend className="mb-1 text-sm font-medium">Measure in</legend>
          {(["inch", "cm"] as const).map((each) => (
            <label key={each} className="flex min-h-9 items-center gap-2">
              <input
                type="radio"
                name="unit"
                value={each}
                checked={(unit ?? books.find(({ id }) => id === book)?.unit ?? "inch") === each}
                onChange={() => setUnit(each)}
                className="size-4 accent-ember"
              />
              {each === "inch" ? "Inches, with fractions" : "Centimetres"}
            </label>
          ))}
        </fieldset>
      </div>
      <div className="flex items-center justify-between border-t border-line pt-4">
        {step > 0 ? (
          <Button look="quiet" onClick={() => go(step - 1)}>
            Back
          </Button>
        ) : (
          <span />
        )}
        <Button type="submit" look="main" disabled={busy}>
          {step < 2 ? "Next" : busy ? "Making it" : "Make the album"}
        </Button>
      </div>
    </Form>
  );
}

const isSpan = (month: MonthChoice, start: string, end: string) => month.start === start && month.end === end;

/** What comes with an old album, and what never does. */
function comesAlong({ prompts, pattern, traditions, tallies }: OldChoice): string {
  const of = [
    ...["its book", "its numbers"],
    ...(prompts > 0 ? [`${many(prompts, "prompt")}, each on the same day`] : []),
    ...(traditions > 0 ? [`${many(traditions, "day that stands", "days that stand")} every year`] : []),
    ...(tallies > 0 ? [`${many(tallies, "thing")} to count`] : []),
    ...(pattern ? ["its pattern of pages, to be set when you like"] : []),
  ];
  return `Along come ${of.slice(0, -1).join(", ")} and ${of.at(-1)}. Its photos and words stay where they are.`;
}

/** The book's leaf to one scale with the others, its binding at the left. */
function BookOutline({ book }: { book: BookChoice }) {
  const scale = 0.34;
  const [w, h] = [book.w * scale, book.h * scale];
  return (
    <svg viewBox="0 0 100 84" className="h-20 w-full" aria-hidden="true">
      <g transform={`translate(${(100 - w) / 2} ${80 - h})`}>
        <rect width={w} height={h} rx="1" className="fill-raised stroke-edge" />
        {book.margin > 0 && (
          <line x1={book.margin * scale} x2={book.margin * scale} y1="0" y2={h} className="stroke-line" />
        )}
        {book.binding === "sewn" && <path d={`M2.5 3V${h - 3}`} className="stroke-edge" strokeDasharray="4 2" />}
        {(book.binding === "ring" ? [0.18, 0.5, 0.82] : book.binding === "two-hole" ? [0.31, 0.69] : []).map((at) => (
          <circle key={at} cx={book.margin * scale * 0.5} cy={h * at} r="1.6" className="fill-edge" />
        ))}
        <text
          x={(w + book.margin * scale) / 2}
          y={h / 2}
          textAnchor="middle"
          dominantBaseline="central"
          className="fill-text font-numeral font-semibold"
          fontSize="10"
        >
          {book.size.replace(" cm", "")}
        </text>
      </g>
    </svg>
  );
}

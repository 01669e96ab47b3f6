import { useState } from "react";
import { SelectField } from "#app/parts/field.tsx";
import { WriteFile } from "#app/places/background/write-file.tsx";
import type { LongDocument } from "#core/document/asked.ts";

type Book = Extract<LongDocument, { kind: "book" }>;

const AS: Readonly<Record<Book["as"], string>> = { openings: "Opening by opening", pages: "Page by page" };
const FIT: Readonly<Record<Book["fit"], string>> = { true: "At true size", letter: "To fit 8½ × 11", a4: "To fit A4" };
const WHOM: Readonly<Record<Book["forWhom"], string>> = {
  others: "Without what is private",
  self: "With what is private, for yourself",
};

const options = (of: Readonly<Record<string, string>>) =>
  Object.entries(of).map(([value, name]) => (
    <option key={value} value={value}>
      {name}
    </option>
  ));

/** The whole book as a PDF, as it is chosen; written in the background. */
export function BookOut({ albumId, secret }: { albumId: string; secret: number }) {
  const [book, setBook] = useState<Book>({ kind: "book", as: "openings", fit: "true", forWhom: "others" });
  const set = (field: "as" | "fit" | "forWhom") => (event: { target: { value: string } }) =>
    setBook((now) => ({ ...now, [field]: event.target.value }) as Book);
  return (
    <div className="grid gap-2">
      <SelectField label="How it lies" value={book.as} onChange={set("as")}>
        {options(AS)}
      </SelectField>
      <SelectField label="How large" value={book.fit} onChange={set("fit")}>
        {options(FIT)}
      </SelectField>
      {secret > 0 && (
        <SelectField label="For whom" value={book.forWhom} onChange={set("forWhom")}>
          {options(WHOM)}
        </SelectField>
      )}
      <div>
        <WriteFile
          key={`${book.as} ${book.fit} ${book.forWhom}`}
          wanted={{ kind: "write-document", albumId, document: book }}
          action="Write the book"
        />
      </div>
    </div>
  );
}

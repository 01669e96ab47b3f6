import { Download } from "lucide-react";
import { useState } from "react";
import { to } from "#app/addresses.ts";
import { buttonLook } from "#app/parts/button.tsx";
import { SelectField } from "#app/parts/field.tsx";
import { WriteFile } from "#app/places/background/write-file.tsx";
import type { LongDocument } from "#core/document/asked.ts";

type Book = Extract<LongDocument, { kind: "book" }>;
type As = "leafing" | "openings" | "pages" | "pictures";

const AS: Readonly<Record<As, string>> = {
  leafing: "To leaf through, one file for any browser",
  openings: "PDF, opening by opening",
  pages: "PDF, page by page",
  pictures: "Pictures of every opening",
};
const SAID: Readonly<Record<As, string>> = {
  leafing: "A page of HTML that turns as it does here, opens what opens, and needs no network. Send it, or keep it.",
  openings: "Every opening as it lies, seen through as it will be, with the line under it.",
  pages: "Every side by itself.",
  pictures: "A ZIP of JPEGs, 150 pixels to the inch.",
};
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

/** The whole book as it is chosen, written in the background; and its words alone. */
export function BookOut({ albumId, secret }: { albumId: string; secret: number }) {
  const [as, setAs] = useState<As>("leafing");
  const [fit, setFit] = useState<Book["fit"]>("true");
  const [forWhom, setForWhom] = useState<Book["forWhom"]>("others");
  const isPdf = as === "openings" || as === "pages";
  const document: LongDocument = isPdf ? { kind: "book", as, fit, forWhom } : { kind: as, forWhom };
  return (
    <div className="grid gap-2">
      <SelectField label="What to write" value={as} onChange={({ target }) => setAs(target.value as As)}>
        {options(AS)}
      </SelectField>
      <p className="text-sm text-quiet">{SAID[as]}</p>
      {isPdf && (
        <SelectField label="How large" value={fit} onChange={({ target }) => setFit(target.value as Book["fit"])}>
          {options(FIT)}
        </SelectField>
      )}
      {secret > 0 && (
        <SelectField
          label="For whom"
          value={forWhom}
          onChange={({ target }) => setForWhom(target.value as Book["forWhom"])}
        >
          {options(WHOM)}
        </SelectField>
      )}
      <div>
        <WriteFile
          key={`${as} ${fit} ${forWhom}`}
          wanted={{ kind: "write-document", albumId, document }}
          action="Write the book"
        />
      </div>
      <p className="flex flex-wrap items-center gap-2 pt-2 text-sm">
        <span>Its words alone:</span>
        {(["txt", "html"] as const).map((ending) => (
          <a
            key={ending}
            href={to.document(albumId, "words", `${forWhom}.${ending}`)}
            download
            className={buttonLook("plain", true)}
          >
            <Download className="size-4" aria-hidden="true" /> {ending === "txt" ? "Plain text" : "HTML"}
          </a>
        ))}
      </p>
    </div>
  );
}

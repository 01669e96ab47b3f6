import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { WriteFile } from "#app/places/background/write-file.tsx";

/** Everything in one file, for another machine, and the way to read one. */
export function Moving() {
  return (
    <section aria-labelledby="moving" className="grid gap-3">
      <h2 id="moving" className="border-b border-line pb-1 text-xl">
        Everything in one file
      </h2>
      <p className="max-w-prose text-sm">
        All albums with what is private, every picture as it came, the drawer, decks, hands and layouts, printers, print
        sheets and orders, and who wrote what. Nobody’s passphrase is in it, no address of a link, and nothing of the
        tray. Keep it where only you come by.
      </p>
      <div className="grid justify-items-start gap-3">
        <WriteFile wanted={{ kind: "write-household" }} action="Write the household" />
        <p className="text-sm text-quiet">
          On another machine, start a household there and{" "}
          <Link to={to.readArchive()} className="link">
            read it
          </Link>
          . What is there already is not doubled.
        </p>
      </div>
    </section>
  );
}

import type { ReactNode } from "react";

const HEIGHTS = [24, 24, 24, 24, 18, 14, 10, 8, 14, 10, 7, 12, 6, 8, 4, 3, 6, 2];
const BARS = HEIGHTS.map((tall, at) => ({ tall, x: at * 20 }));

/** The page before the house: what this is on the left, the way in on the right. */
export function Door({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="grid min-h-dvh wide:grid-cols-[1.1fr_1fr]">
      <header className="flex flex-col justify-between gap-8 bg-soot p-6 text-on-soot wide:p-12">
        <p className="flex items-center gap-3 font-numeral text-xl font-semibold">
          <svg viewBox="0 0 24 24" className="size-7" aria-hidden="true">
            <circle cx="12" cy="12" r="10.4" fill="none" className="stroke-on-soot" strokeWidth="1.6" />
            <path d="M12 5.2c2.2 2.8 3.6 4.8 3.6 7.3a3.6 3.6 0 0 1-7.2 0C8.4 10 9.8 8 12 5.2Z" className="fill-flame" />
          </svg>
          Hearth Clock
        </p>
        <div className="grid max-w-md gap-4">
          <h1 className="text-3xl wide:text-5xl">One month, one album, one evening at a time.</h1>
          <p className="text-on-soot-quiet wide:text-lg">
            A workshop for a numbered daily album. It keeps every day’s prompt, photos, words and page, does the
            measuring, and says what is left to do in the minutes there are tonight.
          </p>
        </div>
        <svg viewBox="0 0 360 30" className="hidden w-full max-w-md wide:block" aria-hidden="true">
          {BARS.map(({ tall, x }) => (
            <rect
              key={x}
              x={x}
              y={26 - tall}
              width="17"
              height={tall}
              className={tall === 24 ? "fill-flame" : tall > 12 ? "fill-[#b0541f]" : "fill-[#765446]"}
            />
          ))}
          <rect x="0" y="28" width="357" height="1.5" className="fill-on-soot-quiet/50" />
        </svg>
      </header>
      <main className="grid content-center p-6 wide:p-12">
        <div className="grid w-full max-w-sm gap-6">
          <h2 className="text-2xl">{title}</h2>
          {children}
        </div>
      </main>
    </div>
  );
}

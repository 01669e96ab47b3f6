import { Link } from "react-router";

/** One page's worth of days on the strip: banked ember, or glowing once it is in the book. */
export type Notch = { readonly date: string; readonly label: string; readonly dates: number; /** 0 to 1 */ readonly full: number; readonly inBook: boolean; readonly skipped: boolean; readonly spoken: string };

type Props = { readonly notches: readonly Notch[]; readonly hrefOf: (date: string) => string; readonly chosen: string | null; readonly today: string | null };

const TALL = 24;

/** The strip of days on the mantel: a notch a day, as tall as the day is full, and the way from day to day. */
export function DayStrip({ notches, hrefOf, chosen, today }: Props) {
  return (
    <nav aria-label="Days" className="flex h-11 min-w-0 flex-1 items-stretch">
      {notches.map((notch) => {
        const height = notch.skipped ? 1 : Math.max(2, Math.round(notch.full * TALL));
        const glow = notch.inBook ? "fill-flame" : notch.full >= 0.5 ? "fill-[#b0541f]" : "fill-[#765446]";
        const here = chosen === notch.date;
        return (
          <Link
            key={notch.date}
            to={hrefOf(notch.date)}
            prefetch="none"
            aria-label={notch.spoken}
            aria-current={here ? "date" : undefined}
            title={notch.spoken}
            className={`group block min-w-0 outline-offset-[-2px] ${notch.dates > 1 ? "grow-[2]" : "grow"} basis-0`}
          >
            <svg viewBox="0 0 20 44" preserveAspectRatio="none" className="h-full w-full" aria-hidden="true">
              <rect x="1" y="8" width="18" height="28" className="fill-transparent group-hover:fill-white/10" />
              <rect x="1" y={34 - height} width="18" height={height} className={glow} />
              <rect x="1" y="35" width="18" height={here ? 3.5 : 1.5} className={here ? "fill-on-soot" : today === notch.date ? "fill-flame" : "fill-on-soot-quiet/50"} />
            </svg>
          </Link>
        );
      })}
    </nav>
  );
}

import { Link } from "react-router";
/** The mark: a hearth's opening with one flame, after a clock face. */
export function Brand({ to }: { to: string }) {
  return (
    <Link to={to} className="flex items-center gap-2.5 text-on-soot" aria-label="Hearth Clock, the shelf">
      <svg viewBox="0 0 24 24" className="size-6" aria-hidden="true">
        <circle cx="12" cy="12" r="10.4" fill="none" className="stroke-on-soot" strokeWidth="1.6" />
        <path d="M12 5.2c2.2 2.8 3.6 4.8 3.6 7.3a3.6 3.6 0 0 1-7.2 0C8.4 10 9.8 8 12 5.2Z" className="fill-flame" />
        <path d="M12 1.6v2M12 20.4v2M1.6 12h2M20.4 12h2" className="stroke-on-soot" strokeWidth="1.4" />
      </svg>
      <span className="font-numeral text-[17px] leading-[1.05] font-semibold max-wide:sr-only">
        Hearth
        <br />
        Clock
      </span>
    </Link>
  );
}

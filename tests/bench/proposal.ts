import { inches } from "../../core/measure/length.ts";
import { size } from "../../core/measure/size.ts";
import { addDays, type CalendarDate } from "../../core/month/dates.ts";
import { nearDoubles } from "../../core/photo/doubles.ts";
import { NO_LOOK } from "../../core/photo/look.ts";
import { type Candidate, propose, type Wanted } from "../../core/photo/propose.ts";
import { chanceFrom } from "../../core/words/chance.ts";
import { median } from "./recompute.ts";

const PICTURES = 2000;
const FIRST = "2026-12-01" as CalendarDate;
const numbers = Array.from({ length: PICTURES }, (_, at) => at);

function timed(work: () => void): number {
  const all = [1, 2, 3, 4, 5, 6, 7].map(() => {
    const began = performance.now();
    work();
    return performance.now() - began;
  });
  return median(all.slice(2));
}

/** Near-doubles looked for among 2,000 pictures without a date, where every one is held against every other. */
export function measureAlike(): number {
  const { next } = chanceFrom(7);
  const pictures = numbers.map((at) => ({
    id: String(at),
    fingerprint: Array.from({ length: 160 }, () => Math.floor(next() * 15).toString(16)).join(""),
    sharpness: next(),
    capturedAt: null,
  }));
  return timed(() => nearDoubles(pictures));
}

/** A proposal for 100 prints that wait, from 2,000 pictures of the month, any of which may lie on any day. */
export function measurePropose(): number {
  const wanted = Array.from({ length: 100 }, (_, at): Wanted => {
    const page = at % 31;
    const print = at % 2 === 0 ? size(inches(3), inches(4)) : size(inches(6), inches(4));
    return { id: String(at), page, dates: [addDays(FIRST, page)], canTurn: false, print };
  });
  const photos = numbers.map(
    (at): Candidate => ({
      id: String(at),
      facts: { width: 4032, height: 3024, focus: { x: 5000, y: 5000 }, look: NO_LOOK, faces: [] },
      taken: addDays(FIRST, at % 31),
      banked: at % 5 === 0,
      star: at % 7 === 0,
      placed: false,
      group: at % 3 === 0 ? String(at % 60) : null,
      rank: at % 4,
    }),
  );
  return timed(() => propose(wanted, photos, { rule: "any", twice: false }));
}

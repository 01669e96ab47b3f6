import { millimetres } from "../measure/length.ts";
import { contains, grown } from "../measure/rect.ts";
import { clockwise, counterclockwise, outlined, without } from "./clip.ts";
import { boundsOf, isClockwise, type Polygon, twiceArea } from "./polygon.ts";

/** What reaches out of an outline by a sliver narrower than this lies within it. */
const SLIVER = millimetres(0.05);

/**
 * The closed lines of one drawing, those that cross each other made one, as in joined handwriting. A line that lies wholly
 * within another is a hole in it, one within that hole an island; a line that is drawn twice counts once.
 */
export function united(rings: readonly Polygon[]): Polygon[] {
  // One that crosses itself is the edge of all that it goes round.
  const single = rings
    .flatMap((ring) => outlined([ring]))
    .filter((ring, nth, all) => !all.slice(0, nth).some((before) => isWithin(ring, before) && isWithin(before, ring)));
  const depth = (ring: Polygon) => single.filter((other) => other !== ring && isWithin(ring, other)).length;
  // A hole takes one layer off what it lies in, and so nothing off what crosses that.
  return outlined(
    single.map((ring) => (depth(ring) % 2 === 0 ? clockwise(ring) : counterclockwise(ring))),
    true,
  );
}

/** Whether a closed line lies within another, all of it but slivers. */
function isWithin(ring: Polygon, other: Polygon): boolean {
  const area = boundsOf([ring]);
  if (!contains(grown(boundsOf([other]), SLIVER), area)) return false;
  const beyond = without([ring], [other]).reduce(
    (sum, each) => sum + (isClockwise(each) ? 1 : -1) * twiceArea(each),
    0,
  );
  return beyond <= 2 * SLIVER * (area.w + area.h);
}

/** As many strokes are drawn; of more the number tells. */
const MOST = 60;
const [HIGH, APART, GATE] = [22, 6, 34];

/** A number as it is kept with a pencil: four strokes, and the fifth across them. */
export function Strokes({ count }: { count: number }) {
  if (count === 0 || count > MOST) return null;
  const gates = Math.ceil(count / 5);
  return (
    <svg
      viewBox={`-3 0 ${gates * GATE} ${HIGH + 4}`}
      width={gates * GATE}
      className="h-auto max-w-full text-ember"
      aria-hidden="true"
    >
      {Array.from({ length: count }, (_, at) => {
        const [gate, nth] = [Math.floor(at / 5) * GATE, at % 5];
        const x = gate + 3 + nth * APART;
        const line = nth < 4 ? { x1: x, y1: 2, x2: x - 1, y2: HIGH } : { x1: gate, y1: HIGH - 5, x2: gate + 25, y2: 7 };
        // biome-ignore lint/suspicious/noArrayIndexKey: strokes are one like the other
        return <line key={at} {...line} stroke="currentColor" strokeWidth={2.2} strokeLinecap="round" />;
      })}
    </svg>
  );
}

type Props = {
  readonly title: string;
  readonly photoId: string | null;
  readonly cover: { readonly w: number; readonly h: number; readonly thick: number; readonly spine: number };
  /** 0 to 1 */
  readonly done: number;
  /** Shown in the cover's window until there is a picture. */
  readonly days: number;
};

/** Book cloth, picked by the title so that an album keeps its own. */
const CLOTHS = ["#343d43", "#2f4a5c", "#4a3b3f", "#3f5242"] as const;
const clothOf = (title: string) =>
  CLOTHS[[...title].reduce((sum, letter) => sum + (letter.codePointAt(0) ?? 0), 0) % CLOTHS.length];

/**
 * A closed album standing on the shelf, to scale with its neighbours: the spine as thick as its pages make it, the
 * cover with a window for a picture, and the ribbon as far down as the album is done.
 */
export function AlbumBook({ title, photoId, cover, done, days }: Props) {
  const { w, h, thick } = cover;
  const top = 262 - h;
  const window = { w: w * 0.62, h: w * 0.62 * 0.72 };
  const x = thick;
  const words = title.split(" ");
  return (
    <svg viewBox="0 0 330 270" className="block w-full" aria-hidden="true">
      <rect x="0" y="262" width="330" height="3" className="fill-edge" />
      <g transform={`translate(${(330 - w - thick) / 2} ${top})`}>
        <rect x="0" y="0" width={thick} height={h} fill={clothOf(title)} className="brightness-75" />
        {[0.14, 0.86].map((at) => (
          <rect key={at} x="0" y={h * at} width={thick} height="2.4" className="fill-[#9a6f1e]" />
        ))}
        <rect x={x} y="0" width={w} height={h} fill={clothOf(title)} />
        <line x1={x + 9} x2={x + 9} y1="0" y2={h} className="stroke-black/35" strokeWidth="1" />
        <g transform={`translate(${x + (w - window.w) / 2 + 4} ${h * 0.13})`}>
          <rect x="-3" y="-3" width={window.w + 6} height={window.h + 6} className="fill-paper" />
          {photoId ? (
            <image
              href={`/photos/${photoId}/480`}
              width={window.w}
              height={window.h}
              preserveAspectRatio="xMidYMid slice"
            />
          ) : (
            <text
              x={window.w / 2}
              y={window.h / 2}
              textAnchor="middle"
              dominantBaseline="central"
              className="fill-brass font-numeral font-semibold"
              fontSize={window.h * 0.6}
            >
              {days}
            </text>
          )}
        </g>
        <text
          x={x + w / 2 + 4}
          y={h * 0.13 + window.h + 24}
          textAnchor="middle"
          className="fill-[#eef1f0] font-numeral font-semibold"
          fontSize="15"
        >
          {words.slice(0, 3).join(" ")}
        </text>
        <rect x={x + w - 16} y="-4" width="6" height={Math.max(8, (h + 4) * done)} className="fill-flame" />
      </g>
    </svg>
  );
}

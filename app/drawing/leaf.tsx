import type { InsertView, LaidPiece, LeafView, PieceView } from "./leaf-view.ts";

/** One piece at its size, its own left upper corner at 0, 0. */
export function Piece({ piece, w, h }: { piece: PieceView; w: number; h: number }) {
  switch (piece.kind) {
    case "photo":
      return (
        <>
          <rect width={w} height={h} className="fill-paper" />
          <image
            href={`/photos/${piece.photoId}/${w > 60 ? 1600 : 480}`}
            width={w}
            height={h}
            preserveAspectRatio="xMidYMid slice"
          >
            <title>{piece.alt || "A photo without a description yet"}</title>
          </image>
        </>
      );
    case "card":
      return (
        <>
          <rect width={w} height={h} className="fill-paper stroke-line" strokeWidth={0.25} />
          {piece.text ? (
            <foreignObject x={w * 0.07} y={h * 0.07} width={w * 0.86} height={h * 0.86}>
              <p className="h-full overflow-hidden font-typed text-[4.1px] leading-[5.4px] whitespace-pre-wrap text-ink">
                {piece.text}
              </p>
            </foreignObject>
          ) : (
            <RuledLines w={w} h={h} />
          )}
        </>
      );
    case "numeral":
      return (
        <>
          <rect width={w} height={h} className="fill-film" />
          <text
            x={w / 2}
            y={h / 2}
            textAnchor="middle"
            dominantBaseline="central"
            className="fill-brass font-numeral font-semibold"
            fontSize={piece.label.length > 2 ? h * 0.26 : Math.min(w, h) * 0.56}
          >
            {piece.label}
          </text>
        </>
      );
  }
}

function RuledLines({ w, h }: { w: number; h: number }) {
  const lines = Math.max(1, Math.floor((h * 0.8) / 8));
  const d = Array.from(
    { length: lines },
    (_, at) => `M${(w * 0.1).toFixed(1)} ${(h * 0.14 + at * 8).toFixed(1)}h${(w * 0.8).toFixed(1)}`,
  ).join("");
  return <path d={d} fill="none" className="stroke-film" strokeWidth={0.5} />;
}

function Laid({ laid }: { laid: LaidPiece }) {
  const { piece, x, y, w, h, turned } = laid;
  if (!turned) {
    return (
      <g transform={`translate(${x} ${y})`}>
        <Piece piece={piece} w={w} h={h} />
      </g>
    );
  }
  return (
    <g transform={`translate(${x + w} ${y}) rotate(90)`}>
      <Piece piece={piece} w={h} h={w} />
    </g>
  );
}

/** To a tenth of a millimetre, the finest that is drawn. */
const tenths = (n: number) => Math.round(n * 10) / 10;

/** A punched hole as part of a path. */
const hole = (x: number, y: number, r: number) =>
  `M${(x - r).toFixed(1)} ${y.toFixed(1)}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`;

const PAPER = {
  full: "fill-paper",
  pocket: "fill-film",
  paper: "fill-[#efe9dd]",
  clear: "fill-white/25",
  vellum: "fill-white/60",
  none: "fill-white/10",
} as const;

/** A page at its size with everything laid on it; its left upper corner at 0, 0. */
export function Leaf({ leaf }: { leaf: LeafView }) {
  const { w, h, film } = leaf;
  return (
    <g>
      {film && (
        <g
          transform={`translate(${tenths(-film.margin - Math.max(0, (film.w - film.margin - w) / 2))} ${tenths((h - film.h) / 2)})`}
        >
          <rect width={film.w} height={film.h} rx={1.2} className="fill-white/10 stroke-white/35" strokeWidth={0.4} />
          <path
            d={[0.18, 0.5, 0.82].map((at) => hole(film.margin * 0.45, film.h * at, 2.6)).join("")}
            className="fill-mat stroke-white/35"
            strokeWidth={0.4}
          />
        </g>
      )}
      <rect x={0.8} y={1.2} width={w} height={h} className="fill-black/25" />
      <rect
        width={w}
        height={h}
        className={`${PAPER[leaf.kind ?? "none"]} ${leaf.kind ? "stroke-white/40" : "stroke-on-mat"}`}
        strokeWidth={0.4}
        strokeDasharray={leaf.kind ? undefined : "3 2"}
      />
      {leaf.pockets.map((pocket) => (
        <rect
          key={`${pocket.x} ${pocket.y}`}
          {...{ x: pocket.x, y: pocket.y, width: pocket.w, height: pocket.h }}
          className="fill-white/40 stroke-edge"
          strokeWidth={0.3}
        />
      ))}
      {leaf.laid.map((laid) => (
        <Laid key={laid.piece.id} laid={laid} />
      ))}
    </g>
  );
}

/** An insert at its size: a leaf, a tag with its hole, an envelope with its flap. */
export function InsertDrawing({ insert }: { insert: InsertView }) {
  const { w, h, kind } = insert;
  const corner = Math.min(w, h) * 0.2;
  const outline = kind === "tag" ? `M${corner} 0H${w - corner}L${w} ${corner}V${h}H0V${corner}Z` : `M0 0H${w}V${h}H0Z`;
  return (
    <g>
      <path d={outline} transform="translate(0.8 1.2)" className="fill-black/25" />
      <path d={outline} className={kind === "scrap" || kind === "packaging" ? "fill-[#d8c3a0]" : "fill-paper"} />
      {kind === "tag" && <circle cx={w / 2} cy={corner * 0.8} r={2.4} className="fill-mat" />}
      {kind === "envelope" && (
        <path d={`M0 0L${w / 2} ${h * 0.42}L${w} 0`} fill="none" className="stroke-edge" strokeWidth={0.5} />
      )}
      {kind !== "envelope" && (
        <g transform={`translate(0 ${kind === "tag" ? corner : 0})`}>
          <RuledLines w={w} h={h - corner} />
        </g>
      )}
    </g>
  );
}

/** Colours a drawing may use, by what they are for. Paper looks the same by day and by night, and in print. */
export const INKS = {
  none: "none",
  paper: "#fdfdfb",
  film: "#dfe7e8",
  base: "#efe9dd",
  ink: "#1c2023",
  pencil: "#5a6268",
  hair: "#9aa5a6",
  brass: "#9a6f1e",
  mat: "#d9cdb8",
  kraft: "#d8c3a0",
  /** What is seen through a punched hole: the mat. */
  hole: "#2b444c",
  ember: "#b03f17",
} as const;
export type Ink = keyof typeof INKS;

import type { SVGProps } from "react";

/**
 * The one way for what is drawn as text. `markup` comes from core/draw/svg.ts or app/drawing/mat-text.ts, which escape
 * every word: nothing else may be handed in here, and nowhere else is text taken as markup.
 */
export function Drawn({
  markup,
  as: Tag = "g",
  ...rest
}: SVGProps<SVGGElement> & SVGProps<SVGSVGElement> & { markup: string; as?: "g" | "svg" }) {
  // biome-ignore lint/security/noDangerouslySetInnerHtml: the one way itself
  return <Tag {...(rest as object)} dangerouslySetInnerHTML={{ __html: markup }} />;
}

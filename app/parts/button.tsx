import clsx from "clsx";
import type { ComponentProps } from "react";
import { KEEPERS, useIsKeeper } from "./role.tsx";

const LOOK = {
  main: "bg-text text-ground hover:bg-ember hover:text-on-ember",
  plain: "bg-raised text-text border border-edge hover:border-ember hover:text-ember",
  quiet: "text-text hover:text-ember underline decoration-edge underline-offset-3 hover:decoration-ember",
} as const;

/** The classes of a button, for links that act as one. */
export const buttonLook = (look: keyof typeof LOOK = "plain", small = false) =>
  clsx(
    "not-printed inline-flex items-center justify-center gap-2 rounded-sm font-medium transition-colors disabled:opacity-55",
    small ? "min-h-8 px-2.5 text-sm" : "min-h-10 px-4",
    LOOK[look],
  );

/** A button. `keepers`: what it does is a keeper's, and others see it without being able to press it. */
export function Button({
  look = "plain",
  small = false,
  keepers = false,
  className,
  type = "button",
  disabled,
  title,
  ...rest
}: ComponentProps<"button"> & { look?: keyof typeof LOOK; small?: boolean; keepers?: boolean }) {
  const mayPress = useIsKeeper() || !keepers;
  return (
    <button
      type={type}
      className={clsx(buttonLook(look, small), className)}
      disabled={disabled === true || !mayPress}
      title={mayPress ? title : KEEPERS}
      {...rest}
    />
  );
}

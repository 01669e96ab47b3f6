import type { ComponentProps } from "react";
import { Late } from "#app/parts/late.tsx";
import type { FindDialog } from "./find-dialog.tsx";
import type { MoreSheet } from "./more-sheet.tsx";

const findDialog = () => import("./find-dialog.tsx");
const moreSheet = () => import("./more-sheet.tsx");

/** What `/` opens, fetched when it is first asked for. */
export function LateFind(props: ComponentProps<typeof FindDialog>) {
  return (
    <Late load={findDialog} onClose={props.onClose}>
      {({ FindDialog: Dialog }) => <Dialog {...props} />}
    </Late>
  );
}

/** What lies behind More on a phone, fetched when it is first asked for. */
export function LateMore(props: ComponentProps<typeof MoreSheet>) {
  return (
    <Late load={moreSheet} onClose={props.onClose}>
      {({ MoreSheet: Sheet }) => <Sheet {...props} />}
    </Late>
  );
}

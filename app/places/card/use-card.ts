import { newId } from "#app/parts/new-id.ts";
import { pendingOf, withPendingPart } from "#app/sending/pending.ts";
import { useKeptWords, useOutbox } from "#app/sending/sending.tsx";
import type { DayEdit } from "#core/album/edit.ts";
import { type Card, EMPTY_DAY } from "#core/album/model.ts";
import type { Size } from "#core/measure/size.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import type { Preprint } from "#core/photo/preprint.ts";
import { type CardSetting, settingOf } from "#core/words/lettering.ts";

type Words = { readonly text: string; readonly change: ReturnType<typeof useKeptWords> };
export type CardDesk = {
  /** The card as it is with everything typed and chosen here, saved or not yet. */
  readonly card: Card;
  readonly setting: CardSetting;
  readonly front: Words;
  readonly back: Words;
  readonly set: (setting: CardSetting) => void;
  readonly putUnder: (preprint: Preprint | null) => void;
  readonly resize: (size: Size) => void;
  readonly keep: (hidden: string, privateUntil: CalendarDate | null) => void;
  readonly carry: (edit: Extract<DayEdit, { kind: "carry-over" }>) => void;
};

/** A card under the hand: what is shown is what was typed; everything saves itself. */
export function useCard(saved: Card, dayId: string, version: number): CardDesk {
  const { state, put } = useOutbox();
  const { id } = saved;
  const keyOf = (part: string) => `${dayId}:${part}:${id}`;
  const changeFront = useKeptWords(keyOf("card"), dayId, version, (text) => ({ kind: "card-text", id, text }));
  const changeBack = useKeptWords(keyOf("card-back"), dayId, version, (text) => ({ kind: "card-back", id, text }));
  const [card = saved] = withPendingPart(dayId, { ...EMPTY_DAY, cards: [saved] }, state).cards;
  const send = (part: string, edit: DayEdit, pause = false) =>
    put(keyOf(part), { what: "edit", dayId, base: null, edit }, pause);
  return {
    card,
    front: { text: card.text, change: changeFront },
    back: { text: card.back, change: changeBack },
    setting: settingOf(card),
    set: (setting) => send("card-setting", { kind: "card-setting", id, setting }, true),
    putUnder: (preprint) => send("card-preprint", { kind: "card-preprint", id, preprint }, true),
    resize: (size) => send("card-size", { kind: "card-size", id, size }),
    keep: (hidden, privateUntil) => send("card-secrecy", { kind: "card-secrecy", id, hidden, privateUntil }, true),
    // Words still waiting to be saved go first, so that they are not saved over what this makes of them.
    carry: (edit) => {
      const sent = pendingOf(state, keyOf("card"));
      if (sent) put(keyOf("card"), sent);
      send(`carry:${newId()}`, edit);
    },
  };
}

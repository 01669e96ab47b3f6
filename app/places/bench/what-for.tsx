import { SelectField } from "#app/parts/field.tsx";
import { inBookName } from "#app/places/arrange/in-book.ts";
import type { InBook } from "#core/book/dated-page.ts";
import type { Item, Room } from "./goes.ts";
import type { Kept } from "./kept.ts";
import type { OnPage } from "./there.ts";

type Props = {
  readonly page: InBook | undefined;
  readonly pages: readonly InBook[];
  /** Those of the same kind that there are already. */
  readonly alike: readonly OnPage[];
  /** Settings of that kind that the household keeps. */
  readonly kept: readonly Kept[];
  readonly items: readonly Item[];
  readonly rooms: readonly Room[];
  readonly itemId: string;
  readonly roomId: string;
  readonly onPage: (nth: number) => void;
  readonly onLike: (from: OnPage) => void;
  readonly onKept: (from: Kept) => void;
  readonly onItem: (id: string) => void;
  readonly onRoom: (id: string) => void;
};

const Options = ({ of }: { of: readonly { readonly id: string; readonly name: string }[] }) =>
  of.map(({ id, name }) => (
    <option key={id} value={id}>
      {name}
    </option>
  ));

/** What a construction is made for: the page, what goes in, where it goes, and one like it to begin from. */
export const WhatFor = ({ page, pages, alike, kept, items, rooms, itemId, roomId, ...on }: Props) => (
  <div className="grid gap-3">
    <SelectField
      label="For the page of"
      value={page ? pages.indexOf(page) : ""}
      onChange={({ target }) => on.onPage(Number(target.value))}
    >
      {pages.map((each, nth) => (
        <option key={each.days.map(({ id }) => id).join()} value={nth}>
          {inBookName(each)}
        </option>
      ))}
    </SelectField>
    {alike.length + kept.length > 0 && (
      <SelectField
        label="Begin from"
        value=""
        onChange={({ target }) => {
          const from = alike.find(({ id }) => id === target.value);
          const own = kept.find(({ id }) => id === target.value);
          if (from) on.onLike(from);
          if (own) on.onKept(own);
        }}
      >
        <option value="">As it is set below</option>
        <Options of={kept} />
        <Options of={alike} />
      </SelectField>
    )}
    <SelectField label="What goes in" value={itemId} onChange={({ target }) => on.onItem(target.value)}>
      <option value="">Nothing that is known yet</option>
      <Options of={items} />
    </SelectField>
    <SelectField label="Where it goes" value={roomId} onChange={({ target }) => on.onRoom(target.value)}>
      <option value="">On its own</option>
      <Options of={rooms} />
    </SelectField>
  </div>
);

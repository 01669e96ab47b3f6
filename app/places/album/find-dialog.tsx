import { Command } from "cmdk";
import { useEffect, useMemo, useState } from "react";
import { useFetcher, useNavigate } from "react-router";
import { to } from "#app/addresses.ts";
import type { PageRow } from "#app/drawing/page-row.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Modal, ModalClose } from "#app/parts/modal.tsx";
import type { FoundAnywhere } from "#app/places/words/view.ts";
import { HOUSEHOLD_PLACES, PLACES } from "#app/places.ts";
import { shortDate, shortWeekday } from "#app/wording/dates.ts";
import { findIn } from "#core/words/find.ts";

type Hit = { readonly key: string; readonly href: string; readonly name: string; readonly more: string };

/** Every part of every place, and what is set or done there. */
function placesFor(albumId: string, dayDate: string): Hit[] {
  type Part = { path: string; tab?: string; holds?: string };
  const own = PLACES.flatMap(({ id, name, parts }) =>
    (parts as readonly Part[]).flatMap(({ path, tab, holds = "" }): Hit[] => {
      if (id === "day") return [{ key: path, href: to.day(albumId, dayDate), name, more: holds }];
      if (path.includes(":")) return [];
      const said = tab && tab !== name ? `${name}: ${tab}` : name;
      return [{ key: path, href: to.part(albumId, path as never), name: said, more: holds }];
    }),
  );
  return [...own, ...HOUSEHOLD_PLACES.map(({ go, name, holds }) => ({ key: go, href: to[go](), name, more: holds }))];
}

const dayHit = (albumId: string, row: PageRow): Hit => ({
  key: row.date,
  href: to.day(albumId, row.date),
  name: `Day ${row.label || shortDate(row.date)}${row.title ? `, ${row.title}` : ""}`,
  more: `${shortWeekday(row.date)} ${shortDate(row.date)}`,
});

const WAIT = 180;
const FIRST_DAYS = 8;

/** Finds a place, a day, a setting, a card, any word and any picture from wherever one is. */
export function FindDialog({
  albumId,
  rows,
  dayDate,
  onClose,
}: {
  albumId: string;
  rows: readonly PageRow[];
  dayDate: string;
  onClose: () => void;
}) {
  const [text, setText] = useState("");
  const { data, load, state } = useFetcher<FoundAnywhere>();
  const navigate = useNavigate();
  const query = text.trim();
  useEffect(() => {
    if (query === "") return;
    const timer = window.setTimeout(() => void load(`${to.find(albumId)}?${new URLSearchParams({ q: query })}`), WAIT);
    return () => window.clearTimeout(timer);
  }, [query, load, albumId]);
  const places = useMemo(() => placesFor(albumId, dayDate), [albumId, dayDate]);
  const has = ({ name, more }: Hit) => findIn(`${name} ${more}`, query) !== null;
  const days = useMemo(() => rows.map((row) => dayHit(albumId, row)), [rows, albumId]);
  // A number alone is a day's number before it is part of anything.
  const numbered = days.filter((_, at) => query !== "" && rows[at]?.label === query);
  const found = {
    places: query === "" ? places : places.filter(has),
    days:
      query === ""
        ? []
        : [...numbered, ...days.filter((day) => !numbered.includes(day) && has(day))].slice(0, FIRST_DAYS),
  };
  const answered = data?.query === query ? data : null;
  const nothing =
    query !== "" &&
    found.places.length + found.days.length === 0 &&
    answered !== null &&
    answered.texts.length + answered.pictures.length === 0;
  const go = (href: string) => {
    onClose();
    void navigate(href);
  };
  return (
    <Modal
      label="Find"
      onClose={onClose}
      className="inset-x-0 top-0 grid max-h-[86dvh] grid-rows-[minmax(0,1fr)] border-b wide:inset-x-auto wide:top-16 wide:left-1/2 wide:w-[40rem] wide:-translate-x-1/2 wide:rounded-md wide:border"
    >
      <Command shouldFilter={false} label="Find" className="grid min-h-0 grid-rows-[auto_minmax(0,1fr)]">
        <div className="flex items-center gap-3 border-b border-line p-3">
          <Command.Input
            value={text}
            onValueChange={setText}
            placeholder="A place, a day, a word, a picture, a setting"
            className="field w-full text-lg"
            maxLength={100}
          />
          <ModalClose className="min-h-10 px-2 text-sm hover:text-ember">Close</ModalClose>
        </div>
        <Command.List className="min-h-0 overflow-y-auto p-2">
          <Group heading="Days" hits={found.days} onGo={go} />
          <Group heading="Places and settings" hits={found.places} onGo={go} />
          {answered && answered.texts.length > 0 && (
            <Command.Group heading="Words" className="find-group">
              {answered.texts.map(({ key, href, where, snippet }) => (
                <Command.Item key={key} value={`word ${key}`} onSelect={() => go(href)} className="find-hit">
                  <span className="min-w-0 flex-1">
                    {snippet.before}
                    <mark>{snippet.found}</mark>
                    {snippet.after}
                  </span>
                  <span className="text-sm text-quiet">{where}</span>
                </Command.Item>
              ))}
            </Command.Group>
          )}
          {answered && answered.pictures.length > 0 && (
            <Command.Group heading="Pictures" className="find-group">
              {answered.pictures.map(({ id, name, date }) => (
                <Command.Item
                  key={id}
                  value={`picture ${id}`}
                  onSelect={() => go(to.roll(albumId, { picture: id }))}
                  className="find-hit"
                >
                  <img src={pictureAddress(id, 96)} alt="" className="size-10 rounded-sm object-cover" />
                  <span className="min-w-0 flex-1 truncate">{name}</span>
                  <span className="text-sm text-quiet">{date ? shortDate(date) : "no date"}</span>
                </Command.Item>
              ))}
            </Command.Group>
          )}
          {nothing && <p className="p-3">“{query}” is nowhere here.</p>}
          {query !== "" && answered === null && (
            <p role="status" className="p-3 text-sm text-quiet">
              {state === "idle" && data !== undefined ? "" : "Looking through words and pictures"}
            </p>
          )}
        </Command.List>
      </Command>
    </Modal>
  );
}

function Group({ heading, hits, onGo }: { heading: string; hits: readonly Hit[]; onGo: (href: string) => void }) {
  if (hits.length === 0) return null;
  return (
    <Command.Group heading={heading} className="find-group">
      {hits.map(({ key, href, name, more }) => (
        <Command.Item key={key} value={`${heading} ${key}`} onSelect={() => onGo(href)} className="find-hit">
          <span className="min-w-0 flex-1">{name}</span>
          <span className="truncate text-sm text-quiet max-wide:hidden">{more}</span>
        </Command.Item>
      ))}
    </Command.Group>
  );
}

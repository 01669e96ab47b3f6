import { type ReactNode, useRef, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Button } from "#app/parts/button.tsx";
import { type CalendarDate, parseDate, printDate } from "#core/month/dates.ts";
import { isPlain, type Look, MOST_CHANGE, MOST_STRAIGHTEN, NO_LOOK } from "#core/photo/look.ts";
import type { RollMark } from "#core/photo/roll.ts";
import { type OnPlace, PlaceOn } from "./place-on.tsx";
import type { RollPicture, RollView } from "./view.ts";
import { WhoIsOnIt } from "./who-is-on-it.tsx";

type Props = {
  readonly albumId: string;
  readonly picture: RollPicture;
  readonly alike: readonly RollPicture[];
  readonly onMark: (ids: readonly string[], mark: RollMark) => void;
  readonly onChoose: (id: string) => void;
  readonly days: RollView["days"];
  readonly names: RollView["names"];
  readonly aim: CalendarDate | null;
  readonly onPlace: OnPlace;
  readonly onInstead: (() => void) | null;
};

/** The chosen picture at its largest, and everything that may be said of it. */
export function PicturePanel({
  albumId,
  picture,
  alike,
  days,
  names,
  aim,
  onMark,
  onChoose,
  onPlace,
  onInstead,
}: Props) {
  const mark = (each: RollMark) => onMark([picture.id], each);
  const { width, height } = picture.pixels;
  return (
    <section aria-label="The chosen picture" className="grid gap-4">
      <img
        src={pictureAddress(picture.id, 1600, picture.look)}
        alt={`${picture.name}, at its largest`}
        className="max-h-24 w-full bg-soot object-contain wide:max-h-[46vh]"
      />
      <div>
        <h2 className="text-xl">
          {picture.date ? printDate(picture.date) : "No date"}
          {picture.time && <span className="text-quiet">, {picture.time}</span>}
        </h2>
        <p className="text-sm text-quiet">
          {picture.name} · {width} × {height} pixels
          {picture.offset && ` · clock ${picture.offset} from Greenwich`}
          {picture.hasPlace && " · carries a place, which is never shared unless you ask"}
        </p>
        {picture.on.length > 0 && (
          <p className="text-sm">
            On{" "}
            {picture.on.map(({ at, name }, nth) => (
              <span key={name}>
                {nth > 0 && ", "}
                <Link className="link" to={to.entry(albumId, at)}>
                  {name}
                </Link>
              </span>
            ))}
          </p>
        )}
      </div>
      <PlaceOn pictures={[picture]} days={days} {...{ aim, onPlace, onInstead }} />
      <div className="flex flex-wrap gap-2">
        <Toggle on={picture.star} onTurn={(on) => mark({ kind: "star", on })} keys="s">
          Starred
        </Toggle>
        <Toggle on={picture.banked} onTurn={(on) => mark({ kind: "banked", on })} keys="b">
          Banked for a dark day
        </Toggle>
        <Toggle on={picture.setAside} onTurn={(on) => mark({ kind: "set-aside", on })} keys="a">
          Set aside
        </Toggle>
      </div>
      {picture.setAside && picture.on.length === 0 && (
        <div>
          <Button small keepers onClick={() => mark({ kind: "away" })}>
            Into the tray
          </Button>
          <p className="mt-1 text-sm text-quiet">It lies there for 30 days, then it is gone.</p>
        </div>
      )}
      {alike.length > 1 && (
        <div>
          <p className="mb-1 text-sm font-medium">{alike.length} alike, the sharpest first</p>
          <div className="flex gap-1.5 overflow-x-auto">
            {alike.map((each) => (
              <button
                key={each.id}
                type="button"
                onClick={() => onChoose(each.id)}
                aria-pressed={each.id === picture.id}
                aria-label={`${each.name}${each.alike?.rank === 0 ? ", the sharpest" : ""}`}
                className={`shrink-0 border-b-4 pb-1 ${each.id === picture.id ? "border-ember" : "border-transparent"}`}
              >
                <img src={pictureAddress(each.id, 480, each.look)} alt="" className="h-16 w-auto" />
              </button>
            ))}
          </div>
          <Button
            small
            className="mt-2"
            onClick={() =>
              onMark(
                alike.filter(({ alike: place }) => place?.rank !== 0).map(({ id }) => id),
                { kind: "set-aside", on: true },
              )
            }
          >
            Keep the sharpest, set the others aside
          </Button>
        </div>
      )}
      <WhoIsOnIt pictures={[picture]} names={names} onMark={onMark} />
      <LookForm key={picture.id} look={picture.look} onTake={(look) => mark({ kind: "look", look })} />
      <DateForm key={`${picture.id} ${picture.date}`} picture={picture} onMark={mark} />
    </section>
  );
}

function Toggle({
  on,
  onTurn,
  keys,
  children,
}: {
  on: boolean;
  onTurn: (on: boolean) => void;
  keys: string;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      aria-pressed={on}
      aria-keyshortcuts={keys}
      onClick={() => onTurn(!on)}
      className={`min-h-9 rounded-sm border px-3 text-sm font-medium ${on ? "border-text bg-text text-ground" : "border-edge bg-raised hover:border-ember hover:text-ember"}`}
    >
      {children}
    </button>
  );
}

const SETTLE = 350;

/** How a picture is to look. The slider moves at once; the picture changes when the hand rests. */
function LookForm({ look, onTake }: { look: Look; onTake: (look: Look) => void }) {
  const [draft, setDraft] = useState(look);
  const timer = useRef<number>(undefined);
  // A change on its way is made even when another picture is chosen meanwhile: it is bound to this one.
  const change = (next: Look) => {
    setDraft(next);
    window.clearTimeout(timer.current);
    timer.current = window.setTimeout(() => onTake(next), SETTLE);
  };
  const slider = (
    name: "straighten" | "light" | "contrast",
    label: string,
    most: number,
    say: (value: number) => string,
  ) => (
    <label className="grid grid-cols-[88px_minmax(0,1fr)_64px] items-center gap-3 text-sm">
      {label}
      <input
        type="range"
        min={-most}
        max={most}
        value={draft[name]}
        onChange={(event) => change({ ...draft, [name]: Number(event.target.value) })}
        className="accent-ember"
      />
      <span className="text-right tabular-nums">{say(draft[name])}</span>
    </label>
  );
  const signed = (value: number) => (value > 0 ? `+${value}` : value < 0 ? `−${-value}` : "0");
  return (
    <fieldset className="grid gap-2 border-t border-line pt-3">
      <legend className="sr-only">How it is to look</legend>
      <div className="flex items-center justify-between gap-3">
        <label className="flex min-h-8 items-center gap-2 text-sm font-medium">
          <input
            type="checkbox"
            checked={draft.blackAndWhite}
            onChange={(event) => change({ ...draft, blackAndWhite: event.target.checked })}
            className="size-4 accent-ember"
          />
          Black and white
        </label>
        {!isPlain(draft) && (
          <Button small look="quiet" onClick={() => change(NO_LOOK)}>
            As it was taken
          </Button>
        )}
      </div>
      {slider("straighten", "Straighten", MOST_STRAIGHTEN, (value) => `${signed(Math.round(value) / 10)}°`)}
      {slider("light", "Light", MOST_CHANGE, signed)}
      {slider("contrast", "Contrast", MOST_CHANGE, signed)}
      <p className="text-sm text-quiet">
        The file itself stays as it was taken. A white border is set where a print is cropped.
      </p>
    </fieldset>
  );
}

function DateForm({ picture, onMark }: { picture: RollPicture; onMark: (mark: RollMark) => void }) {
  const [text, setText] = useState<string>(picture.date ?? "");
  const date = parseDate(text);
  return (
    <form
      className="flex flex-wrap items-end gap-2 border-t border-line pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (date) onMark({ kind: "date", date });
      }}
    >
      <label className="grid gap-1 text-sm font-medium">
        Day it was taken
        <input type="date" value={text} onChange={(event) => setText(event.target.value)} className="field max-w-44" />
      </label>
      <Button type="submit" disabled={!date || date === picture.date}>
        Set the day
      </Button>
      {picture.given && (
        <Button look="quiet" onClick={() => onMark({ kind: "date", date: null })}>
          As the camera says
        </Button>
      )}
    </form>
  );
}

import { type FormEvent, useState } from "react";
import { Button } from "#app/parts/button.tsx";
import { LONGEST_NAME, type OnItMark } from "#core/photo/on-it.ts";
import type { RollPicture } from "./view.ts";

type Props = {
  readonly pictures: readonly RollPicture[];
  /** Everybody who may be on them. */
  readonly names: readonly string[];
  readonly onMark: (ids: readonly string[], mark: OnItMark) => void;
};

/** Who is on one picture, or on all of several: a press a name. */
export function WhoIsOnIt({ pictures, names, onMark }: Props) {
  const [other, setOther] = useState("");
  const ids = pictures.map(({ id }) => id);
  const press = (name: string) => onMark(ids, { kind: "person", name, on: on(pictures, name) !== true });
  const isNobody = pictures.every(({ people }) => people?.length === 0);
  const add = (event: FormEvent) => {
    event.preventDefault();
    const name = other.trim();
    if (name) onMark(ids, { kind: "person", name, on: true });
    setOther("");
  };
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1 font-medium">{pictures.length > 1 ? "Who is on all of them" : "Who is on it"}</legend>
      <div className="flex flex-wrap gap-1.5">
        {names.map((name) => (
          <Name key={name} pressed={on(pictures, name)} onPress={() => press(name)}>
            {name}
          </Name>
        ))}
        <Name pressed={isNobody} onPress={() => onMark(ids, { kind: "nobody", on: !isNobody })}>
          Nobody
        </Name>
      </div>
      <form className="flex items-end gap-2" onSubmit={add}>
        <label className="grid grow gap-0.5 text-sm">
          <span className="text-quiet">Somebody else</span>
          <input
            className="field w-full py-1"
            value={other}
            maxLength={LONGEST_NAME}
            onChange={({ target }) => setOther(target.value)}
          />
        </label>
        <Button type="submit" small disabled={other.trim() === ""}>
          Is on {pictures.length > 1 ? "them" : "it"}
        </Button>
      </form>
    </fieldset>
  );
}

/** Whether somebody is on all of the pictures, on none, or on some. */
function on(pictures: readonly RollPicture[], name: string): boolean | "mixed" {
  const with_ = pictures.filter(({ people }) => people?.includes(name)).length;
  return with_ === pictures.length ? true : with_ === 0 ? false : "mixed";
}

function Name({ pressed, onPress, children }: { pressed: boolean | "mixed"; onPress: () => void; children: string }) {
  const look =
    pressed === true
      ? "border-soot bg-soot text-paper dark:border-paper dark:bg-paper dark:text-soot"
      : pressed === "mixed"
        ? "border-soot border-dashed dark:border-paper"
        : "border-edge hover:border-ember";
  return (
    <button
      type="button"
      aria-pressed={pressed}
      onClick={onPress}
      className={`min-h-8 rounded-sm border px-3 text-sm ${look}`}
    >
      {children}
    </button>
  );
}

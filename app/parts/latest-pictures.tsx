import { useEffect } from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Tools } from "#app/parts/tools.tsx";

export type LatestPictures = { readonly pictures: readonly { readonly id: string; readonly name: string }[] };

type Props = {
  readonly albumId: string;
  /** What choosing one does: `Lay … under the words` is said of each with its name. */
  readonly said: (name: string) => string;
  readonly title: string;
  readonly onTake: (photoId: string) => void;
};

/** The pictures of the roll that came in last, to choose one of. */
export function LatestPicturesToTake({ albumId, said, title, onTake }: Props) {
  const { data, load } = useFetcher<LatestPictures>();
  useEffect(() => {
    void load(to.latestPictures(albumId));
  }, [load, albumId]);
  if (!data) return null;
  return (
    <div className="grid gap-1">
      <p className="text-sm text-quiet">
        {data.pictures.length > 0 ? "Came in last" : "There is no picture on the roll yet."}
      </p>
      <Tools name="Pictures that came in last" className="flex flex-wrap gap-1.5">
        {data.pictures.map(({ id, name }) => (
          <button
            key={id}
            type="button"
            aria-label={said(name)}
            title={title}
            onClick={() => onTake(id)}
            className="block border-2 border-transparent hover:border-ember"
          >
            <img src={pictureAddress(id, 480)} alt="" className="h-14 w-auto min-w-8" />
          </button>
        ))}
      </Tools>
    </div>
  );
}

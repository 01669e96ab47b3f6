import { BookPlus, FolderInput } from "lucide-react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { AlbumBook } from "#app/drawing/album-book.tsx";
import { buttonLook } from "#app/parts/button.tsx";
import type { Role } from "#core/share/role.ts";
import type { ShelfAlbum } from "./view.ts";

export function Shelf({ albums, role }: { albums: readonly ShelfAlbum[]; role: Role }) {
  return (
    <>
      <div className="mb-6 flex flex-wrap items-end justify-between gap-4">
        <div>
          <h1 className="text-3xl">The shelf</h1>
          {albums.length > 0 && (
            <p className="text-quiet">
              Albums to one scale. The spine is as thick as the pages make it, the ribbon as long as the album is done.
            </p>
          )}
        </div>
        {role === "keeper" && (
          <div className="flex flex-wrap gap-3">
            <Link to={to.readArchive()} className={buttonLook("plain")}>
              <FolderInput className="size-4" aria-hidden="true" /> Read an archive
            </Link>
            <Link to={to.newAlbum()} className={buttonLook("main")}>
              <BookPlus className="size-4" aria-hidden="true" /> New album
            </Link>
          </div>
        )}
      </div>
      {albums.length === 0 ? <EmptyShelf role={role} /> : <Albums albums={albums} role={role} />}
    </>
  );
}

function EmptyShelf({ role }: { role: Role }) {
  return (
    <div className="grid max-w-lg gap-3 border-l-4 border-line py-2 pl-5">
      <h2 className="text-xl">Nothing on the shelf yet</h2>
      <p>
        {role === "keeper"
          ? "Make an album for a month: pick its days, say what the number means, choose the book. Four clicks, and everything can be changed later."
          : "A keeper of the household makes the first album."}
      </p>
    </div>
  );
}

function Albums({ albums, role }: { albums: readonly ShelfAlbum[]; role: Role }) {
  return (
    <ul className="grid gap-x-6 gap-y-10 sm:grid-cols-2 wide:grid-cols-3">
      {albums.map((album) => (
        <li key={album.id}>
          {/* What whoever only looks is shown is a page of its own, drawn by the server. */}
          <Link
            to={role === "looker" ? to.shown(album.id) : to.month(album.id)}
            reloadDocument={role === "looker"}
            className="group block"
          >
            <AlbumBook
              days={album.wanted}
              title={album.title}
              photoId={album.photoId}
              cover={album.cover}
              done={album.wanted === 0 ? 0 : album.inBook / album.wanted}
            />
            <h2 className="mt-3 text-xl group-hover:text-ember">{album.title}</h2>
            <p>
              <strong className="font-semibold">{album.inBook}</strong> of {album.wanted} in the book
            </p>
            <p className="text-sm text-quiet">
              {album.dates}
              <br />
              {album.book}
              <br />
              {album.thickSaid} (typical papers)
            </p>
          </Link>
        </li>
      ))}
    </ul>
  );
}

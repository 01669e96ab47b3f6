import { type Handed, picturesOf } from "#app/sending/hand-in.ts";

const everyEntry = (reader: FileSystemDirectoryReader): Promise<FileSystemEntry[]> =>
  new Promise((resolve, reject) => {
    const all: FileSystemEntry[] = [];
    // A folder is read in portions until an empty one comes.
    const more = () =>
      reader.readEntries((some) => {
        if (some.length === 0) return resolve(all);
        all.push(...some);
        more();
      }, reject);
    more();
  });

async function filesIn(entry: FileSystemEntry): Promise<File[]> {
  if (entry.isFile)
    return [await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject))];
  const inside = await everyEntry((entry as FileSystemDirectoryEntry).createReader());
  return (await Promise.all(inside.map(filesIn))).flat();
}

/** Everything that was dropped, the pictures of folders among it. */
export async function droppedFiles(dropped: DataTransfer): Promise<Handed> {
  const entries = [...dropped.items].flatMap((item) => item.webkitGetAsEntry() ?? []);
  if (entries.length === 0) return { files: [...dropped.files], leftOut: 0 };
  const [single, folders] = [entries.filter(({ isFile }) => isFile), entries.filter(({ isFile }) => !isFile)];
  const inFolders = picturesOf((await Promise.all(folders.map(filesIn))).flat());
  const files = (await Promise.all(single.map(filesIn))).flat();
  return { ...inFolders, files: [...files, ...inFolders.files] };
}

/**
 * Lets so much be held in memory at once and no more: what does not fit beside the others waits its turn, first come first
 * served. Something larger than all the room goes alone.
 */
export function roomInMemory(most: number): <T>(bytes: number, work: () => Promise<T>) => Promise<T> {
  let held = 0;
  const waiting: { bytes: number; begin: () => void }[] = [];
  const admit = () => {
    for (let next = waiting[0]; next && (held === 0 || held + next.bytes <= most); next = waiting[0]) {
      waiting.shift();
      held += next.bytes;
      next.begin();
    }
  };
  return async (bytes, work) => {
    await new Promise<void>((begin) => {
      waiting.push({ bytes, begin });
      admit();
    });
    try {
      return await work();
    } finally {
      held -= bytes;
      admit();
    }
  };
}

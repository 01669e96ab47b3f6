/** The words at the door. */

/** How long somebody is asked to wait who tried too often. */
export function tooManyTries(seconds: number): string {
  const minutes = Math.ceil(seconds / 60);
  const said = seconds < 90 ? "a minute" : minutes < 90 ? `${minutes} minutes` : `${Math.ceil(minutes / 60)} hours`;
  return `Too many tries from here. Wait ${said}, then try again. A device that you signed in from before is not kept waiting for the tries of others.`;
}

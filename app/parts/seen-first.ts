/**
 * A page is read before it runs. Its scripts are many times larger than all of its pictures that are first seen, and a browser
 * would fetch them first: on a thin line the pictures came seconds later. So the page is sent with its scripts put off, and
 * they are begun as soon as it was drawn once. Hands that are faster than that lose nothing: see early-hands.ts.
 */

/** What stands for a script's type, and for how a link is used, as long as they are put off. */
export const PUT_OFF = "put-off";

/**
 * Begins them: all are fetched at once, and run one after the other with room between for a hand. Runs in the head of the page
 * as text, so it may use nothing from outside itself.
 */
export function runWhenSeen(putOff: string): void {
  const run = (nonce: string, from: { src: string } | { textContent: string | null }) =>
    new Promise<void>((done) => {
      const script = Object.assign(document.createElement("script"), { type: "module", nonce, ...from });
      // A file that did not come is said by early-hands.ts.
      script.onload = () => setTimeout(done);
      script.onerror = () => setTimeout(done);
      document.head.append(script);
      script.remove();
    });
  let begun = false;
  const begin = async () => {
    if (begun) return;
    begun = true;
    const links = [...document.querySelectorAll<HTMLLinkElement>(`link[rel="${putOff}"]`)];
    for (const link of links) link.rel = "modulepreload";
    for (const script of document.querySelectorAll<HTMLScriptElement>(`script[type="${putOff}"]`)) {
      // What a page needs is named after it; the first two are the table of pages and what begins all.
      for (const { href } of links.slice(2).reverse()) await run(script.nonce ?? "", { src: href });
      await run(script.nonce ?? "", { textContent: script.textContent });
    }
  };
  document.addEventListener("DOMContentLoaded", () => {
    requestAnimationFrame(() => setTimeout(begin));
    // A page that is not looked at is not drawn.
    setTimeout(begin, 1000);
  });
}

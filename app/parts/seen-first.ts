/**
 * A page is read before it runs. Its scripts are many times larger than all of its pictures that are first seen, and a browser
 * would fetch them first: on a thin line the pictures came seconds later. So the page is sent with its scripts put off, and
 * they are begun as soon as it was drawn once. Hands that are faster than that lose nothing: see early-hands.ts.
 */

/** What stands for a script's type, and for how a link is used, as long as they are put off. */
export const PUT_OFF = "put-off";

/** Begins them. Runs in the head of the page as text, so it may use nothing from outside itself. */
export function runWhenSeen(putOff: string): void {
  let begun = false;
  const begin = () => {
    if (begun) return;
    begun = true;
    for (const link of document.querySelectorAll<HTMLLinkElement>(`link[rel="${putOff}"]`)) link.rel = "modulepreload";
    for (const script of document.querySelectorAll<HTMLScriptElement>(`script[type="${putOff}"]`)) {
      const now = document.createElement("script");
      now.type = "module";
      now.nonce = script.nonce;
      now.textContent = script.textContent;
      document.head.append(now);
      now.remove();
    }
  };
  document.addEventListener("DOMContentLoaded", () => {
    requestAnimationFrame(() => setTimeout(begin));
    // A page that is not looked at is not drawn.
    setTimeout(begin, 1000);
  });
}

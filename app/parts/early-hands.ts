/**
 * For hands that are faster than the page. Whatever is pressed, typed, chosen or sent before the page's script runs is kept,
 * and done in the same order as soon as it runs. So no control has to wait for the script, and none has to know of this.
 *
 * The script runs once React has taken over the whole page. Until then these events are hidden from React: for an event that
 * comes early it would take over that part at once, and first put a list back to the choice the page was sent with.
 *
 * A script that fails, or is very late, must not keep a form for ever: then forms that need no script are sent as a browser
 * sends them, and a page whose script failed says so.
 */

/** One thing done early. A field's value is its text, or whether it was ticked: as the page was sent, and as it was left. */
type Early =
  | { readonly kind: "press"; readonly target: HTMLElement }
  | { readonly kind: "field"; readonly target: Field; readonly before: string; value: string | boolean }
  | { readonly kind: "send"; readonly target: HTMLFormElement; readonly by: HTMLElement | null };
type Field = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

/** Where a hand last was within a text. */
type Caret = { readonly field: HTMLInputElement | HTMLTextAreaElement; readonly from: number; readonly to: number };

declare global {
  interface Window {
    earlyHands?: { readonly kept: Early[]; readonly caret: () => Caret | null; readonly stop: () => void };
  }
}

/**
 * Begins to keep. Runs in the head of the page as text, before any script of ours has come, so it may use nothing from
 * outside itself.
 */
export function keepEarlyHands(): void {
  const kept: Early[] = [];
  const field = (target: EventTarget | null) =>
    target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement
      ? target
      : null;
  const onClick = (event: Event) => {
    const button = event.target instanceof Element ? event.target.closest("button") : null;
    if (!button || (button.form && button.type === "submit")) return;
    event.stopPropagation();
    kept.push({ kind: "press", target: button });
  };
  const onField = (event: Event) => {
    const target = field(event.target);
    if (!target) return;
    event.stopPropagation();
    const ticked = target instanceof HTMLInputElement && (target.type === "checkbox" || target.type === "radio");
    const value = ticked ? target.checked : target.value;
    const last = kept.at(-1);
    if (last?.kind === "field" && last.target === target) last.value = value;
    else kept.push({ kind: "field", target, before: "defaultValue" in target ? target.defaultValue : "", value });
  };
  // React, taking over a text that somebody stands in, puts them at its beginning: the next words would come before the rest.
  let caret: Caret | null = null;
  const onCaret = ({ target }: Event) => {
    if (!(target instanceof HTMLTextAreaElement || target instanceof HTMLInputElement)) return;
    const { selectionStart: from, selectionEnd: to } = target;
    caret = from === null || to === null ? null : { field: target, from, to };
  };
  // Forms without a method of their own do nothing but by script.
  const isPlain = (form: EventTarget | null) => form instanceof HTMLFormElement && form.method === "post";
  let lettingGo = false;
  const onSubmit = (event: SubmitEvent) => {
    if (lettingGo && isPlain(event.target)) return;
    event.preventDefault();
    event.stopPropagation();
    if (event.target instanceof HTMLFormElement) kept.push({ kind: "send", target: event.target, by: event.submitter });
  };
  const all = [
    ["click", onClick],
    ["input", onField],
    ["change", onField],
    ["submit", onSubmit],
    ...(["keyup", "pointerup", "focusin", "input", "select"] as const).map((name) => [name, onCaret] as const),
  ] as const;
  for (const [name, listener] of all) window.addEventListener(name, listener as EventListener, true);
  const letGo = () => {
    if (lettingGo) return;
    lettingGo = true;
    const sent = kept.findLast((early) => early.kind === "send" && isPlain(early.target));
    if (sent?.kind === "send") sent.target.requestSubmit(sent.by);
  };
  const onError = ({ target }: Event) => {
    const script =
      target instanceof HTMLScriptElement || (target instanceof HTMLLinkElement && target.rel === "modulepreload");
    if (!script || document.getElementById("did-not-load")) return;
    const note = document.createElement("p");
    note.id = "did-not-load";
    note.role = "alert";
    const again = document.createElement("a");
    again.href = "";
    again.textContent = "Load the page again";
    note.append(
      "Part of this page did not load, so some buttons do nothing. What is saved is safe. Copy what you typed here, then: ",
      again,
    );
    (document.body ?? document.documentElement).append(note);
    letGo();
  };
  window.addEventListener("error", onError, true);
  const late = window.setTimeout(letGo, 6000);
  const stop = () => {
    window.clearTimeout(late);
    window.removeEventListener("error", onError, true);
    document.getElementById("did-not-load")?.remove();
    for (const [name, listener] of all) window.removeEventListener(name, listener as EventListener, true);
  };
  window.earlyHands = { kept, caret: () => caret, stop };
}

/** Ends the keeping and does what was kept, each as if it were done now. No hand can come between two of them. */
export async function doWhatWasKept(): Promise<void> {
  window.earlyHands?.stop();
  const caret = window.earlyHands?.caret() ?? null;
  const kept = window.earlyHands?.kept.splice(0) ?? [];
  for (const early of kept) {
    if (early.target.isConnected) redo(early);
    // React draws what one changed before the next is done.
    await Promise.resolve();
    await Promise.resolve();
  }
  if (caret && document.activeElement === caret.field) caret.field.setSelectionRange(caret.from, caret.to);
}

function redo(early: Early): void {
  if (early.kind === "press") early.target.click();
  else if (early.kind === "send") early.target.requestSubmit(early.by?.isConnected ? early.by : null);
  else if (typeof early.value === "boolean") tick(early.target as HTMLInputElement, early.value);
  else fill(early.target, early.before, early.value);
}

function tick(box: HTMLInputElement, on: boolean): void {
  box.checked = !on;
  box.click();
}

function fill(field: Field, before: string, value: string): void {
  if (field instanceof HTMLSelectElement || field.type === "file") {
    // The files of a file field stay in it, and no script may set them.
    if (field.type !== "file") field.value = value;
    field.dispatchEvent(new Event("change", { bubbles: true }));
    return;
  }
  // React may have put back what the page was sent with. Whatever else stands there is at least as new as what was kept.
  const typed = field.value === before ? value : field.value;
  const caret = field.selectionStart;
  // React hears of a text only when it differs from what it last saw in the field: the plain setter goes past its notes.
  field.value = before;
  const type = field instanceof HTMLInputElement ? HTMLInputElement : HTMLTextAreaElement;
  Object.getOwnPropertyDescriptor(type.prototype, "value")?.set?.call(field, typed);
  if (caret !== null) field.setSelectionRange(caret, caret);
  field.dispatchEvent(new Event("input", { bubbles: true }));
}

/** What the page to leaf in looks like. Without its script, or printed, every opening stands under the one before. */
export const STYLE = `
*{box-sizing:border-box}
body{margin:0;background:#1c2023;color:#eef1f0;font:1rem/1.5 "Hanken Grotesk",system-ui,sans-serif}
header{padding:.6rem 1.2rem;display:flex;gap:1rem;align-items:baseline}
h1{margin:0;font:600 1.15rem/1.3 "Besley",Georgia,serif}
svg text{font-kerning:normal;text-rendering:geometricPrecision;font-variant-ligatures:none}
.filters{position:absolute}
.opening{margin-bottom:2rem}
.book{background:#274048;padding:1rem;display:flex;justify-content:center}
.book>svg{display:block;overflow:visible;width:100%;max-height:72vh}
.line{margin:.7rem 1rem;text-align:center;font:1.25rem/1.4 Alegreya,Georgia,serif;min-height:1.75rem}
.things{margin:0 1.2rem .5rem;display:flex;flex-wrap:wrap;gap:.5rem}
details{margin:0 1.2rem;font-size:.9rem}
summary{cursor:pointer;min-height:1.6rem;width:fit-content}
.words{display:grid;gap:1rem;grid-template-columns:repeat(auto-fit,minmax(16rem,1fr))}
.words p{margin:0;font-weight:700}.words ul{margin:0;padding-left:1.1rem}
label{display:flex;gap:.5rem;align-items:center;min-width:0}#list{max-width:26rem;min-width:0;flex:1}
nav label{max-width:100%}
nav{position:sticky;bottom:0;background:#0d1012;padding:.6rem 1.2rem;display:flex;flex-wrap:wrap;gap:.6rem 1rem;align-items:center}
button,select{font:inherit;color:inherit;background:#283034;border:1px solid #7c878c;border-radius:3px;min-height:2.25rem;padding:.2rem .9rem;max-width:100%}
button{cursor:pointer}button:hover:enabled{border-color:#f0762f}button:disabled{opacity:.45;cursor:default}
button[aria-pressed=true]{border-color:#f0762f}
#on{background:#f0762f;border-color:#f0762f;color:#14181a;font-weight:700}
:focus-visible{outline:2px solid #f0762f;outline-offset:2px}
.state{display:none}.state.up{display:inline}
.thing{fill:transparent;cursor:pointer}.thing:hover{stroke:#f0762f;stroke-width:.8}
nav,.things{display:none}
.leafs nav,.leafs .things{display:flex}
.leafs .opening{display:none;margin:0}.leafs .opening.up{display:block}
.said{position:absolute;width:1px;height:1px;overflow:hidden;clip-path:inset(50%)}
@media print{body,.book,nav{background:#fff;color:#000}nav,.things,details,header p{display:none!important}.leafs .opening{display:block;break-after:page}}
`;

/** What opens what opens and tells a finger that turns; of every page with openings in it. */
const THINGS = `
const show = (thing, nth) => {
  const opening = thing.closest(".opening");
  const name = thing.dataset.thing;
  const states = [...opening.querySelectorAll('.state[data-thing="' + name + '"]')];
  const now = nth < states.length ? nth : -1;
  states.forEach((state, each) => state.classList.toggle("up", each === now));
  const button = opening.querySelector('button[data-thing="' + name + '"]');
  button.setAttribute("aria-pressed", String(now >= 0));
  button.dataset.up = String(now);
  button.textContent = now >= 0 ? button.dataset.name + ": on" : "Open " + button.dataset.name.toLowerCase();
  said.textContent = now >= 0 ? states[now].dataset.state : button.dataset.name + ", closed";
};
const press = (thing) => {
  const button = thing.closest(".opening").querySelector('button[data-thing="' + thing.dataset.thing + '"]');
  show(button, Number(button.dataset.up) + 1);
};
const openAll = (opening) => {
  const all = [...opening.querySelectorAll("button[data-thing]")];
  const closed = all.some((button) => Number(button.dataset.up) < 0);
  all.forEach((button) => show(button, closed ? Math.max(0, Number(button.dataset.up)) : Infinity));
};
document.querySelectorAll("[data-thing]:not(.state)").forEach((thing) => {
  thing.addEventListener("click", () => press(thing));
});
const swiped = (turn) => {
  let from = null;
  addEventListener("pointerdown", (event) => {
    from = event.target.closest(".book") ? { x: event.clientX, y: event.clientY } : null;
  });
  addEventListener("pointerup", (event) => {
    if (!from) return;
    const [x, y] = [event.clientX - from.x, event.clientY - from.y];
    from = null;
    if (Math.abs(x) >= 50 && Math.abs(x) > Math.abs(y)) turn(x < 0 ? 1 : -1);
  });
};
`;

/** What turns its pages and opens what opens. It asks for nothing and keeps nothing; the address says which opening is up. */
export const SCRIPT = `
"use strict";
const openings = [...document.querySelectorAll(".opening")];
const [back, on, list, said] = ["back", "on", "list", "said"].map((id) => document.getElementById(id));
let at = 0;
${THINGS}
const go = (to, quiet) => {
  at = Math.max(0, Math.min(openings.length - 1, to));
  openings.forEach((opening, each) => opening.classList.toggle("up", each === at));
  openings[at].querySelectorAll("button[data-thing]").forEach((button) => show(button, Infinity));
  back.disabled = at === 0;
  on.disabled = at === openings.length - 1;
  list.value = String(at);
  said.textContent = quiet ? "" : openings[at].getAttribute("aria-label");
  history.replaceState(null, "", "#" + (at + 1));
};
const fromAddress = () => go((Number(location.hash.slice(1)) || 1) - 1, true);
document.documentElement.classList.add("leafs");
back.onclick = () => go(at - 1);
on.onclick = () => go(at + 1);
list.onchange = () => go(Number(list.value));
addEventListener("hashchange", fromAddress);
addEventListener("keydown", (event) => {
  if (event.ctrlKey || event.metaKey || event.altKey) return;
  const isPage = event.key === "PageDown" || event.key === "PageUp";
  if (!isPage && ["SELECT", "SUMMARY"].includes(event.target.tagName)) return;
  if (event.key === "o") openAll(openings[at]);
  else {
    const to = { ArrowRight: at + 1, PageDown: at + 1, ArrowLeft: at - 1, PageUp: at - 1, Home: 0, End: openings.length }[event.key];
    if (to === undefined) return;
    go(to);
  }
  event.preventDefault();
});
swiped((by) => go(at + by));
fromAddress();
`;

/** What a page of one opening looks like besides, as a link shows it: its ways on are links, with the script or without. */
export const SHARED_STYLE = `${STYLE}
.one nav{display:flex}.one .opening{margin:0}.home{color:#c5ccd0}.home:hover{color:#f0762f}
.way{color:inherit;background:#283034;border:1px solid #7c878c;border-radius:3px;min-height:2.25rem;padding:.35rem .9rem;text-decoration:none}
a.way:hover{border-color:#f0762f}.way.off{opacity:.45}
a#on{background:#f0762f;border-color:#f0762f;color:#14181a;font-weight:700}
.all{margin:0}.all[open]{flex-basis:100%}.all ol{margin:.4rem 0 0;padding:0;max-height:45vh;overflow-y:auto;list-style:none}
.all a{display:block;padding:.3rem .9rem;color:inherit;text-decoration:none}.all a:hover,.all a[aria-current]{color:#f0762f}
.notice{padding:2rem 1.2rem;max-width:36rem}.notice h1{font-size:1.6rem;margin-bottom:.6rem}
`;

/** What opens what opens on such a page, and leads on by keys and by finger. */
export const SHARED_SCRIPT = `
"use strict";
const said = document.getElementById("said");
const opening = document.querySelector(".opening");
${THINGS}
document.documentElement.classList.add("leafs");
opening.classList.add("up");
const lead = (id) => {
  const way = document.getElementById(id);
  if (way.href) location.assign(way.href);
};
addEventListener("keydown", (event) => {
  if (event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.key === "o") return openAll(opening);
  const way = { ArrowRight: "on", PageDown: "on", ArrowLeft: "back", PageUp: "back" }[event.key];
  if (!way) return;
  event.preventDefault();
  lead(way);
});
swiped((by) => lead(by > 0 ? "on" : "back"));
`;

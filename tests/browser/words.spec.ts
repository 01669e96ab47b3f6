import { readFileSync } from "node:fs";
import { startServer } from "../../scripts/running-server.ts";
import { pdfWords } from "../pdf-words.ts";
import { expect, type Page, test } from "./browser-test.ts";
import { addCard, base, newDecember, newKeeper, openFind, PASSPHRASE, PHONE, photo, saved, signIn } from "./keeper.ts";

const field = (page: Page) => page.getByLabel("Jot it down");
const jotted = (page: Page) =>
  page
    .getByRole("region", { name: "Jotted on this day" })
    .getByRole("list", { name: "Jottings" })
    .getByRole("listitem");

test("on a phone, three lines and a photo are jotted in three acts, and are on their day", async ({ openWindow }) => {
  const page = await openWindow(PHONE);
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${base()}/today`);
  await field(page).fill("Twenty-six windows.\nThe one over the loft is new.\nSomebody has come home.");
  await page
    .locator("input[type=file]")
    .setInputFiles({ name: "windows.jpg", mimeType: "image/jpeg", buffer: await photo("2026-12-01") });
  await expect(page.getByRole("img", { name: "windows.jpg" })).toBeVisible();
  await page.getByRole("button", { name: "Keep" }).click();
  // Twenty seconds from an empty field to being at home, with a server that reads the picture on the way.
  await expect(page.getByText("Kept, and at home.")).toBeVisible({ timeout: 20_000 });
  await expect(jotted(page)).toHaveCount(1);
  await expect(page.getByRole("list", { name: "Pictures of this day" }).getByRole("img")).toHaveCount(1);
  await expect(field(page)).toHaveValue("");
  // A second one is thought better of: taken back where the thumb is, and said so.
  await field(page).fill("Or twenty-five.");
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(jotted(page)).toHaveCount(2);
  await page.getByRole("button", { name: "More" }).click();
  await page.getByRole("button", { name: "Take back the last change" }).click();
  await expect(page.getByText(/^Taken back: /)).toBeVisible();
  await expect(page.getByText("Kept, and at home.")).toBeHidden();
  await expect(jotted(page)).toHaveCount(1);
  await page.getByRole("navigation", { name: "Places" }).getByRole("link", { name: "Day", exact: true }).click();
  await expect(page.getByRole("list", { name: "Jotted on the day" })).toContainText("The one over the loft is new.");
  await expect(page.getByLabel("Description of photo 1")).toBeVisible();
  expect(album).toContain("/albums/");
});

test("today says what is still to do, leads to the other albums, has the camera first where it was asked, and is come back to", async ({
  openWindow,
}) => {
  const page = await openWindow(PHONE);
  const mail = await newKeeper(page);
  const album = await newDecember(page);
  await newDecember(page);
  await page.goto(`${base()}/today?album=${album.split("/").pop()}`);
  const others = page.getByRole("navigation", { name: "Other albums" }).getByRole("link");
  await expect(others).toHaveCount(1);
  await others.click();
  await expect(page).not.toHaveURL(new RegExp(album.split("/").pop() ?? ""));
  await expect(others).toHaveAttribute("href", new RegExp(album.split("/").pop() ?? ""));
  await page.getByLabel("The camera first, on this device").check();
  await page.reload();
  await expect(page.getByLabel("The camera first, on this device")).toBeChecked();
  const [camera, words] = await Promise.all([
    page.getByText("Take a picture").boundingBox(),
    field(page).boundingBox(),
  ]);
  expect(camera?.y ?? Number.NaN).toBeLessThan(words?.y ?? Number.NaN);
  // A picture alone, of a day without a page: it is chosen, and waits to be printed.
  await page
    .locator("input[type=file]")
    .setInputFiles({ name: "windows.jpg", mimeType: "image/jpeg", buffer: await photo("2026-12-01") });
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(page.getByText("Kept, and at home.")).toBeVisible({ timeout: 20_000 });
  await expect(
    page.getByRole("link", { name: /^Still to do: print, then \d steps\. About \d+ minutes\.$/ }),
  ).toBeVisible();
  // Whoever is not signed in goes through the door, and is back here.
  await page.context().clearCookies();
  await page.goto(`${base()}/today`);
  await page.getByLabel("Mail address").fill(mail);
  await page.getByLabel("Passphrase").fill(PASSPHRASE);
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.waitForURL(/\/today/);
  await expect(field(page)).toBeVisible();
});

test("without a connection today opens, keeps what is jotted, and sends it once when the connection is back", async ({
  openWindow,
}) => {
  test.setTimeout(90_000);
  let server = await startServer(process.env.BROWSER_DATABASE_URL ?? "");
  const { port } = new URL(server.base);
  const page = await openWindow(PHONE);
  await newKeeper(page);
  await newDecember(page, server.base);
  await page.goto(`${server.base}/today`);
  await field(page).fill("Before the line went.");
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(page.getByText("Kept, and at home.")).toBeVisible();
  // The page and its files are on the phone once its worker has them.
  await expect
    .poll(() =>
      page.evaluate(async () => {
        const files = await (await caches.open("hearth-today-files")).keys();
        const kept = await (await caches.open("hearth-today-page")).keys();
        return kept.length > 0 && files.length > 5;
      }),
    )
    .toBe(true);
  // What was kept at home is on the page that is kept, too.
  await expect
    .poll(() =>
      page.evaluate(async () => (await (await caches.match("/today"))?.text())?.includes("Before the line went.")),
    )
    .toBe(true);
  await server.stop();

  await field(page).fill("While it was gone.");
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(page.getByText("1 jotting is kept on this device", { exact: false })).toBeVisible();
  await field(page).fill("Half a sentence");
  await page.reload();
  await expect(field(page)).toHaveValue("Half a sentence");
  await expect(page.getByText("On this phone, not home yet.", { exact: false })).toBeVisible();
  await expect(page.getByText("While it was gone.")).toBeVisible();
  await expect(page.getByText("Before the line went.")).toBeVisible();

  server = await startServer(process.env.BROWSER_DATABASE_URL ?? "", Number(port));
  await expect(page.getByText("not home yet", { exact: false })).toHaveCount(0, { timeout: 20_000 });
  await page.reload();
  await expect(jotted(page)).toHaveCount(2);
  await server.stop();
});

test("whoever signs out takes the kept page of today along, and the door lets go of one that stayed", async ({
  openWindow,
}) => {
  const page = await openWindow(PHONE);
  const mail = await newKeeper(page);
  await newDecember(page);
  const kept = () => page.evaluate(async () => Boolean(await (await caches.open("hearth-today-page")).match("/today")));
  await page.goto(`${base()}/today`);
  await expect.poll(kept).toBe(true);
  await page.goto(`${base()}/shelf`);
  await page.getByRole("button", { name: "Sign out" }).click();
  await expect(page.getByRole("button", { name: "Sign in" })).toBeVisible();
  expect(await kept()).toBe(false);
  // A session that ended by itself leaves the page; the next visit that meets the door does not.
  await signIn(page, mail);
  await page.goto(`${base()}/today`);
  await expect.poll(kept).toBe(true);
  await page.context().clearCookies();
  await page.goto(`${base()}/today`);
  await expect(page.getByRole("button", { name: "Sign in" })).toBeVisible();
  expect(await kept()).toBe(false);
});

test("a jotting whose answer was lost is sent again and is there once", async ({ openWindow }) => {
  const page = await openWindow({ ...PHONE, serviceWorkers: "block" });
  await newKeeper(page);
  await newDecember(page);
  await page.goto(`${base()}/today`);
  let lost = 0;
  await page.route("**/sent", async (route) => {
    if (lost++ > 0) return route.continue();
    // The server takes it; the phone never hears so.
    await route.fetch();
    return route.abort("connectionreset");
  });
  await field(page).fill("Said once.");
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(page.getByText("Kept, and at home.")).toBeVisible({ timeout: 20_000 });
  expect(lost).toBeGreaterThan(1);
  await page.reload();
  await expect(jotted(page)).toHaveCount(1);
});

test("a jotting that home refuses comes back into the field; a phone that is full says so; Keep pressed twice keeps once", async ({
  openWindow,
}) => {
  const page = await openWindow({ ...PHONE, serviceWorkers: "block" });
  await newKeeper(page);
  await newDecember(page);
  await page.goto(`${base()}/today`);
  const keep = page.getByRole("button", { name: "Keep" });
  // The day is gone from the album, as far as this answer says.
  await page.route("**/sent", (route) => route.fulfill({ json: { ok: false, reason: "not-found" } }), { times: 2 });
  await field(page).fill("For a day that is gone.");
  await page
    .locator("input[type=file]")
    .setInputFiles({ name: "gate.jpg", mimeType: "image/jpeg", buffer: await photo("2026-12-01") });
  await keep.click();
  const refused = page.getByText(/is not in this album any more. It stays on this phone: “For a day/);
  await expect(refused).toBeVisible();
  const again = page.waitForResponse("**/sent");
  await page.getByRole("button", { name: "Try again" }).click();
  await again;
  await expect(refused).toBeVisible();
  await page.reload();
  await expect(refused).toBeVisible();
  await field(page).fill("And this.");
  await page.getByRole("button", { name: "Back into the field" }).click();
  await expect(field(page)).toHaveValue("For a day that is gone.\nAnd this.");
  await expect(page.getByRole("img", { name: "gate.jpg" })).toBeVisible();
  await expect(refused).toHaveCount(0);

  // A full phone: it goes all the same, and until it has gone the page says that it is kept nowhere else.
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException("no room", "QuotaExceededError");
    };
  });
  const home = new Promise<void>(
    (resolve) =>
      void page.route("**/photos", async (route) => {
        await expect(page.getByText(/This device would not write down what you did/)).toBeVisible();
        resolve();
        await route.continue();
      }),
  );
  await keep.dblclick();
  await home;
  await expect(page.getByText("Kept, and at home.")).toBeVisible();
  await expect(page.getByText(/This device would not write down/)).toHaveCount(0);
  await page.reload();
  await expect(jotted(page)).toHaveCount(1);
});

test("what an earlier program kept of jottings is sent, with its pictures, and is let go of", async ({
  openWindow,
}) => {
  const page = await openWindow({ ...PHONE, serviceWorkers: "block" });
  await newKeeper(page);
  const album = await newDecember(page);
  // Whose database it would be is known once something waits.
  await page.goto(`${base()}/today`);
  await page.route("**/sent", (route) => route.abort());
  await field(page).fill("Of now.");
  await page.getByRole("button", { name: "Keep" }).click();
  const picture = [...(await photo("2026-12-01"))];
  await page.evaluate(
    async ({ albumId, bytes }) => {
      const slot = Object.keys(localStorage).find((key) => key.startsWith("hearth:sending:")) ?? "";
      const waiting = JSON.parse(localStorage.getItem(slot) ?? "{}").entries[0].sent;
      const opening = indexedDB.open(`hearth-jots-${slot.split(":")[2]}`);
      opening.onupgradeneeded = () => opening.result.createObjectStore("jots");
      await new Promise((resolve) => {
        opening.onsuccess = resolve;
      });
      const jot = {
        ...{ id: crypto.randomUUID(), albumId, dayId: waiting.dayId, day: waiting.day, order: 1, refused: null },
        ...{ at: "2026-12-01T07:10", text: "Of an earlier program." },
        pictures: [
          { useId: crypto.randomUUID(), name: "gate.jpg", type: "image/jpeg", bytes: new Uint8Array(bytes).buffer },
        ],
      };
      const written = opening.result.transaction("jots", "readwrite").objectStore("jots").put(jot, jot.id);
      await new Promise((resolve) => {
        written.onsuccess = resolve;
      });
      opening.result.close();
    },
    { albumId: album.split("/").at(-1) ?? "", bytes: picture },
  );
  await page.unroute("**/sent");
  await page.reload();
  await expect(page.getByText("not home yet", { exact: false })).toHaveCount(0, { timeout: 20_000 });
  await expect(jotted(page)).toHaveCount(2);
  await page.reload();
  await expect(jotted(page).filter({ hasText: "Of an earlier program." })).toHaveCount(1);
  await expect(jotted(page)).toHaveCount(2);
});

test("a month is dealt: shuffled, held, put on its days, swapped, let go and taken back", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/prompts`);
  await expect(page.getByText("31 days dealt from 31 slips")).toBeVisible();
  const first = page.getByRole("listitem").filter({ hasText: "Tue" }).first().getByRole("paragraph").first();
  const before = await first.textContent();
  await page.getByRole("button", { name: "Hold day 1", exact: true }).click();
  await page.getByRole("button", { name: "Shuffle" }).click();
  await expect(page.getByText("Deal 2.", { exact: false })).toBeVisible();
  await expect(first).toHaveText(before ?? "");
  await page.getByRole("button", { name: "Put these 31 on their days" }).click();
  await expect(page.getByText("31 slips are on their days.")).toBeVisible();
  await expect(page.getByText("Every day has its slip")).toBeVisible();

  await page.getByRole("checkbox", { name: "People 31" }).check();
  await page.getByRole("button", { name: "Swap day 3", exact: true }).click();
  await page.getByRole("button", { name: "Put it on its day" }).click();
  await expect(page.getByText("One slip is on its day.")).toBeVisible();
  await page.getByRole("button", { name: "Let go of day 5’s slip" }).click();
  await expect(page.getByText("Does without")).toHaveCount(1);
  await saved(page);
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByText("Does without")).toHaveCount(0);

  // An own deck: what is wrong with it is told line by line, and what it cannot do is told before it is dealt.
  await page.getByRole("button", { name: "Add a deck of your own" }).click();
  await page.getByLabel("Its name").fill("Harbour");
  await page
    .getByLabel(/A slip a line/)
    .fill("The bell | station\nThe flag | station\nthe BELL\nA rope | gear | someday");
  await page.getByRole("button", { name: "Keep the deck" }).click();
  await expect(page.getByText("Nothing is kept yet. 2 slips were read: The bell · The flag")).toBeVisible();
  await expect(page.getByText("Line 3 says the same as line 1.", { exact: false })).toBeVisible();
  await expect(page.getByText("Line 4 is for “someday”, which is no day.", { exact: false })).toBeVisible();
  await page.getByRole("button", { name: "Keep these 2 slips" }).click();
  await expect(page.getByText("Harbour is kept, 2 slips.")).toBeVisible();
  await page.getByRole("button", { name: "Done" }).click();
  for (const name of ["Noticing 31", "People 31"]) await page.getByRole("checkbox", { name }).uncheck();
  await page.getByRole("checkbox", { name: "Deal the days ahead anew", exact: false }).check();
  await expect(page.getByText("No fair deal exists. 29 slips are missing", { exact: false })).toBeVisible();
  await page.getByRole("button", { name: /^Do without: none twice, and not one kind/ }).click();
  await expect(page.getByText("days dealt from 2 slips", { exact: false })).toBeVisible();
  const table = page.waitForEvent("download");
  await page.getByRole("link", { name: "Text of Harbour" }).click();
  expect(readFileSync(await (await table).path(), "utf8")).toBe("The bell | station\nThe flag | station\n");
});

const LONG =
  "Tested the bell before watch. One pull too many, and three kitchens on the east side put their kettles on. ".repeat(
    9,
  );

test("a card is written: too many words, shrunk to fit, brought back as it was, printed where it is shown, and cut", async ({
  page,
}) => {
  test.setTimeout(90_000);
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-04`);
  await addCard(page);
  await saved(page);
  await page.getByRole("link", { name: "Write it to its card" }).click();
  const words = page.getByLabel("Words of the front");
  await words.fill(LONG);
  await expect(page.getByText(/^\d+ words too many$/)).toBeVisible();
  await expect(page.getByText(/^All of it fits at [\d¼½¾]+ points/)).toBeVisible();
  await page.getByRole("button", { name: "Shrink to fit" }).click();
  await expect(page.getByText(/^Fits, /)).toBeVisible();
  await saved(page);

  // An emoji is told; the words before it are kept and come back.
  await words.fill("Gone 🐚");
  await expect(page.getByText("This lettering has no 🐚.", { exact: false })).toBeVisible();
  await saved(page);
  await page.getByText("Earlier words").click();
  await page
    .getByRole("button", { name: /Tested the bell/ })
    .first()
    .click();
  await page.getByRole("button", { name: "Bring these words back" }).click();
  await expect(words).toHaveValue(LONG);
  await saved(page);

  // What is over goes on to a second card.
  await page.getByLabel("Size", { exact: true }).selectOption({ label: "10½ points" });
  // Typed a moment before: what is carried over is what stands there, not what was saved last.
  await words.fill(`${LONG}And home.`);
  await page.getByRole("button", { name: "The rest on a second card" }).click();
  await expect(page.getByText(/^Fits, /)).toBeVisible();
  await saved(page);
  await expect(words).not.toHaveValue(/And home\./);
  const front = await words.inputValue();
  await page.getByRole("link", { name: "Next card" }).click();
  await expect(words).toHaveValue(/And home\.$/);
  expect(`${front} ${await words.inputValue()}`).toBe(`${LONG}And home.`);
  await page.getByRole("link", { name: "Card before" }).click();
  await expect(words).toHaveValue(front);
  await page.getByLabel("Lines", { exact: true }).selectOption({ label: "Both edges even" });
  await saved(page);
  const shown = await page
    .getByRole("img", { name: "The front of the card with its words, to scale" })
    .locator("text[font-family^=Alegreya]")
    .evaluateAll((all) =>
      all.map((each) => ({
        text: each.textContent ?? "",
        x: Number(each.getAttribute("x")),
        w: (each as SVGTextElement).getComputedTextLength(),
      })),
    );

  await page.getByRole("link", { name: "Print cards" }).click();
  await page
    .getByRole("checkbox", { name: /^4.*3 × 4/ })
    .nth(1)
    .uncheck();
  await page.getByLabel("Prints may lie on their side").uncheck();
  await page.getByRole("button", { name: "Make this sheet" }).click();
  await expect(page.getByText("Sheet 1 is made.")).toBeVisible();
  const pdf = page.waitForEvent("download");
  await page.getByRole("link", { name: "PDF of sheet 1" }).click();
  const printed = pdfWords(await (await pdf).path());
  const lies = (printed[0]?.x ?? 0) - (shown[0]?.x ?? 0);
  expect(shown.length).toBeGreaterThan(40);
  for (const [at, word] of shown.entries()) {
    expect(printed[at]?.text).toBe(word.text);
    expect(Math.abs((printed[at]?.x ?? 0) - lies - word.x), word.text).toBeLessThan(0.1);
    expect(Math.abs((printed[at]?.w ?? 0) - word.w), word.text).toBeLessThan(0.1);
  }
  await page.getByRole("link", { name: "Cut sheet 1" }).click();
  await expect(page.getByText("Cut 1 of")).toBeVisible();
  await page.getByRole("button", { name: "Cut. Next" }).click();
  await expect(page.getByText("Cut 2 of")).toBeVisible();
});

test("a word wider than its card does not count as fitting: it is told, made smaller, or broken", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-06`);
  await addCard(page);
  await page.getByLabel("Words of card 1").fill("lanterns");
  await saved(page);
  await page.getByRole("link", { name: "Write it to its card" }).click();
  const verdict = page.getByRole("region", { name: "The card, to scale" }).getByRole("status");
  await expect(verdict).toContainText("Fits");
  await page.getByLabel("Break a word that is wider than the card").uncheck();
  await page.getByLabel("Words of the front").fill("lanterns".repeat(8));
  await expect(verdict).toContainText("“lanternslanternslant…” is wider than the card");
  await page.getByRole("button", { name: "Shrink to fit" }).click();
  await expect(verdict).toContainText("Fits");
  await page.getByLabel("Words of the front").fill("lanterns".repeat(40));
  await expect(verdict).toContainText("No size takes it whole.");
  await page.getByRole("button", { name: "Break it" }).click();
  await expect(verdict).toContainText("Fits");
  await page.goto(`${album}/words`);
  await expect(page.getByText(/^Fits/)).toBeVisible();
});

test("a private text is in nothing that leaves; words are found with accents aside; a carrier takes printed cards", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-06`);
  await addCard(page);
  await page.getByLabel("Words of card 1").fill("The spyglass is in the café");
  await saved(page);
  await page.getByRole("link", { name: "Write it to its card" }).click();
  await page.getByText("Hidden and private").click();
  await page.getByLabel("Lies behind").fill("the flip");
  await page.getByLabel("Is this card private").selectOption("until");
  await page.getByLabel("This card is private until").fill("2040-12-25");
  await saved(page);
  await page.getByText("Margins, cut-off parts").click();
  await page.getByLabel("What the card is").selectOption({ label: "Card with its own print, on a carrier sheet" });
  await saved(page);

  const table = await page.request.get(`${album}/documents/day-plan/plan.csv`);
  expect(await table.text()).not.toContain("spyglass");
  await page.goto(`${album}/finish`);
  await expect(page.getByText("One private thing stays here and is in nothing below.")).toBeVisible();
  // A whole day is kept back for good, with everything on it: its title is in no table, its card no longer counted by itself.
  await page.goto(`${album}/days/2026-12-06`);
  await page.getByLabel("Title").fill("What was in the parcel");
  await page.getByLabel("Is this day private").selectOption("for-good");
  await expect(page.getByText(/^Private for good\. All of it: title, note, prompt/)).toBeVisible();
  await saved(page);
  const after = await (await page.request.get(`${album}/documents/day-plan/plan.csv`)).text();
  expect(after).not.toContain("parcel");
  expect(after).toContain("2026-12-06");
  await page.goto(`${album}/finish`);
  await expect(page.getByText("One private thing stays here and is in nothing below.")).toBeVisible();

  await openFind(page);
  await page.getByRole("combobox").fill("cafe spyglass");
  await expect(page.getByRole("option", { name: /The spyglass is in the café/ })).toHaveCount(1);
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Words of the front")).toHaveValue("The spyglass is in the café");

  await page.getByRole("link", { name: "Print cards" }).click();
  await expect(page.getByText("1 card on 1 carrier")).toBeVisible();
  const outlines = page.waitForEvent("download");
  await page.getByRole("link", { name: "The outlines" }).click();
  expect(pdfWords(await (await outlines).path()).map(({ text }) => text)).toEqual(["1"]);
  const words = page.waitForEvent("download");
  await page.getByRole("link", { name: "Words of the fronts" }).click();
  expect(
    pdfWords(await (await words).path())
      .map(({ text }) => text)
      .join(" "),
  ).toBe("The spyglass is in the café");
  await page.getByRole("button", { name: "It is printed" }).click();
  const had = page.getByRole("region", { name: "Words printed on their cards" });
  await expect(had.getByRole("listitem")).toHaveCount(1);
  await page.goto(`${album}/words`);
  await expect(page.getByText("Is on its card.")).toBeVisible();
  await page.goto(`${album}/card-sheets`);
  await had.getByRole("button", { name: /Not after all/ }).click();
  await expect(page.getByText("1 card on 1 carrier")).toBeVisible();
  await expect(had).toHaveCount(0);
});

test("a slip in the words is told, and left as it is once and for good; a sticker's words count as a card's do", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-06`);
  await addCard(page);
  await page.getByLabel("Words of card 1").fill("On the 3rd of December it froze.");
  await saved(page);
  await page.goto(`${album}/words`);
  const slips = page.getByRole("region", { name: "Mistakes to look at" }).getByRole("listitem");
  await expect(slips).toHaveText([/^6.*The words say 3rd of December, which is not this day\./]);
  await slips.getByRole("button", { name: /^Leave it so/ }).click();
  await expect(slips).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(slips).toHaveCount(0);
  await page.locator("#place").focus();
  await page.keyboard.press("Control+z");
  await expect(page.getByText("Taken back: slip in the words of 6 Dec left alone, or told again.")).toBeVisible();
  await expect(slips).toHaveCount(1);
});

import { startServer } from "../../scripts/running-server.ts";
import { expect, type Page, test } from "./browser-test.ts";
import { base, newDecember, newKeeper, PASSPHRASE, PHONE, photo, signIn } from "./keeper.ts";

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

test("where scripts do not run, Today's field is a form that keeps what is jotted, once, on the day that was chosen", async ({
  page,
  openWindow,
}) => {
  await newKeeper(page);
  const album = (await newDecember(page)).split("/").pop() ?? "";
  const plain = await openWindow({ ...PHONE, javaScriptEnabled: false });
  await plain.context().addCookies(await page.context().cookies());
  await plain.goto(`${base()}/today?album=${album}`, { waitUntil: "load" });
  await field(plain).fill("  The fog came in at four.\nNobody minded. ");
  await plain.getByRole("button", { name: "Keep" }).click();
  await expect(jotted(plain)).toHaveCount(1);
  await expect(jotted(plain)).toContainText("The fog came in at four.");
  await expect(field(plain)).toHaveValue("");
  // Another day, and the same page sent once more: it is there once.
  const send = async () => {
    await plain.getByLabel("For another day").selectOption("2026-12-05");
    await field(plain).fill("Saffron loaves.");
    await plain.getByRole("button", { name: "Keep" }).click();
    await plain.waitForURL(/day=2026-12-05/);
  };
  const sent = plain.waitForRequest((request) => request.method() === "POST");
  await send();
  const body = (await sent).postData() ?? "";
  const again = await plain.request.post(`${base()}/today?album=${album}`, {
    headers: { "content-type": "application/x-www-form-urlencoded", origin: base() },
    data: body,
  });
  expect(again.ok()).toBe(true);
  await plain.reload({ waitUntil: "load" });
  await expect(plain.getByRole("heading", { level: 1 })).toContainText("5 December");
  await expect(jotted(plain)).toHaveCount(1);
  // A day that is not in the album: nothing is exchanged for another, and the words stand in the field.
  const refused = await plain.request.post(`${base()}/today?album=${album}`, {
    headers: { "content-type": "application/x-www-form-urlencoded", origin: base() },
    data: "jotting=Lost%20words&day=2027-05-05&page=x",
  });
  expect(refused.status()).toBe(409);
  expect(await refused.text()).toMatch(
    /was not kept[\s\S]*Lost words<\/textarea>|Lost words<\/textarea>[\s\S]*was not kept/,
  );
});

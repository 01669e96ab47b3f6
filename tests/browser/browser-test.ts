import { type Browser, type BrowserContextOptions, type Page, test as plain } from "@playwright/test";

export { type BrowserContextOptions, expect, type Locator, type Page } from "@playwright/test";

const LAPTOP: BrowserContextOptions = {
  ...{ locale: "en-GB", timezoneId: "Europe/London", reducedMotion: "reduce" },
  viewport: { width: 1280, height: 800 },
};

/** What a site leaves at a browser, but for the files it loads. */
const LEFT =
  "cookies,local_storage,indexeddb,service_workers,cache_storage,file_systems,shared_storage,storage_buckets";

/** A page that will not run, as where a test holds its scripts back, is not waited for longer. */
const WILL_NOT_RUN = 2500;

/** Waits until React has taken over a page of the program: it is seen before, and what is pressed then has tests of its own. */
const alive = (page: Page) =>
  page
    .waitForFunction(
      () =>
        Object.keys(document.body).some((key) => key.startsWith("__reactProps")) ||
        document.querySelector('link[rel="put-off"], link[rel="modulepreload"]') === null,
      null,
      { timeout: WILL_NOT_RUN },
    )
    .catch(() => undefined);

/** Its ways to a page, where nothing else is asked, come back when the page runs. */
function waiting(page: Page): Page {
  const [goto, reload] = [page.goto.bind(page), page.reload.bind(page)];
  page.goto = async (address, options) => {
    const answer = await goto(address, options);
    if (!options?.waitUntil) await alive(page);
    return answer;
  };
  page.reload = async (options) => {
    const answer = await reload(options);
    if (!options?.waitUntil) await alive(page);
    return answer;
  };
  return page;
}

/** As if nobody had been here: nothing is left of the test before but the program's own files, which never change. */
async function empty(page: Page): Promise<void> {
  const base = process.env.BROWSER_BASE ?? "";
  const context = page.context();
  await Promise.all(context.pages().map((other) => other !== page && other.close()));
  await Promise.all([page.unrouteAll({ behavior: "ignoreErrors" }), context.setOffline(false)]);
  page.removeAllListeners("console").removeAllListeners("pageerror");
  // A picture of the same site, so that the browser goes on in the process that has the files compiled.
  await page.goto(`${base}/flame.svg`, { waitUntil: "load" });
  await page.evaluate(() => sessionStorage.clear());
  await context.clearCookies();
  const session = await context.newCDPSession(page);
  await session.send("Storage.clearDataForOrigin", { origin: base, storageTypes: LEFT });
  await session.detach();
}

/** The windows of one worker, by what they are like. They stay open from test to test. */
class Windows {
  readonly #open = new Map<string, Page[]>();
  readonly #lent = new Map<string, number>();

  /** One that no one else in this test has, emptied. */
  async lend(browser: Browser, like: BrowserContextOptions): Promise<Page> {
    const key = JSON.stringify(like);
    const open = this.#open.get(key) ?? [];
    const at = this.#lent.get(key) ?? 0;
    this.#open.set(key, open);
    this.#lent.set(key, at + 1);
    if (!open[at] || open[at].isClosed())
      open[at] = waiting(await (await browser.newContext({ ...LAPTOP, ...like })).newPage());
    await empty(open[at]);
    return open[at];
  }

  takeBack = () => this.#lent.clear();
}

/** A window at another machine: a laptop, or what it is said to be like. */
export type OpenWindow = (like?: BrowserContextOptions) => Promise<Page>;

/**
 * Playwright's own test, but for this: the tests of one worker use the same windows one after the other, emptied between
 * them, so that the program's files are loaded, unpacked and compiled once and not by each test.
 */
export const test = plain.extend<{ openWindow: OpenWindow }, { windows: Windows }>({
  windows: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright reads off the first parameter what a fixture needs.
    async ({}, use) => use(new Windows()),
    { scope: "worker" },
  ],
  openWindow: async ({ browser, windows }, use) => {
    await use((like = {}) => windows.lend(browser, like));
    windows.takeBack();
  },
  page: async ({ openWindow, serviceWorkers }, use) =>
    use(await openWindow(serviceWorkers === "block" ? { serviceWorkers } : {})),
  context: async ({ page }, use) => use(page.context()),
});

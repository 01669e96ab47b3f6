/** How every test, bench and screenshot starts Debian's Chromium: no network of its own, no display. */
export const CHROMIUM = {
  executablePath: "/usr/bin/chromium-headless-shell",
  args: [
    ...(["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run"] as const),
    ...(["--disable-background-networking", "--disable-component-update", "--disable-sync"] as const),
  ],
};

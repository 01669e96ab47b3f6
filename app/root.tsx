import { useEffect } from "react";
import { Link, Links, Meta, Outlet, Scripts, ScrollRestoration, useRouteLoaderData } from "react-router";
import type { Route } from "./+types/root";
import { to } from "./addresses.ts";
import { lookOf } from "./http/look.ts";
import { buttonLook } from "./parts/button.tsx";
import { doWhatWasKept, keepEarlyHands } from "./parts/early-hands.ts";
import { PUT_OFF, runWhenSeen } from "./parts/seen-first.ts";
import { Trouble } from "./parts/trouble.tsx";
import "./styles/app.css";

export function loader({ request, context }: Route.LoaderArgs) {
  // A first guess at a small screen, until the browser itself has measured: what some browsers say of themselves, else their name.
  const said = request.headers.get("sec-ch-ua-mobile");
  const phone = said === null ? /\bMobile\b|\biPhone\b/.test(request.headers.get("user-agent") ?? "") : said === "?1";
  return { look: lookOf(request), phone, nonce: context.nonce };
}

/** The look changes with a whole new page. */
export const shouldRevalidate = () => false;

export const meta: Route.MetaFunction = () => [{ title: "Hearth Clock" }];

export function Layout({ children }: { children: React.ReactNode }) {
  const root = useRouteLoaderData<typeof loader>("root");
  useEffect(() => void doWhatWasKept(), []);
  return (
    <html lang="en" data-look={root?.look}>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <link rel="icon" href="/flame.svg" type="image/svg+xml" />
        <script
          nonce={root?.nonce}
          suppressHydrationWarning
          // biome-ignore lint/security/noDangerouslySetInnerHtml: our own function as text; it has to run before any file has come
          dangerouslySetInnerHTML={{ __html: `(${keepEarlyHands})();(${runWhenSeen})("${PUT_OFF}")` }}
        />
        <Meta />
        <Links />
      </head>
      <body>
        <noscript>
          <p className="border-b border-line bg-panel px-5 py-2 text-sm">
            Scripts are switched off in this browser: what is kept here can be read and printed, and jotted on Today;
            all other work needs them.
          </p>
        </noscript>
        {children}
        <ScrollRestoration nonce={root?.nonce} />
        <Scripts nonce={root?.nonce} />
      </body>
    </html>
  );
}

export default function App() {
  return <Outlet />;
}

export function ErrorBoundary() {
  return (
    <main className="grid min-h-dvh">
      <Trouble>
        <Link to={to.home()} reloadDocument className={buttonLook("plain")}>
          To the shelf
        </Link>
      </Trouble>
    </main>
  );
}

import { useEffect } from "react";
import {
  isRouteErrorResponse,
  Link,
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  useRouteError,
  useRouteLoaderData,
} from "react-router";
import type { Route } from "./+types/root";
import { buttonLook } from "./parts/button.tsx";
import { doWhatWasKept, keepEarlyHands } from "./parts/early-hands.ts";
import type { Look } from "./parts/look-switch.tsx";
import "./styles/app.css";

export function loader({ request, context }: Route.LoaderArgs) {
  const look = /(?:^|;\s*)look=(day|night)/.exec(request.headers.get("cookie") ?? "")?.[1] as Look | undefined;
  // A first guess at a small screen, until the browser itself has measured.
  const phone = request.headers.get("sec-ch-ua-mobile") === "?1";
  return { look: look ?? ("system" as Look), phone, nonce: context.nonce };
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
          dangerouslySetInnerHTML={{ __html: `(${keepEarlyHands})()` }}
        />
        <Meta />
        <Links />
      </head>
      <body>
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

function wordsFor(error: unknown): { title: string; text: string } {
  if (isRouteErrorResponse(error) && error.status === 404) {
    return { title: "Not found", text: "There is no such page, or it is not in your household." };
  }
  if (isRouteErrorResponse(error) && error.status === 503) {
    return {
      title: "The database does not answer",
      text: "Nothing you saved is lost. Wait a moment, then load the page again.",
    };
  }
  return {
    title: "Something went wrong here",
    text: "Nothing you saved is lost. Load the page again; if it happens again, tell whoever keeps this Hearth Clock running.",
  };
}

export function ErrorBoundary() {
  const { title, text } = wordsFor(useRouteError());
  return (
    <main className="mx-auto grid min-h-dvh max-w-md content-center gap-4 p-6">
      <title>{`${title} · Hearth Clock`}</title>
      <h1 className="text-3xl">{title}</h1>
      <p>{text}</p>
      <p>
        <Link to="/" reloadDocument className={buttonLook("main")}>
          To the shelf
        </Link>
      </p>
    </main>
  );
}

import { useState } from "react";
import { useRouteError } from "react-router";
import { troubleSaid } from "#app/wording/trouble.ts";
import { Button } from "./button.tsx";

/** Stands where a page should be and cannot: what happened, what is safe, and a way to try again. */
export function Trouble({ children }: { children?: React.ReactNode }) {
  const { title, text, again } = troubleSaid(useRouteError());
  return (
    <div role="alert" className="mx-auto grid max-w-md content-center gap-4 p-6 wide:py-16">
      <title>{`${title} · Hearth Clock`}</title>
      <h1 className="text-3xl">{title}</h1>
      <p>{text}</p>
      <p className="flex flex-wrap items-center gap-4">
        {again && <TryAgain />}
        {children}
      </p>
    </div>
  );
}

/** Loads the page again as soon as the server answers; without it a browser would put its own page in this one's place. */
function TryAgain() {
  const [state, setState] = useState<"ready" | "asking" | "away">("ready");
  const ask = () => {
    setState("asking");
    fetch("/ready", { cache: "no-store" }).then(
      ({ ok }) => (ok ? window.location.reload() : setState("away")),
      () => setState("away"),
    );
  };
  return (
    <>
      <Button look="main" onClick={ask} disabled={state === "asking"}>
        Try again
      </Button>
      {state === "away" && <span role="status">Still no answer.</span>}
    </>
  );
}

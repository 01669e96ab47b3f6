import { data } from "react-router";
import { readJson } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { reading, requireAlbum, writing } from "#app/http/page.ts";
import { HANDS_ACT, type HandsAnswer } from "#app/places/hands/acts.ts";
import { Hands } from "#app/places/hands/hands.tsx";
import type { Transaction } from "#store/db.ts";
import { journaled } from "#store/journal/line.ts";
import { keepHand, keepStampSet, readHandsAndStamps } from "#store/library/hands.ts";
import type { Route } from "./+types/album.hands";

export const meta: Route.MetaFunction = () => [{ title: "Hands and stamps · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const letters = await reading(() => readHandsAndStamps(context.db, member.household.id));
  const { id, unit } = aggregate.album;
  return { albumId: id, unit, who: [member.name.split(" ")[0] ?? member.name], ...letters };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const sent = HANDS_ACT.safeParse(await readJson(request));
  if (!sent.success) throw data(null, { status: 400 });
  return writing(async (): Promise<HandsAnswer> => {
    const { author } = await requireAlbum(context, params.album);
    const { householdId } = author;
    const keep = <T,>(thing: "hand" | "stamp-set", work: (tx: Transaction) => Promise<T>) =>
      journaled(context.db, author, { what: "stash", how: "kept", thing }, work);
    switch (sent.data.act) {
      case "keep-hand": {
        const { hand } = sent.data;
        await keep("hand", (tx) => keepHand(tx, householdId, hand));
        return { ok: true, said: `${hand.name}’s hand is kept: a card can be written in it.` };
      }
      case "keep-set": {
        const { set } = sent.data;
        await keep("stamp-set", (tx) => keepStampSet(tx, householdId, set));
        return { ok: true, said: `${set.name} is kept.` };
      }
    }
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function HandsRoute({ loaderData }: Route.ComponentProps) {
  return <Hands view={loaderData} />;
}

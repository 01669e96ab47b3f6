import { data, redirect } from "react-router";
import { z } from "zod";
import { to } from "#app/addresses.ts";
import { readForm } from "#app/http/body.ts";
import { JSON_TEXT } from "#app/http/json-text.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { reading, requireAlbum, requireMember, writing } from "#app/http/page.ts";
import { Proposal, type ProposalAnswer } from "#app/places/photos/proposal.tsx";
import { proposalView, waitingIn } from "#app/places/photos/proposal-view.ts";
import { turned } from "#core/measure/size.ts";
import { PHOTO_RULES } from "#core/photo/propose.ts";
import { placePhotos, setPhotoRule } from "#store/place-photos.ts";
import { readRoll } from "#store/roll.ts";
import type { Route } from "./+types/album.who-goes-where";

export const meta: Route.MetaFunction = () => [{ title: "Who goes where · Hearth Clock" }];

export async function loader({ params, request, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const asked = new URL(request.url).searchParams;
  const is = (name: string) => asked.get(name) === "yes";
  const roll = await reading(() => readRoll(context.db, member.household.id));
  return proposalView(aggregate, roll, { twice: is("twice"), bare: is("bare") });
}

const PICKS = z.array(z.object({ wanted: z.string().max(200), photo: z.uuid(), turned: z.boolean() })).max(500);

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await readForm(request, ["intent", "rule", "twice", "bare", "picks"]);
  return writing(async () => {
    const { aggregate, author } = await requireAlbum(context, params.album, "helper");
    const { albumId } = author;
    if (form.get("intent") === "rule") {
      // A helper sees the rule and cannot choose it: then it is not sent.
      if (form.has("rule")) {
        await requireMember(context, "keeper");
        const rule = PHOTO_RULES.find((each) => each === form.get("rule"));
        if (!rule) throw data(null, { status: 400 });
        await setPhotoRule(context.db, author, rule);
      }
      const asked = (name: string) => (form.get(name) === "yes" ? "yes" : null);
      throw redirect(to.whoGoesWhere(albumId, { twice: asked("twice"), bare: asked("bare") }));
    }
    const picks = JSON_TEXT.pipe(PICKS).safeParse(form.get("picks"));
    if (!picks.success) throw data(null, { status: 400 });
    const waiting = new Map(waitingIn(aggregate).map((each) => [each.id, each]));
    const placings = picks.data.flatMap(({ wanted, photo, turned: isTurned }) => {
      const found = waiting.get(wanted);
      if (!found || (isTurned && !found.canTurn)) return [];
      const print = isTurned ? turned(found.print) : found.print;
      return [{ dayId: found.dayId, photoId: photo, print, place: found.place }];
    });
    if (placings.length < picks.data.length) return { ok: false as const, reason: "changed-since" as const };
    const placed = await placePhotos(context.db, author, placings);
    if (placed === 0) return { ok: false as const, reason: "changed-since" as const };
    const answer: ProposalAnswer = {
      ok: true,
      said: placed === 1 ? "One picture is on its day." : `${placed} pictures are on their days.`,
    };
    return answer;
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function WhoGoesWhereRoute({ loaderData, actionData }: Route.ComponentProps) {
  return <Proposal view={loaderData} answer={actionData ?? null} />;
}

import { Form, Link, useNavigation } from "react-router";
import { Button } from "#app/parts/button.tsx";
import { SelectField, TextField } from "#app/parts/field.tsx";
import { Outcome } from "#app/parts/outcome.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { useSeenVersion } from "#app/parts/use-seen-version.ts";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { NUMBERING_HINT, NUMBERING_NAME, PREPARING_NAME } from "#app/wording/month.ts";
import type { Away } from "#app/wording/sending.ts";
import { PREPARING } from "#core/album/model.ts";
import { NUMBERINGS } from "#core/month/numbering.ts";
import type { SettingsView } from "./view.ts";

type Answer =
  | { ok: true }
  | { ok: false; reason: "fields"; errors: Readonly<Record<string, string>> }
  | { ok: false; reason: "changed-since" | Away };

/** Everything about the album that the first three steps asked, and the measured sizes behind its name. */
export function Settings({ view, answer }: { view: SettingsView; answer: Answer | null }) {
  const busy = useNavigation().state !== "idle";
  const seen = useSeenVersion(view.version, answer);
  const errors: Readonly<Record<string, string>> =
    answer && !answer.ok && answer.reason === "fields" ? answer.errors : {};
  return (
    <Workplace tabs={<PlaceTabs place="settings" albumId={view.albumId} here="settings" />}>
      <PageStage>
        <div className="grid max-w-3xl gap-8">
          <h1 className="text-3xl">Settings</h1>
          <Form method="post" className="grid gap-7">
            <input type="hidden" name="version" value={seen} />
            <Outcome
              answer={answer}
              done="Saved."
              why={REFUSED}
              kept="What you wrote is still in the form. Save again in a moment."
            />
            <section className="grid gap-4" aria-labelledby="days">
              <h2 id="days" className="border-b border-line pb-2 text-xl">
                Days and numbers
              </h2>
              <div className="grid gap-4 sm:grid-cols-3">
                <TextField label="Title" name="title" defaultValue={view.title} maxLength={120} error={errors.title} />
                <TextField label="First day" type="date" name="start" defaultValue={view.start} error={errors.start} />
                <TextField
                  label="Last day"
                  type="date"
                  name="end"
                  defaultValue={view.end}
                  error={errors.end}
                  hint="Days left out are set aside with all they hold."
                />
              </div>
              {view.aside.length > 0 && (
                <p>Set aside now: {view.aside.join(", ")}. Move the first or last day to bring them back.</p>
              )}
              <div className="grid gap-4 sm:grid-cols-2">
                <div className="sm:col-span-2">
                  <SelectField
                    label="The number is"
                    name="numbering"
                    defaultValue={view.numbering}
                    error={errors.numbering}
                  >
                    {NUMBERINGS.map((each) => (
                      <option key={each} value={each}>
                        {NUMBERING_NAME[each]}. {NUMBERING_HINT[each]}
                      </option>
                    ))}
                  </SelectField>
                </div>
                <SelectField
                  label="Made before its day"
                  name="preparing"
                  defaultValue={view.preparing}
                  hint="Tonight offers what of it is still to make."
                >
                  {PREPARING.map((each) => (
                    <option key={each} value={each}>
                      {PREPARING_NAME[each]}
                    </option>
                  ))}
                </SelectField>
                <SelectField label="Measure in" name="unit" defaultValue={view.unit} hint="A bare number means this.">
                  <option value="inch">Inches, with fractions</option>
                  <option value="cm">Centimetres</option>
                </SelectField>
              </div>
            </section>
            <div>
              <Button type="submit" look="main" disabled={busy}>
                {busy ? "Saving" : "Save"}
              </Button>
            </div>
          </Form>
          <p className="border-t border-line pt-5">
            The book itself, <strong className="font-semibold">{view.formatName}</strong>, is measured on{" "}
            <Link to="measure" className="link">
              a page of its own
            </Link>
            : page, opening, leaf, cover and holes.
          </p>
          <Form method="post" className="grid gap-3 border-t border-line pt-5 sm:max-w-md">
            <input type="hidden" name="intent" value="time-zone" />
            <SelectField
              label="The household’s clock"
              name="timeZone"
              defaultValue={view.clock.timeZone}
              hint={`Days begin and end by it, in every album. Now it is ${view.clock.now}.`}
            >
              {view.clock.zones.map((zone) => (
                <option key={zone} value={zone}>
                  {zone.replaceAll("_", " ")}
                </option>
              ))}
            </SelectField>
            <div>
              <Button type="submit" small disabled={busy}>
                Go by this clock
              </Button>
            </div>
          </Form>
          <Form method="post" className="flex flex-wrap items-center justify-between gap-4 border-t border-line pt-5">
            <p className="text-sm text-quiet">
              Put the album away: it lies in the tray for 30 days and can be put back.
            </p>
            <Button type="submit" name="intent" value="put-away" small>
              Put the album in the tray
            </Button>
          </Form>
        </div>
      </PageStage>
    </Workplace>
  );
}

const REFUSED = {
  fields: "Something below needs another look. Nothing was changed yet.",
  "changed-since":
    "Somebody changed these settings after you opened them. Yours are still in the form; load the page in another window to compare, or save again to keep yours.",
} as const;

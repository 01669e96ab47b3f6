import { z } from "zod";
import { clean } from "#core/words/clean.ts";
import { CHOSEN_PASSPHRASE } from "./passphrase.ts";

/** Who comes in for the first time, as the form at the door says it. */
export const PERSON = z.object({
  name: z
    .string({ error: "Say what to call you." })
    .transform(clean)
    .pipe(z.string().trim().min(1, "Say what to call you.").max(80, "Use at most 80 letters.")),
  mail: z.email({ error: "Give a mail address, as in petra@example.org." }).max(254),
  passphrase: CHOSEN_PASSPHRASE,
});

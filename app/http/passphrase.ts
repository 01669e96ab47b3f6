import { z } from "zod";

/** A passphrase that is chosen. Length over composition, no forced change: NIST SP 800-63B. */
export const CHOSEN_PASSPHRASE = z
  .string({ error: "Choose a passphrase." })
  .min(12, "Use at least 12 letters. Four words you can remember do well.")
  .max(256, "Use at most 256 letters.");

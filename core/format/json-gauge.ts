import { LIMITS } from "../limits.ts";

export type JsonBulk = "too-deep" | "too-many-values" | "too-long";

const [QUOTE, BACKSLASH, COMMA, COLON] = [0x22, 0x5c, 0x2c, 0x3a];
const OPENING = new Set([0x5b, 0x7b]);
const CLOSING = new Set([0x5d, 0x7d]);

/**
 * Says of JSON, byte by byte as it comes, whether it is longer, deeper or of more values than is taken, before any of it
 * is built. It does not say whether it is JSON.
 */
export class JsonGauge {
  #bytes = 0;
  #depth = 0;
  #values = 1;
  #inText = false;
  #escaped = false;

  take(chunk: Uint8Array): JsonBulk | null {
    this.#bytes += chunk.length;
    if (this.#bytes > LIMITS.albumJsonBytes.most) return "too-long";
    for (const byte of chunk) {
      if (this.#inText) {
        if (this.#escaped) this.#escaped = false;
        else if (byte === BACKSLASH) this.#escaped = true;
        else if (byte === QUOTE) this.#inText = false;
      } else if (byte === QUOTE) this.#inText = true;
      else if (OPENING.has(byte)) {
        this.#depth += 1;
        this.#values += 1;
        if (this.#depth > LIMITS.jsonDepth.most) return "too-deep";
      } else if (CLOSING.has(byte)) this.#depth -= 1;
      else if (byte === COMMA || byte === COLON) this.#values += 1;
      if (this.#values > LIMITS.jsonValues.most) return "too-many-values";
    }
    return null;
  }
}

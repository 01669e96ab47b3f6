/** What an answer that our server did not write means for what was sent, by its HTTP status. */
export const STATUS_MEANS = {
  400: "not-taken",
  401: "signed-out",
  403: "not-taken",
  404: "not-taken",
  408: "unreachable",
  413: "not-taken",
  429: "busy",
  500: "broken",
  502: "unreachable",
  503: "store-gone",
  504: "unreachable",
};

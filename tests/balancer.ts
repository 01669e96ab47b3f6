import { createServer, type IncomingMessage, request, type ServerResponse } from "node:http";
import type { AddressInfo } from "node:net";

/** A balancer before several processes: each request to the next one, whichever its sender was with before. */
export async function startBalancer(bases: readonly string[]) {
  let turn = 0;
  const served = bases.map(() => 0);
  const passOn = (from: IncomingMessage, to: ServerResponse) => {
    const nth = turn++ % bases.length;
    served[nth] = (served[nth] ?? 0) + 1;
    const headers = { ...from.headers, "x-forwarded-for": "203.0.113.7", "x-forwarded-proto": "http" };
    const asked = request(`${bases[nth]}${from.url}`, { method: from.method ?? "GET", headers }, (answer) => {
      to.writeHead(answer.statusCode ?? 502, answer.headers);
      answer.pipe(to);
    });
    asked.on("error", () => {
      if (to.headersSent) to.destroy();
      else to.writeHead(502).end();
    });
    from.pipe(asked);
  };
  const server = createServer(passOn);
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  return {
    base: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    /** How many requests each process has answered. */
    served,
    stop: () => {
      server.closeAllConnections();
      return new Promise((resolve) => server.close(resolve));
    },
  };
}

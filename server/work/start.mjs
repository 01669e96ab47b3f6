// Where the work thread begins: a file of plain JavaScript, which lets those in TypeScript be loaded after it.
import { register } from "tsx/esm/api";

register();
await import("./thread.ts");

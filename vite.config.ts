import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";

export default defineConfig(({ isSsrBuild }) => ({
  // The server bundle is the whole Express host, so that routes and host share one copy of the store.
  build: isSsrBuild ? { rollupOptions: { input: "./server/host.ts" } } : { assetsInlineLimit: 0 },
  plugins: [tailwindcss(), reactRouter()],
}));

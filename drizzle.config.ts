import { defineConfig } from "drizzle-kit";

export default defineConfig({ dialect: "postgresql", schema: "./store/schema", out: "./store/migrations" });

import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react(), tailwindcss()],
  server: { proxy: { "/api": "http://localhost:8080" } },
  // no test is about time: on a machine that is busy with something else they only take longer
  test: { environment: "jsdom", setupFiles: "./src/testing/setup.ts", testTimeout: 60_000 },
});

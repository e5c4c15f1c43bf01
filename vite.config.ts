import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  root: "frontend",
  base: "/build/",
  plugins: [react(), tailwindcss()],
  build: { outDir: "../public/build", emptyOutDir: true, assetsInlineLimit: 0, chunkSizeWarningLimit: 1200 },
  // A busy machine fails no test: what takes how long is measured by bin/bench.
  test: { environment: "node", include: ["src/**/*.test.{ts,tsx}"], testTimeout: 120_000 },
});

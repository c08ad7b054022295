import { fileURLToPath } from "node:url";
import vue from "@vitejs/plugin-vue";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [vue()],
  resolve: { alias: { "@": fileURLToPath(new URL("src", import.meta.url)) } },
  build: { chunkSizeWarningLimit: 1500, assetsInlineLimit: 0, modulePreload: { polyfill: false } },
  server: { proxy: { "/api": "http://127.0.0.1:4690" } },
  test: { environment: "happy-dom", include: ["test/**/*.test.ts"] },
});

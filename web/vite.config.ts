import { fileURLToPath } from "node:url";
import vue from "@vitejs/plugin-vue";
import { compression } from "vite-plugin-compression2";
import { defineConfig } from "vitest/config";

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

export default defineConfig({
  // The server has no time to compress files at each request.
  plugins: [
    vue(),
    compression({ algorithms: ["gzip", "brotliCompress"], include: /\.(js|css|svg)$/, threshold: 1024 }),
  ],
  resolve: { alias: { "@icons": at("node_modules/@phosphor-icons/vue/dist/icons"), "@": at("src") } },
  build: { chunkSizeWarningLimit: 1500, assetsInlineLimit: 0, modulePreload: { polyfill: false } },
  // Bootstrap 5 is written for an older Sass.
  css: { preprocessorOptions: { scss: { quietDeps: true, silenceDeprecations: ["import"] } } },
  server: { proxy: { "/api": "http://127.0.0.1:4690" } },
  // One window for all files: making one for each costs more than the tests.
  test: {
    environment: "happy-dom",
    include: ["test/**/*.test.ts"],
    isolate: false,
    restoreMocks: true,
    setupFiles: "test/setup.ts",
  },
});

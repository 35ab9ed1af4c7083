import vue from "@vitejs/plugin-vue";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [vue()],
  build: { outDir: "dist", emptyOutDir: true, chunkSizeWarningLimit: 800 },
  server: { proxy: { "/api": "http://127.0.0.1:8080" } },
  test: {
    environment: "happy-dom",
    include: ["tests/**/*.spec.ts"],
    reporters: ["default"],
  },
});

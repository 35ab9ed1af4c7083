import vue from "@vitejs/plugin-vue";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [vue()],
  build: { outDir: "dist", emptyOutDir: true, chunkSizeWarningLimit: 800 },
  server: {
    // the guide lies beside the page
    fs: { allow: [".."] },
    // the server of ./skelto dev, which chooses the port
    proxy: Object.fromEntries(
      ["/api", "/healthz", "/formats"].map((path) => [
        path,
        { target: `http://127.0.0.1:${process.env.SKELTO_PORT ?? 8080}`, changeOrigin: false },
      ]),
    ),
  },
  test: {
    environment: "happy-dom",
    include: ["tests/**/*.spec.ts"],
    reporters: ["default"],
    // a panel is put together when it is first shown, which takes its time on a busy machine
    testTimeout: 20_000,
  },
});

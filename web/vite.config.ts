import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

import { version } from "./core/version.mjs";

export default defineConfig({
  plugins: [react()],
  define: { __CORE_AT__: JSON.stringify(`/core/${version()}`) },
  build: { chunkSizeWarningLimit: 900 },
  worker: { format: "es" },
  server: { proxy: { "/api": { target: "http://127.0.0.1:8300", ws: true } } },
});

import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    VitePWA({
      registerType: "autoUpdate",
      injectRegister: false, // registered from code: a strict content policy allows no inline script
      manifest: {
        name: "Scutch",
        short_name: "Scutch",
        description: "Plans a carpet job so that nothing dries too early and everything dries soon enough.",
        theme_color: "#F3EDE1",
        background_color: "#F3EDE1",
        display: "standalone",
        icons: [{ src: "/icon.svg", sizes: "any", type: "image/svg+xml", purpose: "any" }],
      },
      workbox: {
        globPatterns: ["**/*.{js,css,html,svg,woff2}"],
        navigateFallback: "/index.html",
        navigateFallbackDenylist: [/^\/api(\/|$)/],
        // Pictures never change under their id: once seen, they are there with no signal too.
        runtimeCaching: [
          {
            urlPattern: /\/api\/photos\/[^/]+$/,
            handler: "CacheFirst",
            options: { cacheName: "photos", expiration: { maxEntries: 300, purgeOnQuotaError: true } },
          },
        ],
        clientsClaim: true,
        skipWaiting: true,
      },
    }),
  ],
  worker: { format: "es" },
  server: { host: "127.0.0.1", port: 4171, proxy: { "/api": "http://127.0.0.1:4170" } },
  // The first load is measured by npm run bench: at most 250 kB gzipped.
  build: { target: "es2022", sourcemap: true, chunkSizeWarningLimit: 900 },
});

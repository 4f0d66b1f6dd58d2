import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig, type UserConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";
import { chunksOfScreens } from "./chunks.ts";

/** From outside and the same from one version to the next. Two, so that a phone reads them at the same time. */
const OUTSIDE = [
  { name: "react", priority: 11, test: /node_modules\/(react|react-dom|react-router|scheduler)\// },
  { name: "data", priority: 10, test: /node_modules\/(dexie|dexie-react-hooks|immer|zod|@reduxjs)\// },
];
const SCREENS = {
  first: "/index.html",
  planning: "/PlannedRow.tsx",
  job: "/JobScreen.tsx",
  phases: ["/SurveyScreen.tsx", "/MixScreen.tsx", "/RunScreen.tsx", "/DryScreen.tsx", "/LogScreen.tsx"],
};
const target = "es2022";

export default defineConfig(async ({ command }): Promise<UserConfig> => {
  const groups =
    command === "build"
      ? [
          ...OUTSIDE,
          ...(await chunksOfScreens({ plugins: [react(), tailwindcss()], build: { target } }, SCREENS)),
        ]
      : [];
  return {
    plugins: [
      react(),
      tailwindcss(),
      VitePWA({
        // A newer version waits until the user installs it: see src/app/updates.ts, which registers the worker.
        registerType: "prompt",
        injectRegister: false,
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
          globPatterns: ["**/*.{js,css,html,svg,woff2,woff}"],
          // The PDF maker is the largest file.
          maximumFileSizeToCacheInBytes: 3_000_000,
          navigateFallback: "/index.html",
          navigateFallbackDenylist: [/^\/api(\/|$)/],
          // Pictures never change under their id: once seen, they are there with no signal too. Each crew's are kept apart.
          runtimeCaching: [
            {
              urlPattern: /\/api\/photos\/[^/]+\?crew=[^&]+$/,
              // Copied into the worker as text: it can use nothing from outside.
              handler: async ({ request, url }) => {
                const kept = await caches.open(`photos-${url.searchParams.get("crew")}`);
                const hit = await kept.match(url.pathname);
                if (hit) return hit;
                const answer = await fetch(request);
                if (answer.ok) {
                  await kept.put(url.pathname, answer.clone()).catch(() => undefined);
                  const [oldest, ...others] = await kept.keys();
                  if (oldest && others.length >= 300) await kept.delete(oldest);
                }
                return answer;
              },
            },
          ],
          clientsClaim: true,
          skipWaiting: false,
        },
      }),
    ],
    worker: { format: "es" },
    server: { host: "127.0.0.1", port: 4171, proxy: { "/api": "http://127.0.0.1:4170" } },
    // The first load is measured by npm run bench: at most 210 kB gzipped.
    build: {
      target,
      sourcemap: true,
      // The PDF maker, fetched when a PDF is asked for, is larger than all screens.
      chunkSizeWarningLimit: 1300,
      rolldownOptions: { output: { codeSplitting: { groups } } },
      // A link for each of a screen's chunks holds up a phone; the service worker has them anyway.
      modulePreload: { resolveDependencies: (_, deps, { hostType }) => (hostType === "html" ? deps : []) },
    },
  };
});

import { createBrowserRouter, Navigate } from "react-router";
import { JobScreen } from "../features/job/JobScreen.tsx";
import { SurveyScreen } from "../features/survey/SurveyScreen.tsx";
import { TodayScreen } from "../features/today/TodayScreen.tsx";
import { Broken, NoSuchPage } from "./Broken.tsx";
import { Shell } from "./Shell.tsx";

/** The first screens come with the first load; the others follow when asked for, or from the offline copy. */
export const router = createBrowserRouter([
  {
    path: "/",
    Component: Shell,
    ErrorBoundary: Broken,
    children: [
      { index: true, Component: TodayScreen },
      {
        path: "jobs/:jobId",
        Component: JobScreen,
        children: [
          { index: true, element: <Navigate to="survey" replace /> },
          { path: "survey", Component: SurveyScreen },
          {
            path: "mix",
            lazy: async () => ({ Component: (await import("../features/mix/MixScreen.tsx")).MixScreen }),
          },
          {
            path: "dry",
            lazy: async () => ({ Component: (await import("../features/dry/DryScreen.tsx")).DryScreen }),
          },
          {
            path: "log",
            lazy: async () => ({ Component: (await import("../features/log/LogScreen.tsx")).LogScreen }),
          },
        ],
      },
      {
        path: "shelf",
        lazy: async () => ({ Component: (await import("../features/shelf/ShelfScreen.tsx")).ShelfScreen }),
      },
      {
        path: "van",
        lazy: async () => ({ Component: (await import("../features/van/VanScreen.tsx")).VanScreen }),
      },
      {
        path: "mixer",
        lazy: async () => ({ Component: (await import("../features/mixer/MixerScreen.tsx")).MixerScreen }),
      },
      {
        path: "reference",
        lazy: async () => ({
          Component: (await import("../features/reference/ReferenceScreen.tsx")).ReferenceScreen,
        }),
      },
      { path: "*", Component: NoSuchPage },
    ],
  },
]);

import { registerSW } from "virtual:pwa-register";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { Provider } from "react-redux";
import { RouterProvider } from "react-router/dom";
import { router } from "./app/router.tsx";
import { store } from "./app/store.ts";
import { sendChanges } from "./offline/changes.ts";
import "./styles.css";

registerSW({ immediate: true });

// What an earlier visit couldn't send goes now, and whenever there is reason to think the server is back.
const trySending = () => void store.dispatch(sendChanges());
trySending();
addEventListener("online", trySending);
document.addEventListener("visibilitychange", () => {
  if (document.visibilityState === "visible") trySending();
});

const root = document.getElementById("root");
if (!root) throw new Error("index.html has no #root");
createRoot(root).render(
  <StrictMode>
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>
  </StrictMode>,
);

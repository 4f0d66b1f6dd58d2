import "./interpretSchemas.ts";
import { createRoot } from "react-dom/client";
import { Start } from "./app/start.tsx";
import "./styles.css";

const root = document.getElementById("root");
if (!root) throw new Error("index.html has no #root");
createRoot(root).render(<Start />);

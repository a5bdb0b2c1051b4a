import "@fontsource-variable/source-sans-3";
import "./theme.css";
import { QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { keptStore } from "../api/keptStore";
import { App } from "./App";
import { newQueryClient } from "./queryClient";
import { applyStoredTheme } from "./theme";

applyStoredTheme();

const root = document.getElementById("root");
if (!root) throw new Error("The page has no #root");
// what waits to be sent is known before anything is shown: a page that does not know it would say that all is saved
void keptStore.load().then(() =>
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={newQueryClient()}>
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  ),
);

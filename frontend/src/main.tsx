import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { Route, Switch } from "wouter";
import { DeskScreen } from "./desk/desk-screen";
import { readKeys } from "./keys/keys";
import { KeysSheet } from "./keys/keys-sheet";
import { startComfort } from "./parts/comfort";
import "./style.css";
import { DocumentScreen } from "./faces/document-screen";

startComfort();
void readKeys();
const root = document.getElementById("root");
if (!root) throw new Error("The page has no place for the screens.");

// “always”: the server may be on this machine, and is then reached without any network.
const client = new QueryClient({
  defaultOptions: {
    queries: { networkMode: "always", retry: 1, refetchOnWindowFocus: true },
    mutations: { networkMode: "always" },
  },
});

createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <Switch>
        <Route path="/documents/:id/:face?">
          {({ id, face }) => (
            <DocumentScreen
              key={id}
              id={id}
              face={face === "arrange" || face === "proof" || face === "looks" ? face : "write"}
            />
          )}
        </Route>
        <Route path="/keys">
          <KeysSheet />
        </Route>
        <Route>
          <DeskScreen />
        </Route>
      </Switch>
    </QueryClientProvider>
  </StrictMode>,
);

import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { Route, Switch } from "wouter";
import { DeskScreen } from "./desk/desk-screen";
import { startTheme } from "./parts/theme";
import "./style.css";
import { DocumentScreen } from "./write/document-screen";

startTheme();
const root = document.getElementById("root");
if (!root) throw new Error("The page has no place for the screens.");

createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: 1, refetchOnWindowFocus: true } } })}>
      <Switch>
        <Route path="/documents/:id/:face?">{({ id, face }) => <DocumentScreen key={id} id={id} face={face === "arrange" ? "arrange" : "write"} />}</Route>
        <Route>
          <DeskScreen />
        </Route>
      </Switch>
    </QueryClientProvider>
  </StrictMode>,
);

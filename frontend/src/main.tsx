import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { Route, Switch } from "wouter";
import { DeskScreen } from "./desk/desk-screen";
import { startTheme } from "./parts/theme";
import "./style.css";
import { WriteScreen } from "./write/write-screen";

startTheme();
const root = document.getElementById("root");
if (!root) throw new Error("The page has no place for the screens.");

createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: 1, refetchOnWindowFocus: true } } })}>
      <Switch>
        <Route path="/documents/:id">{({ id }) => <WriteScreen key={id} id={id} />}</Route>
        <Route>
          <DeskScreen />
        </Route>
      </Switch>
    </QueryClientProvider>
  </StrictMode>,
);

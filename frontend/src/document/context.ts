import { createContext, useContext, useEffect } from "react";
import { useStore } from "zustand";
import type { Session } from "./session";
import type { PageState } from "./pages";
import type { DocumentState } from "./state";
import type { WindowState } from "./window-state";

export const SessionContext = createContext<Session | null>(null);

export function useSession(user: string): Session {
  const session = useContext(SessionContext);
  if (!session) throw new Error(`${user} must stand inside an open document.`);
  return session;
}

/** The slice of the open document that a part needs; it is drawn anew only when that slice changes. */
export function useDocument<T>(user: string, slice: (state: DocumentState) => T): T {
  return useStore(useSession(user).store, slice);
}

/** The same of what the window shows of it. */
export function useWindow<T>(user: string, slice: (shown: WindowState) => T): T {
  return useStore(useSession(user).windowStore, slice);
}

/** A slice of the pages, which are made for as long as it is wanted. */
export function usePages<T>(user: string, slice: (pages: PageState) => T, isWanted = true): T {
  const { pages } = useSession(user);
  useEffect(() => (isWanted ? pages.want() : undefined), [pages, isWanted]);
  return useStore(pages.store, slice);
}

import { create } from "zustand";
import { usePages } from "../document/context";
import type { PageState } from "../document/pages";

/** Of the revision whose file is looked at; null before there is one. */
const useMap = create<{ map: PageState | null }>(() => ({ map: null }));

export const showMap = (map: PageState | null): void => useMap.setState({ map });

/** On which pages everything stands that are looked at: newer ones are shown when their file is there as well. */
export function useShownPages(user: string): PageState {
  const newest = usePages(user, (state) => state);
  const map = useMap((state) => state.map);
  return map ?? newest;
}

import { useQuery } from "@tanstack/react-query";
import { useSession } from "../document/context";
import { nameOfTarget, placesQuery } from "./places";

/** Where a link leads, in words, with the bookmarks as they are named now. */
export function useNameOfTarget(): (address: string) => string {
  const session = useSession("useNameOfTarget");
  const places = useQuery(placesQuery(session.state.id));
  return (address) => nameOfTarget(session.state, address, places.data?.bookmarks ?? []);
}

import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { api, type DocumentCard } from "../api/client";
import { untilAskedAgain } from "../document/fetch-pages";

/** Setting the pages of longer documents takes seconds: that is done for those only whose pages have been looked at. */
const SHORT = 60_000;
const LONGEST = 200_000;
/** Of those that were changed last; the others can wait until they are looked at. */
const MOST = 12;

const wantsPages = ({ arePagesBehind, words, pages }: DocumentCard) =>
  arePagesBehind && words > 0 && words <= (pages === null ? SHORT : LONGEST);

/** Has the pages of documents counted that have changed since, in the background, one after the other. */
export function usePageCounts(documents: readonly DocumentCard[] | undefined): void {
  const client = useQueryClient();
  const wanted = (documents ?? [])
    .slice(0, MOST)
    .filter(wantsPages)
    .map(({ id, revision }) => `${id} ${revision}`)
    .join();
  useEffect(() => {
    const leaving = new AbortController();
    const count = async () => {
      for (const each of wanted === "" ? [] : wanted.split(",")) {
        const [id = ""] = each.split(" ");
        const params = { path: { id } };
        const asked = () => api.GET("/api/documents/{id}/pages", { params, signal: leaving.signal }).catch(() => null);
        let answer = await asked();
        while (answer?.data && "place" in answer.data) {
          await untilAskedAgain(answer.data.place);
          answer = await asked();
        }
        if (leaving.signal.aborted) return;
        // A document whose pages cannot be set says so where they are looked at.
        if (answer?.data && "labels" in answer.data) {
          const { labels, revision } = answer.data;
          client.setQueryData<DocumentCard[]>(["documents"], (cards) =>
            cards?.map((card) =>
              card.id === id ? { ...card, pages: labels.length, arePagesBehind: card.revision !== revision } : card,
            ),
          );
        }
      }
    };
    void count();
    return () => leaving.abort();
  }, [client, wanted]);
}

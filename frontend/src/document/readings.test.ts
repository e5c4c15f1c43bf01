import { QueryClient, QueryObserver } from "@tanstack/react-query";
import { expect, test, vi } from "vitest";
import { outdating, readingKey } from "./readings";

test("an answer that was on its way when something changed is not taken for the present state", async () => {
  const client = new QueryClient();
  const answers: ((words: string) => void)[] = [];
  const observer = new QueryObserver(client, {
    queryKey: readingKey("d", "offcuts"),
    queryFn: () => new Promise<string>((resolve) => answers.push(resolve)),
  });
  const stop = observer.subscribe(() => undefined);
  outdating(client, "d")(["offcuts"]);
  await vi.waitFor(() => expect(answers).toHaveLength(2));
  answers[0]?.("as it was");
  answers[1]?.("as it is");
  await vi.waitFor(() => expect(observer.getCurrentResult().data).toBe("as it is"));
  stop();
});

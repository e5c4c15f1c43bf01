/** A file of pages; those that take long are asked for until they are there. Null when nobody answers. */
export async function fetchPages(address: string): Promise<Response | null> {
  for (;;) {
    const answer = await fetch(address).catch(() => null);
    if (answer?.status !== 202) return answer;
  }
}

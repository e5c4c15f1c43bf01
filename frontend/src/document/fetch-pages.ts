/** Documents that wait in line ask again after this time (milliseconds); pages that are being made are waited for there. */
const IN_LINE = 1000;

/** @param place in the line of documents that wait for their pages; 0 when these are being made */
export const untilAskedAgain = (place: number): Promise<void> =>
  place > 0 ? new Promise((resolve) => window.setTimeout(resolve, IN_LINE)) : Promise.resolve();

/** A file of pages; those that take long are asked for until they are there. Null when nobody answers. */
export async function fetchPages(address: string): Promise<Response | null> {
  for (;;) {
    const answer = await fetch(address).catch(() => null);
    if (answer?.status !== 202) return answer;
    const { place } = (await answer.json().catch(() => ({ place: 1 }))) as { place: number };
    await untilAskedAgain(place);
  }
}

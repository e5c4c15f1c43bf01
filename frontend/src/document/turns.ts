/** Work on the server goes one piece after the other, each on the state that the last one left. */
export class Turns {
  private last: Promise<unknown> = Promise.resolve();

  take<T>(work: () => Promise<T>): Promise<T> {
    const turn = this.last.then(work, work);
    this.last = turn.catch(() => undefined);
    return turn;
  }

  /** Resolves when all that is under way now is done. */
  done(): Promise<unknown> {
    return this.last;
  }
}

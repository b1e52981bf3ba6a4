/** Lets a few go on at once. People who wait are taken in turn, however much one of them waits for. */
export class FairTurn {
  private running = 0;
  /** By who waits, in the order in which they are taken. */
  private readonly waiting = new Map<string, (() => void)[]>();

  /** @param atOnce how many go on at once */
  constructor(private readonly atOnce: number) {}

  /** How much waits; of one person where named. */
  pending(who?: string): number {
    if (who !== undefined) return this.waiting.get(who)?.length ?? 0;
    return [...this.waiting.values()].reduce((sum, { length }) => sum + length, 0);
  }

  /** Runs something when its turn has come. */
  async do<T>(who: string, run: () => Promise<T>): Promise<T> {
    if (this.running < this.atOnce) this.running++;
    else await this.wait(who);
    try {
      return await run();
    } finally {
      this.handOn();
    }
  }

  private wait(who: string): Promise<void> {
    return new Promise((resolve) => {
      const own = this.waiting.get(who);
      if (own) own.push(resolve);
      else this.waiting.set(who, [resolve]);
    });
  }

  /** The place of whoever is through goes to the next person, who then stands last. */
  private handOn(): void {
    const [next] = this.waiting;
    if (!next) {
      this.running--;
      return;
    }
    const [who, own] = next;
    const begin = own.shift();
    this.waiting.delete(who);
    if (own.length > 0) this.waiting.set(who, own);
    begin?.();
  }
}

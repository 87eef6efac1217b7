/** Lets the messages that have come in be read: among them, that something newer is asked. */
export const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** Keeps what a worker works out to the newest question: an older one is given up. */
export class Latest {
  #asked = 0;

  /** Begins a question; answers whether it still is the newest. */
  begin(): () => boolean {
    const mine = ++this.#asked;
    return () => mine === this.#asked;
  }

  /** Gives up whatever is being worked out. */
  stop(): void {
    this.#asked++;
  }

  /** Works something out in steps, telling each, with room for messages between; null once something newer was asked. */
  async inSteps<Step, Result>(
    steps: Iterator<Step, Result>,
    tell: (step: Step) => void,
    isNewest = this.begin(),
  ): Promise<Result | null> {
    for (;;) {
      const step = steps.next();
      if (step.done) return step.value;
      tell(step.value);
      await pause();
      if (!isNewest()) return null;
    }
  }
}

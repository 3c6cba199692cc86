/** Thrown inside a question that a newer one has overtaken. It never leaves `ask`. */
class Overtaken extends Error {}

/** Waits for one answer; what comes too late is not heard: the rest of the question is not run. */
export type Hear = <T>(answer: Promise<T>) => Promise<T>;

/**
 * An exchange in which the newest question counts. Questions are numbered; the answers to one that was overtaken, and
 * its errors, are dropped, so that an older log never stands where a newer one was shown.
 */
export class Conversation {
  #newest = 0;

  /**
   * Asks a question of one or several parts; every answer goes through `hear`.
   * @returns true when it was answered to its end, false when a newer question overtook it
   * @throws what the question throws, unless it was overtaken
   */
  async ask(question: (hear: Hear) => Promise<void>): Promise<boolean> {
    const mine = ++this.#newest;
    const late = (): boolean => mine !== this.#newest;
    try {
      await question(async (answer) => {
        const heard = await answer;
        if (late()) throw new Overtaken();
        return heard;
      });
      return !late();
    } catch (error) {
      if (late()) return false;
      throw error;
    }
  }

  /** Nobody listens any more: what is still being answered is dropped. */
  end(): void {
    this.#newest += 1;
  }
}

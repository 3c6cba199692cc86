import { randomInt } from 'node:crypto';

/** So many wrong codes within a minute, and no code is right until the minute is over. */
const MOST_WRONG = 5;
const MINUTE = 60_000;

/** The code that whoever listens types once: six figures, shown where the instruments are. */
export class Pairing {
  private wrong: readonly number[] = [];

  constructor(readonly code = String(randomInt(1_000_000)).padStart(6, '0')) {}

  /** Why somebody is not let in; nothing when they are. */
  refuses(code: string, now: number): string | undefined {
    this.wrong = this.wrong.filter((at) => at > now - MINUTE);
    if (this.wrong.length >= MOST_WRONG) return 'Too many wrong codes. Wait a minute, then type the code again.';
    if (code.replace(/\s/g, '') === this.code) return undefined;
    this.wrong = [...this.wrong, now];
    return 'That is not the code. It stands on the page of the instruments, and where they were started.';
  }
}

/** The pause before something that failed is tried again: longer each time, over when it is well or when somebody asks. */
const FIRST = 500;
const LONGEST = 30_000;

export class Pause {
  #ms = FIRST;
  #wake: (() => void) | null = null;

  /** Done after a while, or when woken. */
  async wait(): Promise<void> {
    await new Promise<void>((over) => {
      const timer = setTimeout(over, this.#ms);
      this.#wake = () => (clearTimeout(timer), over());
    });
    this.#wake = null;
    this.#ms = Math.min(LONGEST, 2 * this.#ms);
  }

  /** It went well: the next pause is short again. */
  well(): void {
    this.#ms = FIRST;
  }

  /** Ends the pause at once, if there is one. */
  wake(): void {
    this.#wake?.();
  }
}

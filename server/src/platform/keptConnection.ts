interface Parts {
  /**
   * Opens the connection; fails when it cannot be opened.
   * @param lost to be called when it ends by itself, as often as one likes
   * @returns how to close it
   */
  open: (lost: (error?: Error) => void) => Promise<() => Promise<void>>;
  /** Called when it is open again after it was lost. */
  isBack: () => void;
  isLost: (error: Error | undefined) => void;
  /** Resolves after so many milliseconds. */
  wait?: (ms: number) => Promise<void>;
}

export const FIRST_PAUSE_MS = 500;
export const LONGEST_PAUSE_MS = 5_000;

/** One connection that is opened again when it is lost: one try at a time, with growing pauses between them. */
export class KeptConnection {
  private close?: () => Promise<void>;
  private stopped = false;
  private reopening = false;

  constructor(private readonly parts: Parts) {}

  /** Opens it for the first time. @throws what opening throws */
  async start(): Promise<void> {
    await this.open();
  }

  async stop(): Promise<void> {
    this.stopped = true;
    await this.close?.().catch(() => undefined);
  }

  private async open(): Promise<void> {
    // A connection that fails tells so in several ways; only one that was open can be lost, and once.
    let isOpen = false;
    this.close = await this.parts.open((error) => {
      if (!isOpen) return;
      isOpen = false;
      this.lose(error);
    });
    isOpen = true;
  }

  private lose(error: Error | undefined): void {
    if (this.stopped || this.reopening) return;
    this.parts.isLost(error);
    this.reopening = true;
    void this.reopen();
  }

  private async reopen(): Promise<void> {
    const { wait = patience, isBack } = this.parts;
    for (let pause = FIRST_PAUSE_MS; !this.stopped; pause = Math.min(2 * pause, LONGEST_PAUSE_MS)) {
      await wait(pause);
      if (this.stopped) return;
      const failed = await this.open().then(
        () => false,
        () => true,
      );
      if (failed) continue;
      this.reopening = false;
      isBack();
      return;
    }
  }
}

const patience = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms).unref());

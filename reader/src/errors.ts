/** Why a photograph cannot be read; the message is meant for the person who sent it. */
export class UnreadablePhoto extends Error {
  constructor(
    readonly code: 'not-a-picture' | 'too-large' | 'too-many-pixels' | 'damaged',
    message: string,
    options?: ErrorOptions,
  ) {
    super(message, options);
    this.name = 'UnreadablePhoto';
  }
}

/** Opens letters as one file for printing, by the tasks that say that they are to be. */
export const printLetters = (taskIds: readonly string[]): void =>
  void globalThis.open(`/api/v1/letters?tasks=${taskIds.join(',')}`, '_blank', 'noopener');

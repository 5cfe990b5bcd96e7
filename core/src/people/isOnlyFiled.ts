/**
 * Whether nothing was done to a record but filing one card: everything in its history happened at the moment it was filed, as a consent
 * does that was asked while filing. Corrections, merges, later consents and further cards came at another moment.
 * @param history what was done, with a moment in any one notation
 */
export function isOnlyFiled(history: readonly { action: string; at: string | number }[]): boolean {
  const filed = history.find(({ action }) => action === 'filed' || action === 'filedByItself');
  return filed !== undefined && history.every(({ at }) => at === filed.at);
}

export {
  completeDomains,
  type Online,
  reconcileDomains,
  reconcileRepeats,
  reconcileWithCompany,
} from './reconcileAddresses';
export { onlineDrafts, spansOfAddress } from './onlineDrafts';
export { settleMailboxes } from './settleMailboxes';
export {
  findBrokenEmails,
  findEmails,
  findMisspeltEmails,
  findUndottedEmails,
  type FoundAddress,
  joinBrokenMailboxes,
} from './findEmails';
export { findWebsites, joinBrokenWebsites } from './findWebsites';
export { repairName } from './repairName';
export { takeLostAtSigns } from './lostAtSign';

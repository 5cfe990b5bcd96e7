export {
  completeDomains,
  dropGluedLabels,
  joinSplitMailboxes,
  reconcileDomains,
  reconcileRepeats,
  reconcileWithCompany,
  reconcileWithName,
} from './reconcileAddresses';
export { findBrokenEmails, findEmails, findMisspeltEmails, type FoundAddress, joinBrokenMailboxes } from './findEmails';
export { findWebsites, joinBrokenWebsites } from './findWebsites';
export { repairName } from './repairName';
export { takeLostAtSigns } from './lostAtSign';

export { completeDomains, reconcileDomains, reconcileRepeats, reconcileWithCompany } from './reconcileAddresses';
export { settleMailboxes } from './settleMailboxes';
export { findBrokenEmails, findEmails, findMisspeltEmails, type FoundAddress, joinBrokenMailboxes } from './findEmails';
export { findWebsites, joinBrokenWebsites } from './findWebsites';
export { repairName } from './repairName';
export { takeLostAtSigns } from './lostAtSign';

import type { Delivery } from '@dossier/contract';
import { OutsideTrouble } from '../../../platform/outside';
import type { OutsideRecord } from './load';

/** Where a record is now in the other system. */
export interface Landed {
  ref: string;
  link: string | null;
  /** What stood there in place of ours. */
  theirs: Delivery['theirs'];
  /** What of ours stands there now. */
  sent: OutsideRecord;
}

/** Somebody must look: the other system will take this no better the next time. */
export class NeedsPerson extends Error {}

/** It may go well later. @param retryAfter seconds that it asks for */
export class TryLater extends Error {
  constructor(
    message: string,
    readonly retryAfter = 0,
  ) {
    super(message);
  }
}

/** The other system knows us not: somebody must look at how we show who we are. */
export class NotLetIn extends Error {}

/** Why something did not go well there, as opposed to here. */
export type Trouble = NeedsPerson | TryLater | NotLetIn | OutsideTrouble;
export const isTrouble = (error: unknown): error is Trouble =>
  [NeedsPerson, TryLater, NotLetIn, OutsideTrouble].some((kind) => error instanceof kind);

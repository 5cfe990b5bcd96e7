export { isSameFirm, isSamePerson, type WhoItIs } from './isSame';
export { FIRM_OFFERS, PERSON_OFFERS, type FirmOffer, type KnownFirm, type KnownPerson, type Offer, type PersonOffer } from './models'; // prettier-ignore
export { firmOffers, hereInstead, personOffers, withTaken } from './offers';

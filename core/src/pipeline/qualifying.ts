/** What is known of a lead that matters for making a contact of them. */
export interface LeadLike {
  givenName: string;
  familyName: string;
  company: string;
  email: string;
  phone: string;
}

/** What a lead lacks: a name, a firm, a way to reach them. */
export const LACKS = ['name', 'company', 'reach'] as const;
export type Lack = (typeof LACKS)[number];

/** What is still to be found out before a lead becomes a contact; a person may do it all the same. */
export function lacksOf({ givenName, familyName, company, email, phone }: LeadLike): Lack[] {
  const is: Record<Lack, boolean> = { name: !givenName || !familyName, company: !company, reach: !email && !phone };
  return LACKS.filter((lack) => is[lack]);
}

/** In which way somebody has to do with a piece of business. */
export const PARTS = ['decides', 'uses', 'advises', 'signs'] as const;
export type Part = (typeof PARTS)[number];

/** Where a talk is booked with whoever has the card under that key. */
export const pathOfTimes = (key: string): string => `/card/${key}/times`;

/** Where one is moved and called off. */
export const pathOfTalk = (key: string): string => `/talk/${key}`;

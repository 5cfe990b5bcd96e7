import { platformHint } from './platformHint';

const PHONE = 'Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X)';
const ROBOT = 'Mozilla/5.0 (Linux; Android 15; Pixel 9)';

describe('the way into the address book', () => {
  it('is told for the device in hand, and for how the card came', () => {
    expect(platformHint(PHONE, true)).toMatch(/Choose Contacts in the sheet/);
    expect(platformHint(PHONE, false)).toMatch(/Downloads/);
    expect(platformHint(ROBOT, true)).toMatch(/account/);
    expect(platformHint(ROBOT, false)).toMatch(/Contacts takes it in/);
    expect(platformHint('Mozilla/5.0 (Macintosh; Intel Mac OS X 15_0)', false)).toMatch(/Contacts asks/);
    expect(platformHint('Mozilla/5.0 (Windows NT 10.0; Win64)', false)).toMatch(/mail program/);
    expect(platformHint('Mozilla/5.0 (X11; Linux x86_64)', false)).toMatch(/Import/);
  });
});

import { isPossiblePhone } from '.';
import { phoneAsTyped, typedPhone } from './typedPhone';

describe('a number being typed', () => {
  it('is set apart as its country does, and words behind it stay', () => {
    expect(phoneAsTyped('+441632960117', null)).toBe('+44 1632 960117');
    expect(phoneAsTyped('01632960117', 'GB')).toBe('01632 960117');
    expect(phoneAsTyped('01632 960117 ask for Sam', 'GB')).toBe('01632 960117 ask for Sam');
  });

  it.each([
    ['01632 960117', 'GB', '+441632960117', ''],
    ['+49 30 5550 123', null, '+49305550123', ''],
    [' 12 ', 'GB', '12', ''],
    ['01632 960117', null, '01632 960117', ''],
    ['01632 960117 ext. 12', 'GB', '+441632960117', '12'],
    ['01632 960117x12', 'GB', '+441632960117', '12'],
    ['+49 89 99998479, DW 893', null, '+498999998479', '893'],
    ['(01632) 960117 #5 ', 'GB', '+441632960117', '5'],
    ['01632 960117 ext. 12-3b', 'GB', '+441632960117', '12-3b'],
    ['01632 960117 ext.', 'GB', '01632 960117 ext.', ''],
    ['01632 960117 ask for Sam', 'GB', '01632 960117 ask for Sam', ''],
    ['0176/04069158', 'DE', '+4917604069158', ''],
    ['ask Max 12', 'GB', 'ask Max 12', ''],
  ])('"%s" becomes E.164 where it can be placed, with its extension', (text, country, value, extension) =>
    expect(typedPhone(text, country)).toEqual({ value, extension }),
  );

  it.each([
    ['+441632960117', true],
    ['+4416', false],
    ['+44163296011712345', false],
    ['960117', true],
    ['12', false],
  ])('%s could be one: %s', (text, possible) => expect(isPossiblePhone(text)).toBe(possible));
});

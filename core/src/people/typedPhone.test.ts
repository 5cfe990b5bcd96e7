import { isPossiblePhone } from '.';
import { normalPhone, phoneAsTyped } from './typedPhone';

describe('a number being typed', () => {
  it('is set apart as its country does, and words behind it stay', () => {
    expect(phoneAsTyped('+441632960117', null)).toBe('+44 1632 960117');
    expect(phoneAsTyped('01632960117', 'GB')).toBe('01632 960117');
    expect(phoneAsTyped('01632 960117 ask for Sam', 'GB')).toBe('01632 960117 ask for Sam');
  });

  it('becomes E.164 where it can be placed, and stays as written where not', () => {
    expect(normalPhone('01632 960117', 'GB')).toBe('+441632960117');
    expect(normalPhone('+49 30 5550 123', null)).toBe('+49305550123');
    expect(normalPhone(' 12 ', 'GB')).toBe('12');
    expect(normalPhone('01632 960117', null)).toBe('01632 960117');
  });

  it.each([
    ['+441632960117', true],
    ['+4416', false],
    ['+44163296011712345', false],
    ['960117', true],
    ['12', false],
  ])('%s could be one: %s', (text, possible) => expect(isPossiblePhone(text)).toBe(possible));
});

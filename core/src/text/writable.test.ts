import fc from 'fast-check';
import { isWritable, unwritablePlace, writable } from './writable';

describe('text that can be kept', () => {
  it.each(['☎ 📞 +44 1632 960117', '🇬🇧 Tarnmoor', '𠮷野', '', 'line\nline\ttab'])('is %j as it is', (text) => {
    expect(isWritable(text)).toBe(true);
    expect(writable(text)).toBe(text);
  });

  it.each([
    ['a\0b', 'ab'],
    ['half \uD83D of it', 'half  of it'],
    ['\uDCDE', ''],
    ['📞\uDCDE', '📞'],
  ])('is not %j', (text, kept) => {
    expect(isWritable(text)).toBe(false);
    expect(writable(text)).toBe(kept);
  });

  it('is all that is left, whatever comes', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: fc.integer({ min: 0, max: 0xffff }).map((c) => String.fromCharCode(c)) }),
        (text) => {
          expect(isWritable(writable(text))).toBe(true);
          expect(Buffer.from(writable(text), 'utf8').toString('utf8')).toBe(writable(text));
        },
      ),
    );
  });

  it('is looked for in everything that was sent', () => {
    expect(unwritablePlace({ fields: { emails: ['a@b.example', 'x\0'] } })).toBe('fields.emails.1');
    expect(unwritablePlace({ a: [1, null, true, { b: '📞' }] })).toBeUndefined();
    expect(unwritablePlace('\uD83D')).toBe('');
    expect(unwritablePlace({ fields: { 'x\0': 1 } })).toBe('fields');
  });
});

import fc from 'fast-check';
import { maySend, type Channel, type Refusal, type Sending, type Standing } from './maySend';

const NOW = new Date('2026-11-30T10:00:00Z');
const YESTERDAY = new Date('2026-11-29T10:00:00Z');
const agreed = (over: Partial<Standing['consents'][number]> = {}): Standing['consents'][number] => ({
  channels: ['email'],
  scope: 'Offers for cold-store doors',
  givenAt: YESTERDAY,
  withdrawnAt: null,
  ...over,
});
const standing = (over: Partial<Standing> = {}): Standing => ({
  isDeleted: false,
  consents: [agreed()],
  bounced: [],
  doNotWrite: { addresses: [], domains: [] },
  answered: [],
  ...over,
});
const mail = (over: Partial<Sending> = {}): Sending => ({
  channel: 'email',
  to: 'nella@harrowfield.example',
  purpose: { kind: 'plan', scope: null },
  ...over,
});
const why = (who: Standing, sending: Sending, now = NOW) => {
  const verdict = maySend(who, sending, now);
  return verdict.may ? 'may' : verdict.why;
};

describe('the gate', () => {
  it.each<[string, Standing, Sending, Refusal | 'may']>([
    ['lets through what was agreed to', standing(), mail(), 'may'],
    [
      'compares what it is about without regard for capitals',
      standing(),
      mail({ purpose: { kind: 'plan', scope: 'offers for COLD-store doors' } }),
      'may',
    ],
    ['does not know another scope', standing(), mail({ purpose: { kind: 'plan', scope: 'Newsletter' } }), 'otherScope'],
    [
      'does not take another way for this one',
      standing({ consents: [agreed({ channels: ['phone', 'post'] })] }),
      mail(),
      'noConsent',
    ],
    ['wants a consent', standing({ consents: [] }), mail(), 'noConsent'],
    ['hears of a withdrawal', standing({ consents: [agreed({ withdrawnAt: YESTERDAY })] }), mail(), 'withdrawn'],
    [
      'takes the consent that still stands',
      standing({ consents: [agreed({ withdrawnAt: YESTERDAY }), agreed()] }),
      mail(),
      'may',
    ],
    [
      'does not take one that is yet to be given',
      standing({ consents: [agreed({ givenAt: new Date('2026-12-01') })] }),
      mail(),
      'noConsent',
    ],
    ['writes to nobody who is deleted', standing({ isDeleted: true }), mail(), 'deleted'],
    ['needs an address', standing(), mail({ to: ' ' }), 'noAddress'],
    [
      'takes two addresses for none',
      standing(),
      mail({ to: 'nella@harrowfield.example, x@other.example' }),
      'noAddress',
    ],
    [
      'takes no line that begins another',
      standing(),
      mail({ to: 'nella@harrowfield.example\r\nBcc: x@other.example' }),
      'noAddress',
    ],
    ['takes nothing that is no address', standing(), mail({ to: 'nella at harrowfield' }), 'noAddress'],
    [
      'keeps the list by address',
      standing({ doNotWrite: { addresses: ['nella@harrowfield.example'], domains: [] } }),
      mail({ to: 'Nella@Harrowfield.example' }),
      'doNotWrite',
    ],
    [
      'keeps the list by domain',
      standing({ doNotWrite: { addresses: [], domains: ['harrowfield.example'] } }),
      mail(),
      'doNotWrite',
    ],
    [
      'keeps the list for what is beneath a domain',
      standing({ doNotWrite: { addresses: [], domains: ['harrowfield.example'] } }),
      mail({ to: 'a@mail.harrowfield.example' }),
      'doNotWrite',
    ],
    [
      'does not take a longer name for a domain beneath',
      standing({ doNotWrite: { addresses: [], domains: ['field.example'] } }),
      mail(),
      'may',
    ],
    [
      'does not write where mail comes back from',
      standing({ bounced: ['nella@harrowfield.example'] }),
      mail(),
      'bounced',
    ],
    [
      'lets a reply through without consent',
      standing({ consents: [] }),
      mail({ purpose: { kind: 'reply', asked: 'Send me your details' } }),
      'may',
    ],
    [
      'lets no reply through to nothing',
      standing({ consents: [] }),
      mail({ purpose: { kind: 'reply', asked: '  ' } }),
      'nothingAsked',
    ],
    [
      'answers each question once',
      standing({ consents: [], answered: ['send me your details'] }),
      mail({ purpose: { kind: 'reply', asked: 'Send me your details' } }),
      'answeredAlready',
    ],
    [
      'keeps the list for replies too',
      standing({ doNotWrite: { addresses: [], domains: ['harrowfield.example'] } }),
      mail({ purpose: { kind: 'reply', asked: 'A catalogue' } }),
      'doNotWrite',
    ],
  ])('%s', (_name, who, sending, expected) => expect(why(who, sending)).toBe(expected));

  it('says why in words that name what stands in the way', () => {
    const verdict = maySend(standing(), mail({ purpose: { kind: 'byHand', scope: 'Newsletter' } }), NOW);
    expect(verdict).toMatchObject({
      words: 'They agreed to e-mails about “Offers for cold-store doors”, not about Newsletter.',
    });
  });

  it('never lets through a plan or a hand without a consent that stands at that moment', () => {
    const anyChannel = fc.constantFrom<Channel>('email', 'phone', 'post');
    const moment = fc.date({ min: new Date('2026-01-01'), max: new Date('2027-01-01'), noInvalidDate: true });
    const consent = fc.record({
      channels: fc.uniqueArray(anyChannel, { minLength: 1 }),
      scope: fc.constantFrom('a', 'b'),
      givenAt: moment,
      withdrawnAt: fc.option(moment),
    });
    fc.assert(
      fc.property(
        fc.array(consent, { maxLength: 5 }),
        anyChannel,
        fc.constantFrom(null, 'a', 'b'),
        moment,
        (consents, channel, scope, now) => {
          const stands = consents.some(
            (one) =>
              one.channels.includes(channel) &&
              one.givenAt <= now &&
              (one.withdrawnAt === null || one.withdrawnAt > now) &&
              (scope === null || one.scope === scope),
          );
          expect(maySend(standing({ consents }), mail({ channel, purpose: { kind: 'plan', scope } }), now).may).toBe(
            stands,
          );
        },
      ),
    );
  });
});
